"""How much a lesson asks of a hand: letters to write, at the class's pace, against the minutes.

What is too much, or has too little time, is said, with what could be cut; the teacher decides.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from statistics import median

from firstloop.core.contract import Stage
from firstloop.core.evidence.task import Kind
from firstloop.core.teaching.changing import changed
from firstloop.core.teaching.course import words_of_each
from firstloop.core.teaching.customs import AMOUNTS, Customs, OwnAmount
from firstloop.core.teaching.habits import HABITS
from firstloop.core.teaching.instructions import aim_of
from firstloop.core.teaching.lesson import Lesson, retimed
from firstloop.core.teaching.pad_tasks import HELPED
from firstloop.core.teaching.steps import StepKind
from firstloop.core.teaching.tasks import Writing
from firstloop.core.teaching.under_way import Moment, UnderWay

PACE = {Stage.BEGINNING: 6.0, Stage.DEVELOPING: 10.0, Stage.SECURE: 18.0}
"""[letters a minute] What children write in a lesson, with looking, lifting and starting anew: a
letter in ten seconds for who has just begun, in three for who writes securely. Our own estimate,
until the class's own pads know better."""

OWN_PACE_FROM = 200
"""[letters] So many are asked for before a class's own pace is believed."""

SAME_SITTING_S = 60.0
"""[s] A longer pause between two letters is no writing: the board was looked at."""

NO_FASTER, NO_SLOWER = 30.0, 3.0
"""[letters a minute] Between these a class's pace is believed."""

TIRING = {Stage.BEGINNING: 40, Stage.DEVELOPING: 60, Stage.SECURE: 110}
"""[letters] One after the other without a pause more than these tire a hand; about six minutes of
writing at each stage's pace."""

LONG = {Stage.BEGINNING: 20, Stage.DEVELOPING: 25, Stage.SECURE: 35}
"""[min] A lesson that is longer is too long at that stage: short and frequent beats long."""

SPARE = 1.15
"""[ratio] Of the minutes that a step has, writing may ask for a little more without being told."""


HURRIED, MOST_SAID = 1.5, 2
"""[ratio, sentences] A step that has this much less time than its letters take is told; of several
the first ones: the rest is alike."""

A_REST = 1.0
"""[min] Looking, listening or speaking for so long rests a hand."""


class Cut(StrEnum):
    """What could be done about too much."""

    FEWER_OWN = "fewer_own"
    FEWER_LETTERS = "fewer_letters"
    NO_SENTENCE = "no_sentence"
    NO_DATE = "no_date"
    PAUSE = "pause"


@dataclass(frozen=True, slots=True)
class Load:
    """What a lesson asks: letters to write, minutes that they take at the class's pace (letters a
    minute) and that its writing steps have; what is to be said of it, and what could be cut."""

    letters: int
    takes: float
    has: float
    pace: float
    says: tuple[str, ...]
    cuts: tuple[Cut, ...]


def pace_of(stage: Stage, gaps_s: Sequence[float]) -> float:
    """Letters a minute: by the class's stage, or by its own pads once they know enough; `gaps_s`
    are the seconds from one letter of a child to its next.

    >>> pace_of(Stage.BEGINNING, [5.0] * 50), pace_of(Stage.BEGINNING, [5.0] * 200)
    (6.0, 12.0)
    """
    sitting = [gap for gap in gaps_s if 0.0 < gap <= SAME_SITTING_S]
    if len(sitting) < OWN_PACE_FROM:
        return PACE[stage]
    return min(NO_FASTER, max(NO_SLOWER, 60.0 / median(sitting)))


def letters_in(writing: Writing, customs: Customs) -> int:
    """How many letters are written; of free writing, which nobody counts, none.

    >>> from firstloop.core.teaching.customs import USUAL
    >>> letters_in(Writing(Kind.ROW, "n", 1, 5, helped=True), USUAL)
    11
    >>> letters_in(Writing(Kind.WORD, "nap", 1, times=3), USUAL)
    9
    """
    one = sum(not letter.isspace() for letter in writing.text)
    if writing.kind is Kind.FREE:
        return 0
    if writing.kind is Kind.ROW:
        own = AMOUNTS[customs.own].on_a_pad or AMOUNTS[OwnAmount.ROWS].on_a_pad or 0
        return one * (own + (2 * HELPED if writing.helped else 0))
    return one * writing.times


