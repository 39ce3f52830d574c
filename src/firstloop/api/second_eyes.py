"""A second pair of eyes: sets of a class's letters, made and compared; and judged by a colleague
who sees nothing but ink and lines."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now, Record, Teacher
from firstloop.api.drawings import LetterDrawing, letter_drawing
from firstloop.api.ink import InkStroke, strokes_out
from firstloop.api.sent import Id, Name, PathId, Sent
from firstloop.core.checking.say.names import NAMES
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.judging.agreement import Kappa
from firstloop.core.judging.blind_set import LARGEST_SET, SMALLEST_SET
from firstloop.core.judging.second_eyes import Judged
from firstloop.core.letters import draw
from firstloop.core.letters.phrases import OURS
from firstloop.core.letters.style import hand_of
from firstloop.services import second_eyes
from firstloop.store import accounts, blind_sets
from firstloop.store.blind_sets import BlindSetRecord

router = APIRouter(prefix="/api/check/sets", tags=["check"])
for_readers = APIRouter(prefix="/api/blind", tags=["blind"])


class BlindSetIn(Sent):
    """A set: what it is called, how many letters, and whose accounts judge it."""

    name: Name
    size: Annotated[int, Field(ge=SMALLEST_SET, le=LARGEST_SET)]
    readers: Annotated[list[Id], Field(min_length=1, max_length=6)]


class ReaderOut(Answer):
    """Somebody who judges a set, and how many of its letters she has judged."""

    name: str
    done: int


class KappaOut(Answer):
    """Agreement beyond chance with its 95 % interval: 1 is full, 0 what chance gives."""

    value: float
    low: float
    high: float


class OnFindingOut(Answer):
    """Agreement on whether a finding is there; null: too few to say, or all alike."""

    code: Code
    name: str
    kappa: KappaOut | None


class ComparedOut(Answer):
    """Two of checker and readers: on how many letters, by dimension (null: too few to say, or all
    alike), by finding, and the attempts in which they differ, the furthest apart first."""

    one: str
    other: str
    letters: int
    direction: KappaOut | None
    size: KappaOut | None
    shape: KappaOut | None
    findings: list[OnFindingOut]
    differ: list[int]


class BlindSetOut(Answer):
    """A set of the class: who judges it, how far they are, and, once all are through, how each two
    of them and the checker agree."""

    id: int
    name: str
    made_at: datetime
    size: int
    readers: list[ReaderOut]
    through: bool
    compared: list[ComparedOut]


class ReaderToChoose(Answer):
    """Somebody who could judge a set: a colleague, or herself."""

    id: int
    name: str
    is_you: bool


class SetsOut(Answer):
    """The sets of the class, the newest first, and who could judge one."""

    sets: list[BlindSetOut]
    readers: list[ReaderToChoose]


class ToJudgeOut(Answer):
    """A set that she judges: how many letters it has, and how many she has judged."""

    id: int
    name: str
    size: int
    done: int


class SeenIn(Sent):
    """What she sees in a letter: a verdict of each dimension, and what she would name."""

    direction: Verdict
    size: Verdict
    shape: Verdict
    codes: Annotated[list[Code], Field(max_length=len(Code))] = []


class BlindLetterOut(Answer):
    """A letter of a set: what was asked for, as it is taught there, and its ink; and what she said
    of it so far. Whose it is is not told."""

    attempt_id: int
    letter: str
    model: LetterDrawing
    strokes: list[InkStroke]
    said: SeenIn | None


@router.get("")
def get_sets(session: Db, school_class: Class, teacher: Teacher) -> SetsOut:
    """The sets of the class."""
    sets = blind_sets.of_class(session, school_class.id)
    known = accounts.all_claimed(session)
    return SetsOut(
        sets=[
            _set_out(one, second_eyes.compared(session, school_class.id, one.id)) for one in sets
        ],
        readers=[
            ReaderToChoose(id=teacher.account_id, name=teacher.name or "You", is_you=True),
            *(
                ReaderToChoose(id=one.id, name=one.name, is_you=False)
                for one in known
                if one.id != teacher.account_id
            ),
        ],
    )


@router.post("", status_code=201)
def post_set(record: Record, school_class: Class, now: Now, sent: BlindSetIn) -> BlindSetOut:
    """Chooses letters of the last term to be judged blind, fair over letters and children."""
    made = second_eyes.make(record, school_class, sent.name, sent.size, sent.readers, now)
    return _set_out(made, [])


@router.delete("/{set_id}", status_code=204)
def delete_set(record: Record, school_class: Class, now: Now, set_id: PathId) -> None:
    """Deletes a set with all that was said in it."""
    second_eyes.remove(record, school_class.id, set_id, now)


@for_readers.get("/sets")
def get_sets_to_judge(session: Db, teacher: Teacher) -> list[ToJudgeOut]:
    """The sets that she is asked to judge, of whichever class."""
    return [
        ToJudgeOut(
            id=one.id,
            name=one.name,
            size=len(one.attempts),
            done=next(r.done for r in one.readers if r.account_id == teacher.account_id),
        )
        for one in blind_sets.to_judge(session, teacher.account_id)
    ]


@for_readers.get("/sets/{set_id}")
def get_set_to_judge(session: Db, teacher: Teacher, set_id: PathId) -> list[BlindLetterOut]:
    """The letters of a set in their order, without a word of anybody else's."""
    return [_letter_out(one) for one in second_eyes.to_judge(session, teacher.account_id, set_id)]


