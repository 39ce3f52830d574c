"""Check: all that a class wrote on one table, and the teacher's word on it."""

from datetime import date, datetime
from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, Field, model_validator

from firstloop.api.attempts import AttemptOut, attempt_out
from firstloop.api.deps import Class, Db, Doubts, Hers, Now, Record
from firstloop.api.drawings import Point
from firstloop.api.sent import AskedId, Id, Key, PathId, PathName, Sent
from firstloop.api.texts import TextOut, text_out
from firstloop.api.words_said import JudgementIn, JudgementOut, said_out, word_from
from firstloop.core.checking.say.catalogue import CATALOGUE
from firstloop.core.checking.say.names import NAMES
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Help, Kind, Source
from firstloop.core.judging.look_first import Reason
from firstloop.core.judging.piles import FIRST, WELL
from firstloop.core.judging.pointed_out import Mark
from firstloop.core.judging.word import DIMENSION_OF, SHOWS_IN, Aspect, How
from firstloop.services import closer, judging, schemes, table
from firstloop.services.judging import Said
from firstloop.services.trusting import doubted_in
from firstloop.store import attempts, inks, texts
from firstloop.store.database import Session
from firstloop.store.judging import About
from firstloop.store.records import AttemptRecord, ClassRecord
from firstloop.store.table import Asked

router = APIRouter(prefix="/api/check", tags=["check"])

AT_ONCE = 100
"""Things of which ink and findings are asked for at once, and that are judged in one press."""


class TableQuery(Sent):
    """Which things lie on the table: of which days (none: the last on which the class wrote; where
    something is sorted out the last term), and of these only what fits all the rest; `newest`: of
    each child and task only the newest."""

    begin: date | None = None
    end: date | None = None
    lesson: AskedId | None = None
    pupil: AskedId | None = None
    letter: Key | None = None
    pair: Key | None = None
    kind: Kind | None = None
    finding: Code | None = None
    help: Help | None = None
    source: Source | None = None
    judged: bool | None = None
    set_aside: bool = False
    newest: bool = False

    @property
    def sorts_out(self) -> bool:
        """Whether only some things of a day are asked for."""
        some = (self.lesson, self.pupil, self.letter, self.pair, self.kind, self.finding)
        return any(one is not None for one in (*some, self.help, self.source))


class CardOut(BaseModel):
    """Something on the table: an attempt or a text by its id, what it is, the verdicts that count,
    why it wants her eye, and her word at a glance. `chosen`: the child's own choice; `best`: by its
    measures the best that the child wrote of it that day."""

    attempt_id: int | None
    text_id: int | None
    pupil_id: int
    kind: Kind
    target: str
    source: Source
    help: Help
    written_at: datetime
    direction: Verdict
    size: Verdict
    shape: Verdict
    why: list[Reason]
    judged: bool
    overruled: bool
    set_aside: bool
    chosen: bool
    best: bool


class PileOut(BaseModel):
    """Things that are alike: `first` want her eye before all else, `well` have nothing to be
    mended, the others are called by a finding; the places of their cards."""

    key: str
    name: str
    cards: list[int]


class TaughtTogether(BaseModel):
    """A family, as large as the class takes them in one lesson."""

    name: str
    letters: list[str]


class TableOut(BaseModel):
    """What lies on the table, in its piles, of how many; from which day to which; on which days the
    class wrote, the newest first; and of one letter the family that it is taught in, if any."""

    cards: list[CardOut]
    piles: list[PileOut]
    total: int
    begin: date
    end: date
    days: list[date]
    family: TaughtTogether | None


class ThingsOut(BaseModel):
    """Attempts and texts with their ink, what the checker says and the word that counts."""

    attempts: list[AttemptOut]
    texts: list[TextOut]


class CodeOut(BaseModel):
    """A finding that she can add: what it is called in a list, and what it is about, of a text
    besides; `of_texts`: only a text shows it."""

    code: Code
    name: str
    dimension: Dimension
    aspect: Aspect | None
    of_texts: bool


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


class PointedOut(BaseModel):
    """What is drawn beside the ink: an arrow from where it is to where it should be, a bracket over
    a gap, a measuring line, a line along what leans; its two ends in u."""

    mark: Mark
    start: Point
    end: Point


class CloserOut(BaseModel):
    """An attempt looked at closely: the ink of the move that its first finding is about, where that
    shows, and everybody's words on it."""

    faulty: list[Point]
    pointed: PointedOut | None
    words: list[JudgementOut]


class PairOut(BaseModel):
    """Attempts of one child at a letter that are worth being laid side by side."""

    first: int | None
    latest: int | None
    chosen: int | None
    best: int | None


PILE_NAMES = {FIRST: "Look at these first", WELL: "Nothing to mend"}

Ids = Annotated[list[AskedId], Query(max_length=AT_ONCE)]


@router.get("/table")
def get_table(
    session: Db, school_class: Class, now: Now, asked: Annotated[TableQuery, Query()]
) -> TableOut:
    """What the class wrote, in piles of the same slip."""
    days = table.days_written(session, school_class.id)
    latest = days[0] if days else now.date()
    end = asked.end or max(asked.begin or latest, latest)
    begin = asked.begin or (min(days[-1], end) if asked.sorts_out and days else end)
    query = Asked(
        begin,
        end,
        asked.lesson,
        asked.pupil,
        asked.letter,
        asked.pair,
        asked.kind,
        asked.finding,
        asked.help,
        asked.source,
        asked.judged,
        asked.set_aside,
    )
    found = table.laid_out(session, school_class, query, newest=asked.newest)
    return TableOut(
        cards=[_card_out(card) for card in found.cards],
        piles=[
            PileOut(key=one.key, name=_pile_name(one.key), cards=list(one.places))
            for one in found.piles
        ],
        total=found.total,
        begin=begin,
        end=end,
        days=days,
        family=_family_out(session, school_class, asked.letter) if asked.letter else None,
    )


def _family_out(session: Session, school_class: ClassRecord, letter: str) -> TaughtTogether | None:
    family = schemes.find(session, school_class, school_class.scheme).family_of(letter)
    return TaughtTogether(name=family.name, letters=list(family.letters)) if family else None


def _card_out(card: table.Card) -> CardOut:
    one = card.lying
    return CardOut(
        attempt_id=one.about.attempt_id,
        text_id=one.about.text_id,
        pupil_id=one.pupil_id,
        kind=one.kind,
        target=one.target,
        source=one.source,
        help=one.help,
        written_at=one.written_at,
        why=list(card.why),
        judged=one.is_judged,
        overruled=one.is_overruled,
        set_aside=one.set_aside,
        chosen=one.chosen,
        best=card.is_best,
        **{dimension.value: one.verdicts[dimension] for dimension in Dimension},
    )


def _pile_name(key: str) -> str:
    return PILE_NAMES[key] if key in PILE_NAMES else NAMES[Code(key)].capitalize()


@router.get("/codes")
def get_codes() -> list[CodeOut]:
    """All findings there are, in a teacher's order."""
    return [
        CodeOut(
            code=code,
            name=NAMES[code],
            dimension=DIMENSION_OF[code],
            aspect=SHOWS_IN.get(code),
            of_texts=code not in CATALOGUE,
        )
        for code in Code
    ]


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


def _attempts_out(session: Session, found: list[AttemptRecord], doubts: Doubts) -> list[AttemptOut]:
    ink = inks.of(session, [one.id for one in found])
    return [attempt_out(one, ink.get(one.id, Ink(())), doubts) for one in found]
