"""Schemes of families: those that are built in, computed for the class's hand, and her own."""

from firstloop.core.teaching.families import Scheme
from firstloop.core.teaching.schemes import BUILT_IN
from firstloop.store import classes, own_schemes
from firstloop.store.database import Database, Session
from firstloop.store.records import ClassRecord, NotInRecordError

USUAL = "movement"
"""What a class follows whose own scheme is gone."""


def find(session: Session, school_class: ClassRecord, key: str) -> Scheme:
    """A scheme, built in or own, for the class's hand; raises NotInRecordError."""
    if key in BUILT_IN:
        return BUILT_IN[key](school_class.hand, school_class.customs.largest_family)
    return own_schemes.get(session, school_class.id, key)


def bring(record: Database, class_id: int, scheme: Scheme) -> str:
    """Takes a scheme over that was brought along; its key."""
    with record.writing() as session:
        return own_schemes.add(session, class_id, scheme)


def copy(record: Database, school_class: ClassRecord, like: str, name: str) -> str:
    """A new scheme of the teacher's own that begins as another; its key."""
    with record.session() as session:
        families = find(session, school_class, like).families
    with record.writing() as session:
        return own_schemes.add(session, school_class.id, Scheme(name, families))


def change(record: Database, class_id: int, key: str, scheme: Scheme) -> None:
    """Keeps a scheme in place of what it was; raises NotInRecordError where it is not her own."""
    if key in BUILT_IN:
        raise NotInRecordError("a scheme that is built in stays as it is; copy it and change that")
    with record.writing() as session:
        own_schemes.change(session, class_id, key, scheme)


def remove(record: Database, school_class: ClassRecord, key: str) -> None:
    """Forgets a scheme; a class that followed it follows the movements again."""
    with record.writing() as session:
        own_schemes.remove(session, school_class.id, key)
        if classes.get(session, school_class.id).scheme == key:
            classes.set_scheme(session, school_class.id, USUAL)


def follow(record: Database, school_class: ClassRecord, key: str) -> None:
    """Makes a scheme the one that the class is taught by; raises NotInRecordError."""
    with record.writing() as session:
        if key not in BUILT_IN:
            own_schemes.get(session, school_class.id, key)
        classes.set_scheme(session, school_class.id, key)
