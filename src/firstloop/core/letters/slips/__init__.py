"""Slips: what goes wrong in a child's letter, as changes to its script or to its strokes.

The simulated pupils write with them, so that demo data and tests show real faults; a letter's page
and the board show its usual ones. They are no part of the checker, which has its own list of ways.
"""

from collections.abc import Mapping
from types import MappingProxyType

import numpy as np

from firstloop.core.contract import Code
from firstloop.core.geometry.polyline import length
from firstloop.core.letters import Hand, draw
from firstloop.core.letters.drawing import pressed
from firstloop.core.letters.moves import Script
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips.branching import BRANCH_SLIPS
from firstloop.core.letters.slips.direction import DIRECTION_SLIPS
from firstloop.core.letters.slips.letters import LETTER_SLIPS
from firstloop.core.letters.slips.parts import PART_SLIPS
from firstloop.core.letters.slips.slip import Slip, Strokes
from firstloop.core.letters.slips.usual import kind_of, usual_of
from firstloop.core.letters.slips.whole import WHOLE_SLIPS

__all__ = ["SHOWN", "SLIPS", "Slip", "Strokes", "shown_slips"]

_EVERY = (*DIRECTION_SLIPS, *PART_SLIPS, *BRANCH_SLIPS, *LETTER_SLIPS, *WHOLE_SLIPS)

SLIPS = {slip.name: slip for slip in _EVERY}
"""By name, in the order in which a teacher warns of them."""

A_DOT = 0.1
"""u: no other stroke is as short."""

SHOWN = 4
"""More than this a class does not keep in mind."""

_EVERYBODYS = {"gone over again", "floating", "sinking", "leaning over", "leaning back", "shaking"}
"""Slips of no letter in particular: shown only where there is nothing else to warn of."""


NONE_SEEN: Mapping[Code, float] = MappingProxyType({})


def shown_slips(
    script: Script,
    hand: Hand,
    ruling: Ruling,
    seen: Mapping[Code, float] = NONE_SEEN,
    habit: Code | None = None,
) -> list[tuple[Slip, Strokes]]:
    """The usual slips of a letter, each as it looks in this hand; points in u. First those of a
    habit that is to be mended; then those that teachers warn of in this letter, the sooner the more
    of the class's children had them of late (`seen`, the share of them by code); of the others at
    most one of a kind.

    >>> from firstloop.core.letters import PLAIN
    >>> [slip.name for slip, _ in shown_slips(PLAIN.scripts["i"], PLAIN, Ruling())]
    ['last stroke first', 'dot too far', 'dot forgotten', 'a curl at the end']
    """
    shown: list[tuple[Slip, Strokes]] = []
    kinds: set[str] = set()
    for slip in _ranked(script, seen, habit):
        usual = slip.name in usual_of(script.letter)
        if kind_of(slip.code) in kinds and not usual:
            continue
        strokes = drawn(script, slip, hand, ruling)
        if not any(_same(strokes, other) for _, other in shown):
            shown.append((slip, strokes))
            kinds.add(kind_of(slip.code))
        if len(shown) == SHOWN:
            break
    return shown


def _ranked(script: Script, seen: Mapping[Code, float], habit: Code | None) -> list[Slip]:
    """The slips that a letter can have, the likeliest first: how usual it is for this letter, times
    whether it then reads as another, times what the class's own record shows."""
    usual = usual_of(script.letter)

    def likely(slip: Slip) -> float:
        if slip.name in _EVERYBODYS:
            own = EVERYBODYS
        elif slip.name in usual:
            own = NEXT ** usual.index(slip.name)
        else:
            own = UNUSUAL
        reads = AS_ANOTHER if kind_of(slip.code) == "another" else 1.0
        return own * reads * (1.0 + SEEN * max(seen.get(code, 0.0) for code in slip.codes))

    fitting = [slip for slip in SLIPS.values() if slip.fits(script)]
    return sorted(fitting, key=lambda slip: (habit not in slip.codes, -likely(slip)))


NEXT, UNUSUAL, EVERYBODYS = 0.9, 0.3, 0.1
"""Of the usual slips of a letter each is so much less likely than the one before; one that is not
usual for it, and one of no letter in particular, is so likely beside the first."""

AS_ANOTHER, SEEN = 1.05, 2.0
"""What it counts that the letter then reads as another, and that all children of the class had it
of late: a slip that half of them have comes before any other."""


def _same(one: Strokes, other: Strokes) -> bool:
    """Whether two slips are one in this letter: a c from the bottom up is a c backwards."""
    return len(one) == len(other) and all(
        a.shape == b.shape and np.allclose(a, b) for a, b in zip(one, other, strict=True)
    )


def drawn(script: Script, slip: Slip, hand: Hand, ruling: Ruling) -> Strokes:
    """A letter with a slip, as it looks in a steady hand; its dots pressed, as those of the right
    one are, so that nothing but the slip tells them apart."""
    strokes = slip.redraw(draw(slip.reshape(script), hand.proportions, ruling).paths())
    return tuple(pressed(one) if length(one) < A_DOT else one for one in strokes)
