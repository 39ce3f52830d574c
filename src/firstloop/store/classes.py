"""Classes and children in and out of the record."""

from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from firstloop.core.ruling import Ruling
from firstloop.core.style import Style
from firstloop.store.models import Pupil, SchoolClass
from firstloop.store.records import ClassRecord, Handedness, NotInRecordError, PupilRecord


def add(
    session: Session,
    name: str,
    *,
    style: Style,
    ruling: Ruling,
    x_height_mm: float,
    pupils: list[tuple[str, Handedness]],
) -> ClassRecord:
    """Keeps a new class with its children."""
    row = SchoolClass(
        name=name,
        **_style_columns(style),
        ruling_top=ruling.top,
        ruling_drop=ruling.drop,
        x_height_mm=x_height_mm,
        pupils=[Pupil(name=name, handedness=handedness) for name, handedness in pupils],
    )
    session.add(row)
    session.flush()
    return _record(row)


def first(session: Session) -> ClassRecord:
    """The class of this school; raises NotInRecordError while there is none."""
    row = session.scalar(select(SchoolClass).order_by(SchoolClass.id))
    if row is None:
        raise NotInRecordError('there is no class yet; "firstloop demo" makes one up')
    return _record(row)


def set_style(session: Session, class_id: int, style: Style) -> ClassRecord:
    """Sets how the class writes from now on; what was written before stays as it was checked."""
    row = session.get_one(SchoolClass, class_id)
    for name, value in _style_columns(style).items():
        setattr(row, name, value)
    session.flush()
    return _record(row)


def pupil(session: Session, pupil_id: int) -> PupilRecord:
    """One child; raises NotInRecordError."""
    return _pupil(_pupil_row(session, pupil_id))


def remove_pupil(session: Session, pupil_id: int) -> None:
    """Deletes a child and all that they wrote."""
    session.delete(_pupil_row(session, pupil_id))


def _pupil_row(session: Session, pupil_id: int) -> Pupil:
    row = session.get(Pupil, pupil_id)
    if row is None:
        raise NotInRecordError(f"there is no pupil {pupil_id} in the record")
    return row


def _style_columns(style: Style) -> dict[str, Any]:
    return {
        "hand": style.hand,
        "choices": dict(style.choices),
        "slant_deg": style.slant_deg,
        "width": style.width,
        "branch": style.branch,
    }


def _record(row: SchoolClass) -> ClassRecord:
    return ClassRecord(
        id=row.id,
        name=row.name,
        style=Style(
            row.hand, tuple(sorted(row.choices.items())), row.slant_deg, row.width, row.branch
        ),
        ruling=Ruling(row.ruling_top, row.ruling_drop),
        x_height_mm=row.x_height_mm,
        pupils=tuple(_pupil(pupil) for pupil in sorted(row.pupils, key=lambda p: p.name)),
    )


def _pupil(row: Pupil) -> PupilRecord:
    return PupilRecord(row.id, row.name, Handedness(row.handedness))
