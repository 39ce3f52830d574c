"""The lesson: its steps in order, the minutes they take, and what each of them is about.

One value drives the board, the pads, the printed page and the record. It is planned from what is
taught, due and shaky, and a teacher may move, retime, skip and annotate its steps.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from math import floor

from firstloop.core.errors import FirstLoopError
from firstloop.core.teaching.steps import STEPS, StepKind


class LessonError(FirstLoopError):
    """A lesson is asked for that cannot be given."""


SHORTEST, LONGEST = 5, 60
"""Minutes that a lesson may have; short and frequent beats long."""

HALF = 0.5
"""Minutes: what steps are timed in, and what none is shorter than."""

LEAST_SHARE = 0.75
"""Of what its weight asks for at TUNED_FOR minutes: with less, steps are left out instead."""

TUNED_FOR = 20.0
"""Minutes: the lesson for which the weights are minutes."""

MOST_WORDS, MOST_LOOKED_BACK, LONGEST_NOTE = 8, 8, 120
"""Words and letters of a lesson, letters of a note or a sentence: more is another lesson."""


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
    def letters(self) -> tuple[str, ...]:
        """The letters of what is new, each once."""
        return tuple(dict.fromkeys(letter for part in self.new for letter in part))

    @property
    def parts(self) -> tuple[str, ...]:
        """What is new, to be shown in turn: a pair first as the pair it is, then its letters.

        >>> plan(["sh"], 20).parts
        ('sh', 's', 'h')
        """
        shown = (one for part in self.new for one in (part, *(part if len(part) > 1 else "")))
        return tuple(dict.fromkeys(shown))

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
    firstloop.core.teaching.lesson.LessonError: a lesson needs something new; choose a letter
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
    kept = set(STEPS) - empty
    for rank in (4, 3, 2, 1):
        asked = sum(STEPS[kind].weight for kind in kept)
        if asked * LEAST_SHARE * (TUNED_FOR / _full()) <= minutes:
            break
        kept -= {kind for kind in kept if STEPS[kind].dispensable == rank}
    return kept


def _full() -> float:
    return sum(kind.weight for kind in STEPS.values())


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
    weights = [STEPS[step.kind].weight for step in free]
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
            raise LessonError(f"a step takes {HALF:g} to {LONGEST} minutes, not {minutes:g}")
        step = replace(step, minutes=round(minutes / HALF) * HALF)
    if note is not None:
        step = replace(step, note=_short(note))
    if skipped is not None:
        step = replace(step, skipped=skipped)
    steps = (*lesson.steps[:at], step, *lesson.steps[at + 1 :])
    again = replace(lesson, steps=steps)
    return retimed(again) if skipped is not None else again


def with_word(lesson: Lesson, text: str, *, there: bool) -> Lesson:
    """The lesson with a word taken in at the end, or left out.

    >>> with_word(plan(["n"], 20, words=["nap"]), "pan", there=True).words
    ('nap', 'pan')
    """
    return replace(lesson, words=_with(lesson.words, _short(text), there, MOST_WORDS, "words"))


def with_words(lesson: Lesson, words: Sequence[str]) -> Lesson:
    """The lesson with these words in place of its own; raises LessonError for too many."""
    if len(words) > MOST_WORDS:
        raise LessonError(f"a lesson has at most {MOST_WORDS} words; leave some out")
    return replace(lesson, words=tuple(_short(word) for word in words))


def with_look_back(lesson: Lesson, letter: str, *, there: bool) -> Lesson:
    """The lesson with a letter to look back on, or without it."""
    letters = _with(lesson.look_back, letter, there, MOST_LOOKED_BACK, "letters to look back on")
    return replace(lesson, look_back=letters)


def with_sentence(lesson: Lesson, sentence: str) -> Lesson:
    """The lesson with another sentence, or with none."""
    return replace(lesson, sentence=_short(sentence))


def copy_of(lesson: Lesson, kind: StepKind, date_text: str) -> str:
    """What is to be written in a step.

    >>> copy_of(plan(["n"], 20, words=["nap", "pan"]), StepKind.WORDS, "")
    'nap, pan'
    """
    match kind:
        case StepKind.DATE:
            return date_text
        case StepKind.WORDS:
            return ", ".join(lesson.words)
        case StepKind.SENTENCE:
            return lesson.sentence
        case StepKind.LOOK_BACK:
            return " ".join(lesson.look_back)
        case _:
            return " ".join(lesson.new)


def prompts(lesson: Lesson, kind: StepKind) -> tuple[str, ...]:
    """What the class is told to do in a step in which it works by itself.

    >>> prompts(plan(["n"], 20), StepKind.CLOSE)[0]
    'Where does n start?'
    """
    new = ", ".join(lesson.new)
    match kind:
        case StepKind.OWN:
            return (
                "Trace it on the dots.",
                "Finish it from its starting dot.",
                "Write five or six of your own, a gap between them.",
                "One went wrong? Cross it out and leave it. The next one is better.",
            )
        case StepKind.BEST:
            return ("Look at your row.", "Ring the one you like best.", "Tell your neighbour why.")
        case StepKind.CLOSE:
            return (
                f"Where does {new} start?",
                "What does the pencil do first?",
                "Turn one of yours into a small drawing.",
            )
        case StepKind.HOME:
            return ("A few minutes at home, no more.", "Trace, finish, then write your own.")
        case _:
            return ()


def _with(known: tuple[str, ...], one: str, there: bool, most: int, what: str) -> tuple[str, ...]:
    others = tuple(other for other in known if other != one)
    if not there:
        return others
    if len(others) == most:
        raise LessonError(f"a lesson has at most {most} {what}; leave one out first")
    return known if one in known else (*known, one)


def _short(text: str) -> str:
    text = text.strip()
    if len(text) > LONGEST_NOTE:
        raise LessonError(f"that is longer than {LONGEST_NOTE} letters; make it shorter")
    return text


def _place(lesson: Lesson, kind: StepKind) -> int:
    for at, step in enumerate(lesson.steps):
        if step.kind is kind:
            return at
    raise LessonError(f"the lesson has no step {kind}")
