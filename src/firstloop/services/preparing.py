"""What does not change while a class writes as it does, worked out before anybody waits for it."""

import gc
import logging
import time
from collections.abc import Callable, Iterable, Iterator
from datetime import datetime
from itertools import takewhile

from firstloop.core.checking.check import prepare as prepare_checks
from firstloop.core.checking.check import prepared_for
from firstloop.core.geometry.compiled import as_they_stand
from firstloop.core.letters.style import Style
from firstloop.core.teaching.schemes import BUILT_IN
from firstloop.services import lessons
from firstloop.services.rechecking import judge_what_failed
from firstloop.store import classes, lesson_codes
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord

LOG = logging.getLogger(__name__)

QUIET_S = 0.5
"""Seconds after a start before anything is worked out aside: who waited is answered first."""

SHARE = 0.25
"""Of the time that it works: between two pieces, who asks meanwhile has the machine for himself."""


def prepare(record: Database, now: datetime) -> None:
    """Works out the orders of letters and all that checks of them need, in every class's
    hand, and asks once for what the first page asks."""
    for school_class in _classes(record):
        prepare_checks(school_class.style)
        for piece in _of(record, school_class, now):
            piece()
    _put_by()


def prepare_aside(
    record: Database,
    now: datetime,
    besides: Iterable[Callable[[], object]],
    is_elsewhere: Callable[[], bool],
) -> None:
    """The same, piece by piece beside a server that answers already, without loading machine code:
    a server that nobody asks needs little memory. `besides` is the server's own; nothing is worked
    out for checks once they are done elsewhere. What an earlier checker failed on is judged as
    well."""
    time.sleep(QUIET_S)
    try:
        with as_they_stand():
            _in_shares(besides)
            for school_class in _classes(record):
                _in_shares(_of(record, school_class, now))
                needed = prepared_for(school_class.style)
                _in_shares(takewhile(lambda _: not is_elsewhere(), needed))
        judge_what_failed(record)
    except (
        Exception
    ):  # the server goes on: what was not prepared is worked out when it is asked for
        LOG.exception("not all could be prepared")
    _put_by()


def _in_shares(pieces: Iterable[Callable[[], object]]) -> None:
    for piece in pieces:
        began = time.monotonic()
        piece()
        time.sleep((time.monotonic() - began) * (1 - SHARE) / SHARE)


def taught_now(record: Database, now: datetime) -> list[Style]:
    """How the classes write that have a lesson open to pads, which will hand in at once."""
    with record.session() as session:
        teaching = {one.class_id for one in lesson_codes.every_open(session, now)}
        return [classes.get(session, one).style for one in sorted(teaching)]


def _classes(record: Database) -> list[ClassRecord]:
    with record.session() as session:
        return classes.every(session)


def _of(
    record: Database, school_class: ClassRecord, now: datetime
) -> Iterator[Callable[[], object]]:
    """What there is to work out for a class besides its checks; what her first page asks first."""
    yield lambda: _first_page(record, school_class, now)
    for build in BUILT_IN.values():
        yield lambda build=build: build(  # type: ignore[misc]
            school_class.hand, school_class.customs.largest_family
        )


def _first_page(record: Database, school_class: ClassRecord, now: datetime) -> None:
    with record.session() as session:
        lessons.today(session, school_class, now)


def _put_by() -> None:
    """What has been worked out stays. Going through all of it again and again for what could be
    thrown away would take a tenth of a second, in the middle of somebody's request."""
    gc.collect()
    gc.freeze()
