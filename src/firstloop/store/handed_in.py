"""What was handed in, by the id that its sender gave it: sent twice, it is kept once."""

from dataclasses import dataclass
from uuid import UUID

from sqlalchemy import ForeignKey, bindparam, insert, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.errors import FirstLoopError
from firstloop.store.base import Base


class HandedIn(Base):
    """A sender's id, a digest of what came with it, and the attempt or the text that it is kept as.
    It stays when that is taken back, so that it is not kept again; it goes with its child."""

    __tablename__ = "handed_in"

    id: Mapped[str] = mapped_column(primary_key=True)
    pupil_id: Mapped[int] = mapped_column(ForeignKey("pupil.id", ondelete="CASCADE"), index=True)
    digest: Mapped[str]
    attempt_id: Mapped[int | None] = mapped_column(
        ForeignKey("attempt.id", ondelete="SET NULL"), index=True
    )
    text_id: Mapped[int | None] = mapped_column(
        ForeignKey("written_text.id", ondelete="SET NULL"), index=True
    )


class AnotherCameFirstError(FirstLoopError):
    """Something else came with the same id."""


class TakenBackError(FirstLoopError):
    """It came before, and was taken back since."""


@dataclass(frozen=True, slots=True)
class Delivery:
    """What a sender says of something handed in: its id, and a digest of all that came with it."""

    id: UUID
    digest: str


_FIND = select(HandedIn.digest, HandedIn.attempt_id, HandedIn.text_id).where(
    HandedIn.id == bindparam("sent_as")
)
_ADD = insert(HandedIn)


def kept_as(session: Session, delivery: Delivery) -> int | None:
    """The id of the attempt or text that came first with the sender's id; None where none did.
    Raises AnotherCameFirstError where that was something else, TakenBackError where it is gone."""
    row = session.connection().execute(_FIND, {"sent_as": str(delivery.id)}).first()
    if row is None:
        return None
    if row.digest != delivery.digest:
        raise AnotherCameFirstError(
            f"something else was handed in as {delivery.id}; give each thing an id of its own"
        )
    kept: int | None = row.attempt_id or row.text_id
    if kept is None:
        raise TakenBackError(
            f"what was handed in as {delivery.id} was taken back; it is not kept again"
        )
    return kept


def add(
    session: Session,
    delivery: Delivery,
    pupil_id: int,
    *,
    attempt_id: int | None = None,
    text_id: int | None = None,
) -> None:
    """Keeps that something came, and what it is kept as."""
    row = {
        "id": str(delivery.id),
        "pupil_id": pupil_id,
        "digest": delivery.digest,
        "attempt_id": attempt_id,
        "text_id": text_id,
    }
    session.connection().execute(_ADD, row)
