"""What a teacher changes in a lesson that is planned: its steps, and what it is about."""

from collections.abc import Sequence
from dataclasses import replace

from firstloop.core.teaching.lesson import (
    HALF,
    LONGEST,
    MOST_LOOKED_BACK,
    MOST_TIMES,
    MOST_WORDS,
    Lesson,
    LessonError,
    retimed,
    short,
    words_in,
)
from firstloop.core.teaching.steps import Rounds, StepKind


def moved(lesson: Lesson, kind: StepKind, by: int) -> Lesson:
    """The lesson with a step so many places later, or with a negative number earlier.

    >>> from firstloop.core.teaching.lesson import plan
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
        step = replace(step, note=short(note))
    if skipped is not None:
        step = replace(step, skipped=skipped)
    steps = (*lesson.steps[:at], step, *lesson.steps[at + 1 :])
    again = replace(lesson, steps=steps)
    return retimed(again) if skipped is not None else again


def with_word(lesson: Lesson, text: str, *, there: bool) -> Lesson:
    """The lesson with a word taken in at the end, or left out.

    >>> from firstloop.core.teaching.lesson import plan
    >>> with_word(plan(["n"], 20, words=["nap"]), "pan", there=True).words
    ('nap', 'pan')
    """
    return replace(lesson, words=_with(lesson.words, short(text), there, MOST_WORDS, "words"))


def with_words(lesson: Lesson, words: Sequence[str]) -> Lesson:
    """The lesson with these words in place of its own; raises LessonError for too many."""
    if len(words) > MOST_WORDS:
        raise LessonError(f"a lesson has at most {MOST_WORDS} words; leave some out")
    return replace(lesson, words=tuple(short(word) for word in words))


def with_look_back(lesson: Lesson, letter: str, *, there: bool) -> Lesson:
    """The lesson with a letter to look back on, or without it."""
    letters = _with(lesson.look_back, letter, there, MOST_LOOKED_BACK, "letters to look back on")
    return replace(lesson, look_back=letters)


def with_sentence(lesson: Lesson, sentence: str) -> Lesson:
    """The lesson with another sentence, or with none."""
    return replace(lesson, sentence=short(sentence))


def with_prompt(lesson: Lesson, prompt: str) -> Lesson:
    """The lesson with free writing that begins with this, or, with nothing, without it."""
    prompt = short(prompt)
    return changed(replace(lesson, prompt=prompt), StepKind.FREE, skipped=prompt == "")


def with_word_times(lesson: Lesson, times: int) -> Lesson:
    """The lesson with each word written so often."""
    if not 1 <= times <= MOST_TIMES:
        raise LessonError(f"a word is written 1 to {MOST_TIMES} times, not {times}")
    return replace(lesson, word_times=times)


def with_line_filled(lesson: Lesson, *, filled: bool) -> Lesson:
    """The lesson with what is looked back on written once, or again and again to the line's end."""
    return replace(lesson, to_the_end=filled)


def with_gap(lesson: Lesson, word: str) -> Lesson:
    """The lesson with a word of its sentence left out of the model, or with nothing, none; raises
    LessonError for a word that is not in it.

    >>> from firstloop.core.teaching.lesson import plan
    >>> with_gap(plan(["n"], 20, sentence="Nap, Ned."), "Ned").gap_word
    'Ned'
    """
    if word and word not in words_in(lesson.sentence):
        raise LessonError(f'"{word}" is no word of the sentence; choose one that stands in it')
    return replace(lesson, gap=word)


def with_aim(lesson: Lesson, aim: str) -> Lesson:
    """The lesson with another aim, or with none."""
    return replace(lesson, aim=short(aim))


def with_rounds(lesson: Lesson, rounds: Rounds) -> Lesson:
    """The lesson with its letter steps coming round the one way or the other."""
    return replace(lesson, rounds=rounds)


def _with(known: tuple[str, ...], one: str, there: bool, most: int, what: str) -> tuple[str, ...]:
    others = tuple(other for other in known if other != one)
    if not there:
        return others
    if len(others) == most:
        raise LessonError(f"a lesson has at most {most} {what}; leave one out first")
    return known if one in known else (*known, one)


def _place(lesson: Lesson, kind: StepKind) -> int:
    for at, step in enumerate(lesson.steps):
        if step.kind is kind:
            return at
    raise LessonError(f"the lesson has no step {kind}")
