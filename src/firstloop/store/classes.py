"""Classes and children in and out of the record."""

from typing import Any

from sqlalchemy import select
from sqlalchemy.orm import Session

from firstloop.core.limits import Stage
from firstloop.core.ruling import Ruling, RulingKind
from firstloop.core.style import Style, hand_of
from firstloop.store import own_hands, own_words
from firstloop.store.lessons import language_from
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
        **_ruling_columns(ruling),
        x_height_mm=x_height_mm,
        pupils=[Pupil(name=name, handedness=handedness) for name, handedness in pupils],
    )
    session.add(row)
    session.flush()
    return _record(session, row)


def first(session: Session) -> ClassRecord:
    """The class of this school; raises NotInRecordError while there is none."""
    row = session.scalar(select(SchoolClass).order_by(SchoolClass.id))
    if row is None:
        raise NotInRecordError('there is no class yet; "firstloop demo" makes one up')
    return _record(session, row)


def set_style(
    session: Session, class_id: int, style: Style, ruling: Ruling, x_height_mm: float
) -> ClassRecord:
    """Sets how the class writes from now on; what was written before stays as it was checked."""
    row = session.get_one(SchoolClass, class_id)
    for name, value in (_style_columns(style) | _ruling_columns(ruling)).items():
        setattr(row, name, value)
    row.x_height_mm = x_height_mm
    session.flush()
    return _record(session, row)


def set_stage(session: Session, class_id: int, stage: Stage) -> ClassRecord:
    """Sets by which limits the class's letters are checked from now on."""
    row = session.get_one(SchoolClass, class_id)
    row.stage = stage
    session.flush()
    return _record(session, row)


def set_pupil_stage(session: Session, pupil_id: int, stage: Stage | None) -> PupilRecord:
    """Sets a child's own stage, or with None the class's again; raises NotInRecordError."""
    row = _pupil_row(session, pupil_id)
    row.stage = stage
    session.flush()
    return pupil_record(row)


def pupil(session: Session, pupil_id: int) -> PupilRecord:
    """One child; raises NotInRecordError."""
    return pupil_record(_pupil_row(session, pupil_id))


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
        "exit": style.exit,
    }


def _ruling_columns(ruling: Ruling) -> dict[str, Any]:
    return {
        "ruling_top": ruling.top,
        "ruling_drop": ruling.drop,
        "ruling_kind": ruling.kind.value,
    }


def _record(session: Session, row: SchoolClass) -> ClassRecord:
    style = Style(
        hand=row.hand,
        choices=tuple(sorted(row.choices.items())),
        slant_deg=row.slant_deg,
        width=row.width,
        branch=row.branch,
        exit=row.exit,
    )
    return ClassRecord(
        id=row.id,
        name=row.name,
        style=style,
        hand=hand_of(style, own_hands.find(session, row.id, style.hand)),
        ruling=Ruling(row.ruling_top, row.ruling_drop, RulingKind(row.ruling_kind)),
        x_height_mm=row.x_height_mm,
        wording=own_words.find(session, row.id, style.hand),
        scheme=row.scheme,
        stage=Stage(row.stage),
        language=language_from(row.language),
        lesson_minutes=row.lesson_minutes,
        pupils=tuple(pupil_record(pupil) for pupil in sorted(row.pupils, key=lambda p: p.name)),
    )


def pupil_record(row: Pupil) -> PupilRecord:
    """A row as what leaves the store."""
    stage = None if row.stage is None else Stage(row.stage)
    return PupilRecord(row.id, row.name, Handedness(row.handedness), stage)
