"""Texts in ink for tests: our own letters laid out as words are, and changed one at a time."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.say.findings import TextResult
from firstloop.core.checking.texts.check import check_text
from firstloop.core.contract import Code, Verdict
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.core.text.words import compose

RULING = Ruling(2.0, -1.0)
SPACE = 1.2

Paths = list[FloatArray]
Change = Callable[[FloatArray], FloatArray]


@dataclass
class Line:
    """Letters along a line: each with its strokes, in the order of writing."""

    letters: list[Paths]

    def changed(self, at: int, change: Change) -> "Line":
        """One letter changed."""
        return Line(
            [[change(p) for p in ps] if k == at else ps for k, ps in enumerate(self.letters)]
        )

    def moved(self, since: int, x: float) -> "Line":
        """All letters from one on moved along the line."""
        by = np.array([x, 0.0])
        return Line(
            [[p + by for p in ps] if k >= since else ps for k, ps in enumerate(self.letters)]
        )

    def without(self, at: int) -> "Line":
        return Line([ps for k, ps in enumerate(self.letters) if k != at])

    @property
    def ink(self) -> Ink:
        return ink_of([path for letter in self.letters for path in letter])


def ink_of(paths: Sequence[FloatArray]) -> Ink:
    return Ink(tuple(Stroke.of(path) for path in paths))


def printed(text: str, hand: str = "plain") -> Line:
    """A text in print; words a space apart."""
    letters: list[Paths] = []
    right = 0.0
    for word in text.split():
        composed = compose(word, HANDS[hand])
        drawn = draw(composed.script, HANDS[hand].proportions, RULING)
        begin = right + (SPACE if right else 0.0)
        by_letter: list[Paths] = [[] for _ in word]
        for path, origins in zip(drawn.paths(), composed.origins, strict=True):
            by_letter[origins[0].letter].append(path + np.array([begin, 0.0]))
        letters += by_letter
        right = max(float(p[:, 0].max()) for paths in by_letter for p in paths)
    return Line(letters)


def joined(word: str) -> Paths:
    """A word in the joined hand, dots and bars last."""
    hand = HANDS["joined"]
    return list(draw(compose(word, hand).script, hand.proportions, RULING).paths())


def checked(
    ink: Ink,
    target: str,
    kind: Kind = Kind.WORD,
    hand: str = "plain",
    *,
    may_stand_open: bool = False,
) -> TextResult:
    task = Task(target, kind, may_stand_open=may_stand_open)
    return check_text(ink, task, Style(hand), RULING)


def to_mend(result: TextResult) -> list[tuple[Code, int | None]]:
    """What there is to mend in the text, with its places."""
    return [(f.code, f.index) for f in result.findings if f.severity is Verdict.NOT_YET]
