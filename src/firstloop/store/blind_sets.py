"""Sets of letters that several judge blind: which letters, in which order, and by whom."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import ForeignKey, delete, func, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.store.accounts import Account
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.judgements import Judgement
from firstloop.store.records import NotInRecordError


class BlindSet(Base):
    """A set of a class's letters."""

    __tablename__ = "blind_set"

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), index=True
    )
    name: Mapped[str]
    made_at: Mapped[datetime] = mapped_column(UtcDateTime)


class BlindLetter(Base):
    """A letter of a set, at its place."""

    __tablename__ = "blind_letter"

    set_id: Mapped[int] = mapped_column(
        ForeignKey("blind_set.id", ondelete="CASCADE"), primary_key=True
    )
    attempt_id: Mapped[int] = mapped_column(
        ForeignKey("attempt.id", ondelete="CASCADE"), primary_key=True, index=True
    )
    place: Mapped[int]


class BlindReader(Base):
    """Somebody who judges a set."""

    __tablename__ = "blind_reader"

    set_id: Mapped[int] = mapped_column(
        ForeignKey("blind_set.id", ondelete="CASCADE"), primary_key=True
    )
    account_id: Mapped[int] = mapped_column(
        ForeignKey("account.id", ondelete="CASCADE"), primary_key=True, index=True
    )


@dataclass(frozen=True, slots=True)
class Reader:
    """Somebody who judges a set, and how many of its letters she has judged."""

    account_id: int
    name: str
    done: int


@dataclass(frozen=True, slots=True)
class BlindSetRecord:
    """A set: its letters in their order, and who judges them, by name."""

    id: int
    class_id: int
    name: str
    made_at: datetime
    attempts: tuple[int, ...]
    readers: tuple[Reader, ...]

    @property
    def is_through(self) -> bool:
        """Whether everybody has judged everything: then each may see what the others said."""
        return all(reader.done >= len(self.attempts) for reader in self.readers)


def add(  # noqa: PLR0917  # all that a set is
    session: Session,
    class_id: int,
    name: str,
    attempts: Sequence[int],
    readers: Sequence[int],
    now: datetime,
) -> int:
    """Keeps a set of letters that the caller has found in the class; its id."""
    row = BlindSet(class_id=class_id, name=name, made_at=now)
    session.add(row)
    session.flush()
    session.add_all(
        BlindLetter(set_id=row.id, attempt_id=attempt_id, place=place)
        for place, attempt_id in enumerate(attempts)
    )
    session.add_all(BlindReader(set_id=row.id, account_id=one) for one in sorted(set(readers)))
    session.flush()
    return row.id


def of_class(session: Session, class_id: int) -> list[BlindSetRecord]:
    """The sets of a class, the newest first."""
    rows = select(BlindSet).where(BlindSet.class_id == class_id).order_by(BlindSet.id.desc())
    return [_record(session, row) for row in session.scalars(rows)]


def to_judge(session: Session, account_id: int) -> list[BlindSetRecord]:
    """The sets that somebody judges, of whichever class, the newest first."""
    rows = (
        select(BlindSet)
        .join(BlindReader, BlindReader.set_id == BlindSet.id)
        .where(BlindReader.account_id == account_id)
        .order_by(BlindSet.id.desc())
    )
    return [_record(session, row) for row in session.scalars(rows)]


def get(session: Session, class_id: int, set_id: int) -> BlindSetRecord:
    """A set of a class; raises NotInRecordError."""
    row = session.get(BlindSet, set_id)
    if row is None or row.class_id != class_id:
        raise _not_there(set_id)
    return _record(session, row)


def get_to_judge(session: Session, account_id: int, set_id: int) -> BlindSetRecord:
    """A set that somebody judges; raises NotInRecordError."""
    row = session.get(BlindSet, set_id)
    if row is None or session.get(BlindReader, (set_id, account_id)) is None:
        raise _not_there(set_id)
    return _record(session, row)


def remove(session: Session, class_id: int, set_id: int) -> list[int]:
    """Deletes a set with all that was said in it; the letters that it had. Raises
    NotInRecordError."""
    found = get(session, class_id, set_id)
    session.execute(delete(BlindSet).where(BlindSet.id == set_id))
    return list(found.attempts)


def _not_there(set_id: int) -> NotInRecordError:
    return NotInRecordError(f"there is no set {set_id} here")


def _record(session: Session, row: BlindSet) -> BlindSetRecord:
    letters = (
        select(BlindLetter.attempt_id)
        .where(BlindLetter.set_id == row.id)
        .order_by(BlindLetter.place)
    )
    done = (
        select(func.count())
        .where(Judgement.set_id == row.id, Judgement.account_id == Account.id)
        .scalar_subquery()
    )
    readers = (
        select(Account.id, Account.name, done)
        .join(BlindReader, BlindReader.account_id == Account.id)
        .where(BlindReader.set_id == row.id)
        .order_by(Account.key)
    )
    return BlindSetRecord(
        row.id,
        row.class_id,
        row.name,
        row.made_at,
        tuple(session.scalars(letters)),
        tuple(Reader(*one) for one in session.execute(readers)),
    )
