"""What the OpenAPI document promises is what is answered, to requests made of it alone."""

from collections.abc import Iterator
from typing import Any

import pytest
import schemathesis
from hypothesis import HealthCheck, settings
from schemathesis.config import SchemathesisConfig
from starlette.applications import Starlette

from firstloop.api.app import create_app
from firstloop.store.database import Database
from tests.api.test_api import STORED_DOCUMENT
from tests.conftest import add_class

# Hypothesis makes the cases anew each time, from one seed: a run that fails can be run again.
CASES = settings(
    max_examples=3,
    derandomize=True,
    deadline=None,
    suppress_health_check=list(HealthCheck),
)

LEFT_OUT = {"enabled": False}
CONFIG = SchemathesisConfig.from_dict(
    {
        "checks": {
            "negative_data_rejection": {"expected-statuses": [413, 422, 404, 400]},
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
    add_class(database)
    yield create_app(database)
    database.close()


schema = schemathesis.openapi.from_path(STORED_DOCUMENT, config=CONFIG)


@schema.parametrize()
@CASES
def test_the_document_is_kept(case: schemathesis.Case[Any], app: Starlette) -> None:
    case.call_and_validate(app=app, headers={"host": "localhost"})