@for_readers.put("/sets/{set_id}/letters/{attempt_id}", status_code=204)
def put_seen(  # noqa: PLR0917  # who says what of which letter of which set, when
    record: Record, teacher: Teacher, now: Now, set_id: PathId, attempt_id: PathId, sent: SeenIn
) -> None:
    """Keeps what she sees in a letter, in place of what she said before."""
    verdicts = {one: getattr(sent, one.value) for one in Dimension}
    second_eyes.say(record, teacher.account_id, set_id, attempt_id, verdicts, sent.codes, now)


def _letter_out(one: second_eyes.ToJudge) -> BlindLetterOut:
    attempt = one.attempt.attempt
    hand = hand_of(attempt.style)
    drawn = draw(hand.scripts[attempt.task.target], hand.proportions, attempt.ruling)
    return BlindLetterOut(
        attempt_id=one.attempt.id,
        letter=attempt.task.target,
        model=letter_drawing(drawn, OURS),
        strokes=strokes_out(one.ink),
        said=_seen_out(one.said) if one.said else None,
    )


def _seen_out(said: Judged) -> SeenIn:
    verdicts = {one.value: said.verdicts[one] for one in Dimension}
    return SeenIn(codes=sorted(said.codes, key=list(Code).index), **verdicts)


def _set_out(found: BlindSetRecord, compared: list[second_eyes.Compared]) -> BlindSetOut:
    return BlindSetOut(
        id=found.id,
        name=found.name,
        made_at=found.made_at,
        size=len(found.attempts),
        readers=[ReaderOut(name=one.name or "You", done=one.done) for one in found.readers],
        through=found.is_through,
        compared=[_compared_out(one) for one in compared],
    )


def _compared_out(one: second_eyes.Compared) -> ComparedOut:
    return ComparedOut(
        one=one.one,
        other=one.other,
        letters=one.two.letters,
        findings=[
            OnFindingOut(code=code, name=NAMES[code], kappa=_kappa_out(kappa))
            for code, kappa in one.two.findings.items()
        ],
        differ=list(one.two.differ),
        **{d.value: _kappa_out(one.two.dimensions[d]) for d in Dimension},
    )


def _kappa_out(kappa: Kappa | None) -> KappaOut | None:
    return KappaOut.model_validate(kappa, from_attributes=True) if kappa else None
