"""Accounts and signing in: passwords are kept as argon2 digests, what a browser shows as a digest
of random bytes."""

import secrets
import unicodedata
from dataclasses import dataclass
from datetime import datetime, timedelta
from functools import cache

from argon2 import PasswordHasher
from argon2.exceptions import Argon2Error, InvalidHashError

from firstloop.core.errors import FirstLoopError
from firstloop.core.staff import require_good_password
from firstloop.services import guessing
from firstloop.services.digests import digest_of, new_token
from firstloop.store import accounts, known_devices, school, sign_ins, staff
from firstloop.store.database import Database, Session
from firstloop.store.records import AccountRecord, NotInRecordError, Signed

LASTS = timedelta(hours=12)
"""A school day with its evening; then the password is asked again."""


class WrongPasswordError(FirstLoopError):
    """A name or a password that is not right; which of the two is not said."""


class StillTeachesError(FirstLoopError):
    """An account with classes that would be nobody's."""


_HASHER = PasswordHasher()
"""argon2id as RFC 9106 proposes it where memory is small: 64 MiB, three passes."""


@cache
def _nobodys() -> str:
    """A digest of nothing: a name that is not there takes as long as one that is."""
    return _HASHER.hash(secrets.token_hex())


def require_none(record: Database) -> None:
    """Raises AccountTakenError where there is an account already."""
    with record.session() as session:
        accounts.require_none(session)


def begin(record: Database, name: str, password: str) -> AccountRecord:
    """Makes the first account; it takes over the classes that the record has. Raises PasswordError
    and AccountTakenError."""
    require_none(record)  # before anything is digested, which is dear
    digest = _digest(password, name)
    with record.writing() as session:
        claimed = accounts.claim(session, name, digest)
        sign_ins.remove_all(session, claimed.id)  # who sat at the demonstration is not the teacher
        return claimed


def add(record: Database, name: str, password: str, *, alike: bool = False) -> AccountRecord:
    """Makes an account for a colleague; raises PasswordError and AccountTakenError, and
    LooksAlikeError unless a name that looks like another's is meant."""
    with record.session() as session:  # before anything is digested, which is dear
        accounts.require_free(session, name, alike=alike)
    digest = _digest(password, name)
    with record.writing() as session:
        return accounts.add(session, name, digest, alike=alike)


@dataclass(frozen=True, slots=True)
class SignedIn:
    """What a browser shows from now on: that it is signed in, and by what its device is known."""

    token: str
    device: str


def is_known(record: Database, name: str, device: str | None, now: datetime) -> bool:
    """Whether somebody of that name has signed in on a device before."""
    with record.session() as session:
        account = _named(session, name)
        return account is not None and _knows(session, account, device, now)


def sign_in(  # noqa: PLR0917  # what signing in is about
    record: Database,
    name: str,
    password: str,
    address: str,
    now: datetime,
    device: str | None = None,
) -> SignedIn:
    """Signs a browser in. Raises WrongPasswordError and TooManyTriesError."""
    with record.session() as session:
        account = _named(session, name)
        known = account is not None and _knows(session, account, device, now)
        place = guessing.place_of(address, digest_of(device) if known and device else None)
        guess = guessing.at_a_password(name, place)
        guess.require_patience(session, now)
        digest = accounts.password_of(session, account.id) if account else None
    is_right = _is_right(digest or _nobodys(), password)
    with record.writing() as session:
        # Meanwhile it may have been set anew, or the account removed.
        if is_right and account and accounts.still_has(session, account.id, digest):
            shown = SignedIn(new_token(), device if known and device else new_token())
            sign_ins.add(session, digest_of(shown.token), account.id, now + LASTS, now)
            known_devices.add(session, digest_of(shown.device), account.id, now)
            return shown
        guess.was_wrong(session, now)
    raise WrongPasswordError("this name and this password do not go together; try again")


def _named(session: Session, name: str) -> AccountRecord | None:
    try:
        return accounts.named(session, name)
    except NotInRecordError:
        return None


