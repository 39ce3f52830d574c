"""Hands that are written here: what a teacher wrote of their letters, and which stand."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import Any

from sqlalchemy import JSON, ForeignKey, Index, delete, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.evidence.ink import Ink
from firstloop.core.letters import Hand
from firstloop.core.letters.ruling import Ruling
from firstloop.formats import ink_json
from firstloop.store import own_hands
from firstloop.store.base import Base
from firstloop.store.own_hands import OwnHand
from firstloop.store.records import NotInRecordError


class Stands(StrEnum):
    """How a letter of a hand came to be what it is: as the pen wrote it, or mended since."""

    PEN = "pen"
    MENDED = "mended"


class OwnSample(Base):
    """A letter, or a word, of a hand of one's own, as it was written once on a ruling."""

    __tablename__ = "own_sample"
    __table_args__ = (Index("ix_own_sample_hand_id_letter", "hand_id", "letter"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    hand_id: Mapped[int] = mapped_column(ForeignKey("own_hand.id", ondelete="CASCADE"))
    letter: Mapped[str]
    strokes: Mapped[list[dict[str, Any]]] = mapped_column(JSON)
    top: Mapped[float]
    drop: Mapped[float]


@dataclass(frozen=True, slots=True, eq=False)
class Written:
    """A letter or a word, its ink, and the ruling that it was written on."""

    letter: str
    ink: Ink
    ruling: Ruling


@dataclass(frozen=True, slots=True, eq=False)
class WrittenSample(Written):
    """A sample by its id."""

    id: int


@dataclass(frozen=True, slots=True, eq=False)
class OwnHandRecord:
    """A hand that is written here: as it is now, what lends the rest, which letters stand and how
    they came to."""

    hand: Hand
    base: str
    stands: Mapping[str, Stands]


def get(session: Session, class_id: int, name: str) -> OwnHandRecord:
    """A hand that is written here; raises NotInRecordError."""
    row = _row(session, class_id, name)
    hand = own_hands.find(session, class_id, name)
    if hand is None or row.base is None:
        raise NotInRecordError(f'no hand "{name}" is written here')
    stands = {letter: Stands(how) for letter, how in row.stands.items()}
    return OwnHandRecord(hand, row.base, stands)


def names(session: Session, class_id: int) -> list[str]:
    """The hands that are written here."""
    rows = select(OwnHand.name).where(OwnHand.class_id == class_id, OwnHand.base.is_not(None))
    return list(session.scalars(rows.order_by(OwnHand.name)))


def keep(
    session: Session, class_id: int, hand: Hand, base: str, stands: Mapping[str, Stands]
) -> None:
    """Keeps a hand as it is now."""
    own_hands.keep(session, class_id, hand)
    row = _row(session, class_id, hand.name)
    row.base, row.stands = base, {letter: how.value for letter, how in stands.items()}
    session.flush()


def samples(
    session: Session, class_id: int, name: str, letter: str | None = None
) -> list[WrittenSample]:
    """What was written of a letter, or of all, the earliest first."""
    rows = (
        select(OwnSample)
        .join(OwnHand)
        .where(OwnHand.class_id == class_id, OwnHand.name == name)
        .order_by(OwnSample.id)
    )
    if letter is not None:
        rows = rows.where(OwnSample.letter == letter)
    return [_written(row) for row in session.scalars(rows)]


def add_sample(session: Session, class_id: int, name: str, written: Written) -> int:
    """Keeps what was written; its id."""
    row = OwnSample(
        hand_id=_row(session, class_id, name).id,
        letter=written.letter,
        strokes=ink_json.strokes_of(written.ink),
        top=written.ruling.top,
        drop=written.ruling.drop,
    )
    session.add(row)
    session.flush()
    return row.id


def remove_samples(session: Session, class_id: int, name: str, sample_ids: Iterable[int]) -> None:
    """Forgets samples of a hand; raises NotInRecordError for one that it does not have."""
    hand_id = _row(session, class_id, name).id
    for sample_id in sample_ids:
        here = OwnSample.id == sample_id, OwnSample.hand_id == hand_id
        if session.scalar(select(OwnSample.id).where(*here)) is None:
            raise NotInRecordError("this was taken back already")
        session.execute(delete(OwnSample).where(*here))


def _row(session: Session, class_id: int, name: str) -> OwnHand:
    row = session.scalar(select(OwnHand).where(OwnHand.class_id == class_id, OwnHand.name == name))
    if row is None:
        raise NotInRecordError(f'there is no hand "{name}" here')
    return row


def _written(row: OwnSample) -> WrittenSample:
    ink = ink_json.ink_from(row.strokes)
    return WrittenSample(row.letter, ink, Ruling(row.top, row.drop), row.id)
