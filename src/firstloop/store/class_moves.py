"""What changes class: a new class that begins where another is, children who move with all that
they wrote."""

from sqlalchemy import ColumnElement, FromClause, Table, insert, literal, select, update
from sqlalchemy.orm import Session

from firstloop.store import practice_days, pupils
from firstloop.store.attempts import Attempt
from firstloop.store.classes import SchoolClass
from firstloop.store.judged_hands import JudgedHand
from firstloop.store.own_hands import OwnHand
from firstloop.store.own_phrases import OwnPhrase
from firstloop.store.own_schemes import OwnScheme
from firstloop.store.own_vocabulary import OwnWord
from firstloop.store.records import NotInRecordError
from firstloop.store.taught_joins import TaughtJoin
from firstloop.store.taught_letters import TaughtLetter
from firstloop.store.taught_words import TaughtWord
from firstloop.store.texts import WrittenText

COMES_ALONG = (OwnHand, OwnPhrase, OwnWord, TaughtJoin, TaughtLetter, TaughtWord)
"""What a new class has from the one it begins from, besides its settings and its scheme: whatever
it has of its own, and what it has been taught. Lessons, letters and recordings stay."""


def copy(session: Session, class_id: int, name: str) -> int:
    """A class without children that writes and is taught as another is; its id."""
    other: dict[str, object] = {"name": name, "is_made_up": False}
    made = _copied(session, SchoolClass.__table__, SchoolClass.id == class_id, other)
    if not made:
        raise NotInRecordError(f"there is no class {class_id} in the record")
    made_id = made[0]
    for model in COMES_ALONG:
        _copied(session, model.__table__, model.class_id == class_id, {"class_id": made_id})
    _copy_schemes(session, class_id, made_id)
    return made_id


def _copy_schemes(session: Session, class_id: int, made_id: int) -> None:
    """A class's scheme is named by its row, which is another in the copy."""
    row = session.get_one(SchoolClass, made_id)
    old = session.scalars(select(OwnScheme.id).where(OwnScheme.class_id == class_id)).all()
    for scheme_id in old:
        is_this = OwnScheme.id == scheme_id
        (copied,) = _copied(session, OwnScheme.__table__, is_this, {"class_id": made_id})
        if row.scheme == str(scheme_id):
            row.scheme = str(copied)
    session.flush()


def _copied(
    session: Session, table: FromClause, which: ColumnElement[bool], other: dict[str, object]
) -> list[int]:
    """Copies rows of a table with some columns otherwise; their new ids, where they have any."""
    assert isinstance(table, Table)
    names = [column.name for column in table.columns if column.name != "id"]
    source = select(
        *(literal(other[name]) if name in other else table.c[name] for name in names)
    ).where(which)
    copied = insert(table).from_select(names, source)
    if "id" not in table.columns:
        session.execute(copied)
        return []
    return list(session.scalars(copied.returning(table.c.id)))


def move_pupil(session: Session, class_id: int, pupil_id: int, to_class_id: int) -> None:
    """Moves a child with all that they wrote; raises NotInRecordError and NameTakenError."""
    pupils.get(session, class_id, pupil_id)
    practice_days.without_pupil(session, class_id, pupil_id)
    pupils.move(session, class_id, pupil_id, to_class_id)
    practice_days.with_pupil(session, to_class_id, pupil_id)
    _take_hands_along(session, pupil_id, to_class_id)


def _take_hands_along(session: Session, pupil_id: int, to_class_id: int) -> None:
    """The hands that the child's letters were judged by are the new class's own."""
    for model in (Attempt, WrittenText):
        of_child = model.pupil_id == pupil_id
        used = select(JudgedHand.id, JudgedHand.style).where(
            JudgedHand.id.in_(select(model.hand_id).where(of_child))
        )
        for old_id, style in session.execute(used).all():
            there = (JudgedHand.class_id == to_class_id) & (JudgedHand.style == style)
            new_id = session.scalar(select(JudgedHand.id).where(there))
            if new_id is None:
                row = JudgedHand(class_id=to_class_id, style=style)
                session.add(row)
                session.flush()
                new_id = row.id
            session.execute(
                update(model).where(of_child, model.hand_id == old_id).values(hand_id=new_id)
            )
