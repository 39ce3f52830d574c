"""What handlers ask for: the record, who is signed in, her class, a session to read with, the
time."""

import ipaddress
from collections.abc import Iterator
from datetime import UTC, datetime
from typing import Annotated

from fastapi import Depends, Request
from fastapi.security import APIKeyCookie

from firstloop.core.errors import FirstLoopError
from firstloop.core.staff import Role
from firstloop.services import accounts, pads
from firstloop.services.heard import Heard
from firstloop.services.pads import InLesson
from firstloop.services.tries import Tries
from firstloop.store import classes
from firstloop.store.database import Database, Session
from firstloop.store.records import ClassRecord, NotInRecordError, Signed
from firstloop.store.staff import NotHersError

COOKIE = "firstloop"
PAD_COOKIE, DEVICE_COOKIE = "firstloop-pad", "firstloop-device"
"""What a teacher's browser shows; what a pad shows in a lesson, and by what it is known again."""

READING = ("GET", "HEAD")

HELPERS_MAY = frozenset({
    "post_attempt", "post_text", "preview", "post_look_over", "propose_order",
    "post_tally", "post_call",
})  # fmt: skip
"""What a helper may do besides looking: hand in what children wrote, say what she saw, call a pad,
and ask what keeps nothing."""


class NotSignedInError(FirstLoopError):
    """Nobody is signed in."""


async def _record(request: Request) -> Database:
    database: Database = request.app.state.database
    return database


# Asked of no thread: neither waits for anything.
Record = Annotated[Database, Depends(_record)]


async def _tries(request: Request) -> Tries:
    tries: Tries = request.app.state.tries
    return tries


SignInTries = Annotated[Tries, Depends(_tries)]


async def _code_tries(request: Request) -> Tries:
    tries: Tries = request.app.state.code_tries
    return tries


CodeTries = Annotated[Tries, Depends(_code_tries)]


async def _heard(request: Request) -> Heard:
    heard: Heard = request.app.state.heard
    return heard


HeardOf = Annotated[Heard, Depends(_heard)]
"""When each pad was last heard of."""


async def _now() -> datetime:
    return datetime.now(UTC)


Now = Annotated[datetime, Depends(_now)]


def _session(record: Record) -> Iterator[Session]:
    with record.session() as session:
        yield session


# The session ends with the handler, before the answer leaves: what is answered is committed.
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


def signed_in(request: Request, record: Record, token: Token, now: Now) -> Signed | None:
    """Who is signed in, if anybody."""
    return accounts.signed_in(record, token, now, is_here=sits_here(request))


def teacher(found: Annotated[Signed | None, Depends(signed_in)]) -> Signed:
    """Who is signed in; raises NotSignedInError."""
    if found is None:
        raise NotSignedInError("sign in with your name and password")
    return found


Teacher = Annotated[Signed, Depends(teacher)]


def _class(record: Record, teacher: Teacher) -> ClassRecord:
    if teacher.class_id is None:
        raise NotInRecordError(
            'there is no class yet; make yours, or "firstloop demo" makes one up'
        )
    with record.session() as session:
        return classes.get(session, teacher.class_id)


Class = Annotated[ClassRecord, Depends(_class)]
"""The class that she has open: hers, or one she helps in."""


def pad_known(record: Record, heard: HeardOf, token: PadToken, now: Now) -> InLesson:
    """The pad that asks, in its lesson or in one that ended within a day; raises PutOutError."""
    found = pads.holding(record, token, now)
    heard.of(found.pad.id)
    return found


PadLate = Annotated[InLesson, Depends(pad_known)]


def _pad_in(found: PadLate, now: Now) -> InLesson:
    pads.require_open(found, now)
    return found


PadIn = Annotated[InLesson, Depends(_pad_in)]
"""The pad that asks, in a lesson that goes on; raises PutOutError."""


def for_its_teacher(request: Request, teacher: Teacher) -> None:
    """Lets a helper do what helpers may; raises NotHersError for the rest."""
    if teacher.role is not Role.HELPER or request.method in READING:
        return
    if request.scope["route"].name not in HELPERS_MAY:
        raise NotHersError(
            "you help in this class: you see it and hand in, and its teacher judges, changes and "
            "deletes"
        )
