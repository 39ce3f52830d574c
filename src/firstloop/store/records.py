"""What the store gives and takes: frozen values, free of sessions and rows."""

from dataclasses import dataclass
from datetime import date, datetime
from typing import Any

from firstloop.core.checking.say.findings import (
    CHECKER_VERSION,
    Finding,
    LetterResult,
    Result,
)
from firstloop.core.checking.say.told import told_to_the_child
from firstloop.core.contract import Dimension, Stage, Verdict
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Handedness, Help, Source, Task
from firstloop.core.judging.word import Word, held
from firstloop.core.letters import Hand
from firstloop.core.letters.phrases import Wording
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style, hand_of
from firstloop.core.staff import Role
from firstloop.core.teaching.care import Care
from firstloop.core.teaching.customs import Customs
from firstloop.core.teaching.gets import AS_THE_CLASS, Gets
from firstloop.core.teaching.lesson import Lesson
from firstloop.core.teaching.roster import Presence
from firstloop.core.teaching.steps import StepKind
from firstloop.core.vocabulary.language import Language


class NotInRecordError(FirstLoopError):
    """Something was asked for that the record does not hold."""


@dataclass(frozen=True, slots=True)
class AccountRecord:
    """Somebody who teaches: what she is called, and the class she has open."""

    id: int
    name: str
    class_id: int | None


@dataclass(frozen=True, slots=True)
class Signed:
    """Somebody who is signed in, and what she is to the class that she has open, if any."""

    account_id: int
    name: str
    class_id: int | None
    role: Role | None


@dataclass(frozen=True, slots=True)
class HerClass:
    """A class as one of somebody's, and what she is to it."""

    id: int
    name: str
    role: Role
    is_made_up: bool

    @property
    def is_hers(self) -> bool:
        """Whether she teaches it, and does not only help."""
        return self.role is Role.TEACHER


@dataclass(frozen=True, slots=True)
class PupilRecord:
    """A child, as little as is needed: what to call them, the hand they write with, what they get
    otherwise than the class, their picture, and whether they are here, since when if not."""

    id: int
    name: str
    handedness: Handedness
    gets: Gets = AS_THE_CLASS
    tile: str | None = None
    presence: Presence = Presence.HERE
    since: date | None = None


@dataclass(frozen=True, slots=True)
class ClassRecord:
    """A class: its style, its ruling, what is said of moves in it, its scheme's key and its
    children, by name; those who have left are not among them."""

    id: int
    name: str
    style: Style
    ruling: Ruling
    x_height_mm: float
    wording: Wording
    scheme: str
    stage: Stage
    language: Language
    lesson_minutes: int
    customs: Customs
    joining: tuple[tuple[str, ...], ...] | None
    pupils: tuple[PupilRecord, ...]
    is_made_up: bool = False

    @property
    def here(self) -> frozenset[int]:
        """The children that plans reckon with: those who are not apart."""
        return frozenset(one.id for one in self.pupils if one.presence is Presence.HERE)

    @property
    def hand(self) -> Hand:
        """The hand as the class writes it."""
        return hand_of(self.style)


@dataclass(frozen=True, slots=True)
class LessonRecord:
    """A lesson of a day, at which of its steps the board is, with which letter where the step comes
    round, and when it was given, if it was; the children of a group's lesson (None: it is the
    class's)."""

    id: int
    day: date
    lesson: Lesson
    at: StepKind | None
    part: str | None
    given_at: datetime | None
    group: frozenset[int] | None = None


@dataclass(frozen=True, slots=True)
class FlagRecord:
    """What a teacher saw in a child, since when, when she looks again, and the day on which it was
    over."""

    id: int
    kind: Care
    since: date
    look_again: date
    done: date | None


@dataclass(frozen=True, slots=True)
class NoteRecord:
    """What a teacher noted of a child on a day."""

    id: int
    day: date
    text: str


@dataclass(frozen=True, slots=True)
class JudgementRecord:
    """Somebody's word on something written: whose (None: from before words had authors, or of one
    who has no account any more), whether it is the one that counts, and of a word that was said
    blind in which set."""

    made_at: datetime
    word: Word
    author_id: int | None = None
    author: str | None = None
    counts: bool = True
    set_id: int | None = None


UNJUDGED = "none of "
"""Before the version of a checker that could not judge something: it is asked again by a later."""


def is_judged_by(checker: str) -> bool:
    """Whether the checker of that name judged what it was given, or failed on it."""
    return not checker.startswith(UNJUDGED)


