"""Teachers' accounts: what they are called, the digest of their passwords, the class each has open.

An account without a password is nobody's yet: it holds the classes of a record that was used before
there were accounts, or that holds the made-up class, until the first teacher takes it over.
"""

from sqlalchemy import ForeignKey, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.errors import FirstLoopError, LooksAlikeError
from firstloop.core.names import key_of, look_alike
from firstloop.store import news
from firstloop.store.base import Base
from firstloop.store.records import AccountRecord, NotInRecordError


class Account(Base):
    """A teacher or helper. `key` is the name as it is compared; `class_id` the class that is open
    on her screens."""

    __tablename__ = "account"

    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]
    key: Mapped[str] = mapped_column(unique=True)
    password: Mapped[str | None]
    class_id: Mapped[int | None] = mapped_column(ForeignKey("school_class.id", ondelete="SET NULL"))


class AccountTakenError(FirstLoopError):
    """There is an account already, or another of that name."""


def all_claimed(session: Session) -> list[AccountRecord]:
    """The accounts that somebody can sign in to, by name."""
    rows = select(Account).where(Account.password.is_not(None)).order_by(Account.key)
    return [_record(row) for row in session.scalars(rows)]


def is_claimed(session: Session) -> bool:
    """Whether anybody can sign in."""
    claimed = select(Account.id).where(Account.password.is_not(None)).limit(1)
    return session.scalar(claimed) is not None


def unclaimed(session: Session) -> int:
    """The account that is nobody's yet, made if there is none; its id."""
    found = session.scalar(select(Account.id).where(Account.password.is_(None)))
    return _add(session, "", None).id if found is None else found


def require_none(session: Session) -> None:
    """Raises AccountTakenError where somebody can sign in."""
    if is_claimed(session):
        raise AccountTakenError("there is an account already; a colleague who has one can add you")


def claim(session: Session, name: str, password: str) -> AccountRecord:
    """Makes the first account, over what was nobody's; raises AccountTakenError where there is one.
    `password` is its digest."""
    require_none(session)
    row = session.get_one(Account, unclaimed(session))
    row.name, row.key, row.password = name, key_of(name), password
    session.flush()
    return _record(row)


def require_free(session: Session, name: str, *, alike: bool) -> None:
    """Raises AccountTakenError for a name that is taken, and LooksAlikeError for one that looks
    like another's, unless that is meant."""
    if not alike:
        for one in all_claimed(session):
            if look_alike(one.name, name):
                raise LooksAlikeError(one.name)
    if session.scalar(select(Account.id).where(Account.key == key_of(name))) is not None:
        raise AccountTakenError(f"{name} has an account already; add a letter to tell them apart")


def add(session: Session, name: str, password: str, *, alike: bool = False) -> AccountRecord:
    """Makes another account; raises as `require_free`."""
    require_free(session, name, alike=alike)
    return _record(_add(session, name, password))


def get(session: Session, account_id: int) -> AccountRecord:
    """One account; raises NotInRecordError."""
    return _record(_row(session, account_id))


def named(session: Session, name: str) -> AccountRecord:
    """The account of a name that somebody can sign in to; raises NotInRecordError."""
    row = session.scalar(
        select(Account).where(Account.key == key_of(name), Account.password.is_not(None))
    )
    if row is None:
        raise NotInRecordError(f"there is no account of {name}")
    return _record(row)


def password_of(session: Session, account_id: int) -> str | None:
    """The digest of a password."""
    return _row(session, account_id).password


def still_has(session: Session, account_id: int, password: str | None) -> bool:
    """Whether an account is there and its password (its digest) is what it was."""
    row = session.get(Account, account_id)
    return row is not None and row.password == password


def set_password(session: Session, account_id: int, password: str) -> None:
    """Keeps the digest of a new password."""
    _row(session, account_id).password = password
    session.flush()


def open_class(session: Session, account_id: int, class_id: int | None) -> None:
    """Remembers which class is open; that it is hers, who calls has looked. Her screens that show
    the one before are woken."""
    row = _row(session, account_id)
    if row.class_id is not None and row.class_id != class_id:
        news.happened(session, (row.class_id, False))
    row.class_id = class_id
    session.flush()


def remove(session: Session, account_id: int) -> None:
    """Deletes an account; its classes are another's by then."""
    session.delete(_row(session, account_id))
    session.flush()


def _add(session: Session, name: str, password: str | None) -> Account:
    row = Account(name=name, key=key_of(name), password=password)
    session.add(row)
    session.flush()
    return row


def _row(session: Session, account_id: int) -> Account:
    row = session.get(Account, account_id)
    if row is None:
        raise NotInRecordError("there is no such account; somebody may have removed it")
    return row


def _record(row: Account) -> AccountRecord:
    return AccountRecord(row.id, row.name, row.class_id)
