"""Accounts as who sits at the machine sees to them, and how long who guesses is held up."""

from datetime import UTC, datetime, timedelta

import pytest
from argon2 import PasswordHasher

from firstloop.core.patience import AN_ATTACK, FREE, LONGEST, WITHIN
from firstloop.services import accounts, classes
from firstloop.services.guessing import TooManyTriesError
from firstloop.store import accounts as kept
from firstloop.store import known_devices, school, staff, wrong_guesses
from firstloop.store.accounts import AccountTakenError
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, NotInRecordError
from tests.teachers import PASSWORD, teacher_of

NOW = datetime(2026, 9, 7, 9, 0, tzinfo=UTC)
NEW = "two hens on a wall"


def sign_in(
    database: Database, password: str, address: str = "192.168.1.20", after: float = 0
) -> str:
    now = NOW + timedelta(seconds=after)
    return accounts.sign_in(database, "ms reed", password, address, now).token


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
    classes.hand_over(database, reed, school_class.id, "Mr Finch", with_flags=False)
    accounts.remove(database, "ms reed")
    with database.session() as session:
        assert [one.name for one in kept.all_claimed(session)] == ["Mr Finch"]
        assert [one.name for one in staff.classes_of(session, finch)] == ["Reed class"]


def _wrong(database: Database, address: str, after: float = 0) -> None:
    with pytest.raises(accounts.WrongPasswordError):
        sign_in(database, "not this one", address, after)


def test_who_guesses_waits_longer_each_time_and_never_for_good(database: Database) -> None:
    """As fast as the waits let one, whose right guesses between change nothing."""
    teacher_of(database)
    made, after, waits = 0, 0.0, [0]
    while after < WITHIN.total_seconds():
        try:
            _wrong(database, "192.168.1.66", after)
            made += 1
        except TooManyTriesError as held:
            waits.append(held.wait)
            after += held.wait
            if made % 20 == 0:
                sign_in(database, PASSWORD, "192.168.1.66", after)
    assert made <= FREE + 6 + WITHIN / LONGEST
    assert made >= AN_ATTACK
    assert max(waits) <= 15 * 60
    with database.session() as session:
        assert session.query(wrong_guesses.WrongGuess).count() == made
    assert sign_in(database, PASSWORD, "192.168.1.66", after + WITHIN.total_seconds())


def test_who_guesses_from_many_places_keeps_nobody_out(database: Database) -> None:
    teacher_of(database)
    hers = accounts.sign_in(database, "Ms Reed", PASSWORD, "192.168.1.9", NOW)
    for place in range(25):
        for _ in range(2):
            _wrong(database, f"10.0.0.{place}")
    assert AN_ATTACK < 2 * 25
    for place in range(25):  # under attack two are free, and no longer five
        with pytest.raises(TooManyTriesError, match="not held up"):
            sign_in(database, "a third one", f"10.0.0.{place}")
    assert sign_in(database, PASSWORD, "192.168.1.77")
    known = accounts.sign_in(database, "Ms Reed", PASSWORD, "10.0.0.1", NOW, hers.device)
    assert known.device == hers.device
    with database.session() as session:
        assert wrong_guesses.from_place(session, "10.0.0.1") == []  # digests alone are kept


def test_a_device_is_known_for_her_alone_and_only_so_many_are(database: Database) -> None:
    reed = teacher_of(database)
    teacher_of(database, "Mr Finch")
    hers = accounts.sign_in(database, "Ms Reed", PASSWORD, "10.0.0.1", NOW)
    assert accounts.is_known(database, "ms reed", hers.device, NOW)
    assert not accounts.is_known(database, "Mr Finch", hers.device, NOW)
    assert not accounts.is_known(database, "ms reed", None, NOW)
    assert not accounts.is_known(database, "ms reed", hers.device, NOW + known_devices.KNOWN_FOR)
    for at in range(known_devices.MOST):
        later = NOW + timedelta(seconds=1 + at)
        accounts.sign_in(database, "Ms Reed", PASSWORD, "10.0.0.1", later)
    assert not accounts.is_known(database, "ms reed", hers.device, NOW)
    with database.session() as session:
        of_hers = session.query(known_devices.KnownDevice).filter_by(account_id=reed)
        assert of_hers.count() == known_devices.MOST


def test_the_password_she_has_is_not_guessed_at_by_changing_it(database: Database) -> None:
    reed = teacher_of(database)
    for _ in range(FREE):
        with pytest.raises(accounts.WrongPasswordError):
            accounts.change_password(database, reed, "not this one", NEW, None, NOW)
    with pytest.raises(TooManyTriesError) as held:
        accounts.change_password(database, reed, PASSWORD, NEW, None, NOW)
    later = NOW + timedelta(seconds=held.value.wait)
    accounts.change_password(database, reed, PASSWORD, NEW, None, later)
    assert sign_in(database, NEW)


@pytest.mark.parametrize("typed", ["ein Ba\u0308r im Wald", "ein B\u00e4r im Wald"])
def test_an_accent_is_one_however_it_is_typed(database: Database, typed: str) -> None:
    accounts.begin(database, "Ms Reed", "ein B\u00e4r im Wald")
    assert sign_in(database, typed)
    with database.writing() as session:  # as it was kept before passwords were composed
        kept.set_password(session, 1, PasswordHasher().hash("ein Ba\u0308r im Wald"))
    assert sign_in(database, "ein Ba\u0308r im Wald")


def test_a_demonstration_ends_for_who_was_just_coming_in(database: Database) -> None:
    """A visitor is looked at, then the first account is made, then she would be let in."""
    with database.writing() as session:
        school.set_demo(session)
    accounts.begin(database, "Ms Reed", PASSWORD)
    assert accounts.sign_in_here(database, NOW) is None
