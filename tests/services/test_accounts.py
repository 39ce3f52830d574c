"""Accounts as who sits at the machine sees to them, and how long who guesses is held up."""

from datetime import UTC, datetime, timedelta

import pytest

from firstloop.services import accounts, classes
from firstloop.services.tries import FROM_ONE_PLACE, OF_ONE_NAME, WITHIN, TooManyTriesError, Tries
from firstloop.store import accounts as kept
from firstloop.store import staff
from firstloop.store.accounts import AccountTakenError
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, NotInRecordError
from tests.teachers import PASSWORD, teacher_of

NOW = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)
NEW = "two hens on a wall"


def sign_in(database: Database, password: str, tries: Tries | None = None) -> str:
    return accounts.sign_in(
        database,
        tries or Tries(),
        name="ms reed",
        password=password,
        address="192.168.1.20",
        now=NOW,
    )


def test_a_password_is_set_anew_and_all_browsers_are_signed_out(
    database: Database, school_class: ClassRecord
) -> None:
    teacher_of(database)
    token = sign_in(database, PASSWORD)
    signed = accounts.signed_in(database, token, NOW, is_here=False)
    assert signed is not None
    assert signed.class_id == school_class.id
    accounts.reset_password(database, "Ms Reed", NEW)
    assert accounts.signed_in(database, token, NOW, is_here=False) is None
    with pytest.raises(accounts.WrongPasswordError):
        sign_in(database, PASSWORD)
    assert sign_in(database, NEW)
    with pytest.raises(NotInRecordError, match="no account of Nobody"):
        accounts.reset_password(database, "Nobody", NEW)


def test_the_record_holds_neither_passwords_nor_what_browsers_show(
    database: Database, school_class: ClassRecord
) -> None:
    accounts.begin(database, "Ms Reed", PASSWORD)
    token = sign_in(database, PASSWORD)
    database.clear_log()
    kept_bytes = database.path.read_bytes()
    assert b"$argon2id$" in kept_bytes
    assert PASSWORD.encode() not in kept_bytes
    assert token.encode() not in kept_bytes
    assert school_class.name.encode() in kept_bytes


def test_an_account_is_removed_once_its_classes_are_anothers(
    database: Database, school_class: ClassRecord
) -> None:
    reed, finch = teacher_of(database), teacher_of(database, "Mr Finch")
    with pytest.raises(AccountTakenError, match="add a letter"):
        accounts.add(database, "mr finch", PASSWORD)
    with pytest.raises(accounts.StillTeachesError, match="Reed class"):
        accounts.remove(database, "Ms Reed")
    classes.hand_over(database, reed, school_class.id, "Mr Finch")
    accounts.remove(database, "ms reed")
    with database.session() as session:
        assert [one.name for one in kept.all_claimed(session)] == ["Mr Finch"]
        assert [one.name for one in staff.classes_of(session, finch)] == ["Reed class"]


def test_from_one_place_so_many_then_one_as_each_grows_old() -> None:
    tries = Tries()
    for second in range(FROM_ONE_PLACE):
        tries.count("a", "Ms Reed", NOW + timedelta(seconds=second))
    with pytest.raises(TooManyTriesError) as held:
        tries.count("a", "Another", NOW + timedelta(seconds=10))
    assert held.value.wait == WITHIN.total_seconds() - 10
    tries.count("b", "Ms Reed", NOW + timedelta(seconds=10))
    tries.count("a", "Ms Reed", NOW + WITHIN)


def test_a_name_that_is_guessed_at_from_everywhere_still_opens_where_it_did_before() -> None:
    tries = Tries()
    tries.succeeded("her desk", "Ms Reed")
    for at in range(OF_ONE_NAME):
        tries.count(f"pad {at}", "MS REED", NOW)
    with pytest.raises(TooManyTriesError, match="not held up"):
        tries.count("a new pad", "Ms Reed", NOW)
    tries.count("her desk", "Ms Reed", NOW)
    tries.count("a new pad", "Mr Finch", NOW)
