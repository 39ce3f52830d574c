"""Lessons in the record: whole, by kind of step, and in the words of earlier versions."""

from collections.abc import Iterator
from dataclasses import replace
from datetime import date
from typing import Any

import pytest
from sqlalchemy import text

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.teaching.lesson import plan
from firstloop.core.teaching.steps import StepKind
from firstloop.store import lessons, upgrades
from firstloop.store.database import Database, Session
from firstloop.store.records import ClassRecord, NotInRecordError

DAY = date(2026, 9, 7)


@pytest.fixture
def session(database: Database, school_class: ClassRecord) -> Iterator[Any]:
    with database.writing() as opened:
        yield opened


def rename(session: Session, old: str, new: str) -> None:
    """As an earlier version called the step."""
    for column in ("plan", "step", "written"):
        session.execute(
            text(f"UPDATE lesson SET {column} = replace({column}, :new, :old)"),
            {"old": old, "new": new},
        )
    session.expire_all()


def test_a_lesson_is_kept_whole(session: Session, school_class: ClassRecord) -> None:
    made = plan(["n"], 20, look_back=["r"], words=["nap"], sentence="Nap, Ned.")
    kept = lessons.add(session, school_class.id, DAY, made)
    session.expire_all()
    assert lessons.get(session, school_class.id, kept.id).lesson == made
    assert lessons.between(session, school_class.id, DAY, DAY) == [kept]


def test_what_is_on_the_board_is_kept_by_step_and_goes_with_its_lesson(
    session: Session, school_class: ClassRecord
) -> None:
    kept = lessons.add(session, school_class.id, DAY, plan(["n"], 20))
    stroke = Stroke.of([[0.0, 1.0], [0.0, 0.25]], [0.0, 0.4])
    args = (session, school_class.id, kept.id)
    lessons.keep_written(*args, StepKind.SHOW, Ink((stroke,)))
    lessons.keep_written(*args, StepKind.DATE, Ink((stroke, stroke)))
    (back,) = lessons.written(*args, StepKind.SHOW).strokes
    assert back.points.tolist() == stroke.points.tolist()
    assert back.times is not None
    assert back.times.tolist() == [0.0, 0.4]
    lessons.keep_written(*args, StepKind.SHOW, Ink((stroke, stroke)), part="m")
    assert len(lessons.written(*args, StepKind.SHOW, "m").strokes) == 2
    assert len(lessons.written(*args, StepKind.SHOW).strokes) == 1
    lessons.change(*args, replace(kept.lesson, sentence="Nap."))
    lessons.keep_written(*args, StepKind.SHOW, Ink(()))
    assert lessons.written(*args, StepKind.SHOW).strokes == ()
    assert len(lessons.written(*args, StepKind.DATE).strokes) == 2
    lessons.remove(*args)
    with pytest.raises(NotInRecordError):
        lessons.written(*args, StepKind.DATE)


def test_the_board_finds_its_step_when_steps_are_moved(
    session: Session, school_class: ClassRecord
) -> None:
    kept = lessons.add(session, school_class.id, DAY, plan(["n"], 20))
    lessons.go_to(session, school_class.id, kept.id, StepKind.SLIPS)
    steps = kept.lesson.steps
    lessons.change(
        session, school_class.id, kept.id, replace(kept.lesson, steps=(*steps[3:], *steps[:3]))
    )
    assert lessons.get(session, school_class.id, kept.id).at is StepKind.SLIPS


def test_a_step_that_was_renamed_is_the_step_it_is(
    session: Session, school_class: ClassRecord, monkeypatch: pytest.MonkeyPatch
) -> None:
    kept = lessons.add(session, school_class.id, DAY, plan(["n"], 20))
    args = (session, school_class.id, kept.id)
    lessons.go_to(*args, StepKind.SLIPS)
    lessons.keep_written(*args, StepKind.SLIPS, Ink((Stroke.of([[0, 1], [0, 0]]),)))
    rename(session, "gone_wrong", "slips")
    monkeypatch.setitem(upgrades.RENAMED_STEPS, "gone_wrong", "slips")
    found = lessons.get(*args)
    assert found.lesson == kept.lesson
    assert found.at is StepKind.SLIPS
    assert len(lessons.written(*args, StepKind.SLIPS).strokes) == 1


def test_a_step_that_there_is_no_more_is_left_out_and_nothing_fails(
    session: Session, school_class: ClassRecord
) -> None:
    kept = lessons.add(session, school_class.id, DAY, plan(["n"], 20))
    lessons.go_to(session, school_class.id, kept.id, StepKind.BIG)
    rename(session, "carpet", "big")
    found = lessons.get(session, school_class.id, kept.id)
    assert found.at is None
    kinds = {step.kind: step for step in found.lesson.steps}
    assert set(kinds) == set(StepKind)
    assert kinds[StepKind.BIG].skipped  # there again, as a step that has come since


def test_another_classs_lesson_is_not_there(session: Session, school_class: ClassRecord) -> None:
    kept = lessons.add(session, school_class.id, DAY, plan(["n"], 20))
    with pytest.raises(NotInRecordError, match=f"no lesson {kept.id}"):
        lessons.get(session, school_class.id + 1, kept.id)
