"""Pads in a lesson, without the way there: a lesson of the class with a code, a pad that is in."""

from datetime import UTC, datetime, timedelta
from uuid import uuid4

from fastapi.testclient import TestClient
from starlette.types import ASGIApp

from firstloop.api.deps import DEVICE_COOKIE, PAD_COOKIE
from firstloop.services.digests import digest_of
from firstloop.store import lesson_codes, pads
from firstloop.store.database import Database
from firstloop.store.pads import PadRecord
from tests import letters
from tests.api.good_requests import INK
from tests.teachers import signed_out

N = {"target": "n", "kind": "letter", "help": "copy"}
GOOD_N = letters.good_n()


def let_in(  # what a pad is let in by
    database: Database,
    class_id: int,
    lesson_id: int | None,
    code: str,
    token: str,
    device: str,
    pupil_id: int | None = None,
) -> PadRecord:
    """A pad in a lesson that has a code, with a child at it."""
    now = datetime.now(UTC)
    with database.writing() as session:
        began = now - timedelta(minutes=5)
        opened = lesson_codes.add(session, class_id, lesson_id, code, f"square of {code}", began)
        pad = pads.let_in(session, class_id, digest_of(device), digest_of(token), opened)
        if pupil_id is not None:
            pads.sit(session, class_id, pad, pupil_id, now)
    return pad


def pad_client(app: ASGIApp, token: str | None = None, device: str | None = None) -> TestClient:
    """A pad somewhere on the school's network; with what it shows, where it was in before."""
    client = signed_out(app)
    for name, value in ((PAD_COOKIE, token), (DEVICE_COOKIE, device)):
        if value is not None:
            client.cookies.set(name, value)
    return client


def attempt(**changes: object) -> dict[str, object]:
    """An n as a pad hands it in, with an id of its own."""
    written_at = datetime.now(UTC).isoformat()
    made = {"id": str(uuid4()), **N, "written_at": written_at, "struck": False, "strokes": INK}
    return made | changes
