"""What the OpenAPI document promises is what is answered, to requests made of it alone."""

import json
from collections.abc import Iterator
from typing import Any

import pytest
import schemathesis
from hypothesis import HealthCheck, settings
from schemathesis.config import SchemathesisConfig
from starlette.applications import Starlette

from firstloop.api.app import create_app
from firstloop.api.deps import COOKIE, PAD_COOKIE
from firstloop.services import classes
from firstloop.store import classes as classes_kept
from firstloop.store import staff
from firstloop.store.database import Database
from tests.api.test_api import STORED_DOCUMENT
from tests.conftest import add_class
from tests.pads import let_in
from tests.sampling import IS_NIGHT, every
from tests.teachers import cookie_of, teacher_of

# Hypothesis makes the cases anew each time, from one seed: a run that fails can be run again.
CASES = settings(
    max_examples=20 if IS_NIGHT else 3,
    derandomize=True,
    deadline=None,
    suppress_health_check=list(HealthCheck),
)

EVERY = 12

STREAMS = ("/api/write/live", "/api/pad/events")
"""They end when who listens goes: tests/api/pads and test_served.py listen."""

LEFT_OUT = {"enabled": False}
CONFIG = SchemathesisConfig.from_dict(
    {
        "checks": {
            "negative_data_rejection": {"expected-statuses": [413, 422, 404, 400, 409, 428]},
            # A document cannot say which texts are words, which letters a hand has, what is taught.
            "positive_data_acceptance": LEFT_OUT,
            # What one case makes another may have deleted.
            "ensure_resource_availability": LEFT_OUT,
            "use_after_free": LEFT_OUT,
        }
    }
)


@pytest.fixture(scope="module")
def app(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Starlette]:
    database = Database(tmp_path_factory.mktemp("schema") / "record.db")
    yield create_app(database)
    database.close()


def _document() -> dict[str, Any]:
    """By day every twelfth place: all take over a minute. Without how one is known: all ask as
    somebody who is signed in, whom no case could make up; that others are not answered,
    tests/api/test_session.py shows route by route."""
    document: dict[str, Any] = json.loads(STORED_DOCUMENT.read_text(encoding="utf-8"))
    for stream in STREAMS:
        del document["paths"][stream]
    document["paths"] = dict(every(EVERY, [*document["paths"].items()]))
    for operations in document["paths"].values():
        for operation in operations.values():
            operation.pop("security", None)
    return document


schema = schemathesis.openapi.from_dict(_document(), config=CONFIG)


@schema.parametrize()
@CASES
def test_the_document_is_kept(case: schemathesis.Case[Any], app: Starlette) -> None:
    database: Database = app.state.database
    cookie = cookie_of(database, _teacher_with_a_class(database))
    shown = f"{COOKIE}={cookie}; {PAD_COOKIE}={_pad_that_is_in(database)}"
    case.call_and_validate(app=app, headers={"host": "localhost", "cookie": shown})


def _pad_that_is_in(database: Database) -> str:
    """Whether or not it left in the case before."""
    with database.session() as session:
        class_id = classes_kept.every(session)[-1].id
    let_in(database, class_id, None, "otter kite", "a pad's token", "a pad's device")
    return "a pad's token"


def _teacher_with_a_class(database: Database) -> int:
    """Whatever was handed over, closed or deleted by the case before."""
    account_id = teacher_of(database)
    with database.session() as session:
        hers = staff.classes_of(session, account_id)
    if not hers:
        add_class(database, account_id)
    else:
        classes.open_one(database, account_id, hers[0].id)
    return account_id
