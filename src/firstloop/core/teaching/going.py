"""How it goes at a step, child by child, while a class writes: who has not begun, who is stuck. It
is about where a teacher walks to next, never about who is better."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from enum import StrEnum

from firstloop.core.contract import Code


class Going(StrEnum):
    """How it goes: no pad yet, nothing written yet, under way, stuck, enough."""

    AWAY = "away"
    NOT_BEGUN = "not_begun"
    WRITING = "writing"
    STUCK = "stuck"
    ENOUGH = "enough"


@dataclass(frozen=True, slots=True)
class Wrote:
    """Something a child handed in: when, whether it was struck through, and the first thing in it
    that is to be mended, if any."""

    at: datetime
    struck: bool = False
    to_mend: Code | None = None


AGAIN = 3
"""The same thing to mend so often in a row, or struck so often: practice alone does not help."""

QUIET = timedelta(seconds=90)
"""With nothing handed in for so long somebody who has begun is stuck: a slow letter of a 5-year-old
takes 20 s. Chosen by trial on made-up classes."""


def how_it_goes(
    wrote: Sequence[Wrote], now: datetime, since: datetime, *, has_pad: bool, enough: bool
) -> Going:
    """How it goes for a child, from what it handed in at this step, the oldest first; `since` is
    when the step began.

    >>> from datetime import UTC
    >>> began = datetime(2026, 1, 12, 9, 0, tzinfo=UTC)
    >>> def goes(*codes: Code | None) -> str:
    ...     at = [began + timedelta(seconds=20 * place) for place in range(len(codes))]
    ...     wrote = [Wrote(moment, False, code) for moment, code in zip(at, codes)]
    ...     return how_it_goes(wrote, began + QUIET, began, has_pad=True, enough=False).value
    >>> goes(), goes(None), goes(*[Code.START_PLACE] * 3), goes(*[Code.START_PLACE] * 3, None)
    ('not_begun', 'writing', 'stuck', 'writing')
    """
    if not has_pad:
        return Going.AWAY
    here = [one for one in wrote if one.at >= since]
    if not here:  # who comes back to a step may have written enough of it before
        return Going.ENOUGH if enough else Going.NOT_BEGUN
    last = here[-AGAIN:]
    if len(last) == AGAIN:
        same = last[0].to_mend is not None and len({one.to_mend for one in last}) == 1
        if same or all(one.struck for one in last):
            return Going.STUCK
    if enough:
        return Going.ENOUGH
    return Going.STUCK if now - here[-1].at > QUIET else Going.WRITING
