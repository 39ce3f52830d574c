"""Rows, words and sentences: handed in, and as they are answered."""

from collections.abc import Collection
from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Response

from firstloop.api.answer import Answer
from firstloop.api.attempts import (
    FindingOut,
    PupilOut,
    Verdicts,
    pupil_out,
    verdicts_out,
)
from firstloop.api.deps import Class, Doubts, Now, Record
from firstloop.api.ink import InkStroke, Strokes, ink_from, strokes_out
from firstloop.api.problems import HANDED_IN
from firstloop.api.sent import HandedIn, Id, PathId, line
from firstloop.api.words_said import JudgementOut, judgement_out
from firstloop.core.checking.say.findings import Finding, MarkKind
from firstloop.core.contract import Code, Verdict
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.judging.told_here import told_here
from firstloop.core.judging.trust import by_trust
from firstloop.core.judging.word import aspects_seen, held
from firstloop.core.letters.style import hand_of
from firstloop.core.teaching.customs import Customs, how_to_change, written_of
from firstloop.formats.result_json import finding_from, verdicts_of_answer
from firstloop.services import handing_in
from firstloop.services.judging import seen_in_text
from firstloop.store.records import TextRecord, is_judged_by

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

    index: int | None = None


class LetterInText(Answer):
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


class MarkOut(Answer):
    """A mark that the child made on the writing."""

    kind: MarkKind
    strokes: list[int]
    index: int


class RowOut(Answer):
    """A row: the place of its best letter, and whether it gets better (above 0) or worse; of one of
    the child's own how many were written, beside how many the class is asked for."""

    best: int
    change: float
    written: str | None


class Aspects(Answer):
    """How a text stands as a whole, besides; joins are unseen in a hand that has none."""

    spacing: Verdict
    line: Verdict
    joins: Verdict


class TextOut(Answer):
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
    aspects: Aspects
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


@router.post("/write/texts", status_code=201, responses=HANDED_IN)
def post_text(  # noqa: PLR0917  # what is sent, by whom, when, to what record
    record: Record,
    school_class: Class,
    now: Now,
    doubts: Doubts,
    sent: TextIn,
    response: Response,
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
    return text_out(kept, school_class.customs, doubts)


@router.delete("/write/texts/{text_id}", status_code=204)
def take_back_text(record: Record, school_class: Class, text_id: PathId) -> None:
    """Takes a text out of the record, with its letters and everything that was said of them."""
    handing_in.take_back_text(record, school_class.id, text_id)


def text_out(kept: TextRecord, customs: Customs, doubts: Collection[Code]) -> TextOut:
    """A kept text as an answer; what is doubted in the class is told after the rest."""
    text, answer = kept.text, kept.text.answer
    word = kept.judgement.word if kept.judgement else None
    verdicts, seen = verdicts_of_answer(answer), seen_in_text(kept)
    aspects = aspects_seen(seen, joins=hand_of(text.style).joins)
    findings = by_trust([finding_from(one) for one in answer["findings"]], doubts)
    is_judged = is_judged_by(text.checker)
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
            "held": verdicts_out(held(verdicts, word)),
            "aspects": {**aspects, **(word.aspects if word else {})},
            "findings": [_finding_out(one) for one in findings],
            "say": told_here(findings, verdicts, doubts, word) if is_judged else answer["say"],
            "letters": [
                {**letter, "attempt_id": kept.attempts.get(place)}
                for place, letter in enumerate(answer["letters"])
            ],
            "judged": is_judged,
            "put_right": _put_right(kept, customs),
            "row": _row_out(kept, customs),
            "judgement": judgement_out(kept.judgement),
        }
    )


def _finding_out(finding: Finding) -> FindingInText:
    return FindingInText.model_validate(finding, from_attributes=True)


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
