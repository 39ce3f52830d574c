"""Ink in and out of the record: a table of its own, so that nobody reads it who does not ask."""

import json
from collections.abc import Iterable
from typing import Any

from sqlalchemy import JSON, ForeignKey, Text, column, insert, select, table, type_coerce
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.evidence.ink import Ink
from firstloop.formats.ink_json import ink_in, strokes_of
from firstloop.store.base import Base


class AttemptInk(Base):
    """The strokes of an attempt, kept whole, so that it can be checked again."""

    __tablename__ = "attempt_ink"

    attempt_id: Mapped[int] = mapped_column(
        ForeignKey("attempt.id", ondelete="CASCADE"), primary_key=True
    )
    strokes: Mapped[list[dict[str, Any]]] = mapped_column(JSON)


_ADD = insert(AttemptInk)


def add(session: Session, attempt_id: int, ink: Ink) -> None:
    """Keeps the ink of an attempt."""
    session.connection().execute(_ADD, {"attempt_id": attempt_id, "strokes": strokes_of(ink)})


def add_many(session: Session, inks: Iterable[tuple[int, Ink]]) -> None:
    """Keeps the ink of many attempts at once; ink that several share is written down once."""
    plain = table(AttemptInk.__tablename__, column("attempt_id"), column("strokes"))
    texts: dict[Ink, str] = {}
    rows = []
    for attempt_id, ink in inks:
        if ink not in texts:
            texts[ink] = json.dumps(strokes_of(ink))
        rows.append({"attempt_id": attempt_id, "strokes": texts[ink]})
    if rows:
        session.execute(insert(plain), rows)


def of(session: Session, attempt_ids: Iterable[int]) -> dict[int, Ink]:
    """The ink of attempts that the caller has found in the class, as far as there is any."""
    strokes = type_coerce(AttemptInk.strokes, Text)
    rows = select(AttemptInk.attempt_id, strokes).where(AttemptInk.attempt_id.in_([*attempt_ids]))
    return {attempt_id: ink_in(text) for attempt_id, text in session.execute(rows)}
