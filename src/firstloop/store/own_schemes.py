"""The teacher's own schemes of families, and which scheme the class follows."""

from sqlalchemy import select
from sqlalchemy.orm import Session

from firstloop.core import packages
from firstloop.core.families import Scheme
from firstloop.core.letterforms import Hand
from firstloop.core.schemes import BUILT_IN
from firstloop.store.models import OwnScheme, SchoolClass
from firstloop.store.records import NotInRecordError


def names(session: Session, class_id: int) -> list[tuple[str, str]]:
    """Key and name of each scheme of the teacher's own, the oldest first."""
    rows = select(OwnScheme).where(OwnScheme.class_id == class_id).order_by(OwnScheme.id)
    return [(str(row.id), row.data["name"]) for row in session.scalars(rows)]


def find(session: Session, class_id: int, key: str, hand: Hand) -> Scheme:
    """A scheme, built in or own, for a hand; raises NotInRecordError."""
    if key in BUILT_IN:
        return BUILT_IN[key](hand)
    return packages.scheme_from(_row(session, class_id, key).data)


def add(session: Session, class_id: int, scheme: Scheme) -> str:
    """Keeps a new scheme; its key."""
    row = OwnScheme(class_id=class_id, data=packages.scheme_data(scheme))
    session.add(row)
    session.flush()
    return str(row.id)


def change(session: Session, class_id: int, key: str, scheme: Scheme) -> None:
    """Keeps a scheme in place of what it was; raises NotInRecordError."""
    _row(session, class_id, key).data = packages.scheme_data(scheme)
    session.flush()


def remove(session: Session, class_id: int, key: str) -> None:
    """Forgets a scheme; a class that followed it follows the movements again."""
    session.delete(_row(session, class_id, key))
    school_class = session.get_one(SchoolClass, class_id)
    if school_class.scheme == key:
        school_class.scheme = "movement"
    session.flush()


def follow(session: Session, class_id: int, key: str) -> None:
    """Makes a scheme the one that the class is taught by; raises NotInRecordError."""
    if key not in BUILT_IN:
        _row(session, class_id, key)
    session.get_one(SchoolClass, class_id).scheme = key
    session.flush()


def _row(session: Session, class_id: int, key: str) -> OwnScheme:
    row = session.get(OwnScheme, int(key)) if key.isdecimal() else None
    if row is None or row.class_id != class_id:
        raise NotInRecordError(f'there is no scheme "{key}" in the record')
    return row
