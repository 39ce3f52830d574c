"""Rows, words and sentences: handed in, spread out, and the teacher's word on each."""

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, Field

from firstloop.api.attempts import (
    FindingOut,
    JudgementOut,
    PupilOut,
    Verdicts,
    judgement_out,
    pupil_out,
)
from firstloop.api.check import A_TABLE, LARGEST_TABLE, After, JudgementIn, judgement_from
from firstloop.api.deps import Class, Db, Now, Record
from firstloop.api.ink import InkStroke, Strokes, ink_from, strokes_out
from firstloop.api.problems import HANDED_IN
from firstloop.api.sent import AskedId, HandedIn, Id, PathId, Sent, line
from firstloop.core.checking.say.findings import MarkKind
from firstloop.core.contract import Verdict
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.teaching.customs import Customs, how_to_change, written_of
from firstloop.services import handing_in
from firstloop.services import texts as judging
from firstloop.store import texts
from firstloop.store.records import TextRecord, is_judged_by
from firstloop.store.texts import WhichTexts

router = APIRouter(prefix="/api", tags=["texts"])

LONGEST_TEXT = 240
"""Characters that can be asked for; the check says where letters end."""


class TextIn(HandedIn):
    """Something longer than a letter; the target of a row is its letter, free writing has none."""

    pupil_id: Id
    kind: Kind
    target: Annotated[str, line(LONGEST_TEXT)]
    help: Help
    strokes: Strokes


class FindingInText(FindingOut):
    """A finding with its place in the text, spaces counted; null for all of it."""

    other: str | None = None
    index: int | None = None


class LetterInText(BaseModel):
    """A letter of a text: its place, what was asked for (null of one too many), what it reads as,
    the strokes it was made of, its box (left, bottom, right, top in u), and the attempt it is kept
    as, if it says something of how it is written."""

    index: int
    target: str | None
    reads_as: str | None
    strokes: list[int]
    box: tuple[float, float, float, float]
    verdict: Verdicts
    findings: list[FindingInText]
    struck: bool
    attempt_id: int | None


class MarkOut(BaseModel):
    """A mark that the child made on the writing."""

    kind: MarkKind
    strokes: list[int]
    index: int


class RowOut(BaseModel):
    """A row: the place of its best letter, and whether it gets better (above 0) or worse; of one of
    the child's own how many were written, beside how many the class is asked for."""

    best: int
    change: float
    written: str | None


class TextOut(BaseModel):
    """A kept text: its ink, what the checker says of it and of its letters, the teacher's word."""

    id: int
    pupil: PupilOut
    kind: Kind
    target: str
    help: Help
    written_at: datetime
    strokes: list[InkStroke]
    left: float
    reads_as: str
    verdict: Verdicts
    held: Verdicts
    findings: list[FindingInText]
    say: str
    judged: bool
    """False: the checker failed on it, and a later version will judge it."""
    put_right: str | None
    """How the class changes a letter of a word; null where each is the one that was wanted."""
    letters: list[LetterInText]
    marks: list[MarkOut]
    row: RowOut | None
    judgement: JudgementOut | None


class TextPage(BaseModel):
    """Some texts, the newest first; how many there are in all, and from where the next go on."""

    texts: list[TextOut]
    total: int
    next: str | None


class TextQuery(Sent):
    """Which texts: of all children or one, of every kind or one; and from where on."""

    pupil: AskedId | None = None
    kind: Kind | None = None
    target: Annotated[str, line(LONGEST_TEXT)] | None = None
    limit: Annotated[int, Field(ge=1, le=LARGEST_TABLE)] = A_TABLE
    after: After | None = None


@router.post("/write/texts", status_code=201, responses=HANDED_IN)
def post_text(
    record: Record, school_class: Class, now: Now, sent: TextIn, response: Response
) -> TextOut:
    """Checks a row, a word or a sentence and keeps it, with each of its letters; 200 where it came
    before."""
    kept, is_new = handing_in.hand_in_text(
        record,
        school_class,
        pupil_id=sent.pupil_id,
        kind=sent.kind,
        target=sent.target,
        help=sent.help,
        ink=ink_from(sent.strokes),
        written_at=now,
        delivery=sent.delivery(),
    )
    if not is_new:
        response.status_code = 200
    return _out(kept, school_class.customs)


@router.delete("/write/texts/{text_id}", status_code=204)
def take_back_text(record: Record, school_class: Class, text_id: PathId) -> None:
    """Takes a text out of the record, with its letters and everything that was said of them."""
    handing_in.take_back_text(record, school_class.id, text_id)


@router.get("/check/texts")
def get_texts(session: Db, school_class: Class, asked: Annotated[TextQuery, Query()]) -> TextPage:
    """Texts of the class, the newest first."""
    which = WhichTexts(asked.pupil, asked.kind, asked.target)
    found = texts.page(session, school_class.id, which, limit=asked.limit, after=asked.after)
    return TextPage(
        texts=[_out(one, school_class.customs) for one in found.texts],
        total=found.total,
        next=found.next,
    )


@router.put("/check/texts/{text_id}/judgement")
def put_text_judgement(
    record: Record, school_class: Class, now: Now, text_id: PathId, said: JudgementIn
) -> TextOut:
    """Confirms or overrules what the checker says of the whole; its letters are judged apart."""
    kept = judging.judge(record, school_class.id, text_id, judgement_from(said, now))
    return _out(kept, school_class.customs)


@router.delete("/check/texts/{text_id}/judgement")
def delete_text_judgement(record: Record, school_class: Class, text_id: PathId) -> TextOut:
    """Takes the teacher's word on the whole back."""
    return _out(judging.judge(record, school_class.id, text_id, None), school_class.customs)


def _out(kept: TextRecord, customs: Customs) -> TextOut:
    text, answer = kept.text, kept.text.answer
    said = kept.judgement.verdicts if kept.judgement else {}
    held = {**answer["verdict"], **{d.value: v.value for d, v in said.items()}}
    return TextOut.model_validate(
        {
            **answer,
            "id": kept.id,
            "pupil": pupil_out(kept.pupil),
            "kind": text.task.kind,
            "target": text.task.target,
            "help": text.help,
            "written_at": text.written_at,
            "strokes": strokes_out(text.ink),
            "left": float(min(s.points[:, 0].min() for s in text.ink.strokes)),
            "held": held,
            "letters": [
                {**letter, "attempt_id": kept.attempts.get(place)}
                for place, letter in enumerate(answer["letters"])
            ],
            "judged": is_judged_by(text.checker),
            "put_right": _put_right(kept, customs),
            "row": _row_out(kept, customs),
            "judgement": judgement_out(kept.judgement),
        }
    )


def _put_right(kept: TextRecord, customs: Customs) -> str | None:
    """The class's way, for a word in which a letter is not the one that was wanted."""
    findings = kept.text.answer["findings"]
    to_mend = (f["code"] for f in findings if f["severity"] == Verdict.NOT_YET)
    return how_to_change(customs, to_mend) if kept.text.task.kind is Kind.WORD else None


def _row_out(kept: TextRecord, customs: Customs) -> RowOut | None:
    row = kept.text.answer.get("row")
    if row is None:
        return None
    count = sum(not letter["struck"] for letter in kept.text.answer["letters"])
    is_their_own = kept.text.help not in (Help.TRACE, Help.FINISH)
    return RowOut(**row, written=written_of(customs.own, count) if is_their_own else None)
