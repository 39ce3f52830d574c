"""What handlers ask for: the record, who is signed in, her class, a session to read with, the
time."""

import ipaddress
from collections.abc import AsyncIterator, Iterator
from datetime import UTC, datetime
from typing import Annotated

from fastapi import Depends, Header, Query, Request
from fastapi.security import APIKeyCookie

from firstloop.api.events import Streams
from firstloop.api.line import Lines
from firstloop.api.sent import LARGEST_ID
from firstloop.core.contract import Code
from firstloop.core.errors import FirstLoopError
from firstloop.core.staff import Role
from firstloop.services import accounts, lesson_codes, pad_seats
from firstloop.services.checks_aside import Checks
from firstloop.services.heard import Heard
from firstloop.services.pad_seats import InLesson
from firstloop.services.paper_reader import PaperReader
from firstloop.services.trusting import doubted_in
from firstloop.store import classes
from firstloop.store.database import Database, Session
from firstloop.store.judging import Author
from firstloop.store.known_devices import KNOWN_FOR
from firstloop.store.records import ClassRecord, NotInRecordError, Signed
from firstloop.store.staff import NotHersError

COOKIE = "firstloop"
KNOWN_COOKIE = "firstloop-known"
PAD_COOKIE, DEVICE_COOKIE = "firstloop-pad", "firstloop-device"
"""What a teacher's browser shows, and by what it is known again; the same of a pad in a lesson."""

KNOWN_FOR_S = int(KNOWN_FOR.total_seconds())

READING = ("GET", "HEAD")

HELPERS_MAY = frozenset({
    "post_attempt", "post_text", "preview", "post_look_over", "propose_order",
    "post_tally", "post_call",
})  # fmt: skip
"""What a helper may do besides looking: hand in what children wrote, say what she saw, call a pad,
and ask what keeps nothing."""


CLASS_SHOWN = "First-Loop-Class"
"""The header in which a page says which class it shows, by its id: a second page may still show
another than the one that is open by now."""

NAMES_ITS_CLASS = frozenset({
    "put_class", "put_stage", "post_new_year", "delete_class", "hand_over", "post_helper",
    "delete_helper", "delete_pads",
})  # fmt: skip
"""What is about a class as a whole, with nothing else in it that would tell which is meant: it is
only done to a class that is named."""


class NotSignedInError(FirstLoopError):
    """Nobody is signed in."""


class AnotherClassOpenError(FirstLoopError):
    """The class that a page shows is not the one that is open."""


class UnnamedClassError(FirstLoopError):
    """What is only done to a class that is named, without its name."""


def record_of(request: Request) -> Database:
    """The record that is served. What others here ask for takes it from the request: a dependency
    of theirs would be gone through again for each of two hundred routes, at every start."""
    database: Database = request.app.state.database
    return database


async def _record(request: Request) -> Database:
    return record_of(request)


# What waits for nothing is asked of no thread: to change to one and back takes as long as a query.
Record = Annotated[Database, Depends(_record)]


async def _lines(request: Request) -> Lines:
    lines: Lines = request.app.state.lines
    return lines


InLine = Annotated[Lines, Depends(_lines)]
"""The lines in which dear work waits for its turn."""


async def _streams(request: Request) -> Streams:
    streams: Streams = request.app.state.streams
    return streams


OpenStreams = Annotated[Streams, Depends(_streams)]
"""Who listens to what happens."""


async def _heard(request: Request) -> Heard:
    heard: Heard = request.app.state.heard
    return heard


async def _paper(request: Request) -> PaperReader:
    reader: PaperReader = request.app.state.paper
    return reader


PaperIsRead = Annotated[PaperReader, Depends(_paper)]
"""Who reads photographs."""


async def _checks(request: Request) -> Checks:
    checks: Checks = request.app.state.checks
    return checks


CheckedBy = Annotated[Checks, Depends(_checks)]
"""Who checks what pads hand in."""

HeardOf = Annotated[Heard, Depends(_heard)]
"""When each pad was last heard of."""


async def _now() -> datetime:
    return datetime.now(UTC)


Now = Annotated[datetime, Depends(_now)]


async def _session(request: Request) -> AsyncIterator[Session]:
    with record_of(request).session() as session:
        yield session


# The session ends with the handler, before the answer leaves: what is answered is committed. No
# thread is asked for it: it opens when something is read, and who reads waits for nobody.
Db = Annotated[Session, Depends(_session, scope="function")]

_cookie = APIKeyCookie(name=COOKIE, auto_error=False, scheme_name="signed in")
Token = Annotated[str | None, Depends(_cookie)]
"""What the browser shows to be known by."""

