"""What a child was asked to write, with how much help, and by what means it is known."""

from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.contract import Stage


class Source(StrEnum):
    """By what means an attempt is known: a pen's path, a picture of paper, or the teacher's eye."""

    PEN = "pen"
    SCAN = "scan"
    EYE = "eye"


class Kind(StrEnum):
    """How much was written."""

    LETTER = "letter"
    WORD = "word"
    ROW = "row"
    SEQUENCE = "sequence"
    PHRASE = "phrase"
    SENTENCE = "sentence"
    FREE = "free"

    @classmethod
    def of(cls, target: str) -> "Kind":
        """What a target is where nothing else is said.

        >>> [str(Kind.of(target)) for target in ("m", "ship", "A cat.")]
        ['letter', 'word', 'sentence']
        """
        if len(target) == 1:
            return cls.LETTER
        return cls.SENTENCE if " " in target else cls.WORD


class Help(StrEnum):
    """How much help there was while writing, from the most to the least; in a word the letter
    before it and the one after it ask for attention too."""

    TRACE = "trace"
    FINISH = "finish"
    COPY = "copy"
    RECALL = "recall"
    WORD = "word"


class Handedness(StrEnum):
    """The hand a child writes with."""

    LEFT = "left"
    RIGHT = "right"


@dataclass(frozen=True, slots=True)
class Task:
    """What was asked for: the letter or text, and by what a child is judged who wrote it."""

    target: str
    kind: Kind = Kind.LETTER
    handedness: Handedness = Handedness.RIGHT
    stage: Stage = Stage.DEVELOPING
    may_stand_open: bool = False
    """Whether letters of a joined hand may stand apart: joins are not taught yet."""
    open_pairs: frozenset[str] = frozenset()
    """Of a class that is taught some joins, the pairs whose joins are not among them."""
