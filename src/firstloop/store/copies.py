"""Copies of the record: made while it is in use, kept by rule, looked over before one is brought
back. What is replaced by one is kept too."""

import os
import re
import shutil
import sqlite3
from collections.abc import Iterable
from contextlib import closing
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from enum import StrEnum
from pathlib import Path

from firstloop.store.errors import RecordError, explained
from firstloop.store.soundness import (
    ROOM,
    log_of,
    make_ours_alone,
    opened_to_look,
    opened_to_use,
    recognised,
    require_keys,
)

EVERY_DAY = 7
"""Days of which each keeps its copy; before them, one a week is kept."""

LONGEST = 30
"""Days after which any copy is dropped: by then what was deleted on request is gone from all."""

LONGEST_COPYING_S = 3600
"""What was begun longer ago and is not complete was cut short."""

OURS_ONLY = 0o600


class Why(StrEnum):
    """What a copy was made for."""

    DAILY = "daily"
    ASKED = "asked"
    MIGRATION = "before-update"
    REPLACED = "replaced"


@dataclass(frozen=True, slots=True)
class Copy:
    """A copy of the record: where, when (UTC) and what for it was made."""

    path: Path
    made_at: datetime
    why: Why


def folder_of(record: Path) -> Path:
    """Where the copies of a record are."""
    return record.parent / "copies"


def of(record: Path) -> list[Copy]:
    """The copies of a record, the newest first."""
    pattern = re.compile(rf"{re.escape(record.stem)}-(\d{{8}}-\d{{6}})-({'|'.join(Why)})\.db")
    found = []
    for file in folder_of(record).glob("*.db"):
        if match := pattern.fullmatch(file.name):
            made_at = datetime.strptime(match[1], _MOMENT).replace(tzinfo=UTC)
            found.append(Copy(file, made_at, Why(match[2])))
    return sorted(found, key=lambda one: (one.made_at, one.path), reverse=True)


_MOMENT = "%Y%m%d-%H%M%S"


def to_drop(copies: Iterable[Copy], today: date) -> list[Copy]:
    """Which copies the rule no longer keeps.

    >>> def made(*days): return [Copy(Path(d), datetime.fromisoformat(d), Why.DAILY) for d in days]
    >>> week = made("2026-11-02", "2026-11-03", "2026-11-10", "2026-11-24", "2026-10-20")
    >>> [one.path.name for one in to_drop(week, date(2026, 11, 25))]
    ['2026-11-02', '2026-10-20']
    """
    kept_weeks: set[tuple[int, int]] = set()
    drop = []
    for one in sorted(copies, key=lambda copy: copy.made_at, reverse=True):
        day = one.made_at.date()
        age = (today - day).days
        week = day.isocalendar()[:2]
        is_spare = one.why is Why.DAILY and age >= EVERY_DAY and week in kept_weeks
        if age >= LONGEST or is_spare:
            drop.append(one)
        elif one.why is Why.DAILY and age >= EVERY_DAY:
            kept_weeks.add(week)
    return drop


def keep(record: Path, why: Why, now: datetime) -> Copy:
    """Makes a copy, while the record is in use or not; raises RecordError."""
    make_ours_alone(folder_of(record))
    made = Copy(_named(record, why, now), now, why)
    write(record, made.path)
    return made


def keep_daily(record: Path, now: datetime) -> Copy | None:
    """Makes the day's copy unless there is one, and drops what the rule no longer keeps."""
    tidy(record, now)
    today = now.date()
    if any(one.why is Why.DAILY and one.made_at.date() == today for one in of(record)):
        return None
    return keep(record, Why.DAILY, now)


def tidy(record: Path, now: datetime) -> None:
    """Drops what the rule no longer keeps, and what copies that were cut short have left behind."""
    if folder_of(record).exists():
        make_ours_alone(folder_of(record))
    for one in to_drop(of(record), now.date()):
        _drop(one)
    for begun in folder_of(record).glob(f".{record.stem}-*.db.*"):
        if now.timestamp() - begun.stat().st_mtime > LONGEST_COPYING_S:
            begun.unlink(missing_ok=True)


def renew(record: Path, now: datetime) -> Copy:
    """Makes a copy and drops all others, so that what was deleted from the record is in none."""
    tidy(record, now)
    before = of(record)
    made = keep(record, Why.ASKED, now)
    for one in before:
        if one.path != made.path:
            _drop(one)
    return made


