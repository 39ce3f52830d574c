"""The tables. Ink is kept whole, so that an attempt can be checked again by a later checker."""

from datetime import UTC, date, datetime
from typing import Any

from sqlalchemy import JSON, CheckConstraint, ForeignKey, Index, MetaData, UniqueConstraint
from sqlalchemy.engine import Dialect
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship
from sqlalchemy.types import DateTime, TypeDecorator


class Base(DeclarativeBase):
    """All tables; constraints have names, so that migrations can speak of them."""

    metadata = MetaData(
        naming_convention={
            "ix": "ix_%(table_name)s_%(column_0_name)s",
            "uq": "uq_%(table_name)s_%(column_0_name)s",
            "ck": "ck_%(table_name)s_%(constraint_name)s",
            "fk": "fk_%(table_name)s_%(column_0_name)s",
            "pk": "pk_%(table_name)s",
        }
    )


class UtcDateTime(TypeDecorator[datetime]):
    """A moment in UTC: SQLite keeps no zone, so it is fixed here."""

    impl = DateTime
    cache_ok = True

    def process_bind_param(self, value: datetime | None, dialect: Dialect) -> datetime | None:
        """To the table: UTC, without its zone."""
        del dialect
        return None if value is None else value.astimezone(UTC).replace(tzinfo=None)

    def process_result_value(self, value: datetime | None, dialect: Dialect) -> datetime | None:
        """From the table: UTC, with its zone."""
        del dialect
        return None if value is None else value.replace(tzinfo=UTC)


class SchoolClass(Base):
    """A class with its style of writing, its ruling and its scheme of families.

    Null proportions are the hand's own; `scheme` is the key of a built-in one, or the id of one of
    the school's own; `stage` says by which limits letters are checked. `language` holds what is not
    as usual in dates and words.
    """

    __tablename__ = "school_class"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    hand: Mapped[str]
    choices: Mapped[dict[str, str]] = mapped_column(JSON, server_default="{}")
    slant_deg: Mapped[float | None]
    width: Mapped[float | None]
    branch: Mapped[float | None]
    exit: Mapped[float | None]
    ruling_top: Mapped[float]
    ruling_drop: Mapped[float]
    ruling_kind: Mapped[str] = mapped_column(server_default="four")
    x_height_mm: Mapped[float]
    scheme: Mapped[str] = mapped_column(server_default="movement")
    stage: Mapped[str] = mapped_column(server_default="developing")
    language: Mapped[dict[str, Any]] = mapped_column(JSON, server_default="{}")
    lesson_minutes: Mapped[int] = mapped_column(server_default="20")
    pupils: Mapped[list["Pupil"]] = relationship(
        back_populates="school_class", cascade="all, delete-orphan", order_by="Pupil.name"
    )


class OwnHand(Base):
    """A hand that the school has brought along: the text of its file."""

    __tablename__ = "own_hand"
    __table_args__ = (UniqueConstraint("class_id", "name"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    name: Mapped[str]
    package: Mapped[str]


class OwnScheme(Base):
    """A scheme of families that the teacher has made; `data` is what its file would hold."""

    __tablename__ = "own_scheme"

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), index=True
    )
    data: Mapped[dict[str, Any]] = mapped_column(JSON)


class OwnWords(Base):
    """The teacher's words for a move of a hand; without a letter, wherever it comes."""

    __tablename__ = "own_words"
    __table_args__ = (Index("ix_own_words_class_id_hand", "class_id", "hand"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    hand: Mapped[str]
    key: Mapped[str]
    letter: Mapped[str | None]
    stroke: Mapped[int | None]
    move: Mapped[int | None]
    words: Mapped[str]


class TaughtLetter(Base):
    """A letter that the class has been taught, and since when."""

    __tablename__ = "taught_letter"

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    letter: Mapped[str] = mapped_column(primary_key=True)
    since: Mapped[date]


class OwnWord(Base):
    """A word that the teacher has added, noted as words are."""

    __tablename__ = "own_word"

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    noted: Mapped[str] = mapped_column(primary_key=True)


class LessonRow(Base):
    """A lesson: what was planned, where the board is in it (`at`, the place of a step), when it was
    given, if it was, and what was written on the board, by kind of step."""

    __tablename__ = "lesson"
    __table_args__ = (Index("ix_lesson_class_id_day", "class_id", "day"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    day: Mapped[date]
    plan: Mapped[dict[str, Any]] = mapped_column(JSON)
    at: Mapped[int] = mapped_column(server_default="0")
    given_at: Mapped[datetime | None] = mapped_column(UtcDateTime)
    written: Mapped[dict[str, Any]] = mapped_column(JSON, server_default="{}")


class Pupil(Base):
    """A child. Deleting one deletes all that they wrote. A null stage is the class's."""

    __tablename__ = "pupil"
    __table_args__ = (
        UniqueConstraint("class_id", "name"),
        CheckConstraint("handedness IN ('left', 'right')", name="handedness"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    name: Mapped[str]
    handedness: Mapped[str]
    stage: Mapped[str | None]
    school_class: Mapped[SchoolClass] = relationship(back_populates="pupils")


class Attempt(Base):
    """One written letter: its ink, the ruling it stood on, and what the checker said of it."""

    __tablename__ = "attempt"
    __table_args__ = (
        Index("ix_attempt_letter_written_at", "letter", "written_at"),
        Index("ix_attempt_pupil_id_letter_written_at", "pupil_id", "letter", "written_at"),
    )

    id: Mapped[int] = mapped_column(primary_key=True)
    pupil_id: Mapped[int] = mapped_column(ForeignKey("pupil.id", ondelete="CASCADE"))
    letter: Mapped[str]
    hand: Mapped[str]
    stage: Mapped[str] = mapped_column(server_default="developing")
    ruling_top: Mapped[float]
    ruling_drop: Mapped[float]
    help: Mapped[str]
    written_at: Mapped[datetime] = mapped_column(UtcDateTime)
    ink: Mapped[list[dict[str, Any]]] = mapped_column(JSON)
    reads_as: Mapped[str]
    way: Mapped[str]
    direction: Mapped[str]
    size: Mapped[str]
    shape: Mapped[str]
    say: Mapped[str]
    checker: Mapped[str]
    pupil: Mapped[Pupil] = relationship()
    findings: Mapped[list["FindingRow"]] = relationship(
        cascade="all, delete-orphan", order_by="FindingRow.position"
    )
    judgement: Mapped["Judgement | None"] = relationship(cascade="all, delete-orphan")


class FindingRow(Base):
    """One finding of an attempt; `position` 0 is the most important."""

    __tablename__ = "finding"

    id: Mapped[int] = mapped_column(primary_key=True)
    attempt_id: Mapped[int] = mapped_column(
        ForeignKey("attempt.id", ondelete="CASCADE"), index=True
    )
    position: Mapped[int]
    code: Mapped[str] = mapped_column(index=True)
    severity: Mapped[str]
    stroke: Mapped[int]
    move: Mapped[int]
    measure: Mapped[float]
    limit: Mapped[float]
    unit: Mapped[str]
    note: Mapped[str]
    say: Mapped[str]
    other: Mapped[str | None]


class Judgement(Base):
    """The teacher's word on an attempt: all null and no note is plain agreement."""

    __tablename__ = "judgement"

    attempt_id: Mapped[int] = mapped_column(
        ForeignKey("attempt.id", ondelete="CASCADE"), primary_key=True
    )
    made_at: Mapped[datetime] = mapped_column(UtcDateTime)
    direction: Mapped[str | None]
    size: Mapped[str | None]
    shape: Mapped[str | None]
    note: Mapped[str]
