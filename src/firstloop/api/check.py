"""Check: what lies on the table looked at, with its ink, and the teacher's word on it."""

from collections.abc import Collection
from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import Field, model_validator

from firstloop.api.answer import Answer
from firstloop.api.attempts import AttemptOut, attempt_out
from firstloop.api.deps import Class, Db, Doubts, Hers, Now, Record
from firstloop.api.drawings import Point
from firstloop.api.sent import AskedId, Id, PathId, PathName, Sent
from firstloop.api.texts import TextOut, text_out
from firstloop.api.words_said import JudgementIn, JudgementOut, said_out, word_from
from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink
from firstloop.core.judging.pointed_out import Mark
from firstloop.core.judging.word import How
from firstloop.services import closer, judging
from firstloop.services.judging import Said
from firstloop.services.trusting import doubted_in
from firstloop.store import attempts, inks, texts
from firstloop.store.database import Session
from firstloop.store.judging import About
from firstloop.store.records import AttemptRecord

router = APIRouter(prefix="/api/check", tags=["check"])

AT_ONCE = 100
"""Things of which ink and findings are asked for at once, and that are judged in one press."""


class ThingsOut(Answer):
    """Attempts and texts with their ink, what the checker says and the word that counts."""

    attempts: list[AttemptOut]
    texts: list[TextOut]


class SaidIn(Sent):
    """A word on an attempt or a text; null takes hers back."""

    attempt_id: Id | None = None
    text_id: Id | None = None
    said: JudgementIn | None

    @model_validator(mode="after")
    def _of_one(self) -> "SaidIn":
        if (self.attempt_id is None) == (self.text_id is None):
            raise ValueError("say which attempt or which text it is about")
        return self


class WordsIn(Sent):
    """Words on several things, kept together; `many`: in one press, not one by one."""

    words: Annotated[list[SaidIn], Field(min_length=1, max_length=AT_ONCE)]
    many: bool = False


class PointedOut(Answer):
    """What is drawn beside the ink: an arrow from where it is to where it should be, a bracket over
    a gap, a measuring line, a line along what leans; its two ends in u."""

    mark: Mark
    start: Point
    end: Point


class CloserOut(Answer):
    """An attempt looked at closely: the ink of the move that its first finding is about, where that
    shows, and everybody's words on it."""

    faulty: list[Point]
    pointed: PointedOut | None
    words: list[JudgementOut]


class PairOut(Answer):
    """Attempts of one child at a letter that are worth being laid side by side."""

    first: int | None
    latest: int | None
    chosen: int | None
    best: int | None


Ids = Annotated[list[AskedId], Query(max_length=AT_ONCE)]


@router.get("/things")
def get_things(
    session: Db,
    school_class: Class,
    doubts: Doubts,
    attempt_ids: Annotated[Ids, Query(alias="attempt")] = [],  # noqa: B006  # never changed
    text_ids: Annotated[Ids, Query(alias="text")] = [],  # noqa: B006
) -> ThingsOut:
    """Some of what lies on the table, with its ink; what is not there any more is left out."""
    return ThingsOut(
        attempts=_attempts_out(
            session, attempts.some(session, school_class.id, attempt_ids), doubts
        ),
        texts=[
            text_out(one, school_class.customs, doubts)
            for one in texts.some(session, school_class.id, text_ids)
        ],
    )


@router.get("/wall", response_class=Response)
def get_wall(
    session: Db,
    school_class: Class,
    attempt_ids: Annotated[Ids, Query(alias="attempt", min_length=1)],
    *,
    names: bool = True,
) -> Response:
    """Letters that the teacher chose for the wall, as PDF, in the order of the children's names, or
    without them."""
    from firstloop.paper.wall_page import OnTheWall, wall_page  # noqa: PLC0415  # slow to load

    found = attempts.some(session, school_class.id, attempt_ids)
    ink = inks.of(session, [one.id for one in found])
    letters = [
        OnTheWall(one.pupil.name if names else "", ink[one.id]) for one in found if one.id in ink
    ]
    page = wall_page(letters, school_class.ruling)
    named = 'inline; filename="wall.pdf"'
    return Response(page, media_type="application/pdf", headers={"Content-Disposition": named})


@router.post("/words")
def post_words(
    record: Record, school_class: Class, now: Now, hers: Hers, sent: WordsIn
) -> ThingsOut:
    """Confirms or overrules the checker, on several things at once or none; both words are kept,
    the teacher's counts. Answers how they stand since."""
    how = How.MANY if sent.many else How.SEEN
    said = [
        Said(About(one.attempt_id, one.text_id), word_from(one.said, how) if one.said else None)
        for one in sent.words
    ]
    judged = judging.judge(record, school_class.id, hers, said, now)
    with record.session() as session:
        doubts = doubted_in(session, school_class.id)
        return ThingsOut(
            attempts=_attempts_out(session, judged.attempts, doubts),
            texts=[text_out(one, school_class.customs, doubts) for one in judged.texts],
        )


@router.get("/attempts/{attempt_id}/closer")
def get_closer(session: Db, school_class: Class, doubts: Doubts, attempt_id: PathId) -> CloserOut:
    """An attempt looked at closely: where its first finding shows, and all words on it."""
    found = closer.look(session, school_class, attempt_id, doubts)
    return CloserOut(
        faulty=[(x, y) for x, y in found.faulty.round(3).tolist()],
        pointed=PointedOut.model_validate(found.pointed, from_attributes=True)
        if found.pointed
        else None,
        words=[said_out(one) for one in found.words],
    )


@router.get("/texts/{text_id}/words")
def get_words_on_text(session: Db, school_class: Class, text_id: PathId) -> list[JudgementOut]:
    """Everybody's words on a text, the newest first."""
    return [said_out(one) for one in closer.words_on_text(session, school_class.id, text_id)]


@router.get("/pupils/{pupil_id}/letters/{letter}/pair")
def get_pair(session: Db, school_class: Class, pupil_id: PathId, letter: PathName) -> PairOut:
    """What of a child's letter is worth being laid side by side."""
    return PairOut.model_validate(
        closer.worth_comparing(session, school_class.id, pupil_id, letter), from_attributes=True
    )


def _attempts_out(
    session: Session, found: list[AttemptRecord], doubts: Collection[Code]
) -> list[AttemptOut]:
    ink = inks.of(session, [one.id for one in found])
    return [attempt_out(one, ink.get(one.id, Ink(())), doubts) for one in found]
