"""What a check measures, before it is held against a limit and put into words."""

from dataclasses import dataclass
from enum import Enum, auto

from firstloop.core.contract import Code
from firstloop.core.letters import Letter


class Against(Enum):
    """What a length is told against: the part in the model; where it stands, as a share of a body;
    or the opening that the part leaves, which it closes."""

    MODEL = auto()
    BODY = auto()
    MOUTH = auto()


@dataclass(frozen=True, slots=True)
class Measure:
    """One thing measured, before it is held against its limit and put into words.

    `value` is signed as the contract says. `stroke` and `move` are places in the letter's script:
    of `form`, where it was measured on another accepted form than the one that explains the ink.
    """

    code: Code
    value: float
    stroke: int
    move: int
    other: str | None = None
    against: Against = Against.MODEL
    form: Letter | None = None
    of_limit: float = 1.0
    """Share of its code's limit from where on it counts: of a small part less is much."""
