"""The teacher's own schemes of families."""

import re
from typing import Any

from sqlalchemy import JSON, ForeignKey, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.teaching import scheme_package
from firstloop.core.teaching.families import Scheme
from firstloop.store.base import Base
from firstloop.store.records import NotInRecordError


class OwnScheme(Base):
    """A scheme of families that the teacher has made; `data` is what its file would hold."""

    __tablename__ = "own_scheme"

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), index=True
    )
    data: Mapped[dict[str, Any]] = mapped_column(JSON)


_ID = re.compile("[0-9]{1,18}")
"""What SQLite can hold."""


def names(session: Session, class_id: int) -> list[tuple[str, str]]:
    """Key and name of each scheme of the teacher's own, the oldest first."""
    rows = select(OwnScheme).where(OwnScheme.class_id == class_id).order_by(OwnScheme.id)
    return [(str(row.id), row.data["name"]) for row in session.scalars(rows)]


def get(session: Session, class_id: int, key: str) -> Scheme:
    """A scheme of the teacher's own; raises NotInRecordError."""
    return scheme_package.scheme_from(_row(session, class_id, key).data)


def add(session: Session, class_id: int, scheme: Scheme) -> str:
    """Keeps a new scheme; its key."""
    row = OwnScheme(class_id=class_id, data=scheme_package.scheme_data(scheme))
    session.add(row)
    session.flush()
    return str(row.id)


def change(session: Session, class_id: int, key: str, scheme: Scheme) -> None:
    """Keeps a scheme in place of what it was; raises NotInRecordError."""
    _row(session, class_id, key).data = scheme_package.scheme_data(scheme)
    session.flush()


def remove(session: Session, class_id: int, key: str) -> None:
    """Forgets a scheme; raises NotInRecordError."""
    session.delete(_row(session, class_id, key))
    session.flush()


def _row(session: Session, class_id: int, key: str) -> OwnScheme:
    row = session.get(OwnScheme, int(key)) if _ID.fullmatch(key) else None
    if row is None or row.class_id != class_id:
        raise NotInRecordError(f'there is no scheme "{key}" in the record')
    return row
