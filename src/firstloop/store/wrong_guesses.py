"""Wrong passwords and codes of the last hour: from which place, at what. Of both only digests are
kept, and after the hour nothing."""

from datetime import datetime

from sqlalchemy import Index, delete, func, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.patience import WITHIN
from firstloop.store.base import Base, UtcDateTime

MOST = 50_000
"""Guesses that are remembered at once, the latest: more than the waits let through in an hour from
any school's network."""


class WrongGuess(Base):
    """A wrong guess: from which place, at what (digests)."""

    __tablename__ = "wrong_guess"
    __table_args__ = (
        Index("ix_wrong_guess_place", "place", "at"),
        Index("ix_wrong_guess_thing", "thing", "at"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    place: Mapped[str]
    thing: Mapped[str]
    at: Mapped[datetime] = mapped_column(UtcDateTime, index=True)


def add(session: Session, place: str, thing: str, now: datetime) -> None:
    """Counts a wrong guess; those of more than an hour ago go."""
    session.execute(delete(WrongGuess).where(WrongGuess.at <= now - WITHIN))
    session.add(WrongGuess(place=place, thing=thing, at=now))
    session.flush()
    newest = session.scalar(select(func.max(WrongGuess.id))) or 0
    session.execute(delete(WrongGuess).where(WrongGuess.id <= newest - MOST))


def from_place(session: Session, place: str) -> list[datetime]:
    """When wrong guesses were made from a place, the oldest first."""
    rows = select(WrongGuess.at).where(WrongGuess.place == place).order_by(WrongGuess.at)
    return list(session.scalars(rows))


def at_thing(session: Session, thing: str) -> list[datetime]:
    """When wrong guesses were made at something, from wherever, the oldest first."""
    rows = select(WrongGuess.at).where(WrongGuess.thing == thing).order_by(WrongGuess.at)
    return list(session.scalars(rows))