@dataclass(frozen=True, slots=True, eq=False)
class Checked:
    """What the checker says of a letter, as the record keeps it."""

    reads_as: str | None
    way: str
    verdicts: dict[Dimension, Verdict]
    findings: tuple[Finding, ...]
    say: str
    checker: str

    @classmethod
    def of(cls, result: Result) -> "Checked":
        """What is kept of a check."""
        return cls(
            reads_as=result.reads_as,
            way=result.way,
            verdicts=result.verdict,
            findings=result.findings,
            say=result.say,
            checker=result.checker,
        )

    @classmethod
    def unjudged(cls) -> "Checked":
        """What is kept where the check failed: nothing was seen, and the ink waits for a later."""
        return cls(
            reads_as=None,
            way="",
            verdicts=dict.fromkeys(Dimension, Verdict.UNSEEN),
            findings=(),
            say="",
            checker=UNJUDGED + CHECKER_VERSION,
        )

    @property
    def is_judged(self) -> bool:
        """Whether the checker could judge it."""
        return is_judged_by(self.checker)

    @classmethod
    def of_letter(cls, letter: LetterResult, checker: str) -> "Checked":
        """What is kept of a letter of a text."""
        return cls(
            reads_as=letter.reads_as,
            way="in a text",
            verdicts=letter.verdict,
            findings=letter.findings,
            say=told_to_the_child(letter.findings, letter.verdict),
            checker=checker,
        )


@dataclass(frozen=True, slots=True)
class InText:
    """Where in a text a letter stands: the text's id, and the letter's place among its letters."""

    text_id: int
    place: int


@dataclass(frozen=True, slots=True, eq=False)
class NewAttempt:
    """Something written: what was asked for and how, by which hand and on which lines it was
    judged, and what the checker says. `day` is the school's own; `within` where it stands in a
    text."""

    pupil_id: int
    task: Task
    source: Source
    help: Help
    style: Style
    ruling: Ruling
    written_at: datetime
    day: date
    checked: Checked
    within: InText | None = None


@dataclass(frozen=True, slots=True, eq=False)
class NewText:
    """A row, a word or a sentence: what was asked for and how, by which hand and on which lines it
    was judged, and the answer of the check in the words of its contract."""

    pupil_id: int
    task: Task
    source: Source
    help: Help
    style: Style
    ruling: Ruling
    written_at: datetime
    day: date
    checker: str
    answer: dict[str, Any]
    ink: Ink


@dataclass(frozen=True, slots=True, eq=False)
class TextRecord:
    """A kept text, its letters' attempts by their places, and the word on it that counts."""

    id: int
    pupil: PupilRecord
    text: NewText
    attempts: dict[int, int]
    judgement: JudgementRecord | None


@dataclass(frozen=True, slots=True)
class PromptRecord:
    """A word or letter, its picture, and whether there is a recording of it."""

    id: int
    text: str
    tile: str | None
    has_sound: bool


@dataclass(frozen=True, slots=True)
class PrintedSheetRecord:
    """A sheet that was printed to be read back: its name, what it was made of, what it is called,
    whose the numbers on it are, the first 1 (none: it is nobody's), and how the class wrote then
    (None: an earlier version kept none)."""

    name: str
    digest: str
    title: str
    pupils: tuple[int, ...]
    style: Style | None = None
    id: int = 0


@dataclass(frozen=True, slots=True)
class PaperPhotoRecord:
    """A file that waits to be read, and of which class."""

    id: int
    class_id: int
    name: str
    came_at: datetime


@dataclass(frozen=True, slots=True, eq=False)
class PaperPageRecord:
    """A page that was read: of which sheet and whose (None: not known), of which file, what is
    wrong with it, its cells in the words of the contract, how large it is, and since when it is in
    the record."""

    sheet: PrintedSheetRecord | None
    pupil_id: int | None
    file: str
    page: int | None
    came_at: datetime
    problems: tuple[dict[str, str], ...]
    cells: tuple[dict[str, Any], ...]
    size_mm: tuple[float, float] | None = None
    kept_at: datetime | None = None
    id: int = 0


@dataclass(frozen=True, slots=True, eq=False)
class AttemptRecord:
    """A kept attempt, and the word on it that counts, if there is one. Its ink is apart."""

    id: int
    pupil: PupilRecord
    attempt: NewAttempt
    judgement: JudgementRecord | None

    @property
    def held(self) -> dict[Dimension, Verdict]:
        """The verdicts that count: the teacher's word always wins over the checker."""
        return held(self.attempt.checked.verdicts, self.judgement.word if self.judgement else None)
