"""The lesson: its steps in order, the minutes they take, and what each of them is about.

One value drives the board, the pads, the printed page and the record. It is planned from what is
taught, due and shaky, and a teacher may move, retime, skip and annotate its steps.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from math import floor

from firstloop.core.errors import FirstLoopError


class LessonError(FirstLoopError):
    """A lesson is asked for that cannot be given."""


class StepKind(StrEnum):
    """The steps of a lesson, in the order of practice."""

    SETTLE = "settle"
    DATE = "date"
    LOOK_BACK = "look_back"
    FAMILY = "family"
    SHOW = "show"
    SLIPS = "slips"
    BIG = "big"
    OWN = "own"
    BEST = "best"
    WORDS = "words"
    SENTENCE = "sentence"
    CLOSE = "close"
    HOME = "home"


@dataclass(frozen=True, slots=True)
class _Kind:
    """What is known of a step: its title, what is done, its weight in a full lesson, and how soon
    it is left out of a short one (0: never)."""

    title: str
    what: str
    weight: float
    dispensable: int


KINDS: dict[StepKind, _Kind] = {
    StepKind.SETTLE: _Kind("Settle", "Feet, chair, paper, pencil; stretch.", 1.0, 0),
    StepKind.DATE: _Kind("Today's date", "The long date on the line.", 1.5, 3),
    StepKind.LOOK_BACK: _Kind("Look back", "A row of earlier letters, each named.", 1.5, 2),
    StepKind.FAMILY: _Kind("The family", "What these letters have in common.", 0.5, 4),
    StepKind.SHOW: _Kind("Show", "Its lines, its start, every move spoken.", 2.5, 0),
    StepKind.SLIPS: _Kind("Slips to spot", "Wrong ones, and the right one beside.", 1.5, 2),
    StepKind.BIG: _Kind("Big first", "In the air, on the palm; speaking.", 1.0, 1),
    StepKind.OWN: _Kind("Trace, finish, own", "Five or six, a gap between them.", 4.0, 0),
    StepKind.BEST: _Kind("Choose the best", "Circle it, and say why.", 1.0, 0),
    StepKind.WORDS: _Kind("Words", "Say, count the sounds, write, read back.", 3.0, 1),
    StepKind.SENTENCE: _Kind("A sentence", "Say it, count its words, write it.", 2.5, 3),
    StepKind.CLOSE: _Kind("Close", "What we learned; a small drawing.", 1.0, 0),
    StepKind.HOME: _Kind("Home", "The sheet to take along.", 0.5, 4),
}

SHORTEST, LONGEST = 5, 60
"""Minutes that a lesson may have; short and frequent beats long."""

HALF = 0.5
"""Minutes: what steps are timed in, and what none is shorter than."""

LEAST_SHARE = 0.75
"""Of what its weight asks for at TUNED_FOR minutes: with less, steps are left out instead."""

TUNED_FOR = 20.0
"""Minutes: the lesson for which the weights are minutes."""


@dataclass(frozen=True, slots=True)
class Step:
    """A step: its minutes, whether it is skipped, and the teacher's note."""

    kind: StepKind
    minutes: float
    skipped: bool = False
    note: str = ""


@dataclass(frozen=True, slots=True)
class Lesson:
    """A lesson on what is new: letters, or a pair of letters that are one sound."""

    new: tuple[str, ...]
    minutes: int
    steps: tuple[Step, ...]
    look_back: tuple[str, ...] = ()
    words: tuple[str, ...] = ()
    sentence: str = ""

    @property
    def spent(self) -> float:
        """Minutes of the steps that are not skipped."""
        return sum(step.minutes for step in self.steps if not step.skipped)


