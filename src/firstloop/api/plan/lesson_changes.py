"""What a teacher does to a planned lesson, one thing at a time; what follows is the core's."""

from typing import Annotated, Literal

from pydantic import Field, StrictBool

from firstloop.api.sent import Sent
from firstloop.core.plain_text import ON_LINES
from firstloop.core.teaching import changing
from firstloop.core.teaching import lesson as lessons
from firstloop.core.teaching.customs import Customs
from firstloop.core.teaching.lesson import (
    HALF,
    LONGEST,
    LONGEST_NOTE,
    MOST_TIMES,
    MOST_WORDS,
    Lesson,
)
from firstloop.core.teaching.load import Cut, with_cut
from firstloop.core.teaching.steps import Rounds, Shape, SlipsAt, StepKind

NewPart = Annotated[str, Field(min_length=1, max_length=12, pattern="^[A-Za-z0-9.,!?'-]+$")]
Text = Annotated[str, Field(max_length=LONGEST_NOTE, pattern=ON_LINES)]


class MoveStep(Sent):
    """A step is moved so many places later, or with a negative number earlier."""

    do: Literal["move"]
    kind: StepKind
    by: Annotated[int, Field(ge=-len(StepKind), le=len(StepKind), strict=True)]


class TimeStep(Sent):
    """A step is given minutes of its own."""

    do: Literal["time"]
    kind: StepKind
    minutes: Annotated[float, Field(ge=HALF, le=LONGEST, strict=True)]


class SkipStep(Sent):
    """A step is left out or brought back; its minutes go to the others or come from them."""

    do: Literal["skip"]
    kind: StepKind
    skipped: StrictBool


class NoteStep(Sent):
    """A note is put to a step."""

    do: Literal["note"]
    kind: StepKind
    note: Text


class ShareOut(Sent):
    """The minutes are shared out anew."""

    do: Literal["share_out"]


class TakeWord(Sent):
    """A word is taken in or left out."""

    do: Literal["word"]
    text: Text
    there: StrictBool


class SetWords(Sent):
    """Other words in place of the lesson's own: a chain, or what they were before it."""

    do: Literal["words"]
    words: Annotated[list[Text], Field(max_length=MOST_WORDS)]


class TakeLetter(Sent):
    """A letter to look back on is taken in or left out."""

    do: Literal["look_back"]
    letter: NewPart
    there: StrictBool


class SetSentence(Sent):
    """Another sentence."""

    do: Literal["sentence"]
    sentence: Text


class SetAim(Sent):
    """Another aim."""

    do: Literal["aim"]
    aim: Text


class SetPrompt(Sent):
    """Another thing to begin free writing with; nothing: there is none."""

    do: Literal["prompt"]
    prompt: Text


class SetTimes(Sent):
    """Each word is written so often."""

    do: Literal["word_times"]
    times: Annotated[int, Field(ge=1, le=MOST_TIMES, strict=True)]


class FillLine(Sent):
    """What is looked back on is written once, or again and again to the end of its line."""

    do: Literal["to_the_end"]
    filled: StrictBool


class SetGap(Sent):
    """A word of the sentence is a gap in the model; nothing: none is."""

    do: Literal["gap"]
    word: Text


class CutDown(Sent):
    """Less to write, or a pause in it."""

    do: Literal["cut"]
    cut: Cut


class SetShape(Sent):
    """The steps of another shape."""

    do: Literal["shape"]
    shape: Shape


class SetRounds(Sent):
    """The letter steps come round the one way or the other."""

    do: Literal["rounds"]
    rounds: Rounds


LessonChange = Annotated[
    MoveStep
    | TimeStep
    | SkipStep
    | NoteStep
    | ShareOut
    | TakeWord
    | SetWords
    | TakeLetter
    | SetSentence
    | SetAim
    | SetPrompt
    | SetTimes
    | FillLine
    | SetGap
    | CutDown
    | SetShape
    | SetRounds,
    Field(discriminator="do"),
]


def changed(  # noqa: PLR0911, PLR0912  # a line a kind
    lesson: Lesson, change: LessonChange, customs: Customs
) -> Lesson:
    """The lesson with the change made, by the class's customs; raises LessonError."""
    match change:
        case MoveStep():
            return changing.moved(lesson, change.kind, change.by)
        case TimeStep():
            return changing.changed(lesson, change.kind, minutes=change.minutes)
        case SkipStep():
            return changing.changed(lesson, change.kind, skipped=change.skipped)
        case NoteStep():
            return changing.changed(lesson, change.kind, note=change.note)
        case ShareOut():
            return lessons.retimed(lesson)
        case TakeWord():
            return changing.with_word(lesson, change.text, there=change.there)
        case SetWords():
            return changing.with_words(lesson, change.words)
        case TakeLetter():
            return changing.with_look_back(lesson, change.letter, there=change.there)
        case SetSentence():
            return changing.with_sentence(lesson, change.sentence)
        case SetAim():
            return changing.with_aim(lesson, change.aim)
        case SetPrompt():
            return changing.with_prompt(lesson, change.prompt)
        case SetTimes():
            return changing.with_word_times(lesson, change.times)
        case FillLine():
            return changing.with_line_filled(lesson, filled=change.filled)
        case SetGap():
            return changing.with_gap(lesson, change.word)
        case CutDown():
            return with_cut(lesson, change.cut)
        case SetShape():
            left_out = {StepKind.SLIPS} if customs.slips is SlipsAt.NEVER else set()
            return lessons.reshaped(lesson, change.shape, left_out)
        case SetRounds():
            return changing.with_rounds(lesson, change.rounds)
