"""A class for pads, and what of them is in its record: for tests and timings."""

import sqlite3
from collections import Counter
from collections.abc import Sequence
from datetime import UTC, datetime
from pathlib import Path

from firstloop.api.deps import COOKIE
from firstloop.core.evidence.task import Handedness
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.demo.pad_client import PadClient
from firstloop.services import accounts as accounts_made
from firstloop.services.classes import begin
from firstloop.services.digests import digest_of, new_token
from firstloop.store import accounts, school, sign_ins
from firstloop.store.database import Database


def make_class(record: Path, children: Sequence[str], *, joined: bool = False) -> None:
    """A demonstration with these children; a joined hand has another ruling as well."""
    database = Database(record)
    with database.writing() as session:
        teacher = accounts.unclaimed(session)
        school.set_demo(session)
    begin(
        database,
        teacher,
        "Wren class",
        style=Style("joined" if joined else "plain"),
        ruling=Ruling(top=2.2, drop=-1.1) if joined else Ruling(),
        x_height_mm=8.0,
        children=[(name, Handedness.RIGHT) for name in children],
    )
    database.close()


def claimed(record: Path) -> str:
    """Makes the first account, of a teacher who is signed in then; what her browser shows."""
    database, token, now = Database(record), new_token(), datetime.now(UTC)
    teacher = accounts_made.begin(database, "Ms Wren", "a wren on a hen")
    with database.writing() as session:
        sign_ins.add(session, digest_of(token), teacher.id, now + accounts_made.LASTS, now)
    database.close()
    return token


def opened(address: str, token: str | None = None) -> str:
    """The code of today's lesson, by who sits at a demonstration or a teacher who is signed in."""
    teacher = PadClient(address, cookies={} if token is None else {COOKIE: token})
    _, answer = teacher.ask("POST", "/api/write/lesson-code", {})
    teacher.drop()
    return str(answer["code"])


def kept(record: Path) -> Counter[str]:
    """How often each thing that pads handed in is in the record, by its sender's id; letters that
    are there without one were kept twice."""
    with sqlite3.connect(record) as reading:
        rows = reading.execute(
            "SELECT id FROM handed_in WHERE attempt_id IS NOT NULL OR text_id IS NOT NULL "
            "OR is_struck"
        ).fetchall()
        (attempts,) = reading.execute(
            "SELECT count(*) FROM attempt WHERE text_id IS NULL"
        ).fetchone()
        (letters,) = reading.execute(
            "SELECT count(*) FROM handed_in WHERE attempt_id IS NOT NULL"
        ).fetchone()
    reading.close()
    found = Counter(str(row[0]) for row in rows)
    if attempts != letters:
        found["without an id"] = attempts - letters
    return found
