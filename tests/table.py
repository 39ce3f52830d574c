"""What lies on the table, and words on it, for tests that ask about something else."""

from datetime import UTC, datetime
from typing import Any

from fastapi.testclient import TestClient
from sqlalchemy import select

from firstloop.core.judging.word import Word
from firstloop.services import judging
from firstloop.services.judging import Said
from firstloop.store import attempts
from firstloop.store.attempts import Attempt
from firstloop.store.database import Database, Session
from firstloop.store.judging import About, Author
from firstloop.store.pupils import Pupil
from firstloop.store.records import AttemptRecord
from tests.teachers import teacher_of

NOON = datetime(2026, 9, 7, 12, 0, tzinfo=UTC)
EVER = {"begin": "0001-01-01", "end": "9999-12-31"}


def judge(
    database: Database,
    class_id: int,
    attempt_id: int,
    word: Word | None,
    *,
    by: str = "Ms Reed",
    is_teacher: bool = True,
    at: datetime = NOON,
) -> AttemptRecord:
    """Somebody's word on an attempt, as it stands since."""
    author = Author(teacher_of(database, by), is_teacher)
    said = [Said(About(attempt_id=attempt_id), word)]
    (kept,) = judging.judge(database, class_id, author, said, at).attempts
    return kept


def attempts_of(session: Session, class_id: int) -> list[AttemptRecord]:
    """All attempts of a class, the oldest first, those set aside among them."""
    ids = session.scalars(select(Attempt.id).join(Pupil).where(Pupil.class_id == class_id))
    return sorted(attempts.some(session, class_id, ids.all()), key=lambda one: one.id)


def things(client: TestClient, **asked: Any) -> dict[str, Any]:
    """What lies on the table whenever it was written, with its ink, the newest first."""
    table = client.get("/api/check/table", params=EVER | asked)
    assert table.status_code == 200, table.text
    cards = sorted(table.json()["cards"], key=lambda one: one["written_at"], reverse=True)
    found: dict[str, Any] = {"total": table.json()["total"]}
    for kind in ("attempt", "text"):
        ids = [one[f"{kind}_id"] for one in cards if one[f"{kind}_id"]]
        answer = client.get("/api/check/things", params={kind: ids}).json()
        by_id = {one["id"]: one for one in answer[f"{kind}s"]}
        found[f"{kind}s"] = [by_id[one] for one in ids]
    return found


def letters_on_table(client: TestClient, letter: str, **asked: Any) -> list[Any]:
    found: list[Any] = things(client, letter=letter, **asked)["attempts"]
    return found


def texts_on_table(client: TestClient, **asked: Any) -> list[Any]:
    found: list[Any] = things(client, **asked)["texts"]
    return found
