"""The table: all that a class wrote, in piles of the same slip."""

from datetime import date, datetime
from typing import Annotated

from fastapi import APIRouter, Query

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now
from firstloop.api.sent import AskedId, Key, Sent
from firstloop.core.checking.say.catalogue import CATALOGUE
from firstloop.core.checking.say.names import NAMES
from firstloop.core.checking.texts.catalogue import DIMENSION_OF
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.task import Help, Kind, Source
from firstloop.core.judging.look_first import Reason
from firstloop.core.judging.piles import FIRST, WELL
from firstloop.core.judging.word import SHOWS_IN, Aspect
from firstloop.services import schemes, table
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord
from firstloop.store.table import Asked

router = APIRouter(prefix="/api/check", tags=["check"])

PILE_NAMES = {FIRST: "Look at these first", WELL: "Nothing to mend"}


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


class CardOut(Answer):
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


class PileOut(Answer):
    """Things that are alike: `first` want her eye before all else, `well` have nothing to be
    mended, the others are called by a finding; the places of their cards."""

    key: str
    name: str
    cards: list[int]


class TaughtTogether(Answer):
    """A family, as large as the class takes them in one lesson."""

    name: str
    letters: list[str]


class TableOut(Answer):
    """What lies on the table, in its piles, of how many; from which day to which; on which days the
    class wrote, the newest first; and of one letter the family that it is taught in, if any."""

    cards: list[CardOut]
    piles: list[PileOut]
    total: int
    begin: date
    end: date
    days: list[date]
    family: TaughtTogether | None


class CodeOut(Answer):
    """A finding that she can add: what it is called in a list, and what it is about, of a text
    besides; `of_texts`: only a text shows it."""

    code: Code
    name: str
    dimension: Dimension
    aspect: Aspect | None
    of_texts: bool


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
