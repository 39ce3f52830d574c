"""The school's own hands: brought along as files, or written here."""

import json
from functools import lru_cache

from sqlalchemy import JSON, ForeignKey, Select, UniqueConstraint, bindparam, delete, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.letters import Hand, hand_package
from firstloop.store.base import Base


class OwnHand(Base):
    """A hand of the school's: the text of its file. Of one that is written here, `base` is the
    built-in hand that lends the rest, and `stands` says of its letters how they came to stand."""

    __tablename__ = "own_hand"
    __table_args__ = (UniqueConstraint("class_id", "name"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    name: Mapped[str]
    package: Mapped[str]
    base: Mapped[str | None]
    stands: Mapped[dict[str, str]] = mapped_column(JSON, default=dict, server_default="{}")


_PACKAGE = select(OwnHand.package).where(
    OwnHand.class_id == bindparam("class_id"), OwnHand.name == bindparam("name")
)


def names(session: Session, class_id: int) -> list[str]:
    """The names of the school's own hands."""
    rows = select(OwnHand.name).where(OwnHand.class_id == class_id).order_by(OwnHand.name)
    return list(session.scalars(rows))


def find(session: Session, class_id: int, name: str) -> Hand | None:
    """The own hand of that name, if there is one."""
    found = {"class_id": class_id, "name": name}
    package = session.connection().scalar(_PACKAGE, found)
    return None if package is None else _hand(package)


def keep(session: Session, class_id: int, hand: Hand) -> None:
    """Keeps a hand; one of the same name is replaced."""
    row = session.scalar(_named(class_id, hand.name)) or OwnHand(class_id=class_id, name=hand.name)
    row.package = json.dumps(hand_package.hand_data(hand), ensure_ascii=False)
    session.add(row)
    session.flush()


def remove(session: Session, class_id: int, name: str) -> None:
    """Forgets a hand."""
    session.execute(delete(OwnHand).where(OwnHand.class_id == class_id, OwnHand.name == name))


def _named(class_id: int, name: str) -> Select[OwnHand]:
    return select(OwnHand).where(OwnHand.class_id == class_id, OwnHand.name == name)


@lru_cache(maxsize=8)
def _hand(package: str) -> Hand:
    """The same text gives the same hand, so that what is computed from it is computed once."""
    return hand_package.hand_from(json.loads(package))
