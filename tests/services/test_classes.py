"""Classes begun, begun anew with a year, deleted; children who move take all that they wrote."""

from datetime import UTC, date, datetime

import pytest

from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Handedness, Help, Kind
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.core.teaching.families import Family, Scheme
from firstloop.core.teaching.roster import Presence
from firstloop.services import children, classes, lessons
from firstloop.services.handing_in import hand_in, hand_in_text
from firstloop.services.rechecking import rebuild
from firstloop.store import classes as kept
from firstloop.store import (
    own_phrases,
    own_schemes,
    own_vocabulary,
    practice_days,
    pupils,
    taught_letters,
)
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, NotInRecordError
from firstloop.store.staff import NotHersError
from tests import letters
from tests.growing import rests_on
from tests.table import attempts_of
from tests.teachers import teacher_of

MONDAY = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)
SEVERAL = 5
"""Letters that went wrong: enough for a habit."""
OWN = Scheme("Ours", (Family("Down", ("l", "i"), ""), Family("Over", ("n", "m"), "")))


@pytest.fixture
def teacher(database: Database, school_class: ClassRecord) -> int:
    del school_class
    return teacher_of(database)


def write_n(database: Database, school_class: ClassRecord, at: int, good: bool = True) -> None:
    hand_in(
        database,
        school_class,
        pupil_id=school_class.pupils[at].id,
        letter="n",
        help=Help.COPY,
        ink=letters.good_n() if good else letters.n_from_the_base_line(),
        written_at=MONDAY,
    )


def total(database: Database, class_id: int) -> int:
    with database.session() as session:
        return len(attempts_of(session, class_id))


def counted(database: Database, class_id: int) -> object:
    with database.session() as session:
        return rests_on(database, class_id), practice_days.of_class(session, class_id)


def test_with_a_new_year_children_move_up_with_all_their_letters(
    database: Database, school_class: ClassRecord, teacher: int
) -> None:
    jori, mila = school_class.pupils
    for at in (0, 1):
        write_n(database, school_class, at)
    hand_in_text(
        database,
        school_class,
        pupil_id=mila.id,
        kind=Kind.WORD,
        target="nn",
        help=Help.COPY,
        ink=Ink(letters.good_n().strokes + letters.moved(letters.good_n(), 1.4, 0.0).strokes),
        written_at=MONDAY,
    )
    lessons.set_taught(database, school_class, {"l", "n"}, MONDAY)
    with database.writing() as session:
        own_vocabulary.add(session, school_class.id, "(kn)oll")
        own_phrases.keep(session, school_class.id, "plain", "down", "Like rain")
        own = own_schemes.add(session, school_class.id, OWN)
        kept.set_scheme(session, school_class.id, own)
    made = classes.new_year(database, teacher, school_class.id, "Year 2", [mila.id])
    assert (made.style, made.ruling) == (school_class.style, school_class.ruling)
    assert [one.name for one in made.pupils] == ["Mila"]
    with database.session() as session:
        old = kept.get(session, school_class.id)
        assert [one.name for one in old.pupils] == ["Jori"]
        assert own_schemes.get(session, made.id, made.scheme).name == "Ours"
        assert made.scheme != old.scheme
        assert [one.text for one in own_vocabulary.of_class(session, made.id)] == ["knoll"]
        assert own_phrases.find(session, made.id, "plain").everywhere == {"down": "Like rain"}
        assert set(taught_letters.of_class(session, made.id, joined=False)) == {"l", "n"}
    before = [counted(database, one) for one in (school_class.id, made.id)]
    rebuild(database, MONDAY)
    assert [counted(database, one) for one in (school_class.id, made.id)] == before
    assert (total(database, school_class.id), total(database, made.id)) == (1, 3)
    classes.remove(database, teacher, school_class.id)
    assert total(database, made.id) == 3
    with database.session() as session, pytest.raises(NotInRecordError):
        pupils.get(session, made.id, jori.id)


def test_a_child_moves_only_to_a_class_that_she_teaches(
    database: Database, school_class: ClassRecord, teacher: int
) -> None:
    other = classes.begin(
        database,
        teacher,
        "Rush class",
        style=Style("joined"),
        ruling=Ruling(),
        x_height_mm=8.0,
        children=[("MILA", Handedness.LEFT)],
    )
    jori, mila = school_class.pupils
    with pytest.raises(pupils.NameTakenError):
        classes.move(database, teacher, school_class.id, mila.id, other.id)
    classes.move(database, teacher, school_class.id, jori.id, other.id)
    with database.session() as session:
        assert [one.name for one in pupils.of_class(session, other.id)] == ["Jori", "MILA"]
    finch = teacher_of(database, "Mr Finch")
    with pytest.raises(NotInRecordError):
        classes.move(database, finch, other.id, jori.id, school_class.id)
    classes.share(database, school_class.id, "Mr Finch")
    with pytest.raises(NotHersError):
        classes.move(database, finch, other.id, jori.id, school_class.id)


def test_who_is_apart_is_not_reckoned_with_and_who_left_is_on_no_list(
    database: Database, school_class: ClassRecord
) -> None:
    jori, mila = school_class.pupils
    for at in (0, 1) * SEVERAL:
        write_n(database, school_class, at, good=False)
    lessons.set_taught(database, school_class, {"n", "m", "h"}, MONDAY)

    assert habit_of(database, school_class) == 2
    children.set_presence(database, school_class.id, jori.id, Presence.APART, MONDAY)
    assert habit_of(database, school_class) == 1
    gone = children.set_presence(database, school_class.id, mila.id, Presence.LEFT, MONDAY)
    assert (gone.presence, gone.since) == (Presence.LEFT, date(2026, 9, 7))
    with database.session() as session:
        assert [one.name for one in pupils.of_class(session, school_class.id)] == ["Jori"]
        assert len(pupils.with_the_left(session, school_class.id)) == 2
    assert total(database, school_class.id) == 2 * SEVERAL
    with pytest.raises(pupils.NameTakenError, match="Mila has left; let them come back"):
        children.take_in(database, school_class.id, [("mila", Handedness.LEFT)])
    back = children.set_presence(database, school_class.id, mila.id, Presence.HERE, MONDAY)
    assert back.since is None


def habit_of(database: Database, school_class: ClassRecord) -> int:
    """How many children a lesson on a habit would be for, at most."""
    with database.session() as session:
        found = lessons.habits_of(session, kept.get(session, school_class.id), MONDAY)
    return max(one.children for one in found)


def test_each_child_has_a_picture_that_no_other_has(
    database: Database, school_class: ClassRecord
) -> None:
    jori, mila = school_class.pupils
    with database.writing() as session:
        pupils.set_tile(session, school_class.id, mila.id, "acorn")
        with pytest.raises(pupils.TileTakenError, match="Mila has that picture"):
            pupils.set_tile(session, school_class.id, jori.id, "acorn")
    given = children.give_tiles(database, school_class.id)
    assert [(one.name, one.tile) for one in given] == [("Jori", "anchor"), ("Mila", "acorn")]
