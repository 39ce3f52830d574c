"""What handlers ask for: a session, the class, the time."""

from collections.abc import Iterator
from datetime import UTC, datetime
from typing import Annotated

from fastapi import Depends, Request
from sqlalchemy.orm import Session

from firstloop.store import classes
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord


def _session(request: Request) -> Iterator[Session]:
    database: Database = request.app.state.database
    with database.session() as session:
        yield session


# The session ends with the handler, before the answer leaves: what is answered is committed.
Db = Annotated[Session, Depends(_session, scope="function")]


def _class(session: Db) -> ClassRecord:
    return classes.first(session)


Class = Annotated[ClassRecord, Depends(_class)]


def _now() -> datetime:
    return datetime.now(UTC)


Now = Annotated[datetime, Depends(_now)]
