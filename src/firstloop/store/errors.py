"""What can be wrong with the record itself: errors that name the file and say what to do."""

import sqlite3

from sqlalchemy.exc import DBAPIError

from firstloop.core.errors import FirstLoopError


class RecordError(FirstLoopError):
    """The record cannot be used as it is."""


class RecordBusyError(RecordError):
    """Others are writing; what was asked can be asked again."""


BUSY = "others are writing just now; nothing was lost, try again in a moment"
SAID = {
    "SQLITE_FULL": "has no room left; free some, what was kept so far is safe",
    "SQLITE_READONLY": "cannot be written to; allow this user to write to it and to its folder",
    "SQLITE_CORRUPT": 'is damaged; end First Loop and bring back a copy with "firstloop restore"',
    "SQLITE_NOTADB": 'is damaged; end First Loop and bring back a copy with "firstloop restore"',
    "SQLITE_CANTOPEN": "cannot be opened; see that its disc is there",
    "SQLITE_IOERR": "cannot be read or written; see that its disc is there and has room",
}
"""What follows the file's name, by SQLite's own name of what happened or the first words of it."""


def explained(path: object, error: DBAPIError | sqlite3.Error) -> RecordError | None:
    """What a failure of SQLite means for who works with the record; None where it is a mistake of
    ours and no state of the file.

    >>> locked = sqlite3.OperationalError("database is locked")
    >>> locked.sqlite_errorname = "SQLITE_BUSY"
    >>> explained("a.db", locked)
    RecordBusyError('others are writing just now; nothing was lost, try again in a moment')
    >>> explained("a.db", sqlite3.IntegrityError("UNIQUE constraint failed")) is None
    True
    """
    cause = error.orig if isinstance(error, DBAPIError) else error
    name = getattr(cause, "sqlite_errorname", "")
    if name.startswith(("SQLITE_BUSY", "SQLITE_LOCKED")):
        return RecordBusyError(BUSY)
    for known, said in SAID.items():
        if name.startswith(known):
            return RecordError(f'the record "{path}" {said}')
    return None