_pad_cookie = APIKeyCookie(name=PAD_COOKIE, auto_error=False, scheme_name="pad in a lesson")
PadToken = Annotated[str | None, Depends(_pad_cookie)]


def address_of(request: Request) -> str:
    """From where a request comes."""
    return request.client.host if request.client else ""


def sits_here(request: Request) -> bool:
    """Whether it comes from the machine itself, and is not a pad's that is tried there: of a
    demonstration, that is enough."""
    if PAD_COOKIE in request.cookies:
        return False
    try:
        return ipaddress.ip_address(address_of(request)).is_loopback
    except ValueError:
        return False


def signed_in(request: Request, token: Token) -> Signed | None:
    """Who is signed in, if anybody."""
    here = sits_here(request)
    return accounts.signed_in(record_of(request), token, datetime.now(UTC), is_here=here)


def teacher(request: Request, token: Token) -> Signed:
    """Who is signed in; raises NotSignedInError."""
    found = signed_in(request, token)
    if found is None:
        raise NotSignedInError("sign in with your name and password")
    return found


Teacher = Annotated[Signed, Depends(teacher)]


def _class(request: Request, session: Db, teacher: Teacher) -> ClassRecord:
    """Who only reads sees the class as it was when all else that is answered was."""
    if teacher.class_id is None:
        raise NotInRecordError(
            'there is no class yet; make yours, or "firstloop demo" makes one up'
        )
    if request.method in READING:
        return classes.get(session, teacher.class_id)
    # A session of its own, that ends before something is written.
    with record_of(request).session() as before:
        return classes.get(before, teacher.class_id)


Class = Annotated[ClassRecord, Depends(_class)]
"""The class that she has open: hers, or one she helps in."""


def _doubts(request: Request, record: Record, session: Db, school_class: Class) -> frozenset[Code]:
    """Who only reads sees them as they were when all else that is answered was."""
    if request.method in READING:
        return doubted_in(session, school_class.id)
    with record.session() as before:
        return doubted_in(before, school_class.id)


Doubts = Annotated[frozenset[Code], Depends(_doubts)]
"""The findings that count less in the class, for its teacher keeps overruling them."""


def _author(teacher: Teacher) -> Author:
    return Author(teacher.account_id, teacher.role is Role.TEACHER)


Hers = Annotated[Author, Depends(_author)]
"""Who says a word, and whether she teaches the class."""


def told_to_all(record: Record, school_class: Class, now: Now) -> Iterator[None]:
    """For what changes how the class writes or who is in it: once it is done, her other screens
    and the pads hear of it."""
    yield
    lesson_codes.class_changed(record, school_class.id, now)


ToldToAll = [Depends(told_to_all, scope="function")]


async def pad_known(record: Record, heard: HeardOf, token: PadToken) -> InLesson:
    """The pad that asks, in its lesson or after it; raises PutOutError. Two short looks, which wait
    for nobody: to change to a thread and back would take as long."""
    found = pad_seats.holding(record, token)
    heard.of(found.pad.id)
    return found


PadLate = Annotated[InLesson, Depends(pad_known)]


async def _pad_in(found: PadLate, now: Now) -> InLesson:
    pad_seats.require_open(found, now)
    return found


PadIn = Annotated[InLesson, Depends(_pad_in)]
"""The pad that asks, in a lesson that goes on; raises PutOutError."""


Alike = Annotated[
    bool, Query(description="Two names that look alike are meant to be two: else 409 asks.")
]


ClassShown = Annotated[
    int | None,
    Header(
        alias=CLASS_SHOWN,
        ge=1,
        le=LARGEST_ID,
        description="The class that is meant, by its id: 409 where another is open.",
    ),
]


async def for_the_class_shown(request: Request, teacher: Teacher, shown: ClassShown = None) -> None:
    """Lets nothing be changed in another class than the one that the page shows. Raises
    AnotherClassOpenError, and UnnamedClassError for what is only done to a class that is named."""
    if request.method in READING:
        return
    if shown is not None and shown != teacher.class_id:
        raise AnotherClassOpenError(
            "this page still shows another class than the one that is open now; nothing was "
            "changed. Look at the class that is open, or open this one again"
        )
    if shown is None and request.scope["route"].name in NAMES_ITS_CLASS:
        raise UnnamedClassError(f'say which class is meant, by its id, in "{CLASS_SHOWN}"')


async def for_its_teacher(request: Request, teacher: Teacher) -> None:
    """Lets a helper do what helpers may; raises NotHersError for the rest."""
    if teacher.role is not Role.HELPER or request.method in READING:
        return
    if request.scope["route"].name not in HELPERS_MAY:
        raise NotHersError(
            "you help in this class: you see it and hand in, and its teacher judges, changes and "
            "deletes"
        )
