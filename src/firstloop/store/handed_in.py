"""What was handed in, by the id that its sender gave it: sent twice, it is kept once. Of a lesson's
pads it also holds which task it was for."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any
from uuid import UUID

from sqlalchemy import (
    JSON,
    ForeignKey,
    Index,
    Row,
    Text,
    bindparam,
    func,
    insert,
    or_,
    select,
    type_coerce,
    update,
)
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.teaching.pad_tasks import Key
from firstloop.formats.ink_json import small_picture, strokes_of
from firstloop.store import pad_loads
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.pupils import Pupil
from firstloop.store.records import NotInRecordError


class HandedIn(Base):
    """A sender's id, a digest of what came with it, and the attempt or the text that it is kept as;
    what was struck through is kept here alone, with its ink, for nobody judges it. From a pad: of
    which lesson and task, the pad's own time and the server's, whether it is the child's best. A
    small picture, for who looks on.

    It stays when that is taken back, so that it is not kept again; it goes with its child."""

    __tablename__ = "handed_in"
    __table_args__ = (Index("ix_handed_in_lesson_id_pupil_id", "lesson_id", "pupil_id"),)

    id: Mapped[str] = mapped_column(primary_key=True)
    pupil_id: Mapped[int] = mapped_column(ForeignKey("pupil.id", ondelete="CASCADE"), index=True)
    digest: Mapped[str]
    attempt_id: Mapped[int | None] = mapped_column(
        ForeignKey("attempt.id", ondelete="SET NULL"), index=True
    )
    text_id: Mapped[int | None] = mapped_column(
        ForeignKey("written_text.id", ondelete="SET NULL"), index=True
    )
    lesson_id: Mapped[int | None] = mapped_column(ForeignKey("lesson.id", ondelete="SET NULL"))
    kind: Mapped[str | None]
    target: Mapped[str | None]
    help: Mapped[str | None]
    written_at: Mapped[datetime | None] = mapped_column(UtcDateTime)
    came_at: Mapped[datetime | None] = mapped_column(UtcDateTime)
    is_best: Mapped[bool] = mapped_column(server_default="0")
    is_struck: Mapped[bool] = mapped_column(server_default="0")
    picture: Mapped[list[list[list[float]]]] = mapped_column(JSON, server_default="[]")
    struck: Mapped[list[dict[str, Any]] | None] = mapped_column(
        JSON(none_as_null=True), deferred=True
    )


class AnotherCameFirstError(FirstLoopError):
    """Something else came with the same id."""


class TakenBackError(FirstLoopError):
    """It came before, and was taken back since."""


@dataclass(frozen=True, slots=True)
class PadWork:
    """Of which lesson and task something is that a pad hands in, by the pad's own clock and by
    ours; and which pad, in by which code."""

    lesson_id: int
    task: Key
    written_at: datetime
    came_at: datetime
    pad_id: int
    code_id: int


@dataclass(frozen=True, slots=True)
class Delivery:
    """What a sender says of something handed in: its id, and a digest of all that came with it;
    from a pad also what it was for."""

    id: UUID
    digest: str
    work: PadWork | None = None


@dataclass(frozen=True, slots=True)
class KeptAs:
    """As what something is kept: an attempt, a text, or struck through, by itself."""

    attempt_id: int | None
    text_id: int | None
    is_struck: bool

    @property
    def id(self) -> int:
        """The attempt or text; raises TakenBackError where it is neither."""
        found = self.attempt_id or self.text_id
        if found is None:
            raise TakenBackError("this was struck through; it is kept as that and not checked")
        return found


@dataclass(frozen=True, slots=True, eq=False)
class Work:
    """Something a child handed in: its id, its task and when it came where a pad handed it in for a
    lesson, what it is kept as, whether it was struck through, and how it looks: strokes of places
    in u, as JSON."""

    id: str
    pupil_id: int
    task: Key | None
    came_at: datetime | None
    attempt_id: int | None
    text_id: int | None
    is_best: bool
    is_struck: bool
    picture: str


_FIND = select(HandedIn.digest, HandedIn.attempt_id, HandedIn.text_id, HandedIn.is_struck).where(
    HandedIn.id == bindparam("sent_as")
)
_ADD = insert(HandedIn)
_IS_THERE = or_(HandedIn.attempt_id.is_not(None), HandedIn.text_id.is_not(None), HandedIn.is_struck)
_COUNTED = (
    select(HandedIn.pupil_id, HandedIn.kind, HandedIn.target, HandedIn.help, func.count())
    .where(_IS_THERE, ~HandedIn.is_struck)
    .group_by(HandedIn.pupil_id, HandedIn.kind, HandedIn.target, HandedIn.help)
)
_IN_LESSONS = HandedIn.lesson_id.in_(bindparam("lessons", expanding=True))
_COUNTS_OF_ALL = _COUNTED.where(_IN_LESSONS)
_COUNTS = _COUNTED.where(
    HandedIn.lesson_id == bindparam("lesson"), HandedIn.pupil_id == bindparam("pupil")
)
_WORK = select(
    HandedIn.id,
    HandedIn.pupil_id,
    HandedIn.kind,
    HandedIn.target,
    HandedIn.help,
    HandedIn.came_at,
    HandedIn.attempt_id,
    HandedIn.text_id,
    HandedIn.is_best,
    HandedIn.is_struck,
    type_coerce(HandedIn.picture, Text).label("picture"),
).where(_IS_THERE)
_IN_ORDER = (HandedIn.came_at, HandedIn.written_at, HandedIn.id)
_OF_ONE = _WORK.where(
    HandedIn.lesson_id == bindparam("lesson"), HandedIn.pupil_id == bindparam("pupil")
).order_by(*_IN_ORDER)
_LATEST_FIRST = func.row_number().over(
    partition_by=HandedIn.pupil_id, order_by=[one.desc() for one in _IN_ORDER]
)
_PLACES = select(HandedIn.id, _LATEST_FIRST.label("place")).where(_IN_LESSONS, _IS_THERE).subquery()
_NEWEST = (
    _WORK.join(_PLACES, _PLACES.c.id == HandedIn.id)
    .where(_PLACES.c.place <= bindparam("most"))
    .order_by(HandedIn.pupil_id, *_IN_ORDER)
)
_BY_ID = _WORK.where(HandedIn.id == bindparam("sent_as"))


_FURTHEST_AHEAD = (
    select(HandedIn.written_at, HandedIn.came_at)
    .where(
        HandedIn.lesson_id == bindparam("lesson"),
        HandedIn.pupil_id == bindparam("pupil"),
        HandedIn.written_at.is_not(None),
        HandedIn.came_at.is_not(None),
    )
    .order_by((func.julianday(HandedIn.written_at) - func.julianday(HandedIn.came_at)).desc())
    .limit(1)
)


def kept_as(session: Session, delivery: Delivery) -> KeptAs | None:
    """What came first with the sender's id; None where nothing did. Raises AnotherCameFirstError
    where that was something else, TakenBackError where it is gone."""
    row = session.connection().execute(_FIND, {"sent_as": str(delivery.id)}).first()
    if row is None:
        return None
    if row.digest != delivery.digest:
        raise AnotherCameFirstError(
            f"something else was handed in as {delivery.id}; give each thing an id of its own"
        )
    kept = KeptAs(row.attempt_id, row.text_id, row.is_struck)
    if kept == KeptAs(None, None, is_struck=False):
        raise TakenBackError(
            f"what was handed in as {delivery.id} was taken back; it is not kept again"
        )
    return kept


def add(
    session: Session,
    delivery: Delivery,
    pupil_id: int,
    ink: Ink,
    *,
    attempt_id: int | None = None,
    text_id: int | None = None,
) -> None:
    """Keeps that something came, and what it is kept as: neither, where it was struck through."""
    is_struck = attempt_id is None and text_id is None
    work = delivery.work
    kind, target, help = work.task if work else (None, None, None)
    row = {
        "id": str(delivery.id),
        "pupil_id": pupil_id,
        "digest": delivery.digest,
        "attempt_id": attempt_id,
        "text_id": text_id,
        "lesson_id": work.lesson_id if work else None,
        "kind": kind,
        "target": target,
        "help": help,
        "written_at": work.written_at if work else None,
        "came_at": work.came_at if work else None,
        "is_struck": is_struck,
        "picture": small_picture(ink),
        "struck": strokes_of(ink) if is_struck else None,
    }
    session.connection().execute(_ADD, row)
    if work:
        points = sum(len(stroke.points) for stroke in ink.strokes)
        pad_loads.add(session, work.pad_id, work.code_id, points)


def counts(session: Session, lesson_id: int, pupil_id: int) -> dict[Key, int]:
    """How many of each task of a lesson a child has written, without what was struck through."""
    rows = session.connection().execute(_COUNTS, {"lesson": lesson_id, "pupil": pupil_id})
    return _counts(rows).get(pupil_id, {})


def counts_of_all(session: Session, lesson_ids: Sequence[int]) -> dict[int, dict[Key, int]]:
    """How many of each task of some lessons each child has written, by child."""
    return _counts(session.connection().execute(_COUNTS_OF_ALL, {"lessons": lesson_ids}))


def _counts(rows: Iterable[Row[*tuple[Any, ...]]]) -> dict[int, dict[Key, int]]:
    found: dict[int, dict[Key, int]] = {}
    for pupil_id, kind, target, help, count in rows:
        if kind is not None and target is not None and help is not None:
            found.setdefault(pupil_id, {})[Kind(kind), target, Help(help)] = count
    return found


def clock_ahead(session: Session, lesson_id: int | None, pupil_id: int) -> timedelta:
    """By how much a child's pad ran ahead in a lesson, as far as that is known: what it handed in
    was written, by its clock, after it came. Zero for one that runs right or behind, whose letters
    are none the later for it.

    The least that explains it: on its way a letter grows old, never young.
    """
    asked = {"lesson": lesson_id, "pupil": pupil_id}
    row = session.connection().execute(_FURTHEST_AHEAD, asked).first()
    return timedelta(0) if row is None else max(timedelta(0), row.written_at - row.came_at)


def of_child(session: Session, lesson_id: int, pupil_id: int) -> list[Work]:
    """What a child handed in on pads in a lesson, the oldest first."""
    asked = {"lesson": lesson_id, "pupil": pupil_id}
    return [_work(row) for row in session.connection().execute(_OF_ONE, asked)]


def newest(session: Session, lesson_ids: Sequence[int], most: int) -> dict[int, list[Work]]:
    """The newest things that each child handed in on pads in some lessons, so many at most, the
    oldest of them first; by child."""
    found: dict[int, list[Work]] = {}
    for row in session.connection().execute(_NEWEST, {"lessons": lesson_ids, "most": most}):
        found.setdefault(row.pupil_id, []).append(_work(row))
    return found


def find(session: Session, sent_as: str) -> Work | None:
    """What was handed in by an id, if it is still there."""
    row = session.connection().execute(_BY_ID, {"sent_as": sent_as}).first()
    return None if row is None else _work(row)


def set_best(session: Session, lesson_id: int, pupil_id: int, sent_as: str) -> None:
    """A child chose its best letter of a kind, in place of another that it had chosen; raises
    NotInRecordError for what is not its own of this lesson."""
    chosen = session.get(HandedIn, sent_as)
    if (
        chosen is None
        or (chosen.lesson_id, chosen.pupil_id) != (lesson_id, pupil_id)
        or chosen.is_struck
    ):
        raise NotInRecordError("there is no such letter to choose; choose one of your own")
    rows = select(HandedIn).where(
        HandedIn.lesson_id == lesson_id,
        HandedIn.pupil_id == pupil_id,
        HandedIn.target == chosen.target,
    )
    for row in session.scalars(rows):
        row.is_best = row.id == sent_as
    session.flush()


def chosen_on_paper(session: Session, class_id: int, sent_as: Iterable[UUID]) -> None:
    """What a child of the class ringed or ticked on its sheet is its choice, be it several."""
    of_the_class = select(Pupil.id).where(Pupil.class_id == class_id)
    session.execute(
        update(HandedIn)
        .where(HandedIn.id.in_([str(one) for one in sent_as]), HandedIn.pupil_id.in_(of_the_class))
        .values(is_best=True)
    )


def _work(row: Row[*tuple[Any, ...]]) -> Work:
    task = None
    if row.kind is not None and row.target is not None and row.help is not None:
        task = (Kind(row.kind), row.target, Help(row.help))
    return Work(
        id=row.id,
        pupil_id=row.pupil_id,
        task=task,
        came_at=row.came_at,
        attempt_id=row.attempt_id,
        text_id=row.text_id,
        is_best=row.is_best,
        is_struck=row.is_struck,
        picture=row.picture,
    )