def plan(
    new: Sequence[str],
    minutes: int,
    *,
    look_back: Sequence[str] = (),
    words: Sequence[str] = (),
    sentence: str = "",
) -> Lesson:
    """A lesson with every step that fits into its minutes; those that do not are there, skipped.

    Steps without matter are skipped: nothing to look back on, no words yet.

    >>> lesson = plan(["n"], 20, look_back=["r"], words=["nap"], sentence="Nap, Ned.")
    >>> lesson.spent, len(lesson.steps)
    (20.0, 13)
    >>> [step.kind.value for step in plan(["n"], 10).steps if not step.skipped]
    ['settle', 'date', 'show', 'slips', 'big', 'own', 'best', 'close']
    >>> plan([], 10)
    Traceback (most recent call last):
    firstloop.core.lesson.LessonError: a lesson needs something new; choose a letter
    """
    if not new:
        raise LessonError("a lesson needs something new; choose a letter")
    if not SHORTEST <= minutes <= LONGEST:
        raise LessonError(f"a lesson has {SHORTEST} to {LONGEST} minutes, not {minutes}")
    empty = {
        kind
        for kind, matter in (
            (StepKind.LOOK_BACK, look_back),
            (StepKind.WORDS, words),
            (StepKind.SENTENCE, sentence),
        )
        if not matter
    }
    kept = _kept(minutes, empty)
    steps = tuple(Step(kind, HALF, skipped=kind not in kept) for kind in StepKind)
    lesson = Lesson(tuple(new), minutes, steps, tuple(look_back), tuple(words), sentence)
    return retimed(lesson)


def _kept(minutes: int, empty: set[StepKind]) -> set[StepKind]:
    """The steps for which there is time, the most dispensable left out first."""
    kept = set(KINDS) - empty
    for rank in (4, 3, 2, 1):
        asked = sum(KINDS[kind].weight for kind in kept)
        if asked * LEAST_SHARE * (TUNED_FOR / _full()) <= minutes:
            break
        kept -= {kind for kind in kept if KINDS[kind].dispensable == rank}
    return kept


def _full() -> float:
    return sum(kind.weight for kind in KINDS.values())


def retimed(lesson: Lesson, fixed: Iterable[StepKind] = ()) -> Lesson:
    """The lesson with its minutes shared out among its steps by their weights, to the half minute,
    so that they sum to the whole; those that are fixed keep theirs.

    The largest remainders are rounded up (Hamilton's method), so that no step is off by more than
    a half minute.
    """
    kept_as_is = set(fixed)
    free = [s for s in lesson.steps if not s.skipped and s.kind not in kept_as_is]
    if not free:
        return lesson
    taken = lesson.spent - sum(step.minutes for step in free)
    halves = max(round((lesson.minutes - taken) / HALF), len(free))
    weights = [KINDS[step.kind].weight for step in free]
    exact = [1 + (halves - len(free)) * weight / sum(weights) for weight in weights]
    counts = [floor(share) for share in exact]
    by_remainder = sorted(range(len(free)), key=lambda at: counts[at] - exact[at])
    for at in by_remainder[: halves - sum(counts)]:
        counts[at] += 1
    minutes = {step.kind: HALF * count for step, count in zip(free, counts, strict=True)}
    return replace(
        lesson,
        steps=tuple(
            replace(step, minutes=minutes.get(step.kind, step.minutes)) for step in lesson.steps
        ),
    )


def moved(lesson: Lesson, kind: StepKind, by: int) -> Lesson:
    """The lesson with a step so many places later, or with a negative number earlier.

    >>> lesson = moved(plan(["n"], 20), StepKind.SETTLE, 1)
    >>> [step.kind.value for step in lesson.steps][:2]
    ['date', 'settle']
    """
    steps = list(lesson.steps)
    at = _place(lesson, kind)
    step = steps.pop(at)
    steps.insert(max(0, min(len(steps), at + by)), step)
    return replace(lesson, steps=tuple(steps))


def changed(
    lesson: Lesson,
    kind: StepKind,
    *,
    minutes: float | None = None,
    skipped: bool | None = None,
    note: str | None = None,
) -> Lesson:
    """The lesson with a step changed. Skipped or brought back, its minutes go to or come from the
    others; set by hand, they are the teacher's, and the whole may be longer or shorter."""
    at = _place(lesson, kind)
    step = lesson.steps[at]
    if minutes is not None:
        if not HALF <= minutes <= LONGEST:
            raise LessonError(f"a step takes {HALF} to {LONGEST} minutes, not {minutes:g}")
        step = replace(step, minutes=round(minutes / HALF) * HALF)
    if note is not None:
        step = replace(step, note=note)
    if skipped is not None:
        step = replace(step, skipped=skipped)
    steps = (*lesson.steps[:at], step, *lesson.steps[at + 1 :])
    again = replace(lesson, steps=steps)
    return retimed(again) if skipped is not None else again


def _place(lesson: Lesson, kind: StepKind) -> int:
    for at, step in enumerate(lesson.steps):
        if step.kind is kind:
            return at
    raise LessonError(f"the lesson has no step {kind}")
