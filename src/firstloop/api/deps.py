"""What handlers ask for: the record, the class, a session to read with, the time."""

from collections.abc import Iterator
from datetime import UTC, datetime
from typing import Annotated

from fastapi import Depends, Request

from firstloop.store import classes
from firstloop.store.database import Database, Session
from firstloop.store.records import ClassRecord


async def _record(request: Request) -> Database:
    database: Database = request.app.state.database
    return database


# Asked of no thread: neither waits for anything.
Record = Annotated[Database, Depends(_record)]


def _session(record: Record) -> Iterator[Session]:
    with record.session() as session:
        yield session


# The session ends with the handler, before the answer leaves: what is answered is committed.
Db = Annotated[Session, Depends(_session, scope="function")]


def _class(record: Record) -> ClassRecord:
    with record.session() as session:
        return classes.first(session)


Class = Annotated[ClassRecord, Depends(_class)]


async def _now() -> datetime:
    return datetime.now(UTC)


Now = Annotated[datetime, Depends(_now)]
