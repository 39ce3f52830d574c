"""The lesson: its steps in order, the minutes they take, and what each of them is about.

One value drives the board, the pads, the printed page and the record. It is planned from what is
taught, due and shaky, and a teacher may move, retime, skip and annotate its steps.
"""

from collections.abc import Collection, Iterable, Sequence
from dataclasses import dataclass, replace
from math import floor

from firstloop.core.contract import Code
from firstloop.core.errors import FirstLoopError
from firstloop.core.teaching.customs import OwnAmount
from firstloop.core.teaching.steps import (
    ROUND_STEPS,
    SHAPES,
    STEPS,
    Rounds,
    Shape,
    SlipsAt,
    StepKind,
    usual_minutes,
)


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

AGAIN = 0.5
"""Of a step's weight, for each further letter that it comes round for."""

BRIEFLY = 0.3
"""Of the weight of settling down, where it is one line and no step of its own."""

A_PAIR = 3
"""Letters of a pair at most (igh): what is longer is a word."""

MOST_NEW = 7
"""Letters, pairs and words that a lesson is on, at most: a large family."""

MOST_TIMES = 5
"""How often one word is written in a lesson, at most."""

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
    """A lesson on letters, pairs of letters that are one sound, or whole words: new ones, or, where
    its shape teaches nothing new, ones that are looked at again; a lesson of words is on none.

    `aim` is what it is for, in one line; `rounds` how its letter steps come round for several;
    `prompt` what free writing begins with, a question or a picture by its name. `word_times` is how
    often each word is written, `to_the_end` whether what is looked back on is written again and
    again to the end of its line, `gap` the word that a sentence's model leaves out; `own` how
    many of their own children write, where it is not what the class usually does; `habit`
    the slip that a lesson mends.
    """

    new: tuple[str, ...]
    minutes: int
    steps: tuple[Step, ...]
    look_back: tuple[str, ...] = ()
    words: tuple[str, ...] = ()
    sentence: str = ""
    prompt: str = ""
    shape: Shape = Shape.FULL
    rounds: Rounds = Rounds.BY_LETTER
    aim: str = ""
    word_times: int = 1
    to_the_end: bool = False
    gap: str = ""
    own: OwnAmount | None = None
    habit: Code | None = None

    @property
    def gap_word(self) -> str:
        """The word that is left out, if it is a word of the sentence.

        >>> from dataclasses import replace
        >>> lesson = replace(plan(["n"], 20, sentence="Nap, Ned."), gap="Ned")
        >>> lesson.gap_word, replace(lesson, sentence="An ant.").gap_word
        ('Ned', '')
        """
        return self.gap if self.gap in words_in(self.sentence) else ""

    @property
    def taught(self) -> tuple[str, ...]:
        """The letters that are taught once it is given. A whole word is learnt as it stands: its
        letters have lessons of their own.

        >>> plan(["n", "sh", "said"], 20).taught
        ('n', 's', 'h')
        """
        if not self.shape.teaches:
            return ()
        parts = (part for part in self.new if len(part) <= A_PAIR)
        return tuple(dict.fromkeys(letter for part in parts for letter in part))

    @property
    def whole_words(self) -> tuple[str, ...]:
        """The words that are taught as they stand once it is given.

        >>> plan(["n", "sh", "said"], 20).whole_words
        ('said',)
        """
        return tuple(x for x in self.new if len(x) > A_PAIR) if self.shape.teaches else ()

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
        return parts_of(self.new)

    @property
    def spent(self) -> float:
        """Minutes of the steps that are not skipped."""
        return sum(step.minutes for step in self.steps if not step.skipped)


def words_in(sentence: str) -> tuple[str, ...]:
    """The words of a sentence, without its marks.

    >>> words_in("Is it hot, Sam?")
    ('Is', 'it', 'hot', 'Sam')
    """
    return tuple(word for word in (one.strip(".,!?") for one in sentence.split()) if word)


def parts_of(new: Iterable[str]) -> tuple[str, ...]:
    """What is shown in turn, each once: letters; a pair as it is, then its letters; a word as it
    is, whole."""
    shown = (one for part in new for one in (part, *(part if 1 < len(part) <= A_PAIR else "")))
    return tuple(dict.fromkeys(shown))


def letters_of(new: Iterable[str]) -> tuple[str, ...]:
    """The letters that are looked at one by one: not those of a word, which is learnt whole.

    >>> letters_of(["n", "sh", "said"])
    ('n', 's', 'h')
    """
    return tuple(dict.fromkeys(x for part in new if len(part) <= A_PAIR for x in part))


