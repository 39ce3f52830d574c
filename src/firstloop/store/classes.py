"""Classes in and out of the record: how each writes, on which lines, by which order."""

from dataclasses import asdict
from typing import Any

from sqlalchemy import JSON, Row, bindparam, delete, false
from sqlalchemy.orm import Mapped, Session, mapped_column, relationship

from firstloop.core.contract import Stage
from firstloop.core.evidence.task import Handedness
from firstloop.core.letters.ruling import Line, LineLook, Ruling, RulingKind
from firstloop.core.letters.style import PROPORTIONS, Style
from firstloop.core.teaching.customs import Called, Customs, OwnAmount
from firstloop.core.teaching.roster import Presence
from firstloop.core.teaching.steps import SlipsAt
from firstloop.core.vocabulary.language import Language, Variety
from firstloop.store import news, own_hands, own_phrases, pupils
from firstloop.store.base import Base
from firstloop.store.pupils import Pupil
from firstloop.store.records import ClassRecord, NotInRecordError


class SchoolClass(Base):
    """A class with its style of writing, its ruling and its scheme of families.

    Null proportions are the hand's own; `scheme` is the key of a built-in one, or the id of one of
    the school's own; `stage` says by which limits letters are checked. `language` holds what is not
    as usual in dates and words, `ruling_looks` and `line_names` what is not in lines, `customs`
    what is not in lessons; `joining` is a plan of its own from print to joined.
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
    ruling_looks: Mapped[dict[str, str]] = mapped_column(JSON, server_default="{}")
    line_names: Mapped[dict[str, str]] = mapped_column(JSON, server_default="{}")
    x_height_mm: Mapped[float]
    scheme: Mapped[str] = mapped_column(server_default="movement")
    stage: Mapped[str] = mapped_column(server_default="developing")
    language: Mapped[dict[str, Any]] = mapped_column(JSON, server_default="{}")
    lesson_minutes: Mapped[int] = mapped_column(server_default="20")
    customs: Mapped[dict[str, Any]] = mapped_column(JSON, server_default="{}")
    joining: Mapped[list[list[str]] | None] = mapped_column(JSON(none_as_null=True))
    is_made_up: Mapped[bool] = mapped_column(server_default=false())
    pupils: Mapped[list[Pupil]] = relationship(cascade="all, delete-orphan", order_by="Pupil.name")


_Row = SchoolClass | Row[Any]
"""A class as the mapper knows it, or as it lies in the table."""


def add(
    session: Session,
    name: str,
    *,
    style: Style,
    ruling: Ruling,
    x_height_mm: float,
    children: list[tuple[str, Handedness]],
) -> ClassRecord:
    """Keeps a new class with its children."""
    row = SchoolClass(
        name=name,
        **_style_columns(style),
        **_ruling_columns(ruling),
        x_height_mm=x_height_mm,
        pupils=[
            Pupil(name=name, handedness=handedness.value, presence=Presence.HERE.value)
            for name, handedness in children
        ],
    )
    session.add(row)
    session.flush()
    return _record(session, row)


# Every request reads its class: past the mapper, by statements that are built once.
_ALL = SchoolClass.__table__.select().order_by(SchoolClass.id)
_ONE = _ALL.where(SchoolClass.id == bindparam("class_id"))


def get(session: Session, class_id: int) -> ClassRecord:
    """One class; raises NotInRecordError."""
    row = session.connection().execute(_ONE, {"class_id": class_id}).first()
    if row is None:
        raise NotInRecordError(f"there is no class {class_id} in the record")
    return _record(session, row)


def every(session: Session) -> list[ClassRecord]:
    """All classes of all teachers, the oldest first: for what is done with a record as a whole."""
    return [_record(session, row) for row in session.connection().execute(_ALL).all()]


def rename(session: Session, class_id: int, name: str) -> None:
    """Calls a class otherwise."""
    session.get_one(SchoolClass, class_id).name = name
    session.flush()


def set_made_up(session: Session, class_id: int) -> None:
    """Marks a class as made up."""
    session.get_one(SchoolClass, class_id).is_made_up = True
    session.flush()


def remove(session: Session, class_id: int) -> None:
    """Deletes a class, its children and all that they wrote."""
    for are_pads in (False, True):
        news.happened(session, (class_id, are_pads))
    session.execute(delete(SchoolClass).where(SchoolClass.id == class_id))


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


def set_scheme(session: Session, class_id: int, key: str) -> None:
    """Sets the order that the class is taught by."""
    session.get_one(SchoolClass, class_id).scheme = key
    session.flush()


def set_language(session: Session, class_id: int, language: Language, minutes: int) -> None:
    """Sets how the class writes dates and calls its stops, and how long its lessons are."""
    row = session.get_one(SchoolClass, class_id)
    row.language = asdict(language)
    row.lesson_minutes = minutes
    session.flush()


def set_customs(session: Session, class_id: int, customs: Customs) -> None:
    """Sets what the class does in its own way in lessons."""
    session.get_one(SchoolClass, class_id).customs = asdict(customs)
    session.flush()


def set_joining(session: Session, class_id: int, stages: list[list[str]] | None) -> None:
    """Sets by which stages the class comes from print to joined; None: as they are computed."""
    session.get_one(SchoolClass, class_id).joining = stages
    session.flush()


def _customs(data: dict[str, Any]) -> Customs:
    """Customs as the record keeps them; what is not there is as usual."""
    own, slips = data.get("own", OwnAmount.FEW), data.get("slips", SlipsAt.AFTER)
    called = Called(data.get("called", Called.NAME))
    return Customs(**{**data, "own": OwnAmount(own), "slips": SlipsAt(slips), "called": called})


def _ruling(row: _Row) -> Ruling:
    looks = tuple((Line(line), LineLook(look)) for line, look in row.ruling_looks.items())
    names = tuple((Line(line), name) for line, name in row.line_names.items())
    return Ruling(row.ruling_top, row.ruling_drop, RulingKind(row.ruling_kind), looks, names)


def _language(data: dict[str, Any]) -> Language:
    """A language as the record keeps it; what is not there is as usual."""
    return Language(**{**data, "variety": Variety(data.get("variety", Variety.BRITISH))})


def _style_columns(style: Style) -> dict[str, Any]:
    return {"hand": style.hand, "choices": dict(style.choices)} | style.proportions


def _ruling_columns(ruling: Ruling) -> dict[str, Any]:
    return {
        "ruling_top": ruling.top,
        "ruling_drop": ruling.drop,
        "ruling_kind": ruling.kind.value,
        "ruling_looks": {line.value: look.value for line, look in ruling.looks},
        "line_names": {line.value: name for line, name in ruling.names},
    }


def _record(session: Session, row: _Row) -> ClassRecord:
    proportions = {name: getattr(row, name) for name in PROPORTIONS}
    own = own_hands.find(session, row.id, row.hand)
    style = Style.of(row.hand, row.choices, proportions, own)
    return ClassRecord(
        id=row.id,
        name=row.name,
        style=style,
        ruling=_ruling(row),
        x_height_mm=row.x_height_mm,
        wording=own_phrases.find(session, row.id, style.hand),
        scheme=row.scheme,
        stage=Stage(row.stage),
        language=_language(row.language),
        lesson_minutes=row.lesson_minutes,
        customs=_customs(row.customs),
        joining=None if row.joining is None else tuple(map(tuple, row.joining)),
        pupils=pupils.of_class(session, row.id),
        is_made_up=bool(row.is_made_up),
    )
