"""The course of a lesson: its steps as they follow each other, the letter steps coming round."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import takewhile

from firstloop.core.teaching.lesson import Lesson, Step
from firstloop.core.teaching.steps import ROUND_STEPS, Rounds, StepKind


@dataclass(frozen=True, slots=True)
class Stop:
    """A place on the way: a step, what it is about there, its minutes, and the words that are
    written there, if any. `part` is the one letter, pair or word that a letter step has come round
    to, of several; None where it is about all."""

    kind: StepKind
    about: tuple[str, ...]
    minutes: float
    part: str | None = None
    words: tuple[str, ...] = ()


def course(lesson: Lesson) -> tuple[Stop, ...]:
    """The stops of a lesson in their order; skipped steps have none.

    Of several letters the letter steps come round for each: letter by letter, each with a word of
    its own, where what stands between them is done before, with all of them; or step by step.

    >>> from firstloop.core.teaching.changing import with_rounds
    >>> from firstloop.core.teaching.lesson import plan
    >>> from firstloop.core.teaching.steps import Shape
    >>> two = plan(["n", "m"], 16, shape=Shape.SHORT, words=["nap", "man", "ant"])
    >>> [(stop.kind.value, stop.part) for stop in course(two)][:5]
    [('settle', None), ('show', 'n'), ('big', 'n'), ('slips', 'n'), ('own', 'n')]
    >>> [(stop.part, stop.words) for stop in course(two) if stop.words]
    [('n', ('nap',)), ('m', ('man',)), (None, ('ant',))]
    >>> [(stop.kind.value, stop.part) for stop in course(with_rounds(two, Rounds.BY_STEP))][1:4]
    [('show', 'n'), ('show', 'm'), ('big', 'n')]
    """
    steps = [step for step in lesson.steps if not step.skipped]
    if len(lesson.new) < 2:
        return tuple(_all_at_once(step, lesson) for step in steps)
    if lesson.rounds is Rounds.BY_STEP:
        return tuple(stop for step in steps for stop in _by_step(step, lesson))
    coming_round = _coming_round(steps)
    if not coming_round:
        return tuple(_all_at_once(step, lesson) for step in steps)
    last = steps.index(coming_round[-1])
    before = [step for step in steps[:last] if step not in coming_round]
    return (
        *(_all_at_once(step, lesson) for step in before),
        *_letter_by_letter(coming_round, lesson),
        *(_all_at_once(step, lesson) for step in steps[last + 1 :]),
    )


def _coming_round(steps: Sequence[Step]) -> list[Step]:
    """The steps that are done with one letter after the other. Words are for all of them at once
    where a teacher has put something between: then they are no part of a letter any more."""
    letters = [s for s in steps if s.kind in ROUND_STEPS and s.kind not in AFTERWARDS]
    if not letters:
        return []
    following = steps[steps.index(letters[-1]) + 1 :]
    return [*letters, *takewhile(lambda step: step.kind in AFTERWARDS, following)]


AFTERWARDS = (StepKind.WORDS, StepKind.PAUSE)
"""What follows a letter's own steps, and may as well be done once for all letters."""


def words_of_each(lesson: Lesson) -> Mapping[str | None, tuple[str, ...]]:
    """Which of a lesson's words are written with which of its letters, one with each that has any;
    the others, for the end, by None.

    >>> from firstloop.core.teaching.lesson import plan
    >>> words_of_each(plan(["n", "p"], 20, words=["pan", "nap", "hen"]))
    {'n': ('pan',), 'p': ('nap',), None: ('hen',)}
    """
    left = list(lesson.words)
    dealt: dict[str | None, tuple[str, ...]] = {}
    for part in lesson.new:
        word = next((word for word in left if part.lower() in word.lower()), None)
        if word is not None:
            left.remove(word)
            dealt[part] = (word,)
    return {**dealt, None: tuple(left)} if left else dealt


def _all_at_once(step: Step, lesson: Lesson) -> Stop:
    words = lesson.words if step.kind is StepKind.WORDS else ()
    return Stop(step.kind, lesson.new, step.minutes, words=words)


def _by_step(step: Step, lesson: Lesson) -> Iterable[Stop]:
    if step.kind not in ROUND_STEPS or step.kind in AFTERWARDS:
        return [_all_at_once(step, lesson)]
    minutes = step.minutes / len(lesson.new)
    return [Stop(step.kind, (part,), minutes, part) for part in lesson.new]


def _letter_by_letter(steps: Sequence[Step], lesson: Lesson) -> list[Stop]:
    """For each letter all these steps, each with its share of the minutes; at the end the words
    that are no letter's own."""
    dealt = words_of_each(lesson)
    stops = []
    for part in (*lesson.new, None):
        for step in steps:
            if step.kind is StepKind.WORDS:
                words = dealt.get(part, ())
                share = step.minutes * len(words) / max(len(lesson.words), 1)
            elif part is not None:
                words, share = (), step.minutes / len(lesson.new)
            else:
                continue
            if share:
                about = lesson.new if part is None else (part,)
                stops.append(Stop(step.kind, about, share, part, words))
    return stops
