"""A made-up class over a year: what scales are measured on holds what a school's record holds."""

from collections.abc import Iterator
from datetime import UTC, datetime

import numpy as np
import pytest
from fastapi.testclient import TestClient
from sqlalchemy import text

from firstloop.demo.years import load_years
from firstloop.store.database import Database, Session
from tests.apps import app_over

CHILDREN, A_DAY, SCHOOL_DAYS = 3, 4, 200
TODAY = datetime.now(UTC).date()  # a child's page is that of today


@pytest.fixture(scope="module")
def year(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Database]:
    record = Database(tmp_path_factory.mktemp("year") / "year.db")
    load_years(record, TODAY, years=1, children=CHILDREN, letters_a_day=A_DAY)
    yield record
    record.close()


@pytest.fixture
def session(year: Database) -> Iterator[Session]:
    with year.session() as opened:
        yield opened


def test_every_child_writes_letters_each_day_and_a_word_a_week(session: Session) -> None:
    alone = session.scalar(text("SELECT count(*) FROM attempt WHERE text_id IS NULL"))
    assert alone == CHILDREN * A_DAY * SCHOOL_DAYS
    weeks = session.execute(
        text("SELECT pupil_id, count(*), count(DISTINCT day) FROM written_text GROUP BY pupil_id")
    ).all()
    assert len(weeks) == CHILDREN
    for _, words, days in weeks:
        assert words == days
        assert 25 <= words <= SCHOOL_DAYS / 5  # the first letters make no word
    letters = "SELECT count(DISTINCT text_id) FROM attempt"
    assert session.scalar(text(letters)) == sum(words for _, words, _ in weeks)


def test_words_go_wrong_as_wholes_and_she_agrees_with_most_of_what_is_found(
    session: Session,
) -> None:
    found = [row[0] for row in session.execute(text("SELECT found FROM text_seen"))]
    assert any("spacing" in one for one in found)
    assert any(one == "[]" for one in found)
    rows = session.execute(text("SELECT said, count(*) FROM judged_finding GROUP BY said"))
    said = {word: count for word, count in rows}  # noqa: C416  # rows are no pairs to a type checker
    assert said["so"] > said.get("not_so", 0) > 0


def test_a_childs_letters_go_wrong_more_often_for_a_while(session: Session) -> None:
    rows = session.execute(
        text(
            "SELECT pupil_id, tenth, avg('not_yet' IN (direction, size, shape)) FROM (SELECT *, "
            "ntile(10) OVER (PARTITION BY pupil_id ORDER BY written_at) AS tenth FROM attempt "
            "WHERE text_id IS NULL) GROUP BY 1, 2 ORDER BY 1, 2"
        )
    ).all()
    for child in range(1, CHILDREN + 1):
        tenths = np.array([share for pupil, _, share in rows if pupil == child])
        assert tenths.max() > 1.5 * tenths.min()
        assert tenths[-1] < tenths.max()


def test_its_pages_are_answered(year: Database) -> None:
    with TestClient(
        app_over(year), base_url="http://localhost", client=("127.0.0.1", 50_000)
    ) as she:
        assert she.get("/api/grow/map").is_success
        (gaps, *_) = she.get("/api/grow/children/1").json()["text_habits"]
        assert gaps["rests_on"] > 0
