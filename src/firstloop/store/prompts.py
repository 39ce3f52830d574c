"""What a word or a letter is asked for with when it is to be written from memory: the teacher's
voice, a picture."""

from sqlalchemy import ForeignKey, UniqueConstraint, func, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.errors import FirstLoopError
from firstloop.store.base import Base
from firstloop.store.records import NotInRecordError, PromptRecord


class Prompt(Base):
    """A word or letter of a class, with its picture tile and its recording, where there are any."""

    __tablename__ = "prompt"
    __table_args__ = (UniqueConstraint("class_id", "text"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    text: Mapped[str]
    tile: Mapped[str | None]
    sound: Mapped[bytes | None] = mapped_column(deferred=True)


def of_class(session: Session, class_id: int) -> list[PromptRecord]:
    """All prompts of a class, by their texts, without their sounds."""
    rows = session.execute(
        select(Prompt.id, Prompt.text, Prompt.tile, Prompt.sound.is_not(None))
        .where(Prompt.class_id == class_id)
        .order_by(Prompt.text)
    )
    return [PromptRecord(id, text, tile, has_sound) for id, text, tile, has_sound in rows]


def sound_of(session: Session, class_id: int, text: str) -> bytes:
    """The recording of a word or letter; raises NotInRecordError."""
    row = _find(session, class_id, text)
    if row is None or row.sound is None:
        raise NotInRecordError(f'nobody has said "{text}" yet; record it in Plan, Words')
    return row.sound


MOST_SOUNDS, MOST_SOUND_BYTES = 500, 50_000_000
"""Of a class: each word of a year, and as much as they take at 100 KB each."""


class TooManySoundsError(FirstLoopError):
    """A class with more recordings than it could use."""


def set_sound(session: Session, class_id: int, text: str, sound: bytes | None) -> None:
    """Keeps a recording in place of an earlier one; None deletes it. Raises TooManySoundsError."""
    if sound is not None:
        _require_room(session, class_id, text, len(sound))
    row = _find(session, class_id, text) or Prompt(class_id=class_id, text=text, tile=None)
    row.sound = sound
    _keep(session, row)


def set_tile(session: Session, class_id: int, text: str, tile: str | None) -> None:
    """Keeps a picture in place of an earlier one; None takes it away."""
    row = _find(session, class_id, text) or Prompt(class_id=class_id, text=text, sound=None)
    row.tile = tile
    _keep(session, row)


def _require_room(session: Session, class_id: int, text: str, size: int) -> None:
    others = select(func.count(), func.coalesce(func.sum(func.length(Prompt.sound)), 0)).where(
        Prompt.class_id == class_id, Prompt.text != text, Prompt.sound.is_not(None)
    )
    count, taken = session.execute(others).one()
    if count >= MOST_SOUNDS or taken + size > MOST_SOUND_BYTES:
        raise TooManySoundsError(
            f"the class has {count} recordings of {taken // 1_000_000} MB, and more do not fit; "
            "delete some of old words, in Plan, Said and shown"
        )


def _keep(session: Session, row: Prompt) -> None:
    """A row of nothing is none."""
    if row.tile is None and row.sound is None:
        if row.id is not None:
            session.delete(row)
    else:
        session.add(row)
    session.flush()


def _find(session: Session, class_id: int, text: str) -> Prompt | None:
    return session.scalar(select(Prompt).where(Prompt.class_id == class_id, Prompt.text == text))
