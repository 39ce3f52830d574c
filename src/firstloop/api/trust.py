"""How far the checker can be trusted in a class: shown, explained, and put back in one press; and
all judgements to be reckoned with elsewhere."""

from enum import StrEnum

from fastapi import APIRouter, Response

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now, Record
from firstloop.api.sent import Sent
from firstloop.core.checking.say.names import NAMES
from firstloop.core.contract import Code
from firstloop.core.judging.agreement import Share
from firstloop.formats import judgements
from firstloop.services import judgements_out, trusting

router = APIRouter(prefix="/api/check", tags=["check"])


class AgreedOut(Answer):
    """How many of how many the teacher agreed with, and the ends of its 95 % interval; null where
    there are too few to say."""

    agreed: int
    of: int
    low: float | None
    high: float | None


class FindingTrustOut(Answer):
    """How far a finding is trusted: judged blind, and with the checker's word beside it; agreed to
    in one press with others; missed by the checker. `doubted`: it counts less in this class;
    `ended`: she let it count in full again."""

    code: Code
    name: str
    blind: AgreedOut
    seen: AgreedOut
    many: int
    missed: int
    doubted: bool
    ended: bool


class PartTrustOut(Answer):
    """Agreement in a part of what was judged: a letter, a hand, a source."""

    name: str
    share: AgreedOut


class TrustOut(Answer):
    """How far the checker can be trusted here, on all findings, by finding and by part."""

    seen: AgreedOut
    blind: AgreedOut
    many: int
    findings: list[FindingTrustOut]
    letters: list[PartTrustOut]
    hands: list[PartTrustOut]
    sources: list[PartTrustOut]


class CountsIn(Sent):
    """Whether a finding is to count in full again, whatever was said of it so far."""

    in_full: bool


class Form(StrEnum):
    """A form of file."""

    CSV = "csv"
    JSON = "json"


def _agreed_out(share: Share) -> AgreedOut:
    return AgreedOut.model_validate(share, from_attributes=True)


@router.get("/trust")
def get_trust(session: Db, school_class: Class) -> TrustOut:
    """How far the checker can be trusted in this class, by what its teachers said of findings."""
    found = trusting.trust_in(session, school_class.id)

    def parts(of: dict[str, Share]) -> list[PartTrustOut]:
        return [PartTrustOut(name=name, share=_agreed_out(one)) for name, one in of.items()]

    return TrustOut(
        seen=_agreed_out(found.seen),
        blind=_agreed_out(found.blind),
        many=found.many,
        findings=[
            FindingTrustOut(
                code=one.code,
                name=NAMES[one.code],
                blind=_agreed_out(one.blind),
                seen=_agreed_out(one.seen),
                many=one.many,
                missed=one.missed,
                doubted=one.is_doubted,
                ended=one.counted_from is not None,
            )
            for one in found.findings
        ],
        letters=parts(found.letters),
        hands=parts(found.hands),
        sources=parts(found.sources),
    )


@router.put("/trust/{code}", status_code=204)
def put_trust(record: Record, school_class: Class, now: Now, code: Code, sent: CountsIn) -> None:
    """Lets a finding count in full again, counting anew from now; or as it was before that."""
    trusting.count_from(record, school_class.id, code, now if sent.in_full else None, now)


@router.get("/judgements/{form}", response_class=Response)
def get_judgements(
    session: Db, school_class: Class, form: Form, *, names: bool = False
) -> Response:
    """All judgements of the class as a file; children and readers by number, or by name."""
    rows = judgements_out.rows(session, school_class, names=names)
    text, kind = (
        (judgements.as_csv(rows), "text/csv; charset=utf-8")
        if form is Form.CSV
        else (judgements.as_json(rows), "application/json")
    )
    named = f'attachment; filename="judgements.{form.value}"'
    return Response(text, media_type=kind, headers={"Content-Disposition": named})
