"""What does not change while a class writes as it does, worked out before anybody waits for it."""

import gc
from datetime import datetime

from firstloop.core.checking.check import prepare as prepare_checks
from firstloop.core.teaching.schemes import BUILT_IN
from firstloop.services import lessons
from firstloop.store import classes
from firstloop.store.database import Database


def prepare(record: Database, now: datetime) -> None:
    """Works out the orders of letters and all that checks of them need, in every class's
    hand, and asks once for what the first page asks."""
    with record.session() as session:
        found = classes.every(session)
    for school_class in found:
        for build in BUILT_IN.values():
            build(school_class.hand, school_class.customs.largest_family)
        prepare_checks(school_class.style)
        lessons.today(record, school_class, now)
    # What has been worked out stays. Going through all of it again and again for what could be
    # thrown away would take a tenth of a second, in the middle of somebody's request.
    gc.collect()
    gc.freeze()
