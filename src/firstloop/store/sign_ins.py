"""Who is signed in, until when. Of what a browser shows for it only a digest is kept: whoever reads
the record cannot sign in with it."""

from datetime import datetime

from sqlalchemy import ForeignKey, bindparam, delete, select, update
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.staff import Role
from firstloop.store import news
from firstloop.store.accounts import Account
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.records import Signed
from firstloop.store.staff import ClassTeacher


class SignIn(Base):
    """One browser that is signed in; `token` is the digest of its cookie."""

    __tablename__ = "sign_in"

    token: Mapped[str] = mapped_column(primary_key=True)
    account_id: Mapped[int] = mapped_column(
        ForeignKey("account.id", ondelete="CASCADE"), index=True
    )
    until: Mapped[datetime] = mapped_column(UtcDateTime)


# Every request asks it: a statement that is built once.
_ACCOUNT = select(Account.id, Account.name, Account.class_id, ClassTeacher.role).outerjoin(
    ClassTeacher,
    (ClassTeacher.account_id == Account.id) & (ClassTeacher.class_id == Account.class_id),
)
_BY_TOKEN = _ACCOUNT.join(SignIn, SignIn.account_id == Account.id).where(
    SignIn.token == bindparam("digest"), SignIn.until > bindparam("now", type_=UtcDateTime)
)
_NOBODYS = _ACCOUNT.where(Account.password.is_(None))


def add(session: Session, token: str, account_id: int, until: datetime, now: datetime) -> None:
    """Signs a browser in; those whose time is over go."""
    session.execute(delete(SignIn).where(SignIn.until <= now))
    session.add(SignIn(token=token, account_id=account_id, until=until))
    session.flush()


def find(session: Session, token: str, now: datetime) -> Signed | None:
    """Who is signed in with a token, and what she is to the class that she has open."""
    row = session.connection().execute(_BY_TOKEN, {"digest": token, "now": now}).first()
    return None if row is None else _signed(*row)


def nobody(session: Session) -> Signed | None:
    """The account that is nobody's yet, as if somebody had signed in to it."""
    row = session.connection().execute(_NOBODYS).first()
    return None if row is None else _signed(*row)


def renew(session: Session, token: str, until: datetime) -> None:
    """Lets a browser be signed in until then."""
    session.execute(update(SignIn).where(SignIn.token == token).values(until=until))


def remove(session: Session, token: str) -> None:
    """Signs a browser out."""
    signed = session.get(SignIn, token)
    if signed is not None:
        _wake(session, signed.account_id)
        session.delete(signed)
        session.flush()


def remove_all(session: Session, account_id: int, but: str | None = None) -> None:
    """Signs an account out everywhere, or everywhere but in one browser."""
    _wake(session, account_id)
    session.execute(
        delete(SignIn).where(SignIn.account_id == account_id, SignIn.token != (but or ""))
    )


def _wake(session: Session, account_id: int) -> None:
    """Who listens on a screen of hers looks whether she is still signed in there."""
    class_id = session.get_one(Account, account_id).class_id
    if class_id is not None:
        news.happened(session, (class_id, False))


def _signed(account_id: int, name: str, class_id: int | None, role: str | None) -> Signed:
    if class_id is None or role is None:
        return Signed(account_id, name, None, None)
    return Signed(account_id, name, class_id, Role(role))