def last_gone_on(record: Path) -> date | None:
    """The day on which the last of today's copies has been dropped; None where there is none."""
    return max((one.made_at.date() + timedelta(LONGEST) for one in of(record)), default=None)


def write(record: Path, to: Path) -> None:
    """Writes a whole copy of a record to a new file, which appears when it is complete; raises
    RecordError where there is a file already, or it cannot be written."""
    _written(opened_to_use(record), record, to)


def _written(opened: closing[sqlite3.Connection], record: Path, to: Path) -> None:
    if to.exists():
        raise RecordError(f'there is a file at "{to}" already; name another')
    making = to.with_name(f".{to.name}.{os.getpid()}")
    _require_room(record, to)
    try:
        making.touch(mode=OURS_ONLY)
        with opened as source, closing(sqlite3.connect(making)) as copy:
            source.backup(copy)
            copy.execute("PRAGMA journal_mode = DELETE")  # one file, whatever happens to it
        _put_on_disc(making)
        making.replace(to)
    except OSError as error:
        raise RecordError(f'"{to}" cannot be written: {error.strerror}') from error
    except sqlite3.Error as error:
        raise explained(record, error) or error from error
    finally:
        making.unlink(missing_ok=True)


def _require_room(record: Path, to: Path) -> None:
    """Raises RecordError where a copy would leave no room for what is written next."""
    needed = record.stat().st_size + ROOM
    try:
        free = shutil.disk_usage(to.parent).free
    except OSError as error:
        raise RecordError(f'"{to}" cannot be written: {error.strerror}') from error
    if free < needed:
        raise RecordError(
            f'there is no room for a copy at "{to}": {free // 1_000_000} MB are free, '
            f"{needed // 1_000_000} MB are needed"
        )


def restore(record: Path, source: Path, now: datetime) -> Path | None:
    """Puts a copy in the record's place, once it is found whole, and keeps what it replaces: where
    that is now, or None where there was nothing. Raises RecordError; then all is as it was."""
    if not source.exists():
        raise RecordError(f'there is no copy at "{source}"')
    recognised(source)
    with opened_to_look(source) as opened:
        require_keys(opened, source)
    if record.exists():
        _require_unused(record)
    record.parent.mkdir(parents=True, exist_ok=True)
    incoming = record.with_name(f".{record.name}.incoming")
    incoming.unlink(missing_ok=True)
    _written(opened_to_look(source), source, incoming)
    try:
        replaced = _set_aside(record, now) if record.exists() else None
        incoming.replace(record)
    except OSError as error:
        raise RecordError(f'"{record}" cannot be replaced: {error.strerror}') from error
    finally:
        incoming.unlink(missing_ok=True)
    return replaced


def _set_aside(record: Path, now: datetime) -> Path:
    """Keeps the record, damaged or not, with its log; its name stays until another has it."""
    make_ours_alone(folder_of(record))
    kept = _named(record, Why.REPLACED, now)
    shutil.copyfile(record, kept)
    kept.chmod(OURS_ONLY)
    _put_on_disc(kept)
    if log_of(record).exists():
        # A log that is left beside another file would be played into it.
        log_of(record).replace(log_of(kept))
    record.with_name(record.name + "-shm").unlink(missing_ok=True)
    return kept


def _require_unused(record: Path) -> None:
    try:
        recognised(record)
    except RecordError:
        return  # damaged: to open it could change its log, and whoever still uses it is told
    try:
        with opened_to_use(record) as opened:
            opened.execute("PRAGMA busy_timeout = 1000")
            opened.execute("PRAGMA locking_mode = EXCLUSIVE")
            opened.execute("BEGIN EXCLUSIVE")
    except sqlite3.OperationalError as error:
        if error.sqlite_errorname.startswith("SQLITE_BUSY"):
            raise RecordError(f'"{record}" is in use; end First Loop first') from error
        raise


def _named(record: Path, why: Why, now: datetime) -> Path:
    """A name that no other copy has: two of one second are a second apart."""
    moment = now.astimezone(UTC)
    while True:
        path = folder_of(record) / f"{record.stem}-{moment.strftime(_MOMENT)}-{why}.db"
        if not path.exists():
            return path
        moment += timedelta(seconds=1)


def _drop(one: Copy) -> None:
    one.path.unlink(missing_ok=True)
    log_of(one.path).unlink(missing_ok=True)


def _put_on_disc(path: Path) -> None:
    with path.open("rb") as file:
        os.fsync(file.fileno())
