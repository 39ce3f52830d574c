"""What the record says: how a child's letter stands, from attempts and the teacher's judgement."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from firstloop.core.checking.findings import Dimension, Verdict

Verdicts = dict[Dimension, Verdict]


@dataclass(frozen=True, slots=True)
class Seen:
    """What is held to be true of one attempt: the checker's verdicts, or the teacher's."""

    written_at: datetime
    verdicts: Verdicts


def held_verdicts(checked: Verdicts, judged: Verdicts | None) -> Verdicts:
    """The verdicts that count: the teacher's word always wins over the checker."""
    return {**checked, **(judged or {})}


def standing(attempts: Iterable[Seen]) -> Verdicts:
    """How a letter stands: for each dimension the newest attempt that could show it.

    A scan shows no direction, so it never wipes out what was seen while the child wrote.

    >>> standing([])[Dimension.SIZE].value
    'unseen'
    """
    held = dict.fromkeys(Dimension, Verdict.UNSEEN)
    for seen in sorted(attempts, key=lambda seen: seen.written_at):
        held.update({d: v for d, v in seen.verdicts.items() if v is not Verdict.UNSEEN})
    return held
