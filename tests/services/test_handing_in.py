"""Handing in: ink kept whole, the exact question kept with it, counts kept up, all or nothing."""

from concurrent.futures import ThreadPoolExecutor
from datetime import date
from typing import Any
from uuid import UUID

import numpy as np
import pytest
from sqlalchemy import text

from firstloop.core.contract import Dimension, Stage
from firstloop.core.errors import InkError, UnknownLetterError
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Handedness, Help, Kind, Source
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.core.teaching.gets import AS_THE_CLASS, Gets
from firstloop.services.handing_in import hand_in, take_back
from firstloop.store import attempts, classes, inks, practice_days, pupils, school
from firstloop.store.database import Database
from firstloop.store.handed_in import AnotherCameFirstError, Delivery, TakenBackError
from firstloop.store.records import ClassRecord, NotInRecordError
from tests import letters
from tests.services.conftest import MONDAY, Write

TABLES = ("pupil", "attempt", "attempt_ink", "finding", "practice_day")


def rows(database: Database) -> dict[str, int]:
    with database.writing() as session:
        return {
            table: session.execute(text(f"SELECT count(*) FROM {table}")).scalar_one()
            for table in TABLES
        }


def test_ink_and_findings_are_kept_whole(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    times = np.linspace(0, 1.2, len(letters.n_strokes()))
    force = np.full(len(times), 0.4)
    given = Ink((Stroke.of(letters.n_strokes(), times, force),))
    kept = write(given)
    with database.writing() as session:
        found = attempts.get(session, school_class.id, kept.id)
        (after,) = inks.of(session, [kept.id])[kept.id].strokes
    assert after.times is not None
    assert after.force is not None
    assert np.allclose(after.points, given.strokes[0].points, atol=1e-4)
    assert np.allclose(after.times, times, atol=1e-3)
    assert np.allclose(after.force, force, atol=1e-3)
    assert found.attempt.checked.findings == kept.attempt.checked.findings
    assert found.attempt.written_at == MONDAY


def test_what_was_found_is_there_after_a_restart(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    database.close()
    opened_again = Database(database.path)
    with opened_again.writing() as session:
        found = attempts.get(session, school_class.id, kept.id).attempt.checked
    opened_again.close()
    assert [finding.code for finding in found.findings] == ["start_place"]
    assert found.say == kept.attempt.checked.say


def test_an_attempt_carries_the_exact_question_it_was_asked(
    database: Database, school_class: ClassRecord
) -> None:
    style = Style("joined", choices=(("y", "looped tail"),), slant_deg=7.0, width=1.1)
    with database.writing() as session:
        classes.set_style(session, school_class.id, style, Ruling(top=2.1), 8.0)
        pupils.set_gets(
            session, school_class.id, school_class.pupils[0].id, Gets(stage=Stage.SECURE)
        )
        joined = classes.get(session, school_class.id)
    kept, _ = hand_in(
        database,
        joined,
        pupil_id=joined.pupils[0].id,
        letter="n",
        help=Help.RECALL,
        ink=letters.good_n(),
        written_at=MONDAY,
    )
    with database.writing() as session:  # the class writes otherwise since
        classes.set_style(session, school_class.id, Style("plain"), Ruling(), 8.0)
        found = attempts.get(session, school_class.id, kept.id).attempt
    assert found.style == style
    assert found.ruling == Ruling(top=2.1)
    assert (found.source, found.help, found.task.kind) == (Source.PEN, Help.RECALL, Kind.LETTER)
    assert found.task.stage is Stage.SECURE


def test_attempts_in_one_hand_share_its_row(database: Database, write: Write) -> None:
    for days in range(3):
        write(days=days)
    with database.writing() as session:
        assert session.execute(text("SELECT count(*) FROM judged_hand")).scalar_one() == 1


def test_a_left_handed_child_is_checked_as_one(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    pulled = letters.ink(letters.pen((0.25, 1.5), (0.25, 0.0)), letters.pen((0.5, 1.0), (0.0, 1.0)))
    by_name = {pupil.name: at for at, pupil in enumerate(school_class.pupils)}
    codes = {
        name: [f.code for f in write(pulled, letter="t", child=at).attempt.checked.findings]
        for name, at in by_name.items()
    }
    assert codes == {"Jori": [], "Mila": ["stroke_direction"]}
    assert school_class.pupils[by_name["Jori"]].handedness is Handedness.LEFT


@pytest.mark.parametrize(
    ("wrong", "error"),
    [
        ({"pupil_id": 999}, NotInRecordError),
        ({"letter": "ß"}, UnknownLetterError),
        ({"ink": Ink(())}, InkError),
    ],
)
def test_what_fails_keeps_nothing(
    database: Database, school_class: ClassRecord, wrong: Any, error: Any
) -> None:
    good = {"pupil_id": school_class.pupils[0].id, "letter": "n", "ink": letters.good_n()}
    with pytest.raises(error):
        hand_in(database, school_class, help=Help.COPY, written_at=MONDAY, **(good | wrong))
    assert rows(database) == dict.fromkeys(TABLES, 0) | {"pupil": 2}


def test_a_letter_is_not_written_into_another_class(
    database: Database, school_class: ClassRecord
) -> None:
    with database.writing() as session:
        other = classes.add(
            session,
            "Other",
            style=Style("plain"),
            ruling=Ruling(),
            x_height_mm=8.0,
            children=[("Ada", Handedness.RIGHT)],
        )
    with pytest.raises(
        NotInRecordError, match=f"no pupil {school_class.pupils[0].id} in the class"
    ):
        hand_in(
            database,
            other,
            pupil_id=school_class.pupils[0].id,
            letter="n",
            help=Help.COPY,
            ink=letters.good_n(),
            written_at=MONDAY,
        )


def test_taking_back_leaves_no_trace(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    first, second = write(), write(days=1)
    take_back(database, school_class.id, second.id)
    with database.writing() as session:
        assert practice_days.of_class(session, school_class.id) == {"n": (MONDAY.date(), 1)}
    take_back(database, school_class.id, first.id)
    assert rows(database) == dict.fromkeys(TABLES, 0) | {"pupil": 2}
    with pytest.raises(NotInRecordError, match=f"no attempt {first.id}"):
        take_back(database, school_class.id, first.id)


def test_a_day_is_the_schools_own_not_utcs(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    with database.writing() as session:
        school.set_zone(session, "Pacific/Auckland")
    write(hours=5)  # 14 o'clock UTC on Monday is Tuesday there
    with database.writing() as session:
        assert practice_days.of_class(session, school_class.id) == {"n": (date(2026, 9, 8), 1)}


def test_a_childs_own_stage_goes_before_the_classs(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    child = school_class.pupils[0].id
    with database.writing() as session:
        pupils.set_gets(session, school_class.id, child, Gets(stage=Stage.SECURE))
        changed = classes.set_stage(session, school_class.id, Stage.BEGINNING)
    assert write(school_class=changed).attempt.task.stage is Stage.SECURE
    with database.writing() as session:
        pupils.set_gets(session, school_class.id, child, AS_THE_CLASS)
    assert write(school_class=changed).attempt.task.stage is Stage.BEGINNING


def test_a_floating_n_is_let_be_at_the_beginning_only(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    floating = letters.moved(letters.good_n(), 0, 0.28)
    assert write(floating).attempt.checked.verdicts[Dimension.SIZE] == "not_yet"
    with database.writing() as session:
        beginning = classes.set_stage(session, school_class.id, Stage.BEGINNING)
    kept = write(floating, school_class=beginning)
    assert kept.attempt.checked.verdicts[Dimension.SIZE] == "nearly"


def send(
    database: Database, school_class: ClassRecord, delivery: Delivery, ink: Ink | None = None
) -> tuple[int, bool]:
    kept, is_new = hand_in(
        database,
        school_class,
        pupil_id=school_class.pupils[0].id,
        letter="n",
        help=Help.COPY,
        ink=ink or letters.good_n(),
        written_at=MONDAY,
        delivery=delivery,
    )
    return kept.id, is_new


def count(database: Database) -> int:
    with database.session() as session:
        return int(session.execute(text("SELECT count(*) FROM attempt")).scalar_one())


def test_sent_twice_it_is_kept_once(database: Database, school_class: ClassRecord) -> None:
    first = send(database, school_class, Delivery(UUID(int=1), "a"))
    again = send(database, school_class, Delivery(UUID(int=1), "a"))
    other = send(database, school_class, Delivery(UUID(int=2), "a"))
    assert first == (again[0], True)
    assert again[1] is False
    assert other[0] != first[0]
    assert count(database) == 2


def test_sent_twenty_times_at_once_it_is_kept_once(
    database: Database, school_class: ClassRecord
) -> None:
    with ThreadPoolExecutor(20) as pads:
        answers = list(
            pads.map(lambda _: send(database, school_class, Delivery(UUID(int=1), "a")), range(20))
        )
    assert len({kept for kept, _ in answers}) == 1
    assert sum(is_new for _, is_new in answers) == 1
    assert count(database) == 1


def test_something_else_by_the_same_id_is_refused(
    database: Database, school_class: ClassRecord
) -> None:
    send(database, school_class, Delivery(UUID(int=1), "a"))
    with pytest.raises(AnotherCameFirstError, match="an id of its own"):
        send(database, school_class, Delivery(UUID(int=1), "b"))
    assert count(database) == 1


def test_what_was_taken_back_does_not_come_again(
    database: Database, school_class: ClassRecord
) -> None:
    kept, _ = send(database, school_class, Delivery(UUID(int=1), "a"))
    take_back(database, school_class.id, kept)
    send(database, school_class, Delivery(UUID(int=2), "a"))  # it may have the free number
    with pytest.raises(TakenBackError, match="was taken back"):
        send(database, school_class, Delivery(UUID(int=1), "a"))
    assert count(database) == 1
