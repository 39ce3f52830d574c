"""What does not change while a class writes as it does, worked out before anybody waits for it."""

from firstloop.core.checking.check import prepare as prepare_checks
from firstloop.core.teaching.schemes import BUILT_IN
from firstloop.store import classes
from firstloop.store.database import Database
from firstloop.store.records import NotInRecordError


def prepare(record: Database) -> None:
    """Works out the orders of letters and all that checks of them need, in the class's hand."""
    try:
        with record.session() as session:
            school_class = classes.first(session)
    except NotInRecordError:
        return
    for build in BUILT_IN.values():
        build(school_class.hand)
    prepare_checks(school_class.style)
