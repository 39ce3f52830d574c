"""Accounts and signing in: passwords are kept as argon2 digests, what a browser shows as a digest
of random bytes."""

import hashlib
import secrets
import threading
from datetime import datetime, timedelta

from argon2 import PasswordHasher
from argon2.exceptions import Argon2Error, InvalidHashError

from firstloop.core.errors import FirstLoopError
from firstloop.core.staff import require_good_password
from firstloop.services.tries import Tries
from firstloop.store import accounts, school, sign_ins, staff
from firstloop.store.database import Database
from firstloop.store.records import AccountRecord, NotInRecordError, Signed

LASTS = timedelta(hours=12)
"""A school day with its evening; then the password is asked again."""

TOKEN_BYTES = 32


class WrongPasswordError(FirstLoopError):
    """A name or a password that is not right; which of the two is not said."""


class StillTeachesError(FirstLoopError):
    """An account with classes that would be nobody's."""


_HASHER = PasswordHasher()
"""argon2id as RFC 9106 proposes it where memory is small: 64 MiB, three passes."""

_ONE_AT_A_TIME = threading.Lock()
"""Who tries many passwords at once takes no more memory than who tries one."""

_NOBODYS = _HASHER.hash(secrets.token_hex())
"""A name that is not there takes as long as one that is."""


def begin(record: Database, name: str, password: str) -> AccountRecord:
    """Makes the first account; it takes over the classes that the record has. Raises PasswordError
    and AccountTakenError."""
    digest = _digest(password, name)
    with record.writing() as session:
        claimed = accounts.claim(session, name, digest)
        sign_ins.remove_all(session, claimed.id)  # who sat at the demonstration is not the teacher
        return claimed


def add(record: Database, name: str, password: str) -> AccountRecord:
    """Makes an account for a colleague; raises PasswordError and AccountTakenError."""
    digest = _digest(password, name)
    with record.writing() as session:
        return accounts.add(session, name, digest)


def sign_in(
    record: Database, tries: Tries, *, name: str, password: str, address: str, now: datetime
) -> str:
    """Signs a browser in; the token that it shows from now on. Raises WrongPasswordError and
    TooManyTriesError."""
    tries.count(address, name, now)
    with record.session() as session:
        try:
            account = accounts.named(session, name)
            digest = accounts.password_of(session, account.id) or _NOBODYS
        except NotInRecordError:
            account, digest = None, _NOBODYS
    if not _is_right(digest, password) or account is None:
        raise WrongPasswordError("this name and this password do not go together; try again")
    tries.succeeded(address, name)
    token = secrets.token_urlsafe(TOKEN_BYTES)
    with record.writing() as session:
        sign_ins.add(session, digest_of(token), account.id, now + LASTS, now)
    return token


def signed_in(
    record: Database, token: str | None, now: datetime, *, is_here: bool
) -> Signed | None:
    """Who shows a token; without one, who sits at the machine (`is_here`) of a demonstration."""
    with record.session() as session:
        found = sign_ins.find(session, digest_of(token), now) if token else None
        if found is None and is_here and school.is_demo(session):
            return sign_ins.nobody(session)
        return found


def sign_in_here(record: Database, account_id: int, now: datetime) -> str:
    """Signs the browser in that sits at the machine of a demonstration, so that it is known beside
    a pad that is tried in it; the token that it shows."""
    token = secrets.token_urlsafe(TOKEN_BYTES)
    with record.writing() as session:
        sign_ins.add(session, digest_of(token), account_id, now + LASTS, now)
    return token


def stay(record: Database, token: str, now: datetime) -> None:
    """A browser stays signed in for a day from now on: no password is asked in mid-lesson."""
    with record.writing() as session:
        sign_ins.renew(session, digest_of(token), now + LASTS)


def sign_out(record: Database, token: str) -> None:
    """What the browser shows is worth nothing from now on."""
    with record.writing() as session:
        sign_ins.remove(session, digest_of(token))


def change_password(
    record: Database, account_id: int, *, old: str, new: str, token: str | None
) -> None:
    """Changes a password; all other browsers are signed out. Raises WrongPasswordError and
    PasswordError."""
    with record.session() as session:
        account = accounts.get(session, account_id)
        digest = accounts.password_of(session, account_id) or _NOBODYS
    if not _is_right(digest, old):
        raise WrongPasswordError("this is not the password you have now; try again")
    fresh = _digest(new, account.name)
    with record.writing() as session:
        accounts.set_password(session, account_id, fresh)
        sign_ins.remove_all(session, account_id, but=digest_of(token) if token else None)


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


def _digest(password: str, name: str) -> str:
    require_good_password(password, name)
    with _ONE_AT_A_TIME:
        return _HASHER.hash(password)


def _is_right(digest: str, password: str) -> bool:
    with _ONE_AT_A_TIME:
        try:
            return _HASHER.verify(digest, password)
        except (Argon2Error, InvalidHashError):
            return False


def digest_of(token: str) -> str:
    """What is kept of what a browser shows: whoever reads it cannot show it."""
    return hashlib.sha256(token.encode("utf-8", "replace")).hexdigest()
