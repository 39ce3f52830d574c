"""The course of a lesson: its steps as they follow each other, the letter steps coming round."""

from collections.abc import Iterable
from dataclasses import dataclass

from firstloop.core.teaching.lesson import Lesson, Step
from firstloop.core.teaching.steps import ROUND_STEPS, Rounds, StepKind


@dataclass(frozen=True, slots=True)
class Stop:
    """A place on the way: a step, what it is about there, and its minutes. `part` is the one
    letter, pair or word that a letter step has come round to, of several; None where it is about
    all."""

    kind: StepKind
    about: tuple[str, ...]
    minutes: float
    part: str | None = None


def course(lesson: Lesson) -> tuple[Stop, ...]:
    """The stops of a lesson in their order; skipped steps have none.

    Of several letters the letter steps come round for each: letter by letter, where what stands
    between them is done before, with all of them; or step by step.

    >>> from firstloop.core.teaching.changing import with_rounds
    >>> from firstloop.core.teaching.lesson import plan
    >>> from firstloop.core.teaching.steps import Shape
    >>> two = plan(["n", "m"], 12, shape=Shape.SHORT)
    >>> [(stop.kind.value, stop.part) for stop in course(two)][:4]
    [('slips', None), ('show', 'n'), ('own', 'n'), ('best', 'n')]
    >>> [(stop.kind.value, stop.part) for stop in course(with_rounds(two, Rounds.BY_STEP))][:3]
    [('show', 'n'), ('show', 'm'), ('slips', None)]
    """
    steps = [step for step in lesson.steps if not step.skipped]
    if len(lesson.new) < 2:
        return tuple(_all_at_once(step, lesson) for step in steps)
    if lesson.rounds is Rounds.BY_STEP:
        return tuple(stop for step in steps for stop in _in_turn([step], lesson))
    coming_round = [step for step in steps if step.kind in ROUND_STEPS]
    if not coming_round:
        return tuple(_all_at_once(step, lesson) for step in steps)
    last = steps.index(coming_round[-1])
    before = [step for step in steps[:last] if step.kind not in ROUND_STEPS]
    return (
        *(_all_at_once(step, lesson) for step in before),
        *_in_turn(coming_round, lesson),
        *(_all_at_once(step, lesson) for step in steps[last + 1 :]),
    )


def _all_at_once(step: Step, lesson: Lesson) -> Stop:
    return Stop(step.kind, lesson.new, step.minutes)


def _in_turn(steps: Iterable[Step], lesson: Lesson) -> list[Stop]:
    """For each letter all these steps, each with its share of the minutes; a step that is about all
    letters once."""
    steps = list(steps)
    if steps[0].kind not in ROUND_STEPS:
        return [_all_at_once(step, lesson) for step in steps]
    return [
        Stop(step.kind, (part,), step.minutes / len(lesson.new), part)
        for part in lesson.new
        for step in steps
    ]