def load_of(given: UnderWay, stage: Stage, pace: float) -> Load:
    """What a lesson asks of this class, by its customs."""
    counts = [
        (moment, sum(letters_in(one, given.customs) for one in moment.writings))
        for moment in given.moments
    ]
    letters = sum(count for _, count in counts)
    has = sum(moment.stop.minutes for moment, count in counts if count)
    whole, run = round(given.lesson.spent), _without_rest(counts)
    says, cuts = list[str](), list[Cut]()
    if whole > LONG[stage]:
        says.append(f"{whole} minutes are long at this age: two lessons are better than one.")
        cuts.append(Cut.FEWER_LETTERS)
    if letters > has * pace * SPARE:
        says.append(
            f"About {letters} letters to write: {_minutes(letters / pace)} at this class's pace, "
            f"and there are {_minutes(has)} to write in."
        )
        cuts += [Cut.FEWER_OWN, Cut.NO_SENTENCE, Cut.NO_DATE, Cut.FEWER_LETTERS]
    else:
        says += _hurried(counts, pace)
    if run > TIRING[stage]:
        says.append(
            f"{run} letters without a rest tire a hand of this age: put a pause in, or ask for "
            "fewer."
        )
        cuts += [Cut.PAUSE, Cut.FEWER_OWN]
    able = tuple(cut for cut in dict.fromkeys(cuts) if can_cut(given.lesson, cut, given.customs))
    return Load(letters, letters / pace, has, pace, tuple(says), able)


def _hurried(counts: Iterable[tuple[Moment, int]], pace: float) -> list[str]:
    """What has far less time than it takes, though the lesson as a whole has enough."""
    return [
        f"{moment.name}: {_minutes(moment.stop.minutes)} for {count} letters, which take about "
        f"{_minutes(count / pace)}."
        for moment, count in counts
        if count > moment.stop.minutes * pace * HURRIED
    ][:MOST_SAID]


def _without_rest(counts: Iterable[tuple[Moment, int]]) -> int:
    """The most letters that are written without something else between that rests the hand."""
    longest = run = 0
    for moment, count in counts:
        rests = not count and (moment.stop.kind is StepKind.PAUSE or moment.stop.minutes >= A_REST)
        run = 0 if rests else run + count
        longest = max(longest, run)
    return longest


def _minutes(minutes: float) -> str:
    """In words, to the half.

    >>> _minutes(0.4), _minutes(1.0), _minutes(6.4)
    ('half a minute', 'a minute', '6½ minutes')
    """
    halves = max(1, round(2 * minutes))
    if halves < 3:
        return ("half a minute", "a minute")[halves - 1]
    return f"{halves // 2}{'½' if halves % 2 else ''} minutes"


def can_cut(lesson: Lesson, cut: Cut, customs: Customs) -> bool:
    """Whether there is such a thing to cut."""
    kept = {step.kind for step in lesson.steps if not step.skipped}
    match cut:
        case Cut.FEWER_OWN:
            return StepKind.OWN in kept and customs.own is not OwnAmount.FEW
        case Cut.FEWER_LETTERS:
            return len(lesson.new) > 1
        case Cut.NO_SENTENCE:
            return StepKind.SENTENCE in kept
        case Cut.NO_DATE:
            return StepKind.DATE in kept
        case Cut.PAUSE:
            return StepKind.PAUSE not in kept


def _without_the_last(lesson: Lesson) -> Lesson:
    """Without its last letter and that letter's word; an aim that is hers stays as she wrote it."""
    *kept, last = lesson.new
    if not kept:
        return lesson
    its_own = words_of_each(lesson).get(last, ())
    said = HABITS.get(lesson.habit, "") if lesson.habit else ""
    aims = {
        aim_of(lesson.shape, lesson.new, said, joins=joins): aim_of(
            lesson.shape, kept, said, joins=joins
        )
        for joins in (True, False)
    }
    return retimed(
        replace(
            lesson,
            new=tuple(kept),
            words=tuple(word for word in lesson.words if word not in its_own),
            aim=aims.get(lesson.aim, lesson.aim),
        )
    )


def with_cut(lesson: Lesson, cut: Cut) -> Lesson:
    """The lesson with less to write, or with a pause in it."""
    match cut:
        case Cut.FEWER_OWN:
            return replace(lesson, own=OwnAmount.FEW)
        case Cut.FEWER_LETTERS:
            return _without_the_last(lesson)
        case Cut.NO_SENTENCE:
            return changed(lesson, StepKind.SENTENCE, skipped=True)
        case Cut.NO_DATE:
            return changed(lesson, StepKind.DATE, skipped=True)
        case Cut.PAUSE:
            return changed(lesson, StepKind.PAUSE, skipped=False)