def plan(
    new: Sequence[str],
    minutes: int,
    *,
    look_back: Sequence[str] = (),
    words: Sequence[str] = (),
    sentence: str = "",
    shape: Shape = Shape.FULL,
    aim: str = "",
    slips: SlipsAt = SlipsAt.AFTER,
    dated: bool = True,
    habit: Code | None = None,
) -> Lesson:
    """A lesson with every step of its shape that fits into its minutes; the others are there,
    skipped.

    Steps without matter are skipped: nothing to look back on, no words yet; slips where the class
    never looks at them, and the date where it is not to be written yet (not `dated`).

    >>> lesson = plan(["n"], 20, look_back=["r"], words=["nap"], sentence="Nap, Ned.")
    >>> lesson.spent, sum(not step.skipped for step in lesson.steps)
    (20.0, 13)
    >>> [step.kind.value for step in plan(["n"], 10).steps if not step.skipped]
    ['settle', 'date', 'show', 'big', 'slips', 'own', 'best', 'close']
    >>> short = plan(["n"], 8, words=["nap"], shape=Shape.SHORT)
    >>> [step.kind.value for step in short.steps if not step.skipped]
    ['settle', 'show', 'big', 'slips', 'own', 'best', 'words']
    >>> plan([], 10)
    Traceback (most recent call last):
    firstloop.core.teaching.lesson.LessonError: a lesson needs something new; choose a letter
    """
    if not new and shape is not Shape.WORDS:
        raise LessonError("a lesson needs something new; choose a letter")
    if len(new) > MOST_NEW:
        raise LessonError(f"a lesson is on at most {MOST_NEW}; leave some for another day")
    if not SHORTEST <= minutes <= LONGEST:
        raise LessonError(f"a lesson has {SHORTEST} to {LONGEST} minutes, not {minutes}")
    lesson = Lesson(
        new=tuple(new),
        minutes=minutes,
        steps=tuple(Step(kind, HALF) for kind in _in_order(slips)),
        look_back=tuple(look_back),
        words=tuple(words),
        sentence=sentence,
        aim=short(aim),
        habit=habit,
    )
    left_out = {
        kind
        for kind, out in (
            (StepKind.SLIPS, slips is SlipsAt.NEVER),
            (StepKind.DATE, not dated),
        )
        if out
    }
    return shaped(lesson, shape, left_out)


def _in_order(slips: SlipsAt) -> list[StepKind]:
    """The steps in the order of practice, or with the slips before the letter is tried."""
    kinds = list(StepKind)
    if slips is SlipsAt.BEFORE:
        kinds.remove(StepKind.SLIPS)
        kinds.insert(kinds.index(StepKind.BIG), StepKind.SLIPS)
    return kinds


def shaped(lesson: Lesson, shape: Shape, left_out: Collection[StepKind] = ()) -> Lesson:
    """The lesson in another shape: the steps of that shape that have matter and fit into its
    minutes, in the order that they stand in, but for those to be left out; notes stay.

    >>> full = shaped(plan(["n"], 20, shape=Shape.SHORT), Shape.FULL)
    >>> full.spent, full.shape.value
    (20.0, 'full')
    """
    without = {
        kind
        for kind, matter in (
            (StepKind.LOOK_BACK, lesson.look_back),
            (StepKind.WORDS, lesson.words),
            (StepKind.SENTENCE, lesson.sentence),
            (StepKind.FREE, lesson.prompt),
            (StepKind.FAMILY, letters_of(lesson.new)),
            (StepKind.SLIPS, letters_of(lesson.new)),
        )
        if not matter
    }
    kept = set(SHAPES[shape].steps) - without - set(left_out)
    if shape is Shape.FULL:
        kept = _fitting(kept, lesson)
    steps = tuple(replace(step, skipped=step.kind not in kept) for step in lesson.steps)
    return retimed(replace(lesson, steps=steps, shape=shape))


def reshaped(lesson: Lesson, shape: Shape, left_out: Collection[StepKind] = ()) -> Lesson:
    """The lesson in another shape, with the minutes that such a lesson usually has: all steps of a
    full one need more than a short one's.

    >>> reshaped(plan(["n"], 8, words=["nap"], shape=Shape.SHORT), Shape.FULL).minutes
    20
    """
    minutes = min(LONGEST, usual_minutes(shape, len(lesson.new)))
    return shaped(replace(lesson, minutes=minutes), shape, left_out)


def _fitting(kept: set[StepKind], lesson: Lesson) -> set[StepKind]:
    """The steps for which there is time, the most dispensable left out first."""
    for rank in (4, 3, 2, 1):
        asked = sum(weight_of(kind, lesson) for kind in kept)
        if asked * LEAST_SHARE * (TUNED_FOR / _full()) <= lesson.minutes:
            break
        kept = {kind for kind in kept if STEPS[kind].dispensable != rank}
    return kept


def weight_of(kind: StepKind, lesson: Lesson) -> float:
    """What a step weighs in this lesson: what comes round for each letter weighs more, but not so
    many times as much, for the second letter of a family needs less than the first.

    >>> three = plan(["n", "m", "h"], 20)
    >>> weight_of(StepKind.SHOW, three) / STEPS[StepKind.SHOW].weight
    2.0
    """
    again = len(lesson.new) - 1 if kind in ROUND_STEPS and lesson.new else 0
    weight = STEPS[kind].weight * (1.0 + AGAIN * again)
    brief = kind is StepKind.SETTLE and lesson.shape is not Shape.FULL
    return weight * BRIEFLY if brief else weight


def _full() -> float:
    return sum(STEPS[kind].weight for kind in SHAPES[Shape.FULL].steps)


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
    weights = [weight_of(step.kind, lesson) for step in free]
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


def short(text: str) -> str:
    """A note, an aim or a sentence as it is kept; raises LessonError for one that is too long."""
    text = text.strip()
    if len(text) > LONGEST_NOTE:
        raise LessonError(f"that is longer than {LONGEST_NOTE} letters; make it shorter")
    return text