def _knows(session: Session, account: AccountRecord, device: str | None, now: datetime) -> bool:
    return device is not None and known_devices.is_known(
        session, digest_of(device), account.id, now
    )


def signed_in(
    record: Database, token: str | None, now: datetime, *, is_here: bool
) -> Signed | None:
    """Who shows a token; without one, who sits at the machine (`is_here`) of a demonstration."""
    with record.session() as session:
        found = sign_ins.find(session, digest_of(token), now) if token else None
        if found is None and is_here and school.is_demo(session):
            return sign_ins.nobody(session)
        return found


def sign_in_here(record: Database, now: datetime) -> str | None:
    """Signs the browser in that sits at the machine of a demonstration, so that it is known beside
    a pad that is tried in it; the token that it shows. None where it is a demonstration no more:
    somebody may be making the first account just now."""
    token = new_token()
    with record.writing() as session:
        nobody = sign_ins.nobody(session)
        if nobody is None or not school.is_demo(session):
            return None
        sign_ins.add(session, digest_of(token), nobody.account_id, now + LASTS, now)
    return token


def stay(record: Database, token: str, now: datetime) -> None:
    """A browser stays signed in for a day from now on: no password is asked in mid-lesson."""
    with record.writing() as session:
        sign_ins.renew(session, digest_of(token), now + LASTS)


def sign_out(record: Database, token: str) -> None:
    """What the browser shows is worth nothing from now on."""
    with record.writing() as session:
        sign_ins.remove(session, digest_of(token))


def change_password(  # noqa: PLR0917  # which of whom, for which, when
    record: Database, account_id: int, old: str, new: str, token: str | None, now: datetime
) -> None:
    """Changes a password; all other browsers are signed out. Raises WrongPasswordError,
    TooManyTriesError and PasswordError."""
    guess = guessing.at_her_own_password(account_id)
    with record.session() as session:
        guess.require_patience(session, now)
        account = accounts.get(session, account_id)
        digest = accounts.password_of(session, account_id)
    is_right = _is_right(digest or _nobodys(), old)
    fresh = _digest(new, account.name) if is_right else ""
    with record.writing() as session:
        if is_right and accounts.still_has(session, account_id, digest):
            accounts.set_password(session, account_id, fresh)
            sign_ins.remove_all(session, account_id, but=digest_of(token) if token else None)
            return
        guess.was_wrong(session, now)
    raise WrongPasswordError("this is not the password you have now; try again")


def reset_password(record: Database, name: str, password: str) -> None:
    """Sets a password, as who sits at the machine may; all browsers are signed out. Raises
    NotInRecordError and PasswordError."""
    digest = _digest(password, name)
    with record.writing() as session:
        account = accounts.named(session, name)
        accounts.set_password(session, account.id, digest)
        sign_ins.remove_all(session, account.id)


def remove(record: Database, name: str) -> None:
    """Deletes an account; raises NotInRecordError, and StillTeachesError while a class is hers."""
    with record.writing() as session:
        account = accounts.named(session, name)
        hers = [one.name for one in staff.classes_of(session, account.id) if one.is_hers]
        if hers:
            raise StillTeachesError(
                f"{account.name} still teaches {', '.join(hers)}; let her hand the class over, or "
                "delete it, first"
            )
        accounts.remove(session, account.id)
    record.clear_log()


def _digest(password: str, name: str) -> str:
    require_good_password(password, name)
    return _HASHER.hash(_composed(password))


def _is_right(digest: str, password: str) -> bool:
    composed = _composed(password)
    # Digests from before passwords were composed are of what was typed then.
    return any(_goes_with(digest, typed) for typed in dict.fromkeys((composed, password)))


def _composed(password: str) -> str:
    """One keyboard sends an accent with its letter, another after it: both are one password (NFC,
    as RFC 8265 has it)."""
    return unicodedata.normalize("NFC", password)


def _goes_with(digest: str, typed: str) -> bool:
    try:
        return _HASHER.verify(digest, typed)
    except (Argon2Error, InvalidHashError):
        return False
