"""What is kept up is what counting afresh gives, whatever happens in whatever order."""

import sqlite3
from contextlib import closing
from datetime import timedelta
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.evidence.task import Handedness, Help
from firstloop.core.judging.word import Word
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.services.children import forget
from firstloop.services.handing_in import hand_in, take_back
from firstloop.services.progress import keep_marks
from firstloop.services.rechecking import rebuild
from firstloop.store import classes, practice_days
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests import letters
from tests.growing import stands
from tests.services.conftest import MONDAY, Write
from tests.table import attempts_of, judge

INKS = {"n": [letters.good_n(), letters.n_from_the_base_line()], "m": [letters.good_m()]}
VERDICTS = st.sampled_from([Verdict.SECURE, Verdict.NEARLY, Verdict.NOT_YET])
ACTIONS = st.one_of(
    st.tuples(
        st.just("write"),
        st.sampled_from("nm"),
        st.integers(0, 2),
        st.integers(0, 40),
        st.integers(0, 1),
    ),
    st.tuples(st.just("mark"), st.integers(0, 45)),
    st.tuples(st.just("judge"), st.integers(0, 9), st.sampled_from(list(Dimension)), VERDICTS),
    st.tuples(st.just("withdraw"), st.integers(0, 9)),
    st.tuples(st.just("set aside"), st.integers(0, 9)),
    st.tuples(st.just("take back"), st.integers(0, 9)),
    st.tuples(st.just("forget"), st.integers(0, 2)),
)


def counted(database: Database, class_id: Any) -> Any:
    with database.writing() as session:
        days = practice_days.of_class(session, class_id)
    return stands(database, class_id), days


def is_the_same(kept: Any, afresh: Any) -> bool:
    """Marks are kept in single precision: chances may differ in their fourth place."""
    (kept_stands, kept_days), (stands_afresh, days_afresh) = kept, afresh
    return bool(
        kept_days == days_afresh
        and kept_stands.keys() == stands_afresh.keys()
        and all(
            one.rests_on == stands_afresh[key].rests_on
            and abs(one.p - stands_afresh[key].p) < 0.0003
            and abs(one.low - stands_afresh[key].low) < 0.0003
            for key, one in kept_stands.items()
        )
    )


def act(database: Database, school_class: ClassRecord, action: Any, children: Any) -> None:
    """One thing that a class does; nothing where there is nothing to do it to."""
    what, *given_ = action
    with database.writing() as session:
        ids = [one.id for one in attempts_of(session, school_class.id)]
    if what == "write":
        letter, child, day, which = given_
        if child < len(children):
            ink = INKS[letter][which % len(INKS[letter])]
            hand_in(
                database,
                school_class,
                pupil_id=children[child],
                letter=letter,
                help=Help.COPY,
                ink=ink,
                written_at=MONDAY + timedelta(days=day),
            )
    elif what == "mark":
        keep_marks(database, school_class.id, (MONDAY + timedelta(days=given_[0])).date())
    elif what == "forget":
        if given_[0] < len(children):
            forget(database, school_class.id, children.pop(given_[0]))
    elif given_[0] < len(ids):
        attempt_id = ids[given_[0]]
        if what == "judge":
            judge(database, school_class.id, attempt_id, Word({given_[1]: given_[2]}))
        elif what == "set aside":
            judge(database, school_class.id, attempt_id, Word(set_aside=True))
        elif what == "withdraw":
            judge(database, school_class.id, attempt_id, None)
        else:
            take_back(database, school_class.id, attempt_id)


@settings(
    max_examples=25, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture]
)
@given(st.lists(ACTIONS, min_size=1, max_size=12))
def test_what_is_kept_up_is_what_counting_afresh_gives(
    tmp_path_factory: pytest.TempPathFactory, actions: Any
) -> None:
    database = Database(tmp_path_factory.mktemp("progress") / "record.db")
    with database.writing() as session:
        school_class = classes.add(
            session,
            "Reed class",
            style=Style("plain"),
            ruling=Ruling(),
            x_height_mm=8.0,
            children=[(name, Handedness.RIGHT) for name in ("Ada", "Ben", "Cem")],
        )
    children = [pupil.id for pupil in school_class.pupils]
    for action in actions:
        act(database, school_class, action, children)
    kept_up = counted(database, school_class.id)
    rebuild(database, MONDAY + timedelta(days=60))
    assert is_the_same(kept_up, counted(database, school_class.id))
    database.close()


def test_forgetting_a_child_leaves_nothing_of_what_they_wrote(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    write(letters.good_n(), child=1, days=2)
    judge(database, school_class.id, kept.id, Word(note="well"))
    forget(database, school_class.id, school_class.pupils[0].id)
    stood, days = counted(database, school_class.id)
    assert {pupil_id for pupil_id, *_ in stood} == {school_class.pupils[1].id}
    assert days == {"n": ((MONDAY + timedelta(days=2)).date(), 1)}


@pytest.mark.parametrize("late", [True, False])
def test_a_letter_that_comes_late_does_not_wipe_out_a_newer_one(
    database: Database, school_class: ClassRecord, write: Write, late: bool
) -> None:
    good, bad = letters.good_n(), letters.n_from_the_base_line()
    for ink, day in ((good, 3), (bad, 1)) if late else ((bad, 1), (good, 3)):
        write(ink, days=day)
        keep_marks(database, school_class.id, (MONDAY + timedelta(days=day + 1)).date())
    stood, _ = counted(database, school_class.id)
    rebuild(database, MONDAY + timedelta(days=60))
    in_turn, _ = counted(database, school_class.id)
    key = (school_class.pupils[0].id, "n", Dimension.DIRECTION)
    assert stood[key].rests_on == 2
    assert stood[key].p == pytest.approx(in_turn[key].p, abs=0.0003)


def test_marks_are_made_once_though_a_child_wrote_nothing(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    write()  # the second child of the class writes nothing
    today = (MONDAY + timedelta(days=400)).date()
    keep_marks(database, school_class.id, today)

    with closing(sqlite3.connect(database.path)) as looks_on:
        (before,) = looks_on.execute("PRAGMA data_version").fetchone()
        keep_marks(database, school_class.id, today)
        assert looks_on.execute("PRAGMA data_version").fetchone() == (before,)
        keep_marks(database, school_class.id, today + timedelta(days=1))
        assert looks_on.execute("PRAGMA data_version").fetchone() != (before,)
