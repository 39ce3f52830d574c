from datetime import UTC, datetime, timedelta

import pytest

from firstloop.core.evidence.task import Help
from firstloop.services.handing_in import hand_in
from tests import letters

MONDAY = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)


@pytest.fixture
def write(database, school_class):
    """A child writes a letter (n, begun at the base line) some days after a Monday."""

    def written(ink=None, *, letter="n", child=0, days=0, hours=0, school_class=school_class):
        return hand_in(
            database,
            school_class,
            pupil_id=school_class.pupils[child].id,
            letter=letter,
            help=Help.COPY,
            ink=ink or letters.n_from_the_base_line(),
            written_at=MONDAY + timedelta(days=days, hours=hours),
        )

    return written
