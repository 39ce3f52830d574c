"""What is kept up is what counting afresh gives, whatever happens in whatever order."""

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
from firstloop.services.rechecking import rebuild
from firstloop.store import classes, practice_days, standings
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord
from tests import letters
from tests.services.conftest import MONDAY, Write
from tests.table import attempts_of, judge

INKS = {"n": [letters.good_n(), letters.n_from_the_base_line()], "m": [letters.good_m()]}
VERDICTS = st.sampled_from([Verdict.SECURE, Verdict.NEARLY, Verdict.NOT_YET])
ACTIONS = st.one_of(
    st.tuples(
        st.just("write"),
        st.sampled_from("nm"),
        st.integers(0, 2),
        st.integers(0, 5),
        st.integers(0, 1),
    ),
    st.tuples(st.just("judge"), st.integers(0, 9), st.sampled_from(list(Dimension)), VERDICTS),
    st.tuples(st.just("withdraw"), st.integers(0, 9)),
    st.tuples(st.just("set aside"), st.integers(0, 9)),
    st.tuples(st.just("take back"), st.integers(0, 9)),
    st.tuples(st.just("forget"), st.integers(0, 2)),
)


def counted(database: Database, class_id: Any) -> Any:
    with database.writing() as session:
        return (
            standings.of_class(session, class_id),
            practice_days.of_class(session, class_id),
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
    database = Database(tmp_path_factory.mktemp("standings") / "record.db")
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
    rebuild(database)
    assert counted(database, school_class.id) == kept_up
    database.close()


def test_forgetting_a_child_leaves_nothing_of_what_they_wrote(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept = write()
    write(letters.good_n(), child=1, days=2)
    judge(database, school_class.id, kept.id, Word(note="well"))
    forget(database, school_class.id, school_class.pupils[0].id)
    stands, days = counted(database, school_class.id)
    assert {one.pupil_id for one in stands} == {school_class.pupils[1].id}
    assert days == {"n": ((MONDAY + timedelta(days=2)).date(), 1)}


@pytest.mark.parametrize("late", [True, False])
def test_a_letter_that_comes_late_does_not_wipe_out_a_newer_one(
    database: Database, school_class: ClassRecord, write: Write, late: bool
) -> None:
    good, bad = letters.good_n(), letters.n_from_the_base_line()
    for ink, day in ((good, 3), (bad, 1)) if late else ((bad, 1), (good, 3)):
        write(ink, days=day)
    ((one,), _) = counted(database, school_class.id)
    direction = one.dimensions[Dimension.DIRECTION]
    assert (direction.verdict, direction.rests_on) == (Verdict.SECURE, 2)
    assert direction.last == MONDAY + timedelta(days=3)
