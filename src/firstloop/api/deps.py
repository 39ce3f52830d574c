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
from firstloop.services import accounts
from firstloop.services.tries import Tries
from firstloop.store import classes
from firstloop.store.database import Database, Session
from firstloop.store.records import ClassRecord, NotInRecordError, Signed
from firstloop.store.staff import NotHersError

COOKIE = "firstloop"

READING = ("GET", "HEAD")

HELPERS_MAY = frozenset({
    "post_attempt", "post_text", "preview", "post_look_over", "propose_order",
})  # fmt: skip
"""What a helper may do besides looking: hand in what children wrote, and ask what keeps nothing."""


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


def address_of(request: Request) -> str:
    """From where a request comes."""
    return request.client.host if request.client else ""


def _is_here(request: Request) -> bool:
    """Whether it comes from the machine itself."""
    try:
        return ipaddress.ip_address(address_of(request)).is_loopback
    except ValueError:
        return False


def signed_in(request: Request, record: Record, token: Token, now: Now) -> Signed | None:
    """Who is signed in, if anybody."""
    return accounts.signed_in(record, token, now, is_here=_is_here(request))


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


def for_its_teacher(request: Request, teacher: Teacher) -> None:
    """Lets a helper do what helpers may; raises NotHersError for the rest."""
    if teacher.role is not Role.HELPER or request.method in READING:
        return
    if request.scope["route"].name not in HELPERS_MAY:
        raise NotHersError(
            "you help in this class: you see it and hand in, and its teacher judges, changes and "
            "deletes"
        )
