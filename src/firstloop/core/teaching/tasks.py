"""What is to be written in a lesson: the date, a sequence of letters, a row, words, a phrase or
sentence, what children want to say; and on how many lines, on the board as on pads."""

from dataclasses import dataclass

from firstloop.core.evidence.task import Kind
from firstloop.core.teaching.course import Stop
from firstloop.core.teaching.customs import AMOUNTS, Customs
from firstloop.core.teaching.lesson import Lesson
from firstloop.core.teaching.steps import Shape, StepKind
from firstloop.core.vocabulary.sentences import is_phrase

IN_A_ROW = 18
"""Characters that stand on one line of a board or of a tablet that lies: with more they would be
smaller than children write."""

MOST_ROWS = 3
"""Lines of one thing that is written: with more, each would be too low for a hand."""


@dataclass(frozen=True, slots=True)
class Writing:
    """Something to write: what kind of text, the text (of free writing, none), on how many lines;
    of a row how many letters, where that is said, and whether some are traced and finished first;
    how often a word; and the word of a sentence that stands as a gap in the model."""

    kind: Kind
    text: str
    rows: int
    letters: int | None = None
    helped: bool = False
    times: int = 1
    gap: str = ""


def writings_of(  # noqa: PLR0911  # a line a kind
    stop: Stop, lesson: Lesson, date_text: str, customs: Customs
) -> tuple[Writing, ...]:
    """What is to be written at a stop of a lesson; nothing where the class only looks or moves.

    >>> from firstloop.core.teaching.course import course
    >>> from firstloop.core.teaching.customs import USUAL
    >>> from firstloop.core.teaching.lesson import plan
    >>> lesson = plan(["n"], 20, look_back=["r", "m"], words=["nap"])
    >>> for stop in course(lesson):
    ...     for one in writings_of(stop, lesson, "Monday 2nd March 2026", USUAL):
    ...         print(stop.kind.value, one.kind.value, repr(one.text), one.rows)
    date sentence 'Monday 2nd March 2026' 2
    look_back sequence 'r m' 1
    own row 'n' 1
    words word 'nap' 1
    """
    match stop.kind:
        case StepKind.DATE:
            return (Writing(Kind.SENTENCE, date_text, rows_for(date_text)),)
        case StepKind.LOOK_BACK:
            letters = " ".join(one for one in lesson.look_back if len(one) == 1)
            words = tuple(Writing(Kind.WORD, x, 1) for x in lesson.look_back if len(x) > 1)
            if not letters:
                return words
            sequence = to_the_end(letters) if lesson.to_the_end else letters
            return (Writing(Kind.SEQUENCE, sequence, rows_for(sequence)), *words)
        case StepKind.OWN:
            amount, helped = AMOUNTS[customs.own], lesson.shape is not Shape.LOOK_BACK
            return tuple(
                Writing(Kind.ROW, part, amount.lines, amount.letters, helped) for part in stop.about
            )
        case StepKind.WORDS:
            times = lesson.word_times
            return tuple(Writing(Kind.WORD, word, 1, times=times) for word in stop.words)
        case StepKind.SENTENCE:
            kind = Kind.PHRASE if is_phrase(lesson.sentence) else Kind.SENTENCE
            rows = rows_for(lesson.sentence)
            return (Writing(kind, lesson.sentence, rows, gap=lesson.gap_word),)
        case StepKind.FREE:
            return (Writing(Kind.FREE, "", MOST_ROWS),)
        case _:
            return ()


def to_the_end(sequence: str) -> str:
    """A sequence again and again, until the next would not fit on its line any more; at least once.

    >>> to_the_end("r m n"), to_the_end("a b c d e f g h i j")
    ('r m n r m n r m n', 'a b c d e f g h i j')
    """
    again = max(1, (IN_A_ROW + 1) // (len(sequence) + 1))
    return " ".join([sequence] * again)


def rows_for(text: str) -> int:
    """On how many lines a text is written.

    >>> rows_for("nap"), rows_for("Wednesday 25th November 2026"), rows_for("a" * 200)
    (1, 2, 3)
    """
    return min(MOST_ROWS, max(1, -(-len(text) // IN_A_ROW)))
