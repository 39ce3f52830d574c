from datetime import UTC, datetime, timedelta
from typing import Protocol

import pytest

from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Help
from firstloop.services.handing_in import hand_in
from firstloop.store.database import Database
from firstloop.store.records import AttemptRecord, ClassRecord
from tests import letters

MONDAY = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)


class Write(Protocol):
    """A child writes a letter (n, begun at the base line) some days after a Monday."""

    def __call__(
        self,
        ink: Ink | None = None,
        *,
        letter: str = "n",
        child: int = 0,
        days: int = 0,
        hours: int = 0,
        school_class: ClassRecord | None = None,
    ) -> AttemptRecord: ...


@pytest.fixture
def write(database: Database, school_class: ClassRecord) -> Write:
    own = school_class

    def written(
        ink: Ink | None = None,
        *,
        letter: str = "n",
        child: int = 0,
        days: int = 0,
        hours: int = 0,
        school_class: ClassRecord | None = None,
    ) -> AttemptRecord:
        kept, _ = hand_in(
            database,
            school_class or own,
            pupil_id=own.pupils[child].id,
            letter=letter,
            help=Help.COPY,
            ink=ink or letters.n_from_the_base_line(),
            written_at=MONDAY + timedelta(days=days, hours=hours),
        )
        return kept

    return written
