"""Words on what was written, into the record and out of it; and which of them counts."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import ColumnElement, and_, bindparam, func, select, update

from firstloop.core.judging.word import How, Word
from firstloop.store import blind_sets
from firstloop.store.attempts import Attempt
from firstloop.store.attempts import row_in as attempt_in
from firstloop.store.base import UtcDateTime
from firstloop.store.blind_sets import BlindSet
from firstloop.store.database import Session
from firstloop.store.judgements import Judgement, judgement_from, row_of
from firstloop.store.pupils import Pupil
from firstloop.store.records import JudgementRecord
from firstloop.store.texts import WrittenText
from firstloop.store.texts import row_in as text_in


@dataclass(frozen=True, slots=True)
class About:
    """What a word is about: an attempt or a text, by its id."""

    attempt_id: int | None = None
    text_id: int | None = None

    @property
    def is_this(self) -> ColumnElement[bool]:
        """As a condition on words."""
        if self.attempt_id is not None:
            return Judgement.attempt_id == self.attempt_id
        return Judgement.text_id == self.text_id


@dataclass(frozen=True, slots=True)
class Author:
    """Who says a word, and whether she teaches the class."""

    account_id: int
    is_teacher: bool


def keep(  # noqa: PLR0917  # who says what of which, when
    session: Session,
    class_id: int,
    about: About,
    author: Author,
    word: Word,
    now: datetime,
    set_id: int | None = None,
) -> None:
    """Keeps somebody's word in place of the one she said in the same way before, and lets the
    newest of the class's teachers count. Raises NotInRecordError."""
    _require(session, class_id, about)
    for row in _hers(session, about, author, word.how, set_id):
        session.delete(row)
    session.flush()
    session.add(
        Judgement(
            attempt_id=about.attempt_id,
            text_id=about.text_id,
            account_id=author.account_id,
            set_id=set_id,
            is_teachers=author.is_teacher,
            counts=False,
            made_at=now,
            **row_of(word),
        )
    )
    _let_one_count(session, about)


def withdraw(
    session: Session, class_id: int, about: About, author: Author, how: How = How.SEEN
) -> None:
    """Takes somebody's word back; of something without another the checker's stands again. A
    teacher who has said none takes back the one that counts and is nobody's (any more). Raises
    NotInRecordError."""
    _require(session, class_id, about)
    gone = _hers(session, about, author, how)
    if not gone and author.is_teacher:
        nobodys = select(Judgement).where(
            about.is_this, Judgement.counts, Judgement.account_id.is_(None)
        )
        gone = list(session.scalars(nobodys))
    for row in gone:
        session.delete(row)
    _let_one_count(session, about)


def words_on(session: Session, class_id: int, about: About) -> list[JudgementRecord]:
    """All words on something, the newest first, but for what others said blind: that is seen with
    its set, once all are through. Raises NotInRecordError."""
    _require(session, class_id, about)
    to_be_seen = Judgement.counts | (Judgement.how != How.BLIND.value)
    rows = select(Judgement).where(about.is_this, to_be_seen).order_by(Judgement.made_at.desc())
    return [judgement_from(row) for row in session.scalars(rows)]


def of_set(session: Session, class_id: int, set_id: int) -> list[tuple[int, JudgementRecord]]:
    """All words of a blind set of a class, with the attempts that they are about."""
    rows = (
        select(Judgement)
        .join(BlindSet, BlindSet.id == Judgement.set_id)
        .where(BlindSet.class_id == class_id, Judgement.set_id == set_id)
    )
    return [
        (row.attempt_id, judgement_from(row)) for row in session.scalars(rows) if row.attempt_id
    ]


def told(session: Session, class_id: int) -> list[tuple[About, JudgementRecord]]:
    """Every word of a class, the oldest first, but for those of blind sets that somebody is still
    judging."""
    of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    rows = (
        select(Judgement)
        .outerjoin(Attempt, Attempt.id == Judgement.attempt_id)
        .outerjoin(WrittenText, WrittenText.id == Judgement.text_id)
        .where(func.coalesce(Attempt.pupil_id, WrittenText.pupil_id).in_(of_class))
        .order_by(Judgement.made_at, Judgement.id)
    )
    hidden = {one.id for one in blind_sets.of_class(session, class_id) if not one.is_through}
    return [
        (About(row.attempt_id, row.text_id), judgement_from(row))
        for row in session.scalars(rows)
        if row.set_id not in hidden
    ]


# Asked by each pad again and again: a statement that is built once, past the mapper.
_NEWEST_ON = (
    select(Judgement.id)
    .join(Attempt, Attempt.id == Judgement.attempt_id)
    .join(Pupil, Pupil.id == Attempt.pupil_id)
    .where(
        Pupil.class_id == bindparam("class_id"),
        Attempt.pupil_id == bindparam("pupil_id"),
        Attempt.letter == bindparam("letter"),
        Judgement.counts,
        Judgement.made_at >= bindparam("since", type_=UtcDateTime),
    )
    .order_by(Attempt.written_at.desc(), Attempt.id.desc())
    .limit(1)
)


def newest_on(
    session: Session, class_id: int, pupil_id: int, letter: str, since: datetime
) -> tuple[int, JudgementRecord] | None:
    """The newest word that counts on a child's letter by itself, and on which attempt; None where
    there is none since a moment."""
    asked = {"class_id": class_id, "pupil_id": pupil_id, "letter": letter, "since": since}
    found = session.connection().scalar(_NEWEST_ON, asked)
    if found is None:
        return None
    row = session.get_one(Judgement, found)
    return (row.attempt_id, judgement_from(row)) if row.attempt_id else None


def _require(session: Session, class_id: int, about: About) -> None:
    if about.attempt_id is not None:
        attempt_in(session, class_id, about.attempt_id)
    elif about.text_id is not None:
        text_in(session, class_id, about.text_id)


_OTHER_WAYS = (How.BLIND, How.WITH_TEXT)
"""Words said in these ways stand beside what she says at the table."""


def _hers(
    session: Session, about: About, author: Author, how: How, set_id: int | None = None
) -> list[Judgement]:
    """What somebody said of something in the same way: at the table, in a set, with its text."""
    other_ways = [one.value for one in _OTHER_WAYS]
    same_way = (
        and_(Judgement.how == how.value, Judgement.set_id.is_(set_id))
        if how in _OTHER_WAYS
        else Judgement.how.not_in(other_ways)
    )
    hers = Judgement.account_id == author.account_id
    return list(session.scalars(select(Judgement).where(about.is_this, hers, same_way)))


def let_one_count(session: Session, class_id: int, about: Iterable[About]) -> None:
    """Lets the newest word of the class's teachers on each count, after words have gone. Raises
    NotInRecordError."""
    for one in about:
        _require(session, class_id, one)
        _let_one_count(session, one)


def _let_one_count(session: Session, about: About) -> None:
    session.flush()
    newest = session.scalar(
        select(Judgement.id)
        .where(about.is_this, Judgement.is_teachers)
        .order_by(Judgement.made_at.desc(), Judgement.id.desc())
        .limit(1)
    )
    session.execute(update(Judgement).where(about.is_this, Judgement.counts).values(counts=False))
    if newest is not None:
        session.execute(update(Judgement).where(Judgement.id == newest).values(counts=True))
