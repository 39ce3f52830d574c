"""The hands that letters were judged by: whatever the class writes now, a letter that is checked
again is asked the same question as the first time."""

import json
from functools import lru_cache

from sqlalchemy import ForeignKey, UniqueConstraint, bindparam, insert, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.letters import hand_package
from firstloop.core.letters.moves import Script
from firstloop.core.letters.style import Style, hand_of
from firstloop.store.base import Base


class JudgedHand(Base):
    """A style as it was on some day: the hand, its alternatives and proportions; of a school's own
    hand all of its letters too. Few rows, which many attempts share."""

    __tablename__ = "judged_hand"
    __table_args__ = (UniqueConstraint("class_id", "style"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    style: Mapped[str]


_FIND = select(JudgedHand.id).where(
    JudgedHand.class_id == bindparam("class_id"), JudgedHand.style == bindparam("style")
)
_ADD = insert(JudgedHand).returning(JudgedHand.id)


def keep(session: Session, class_id: int, style: Style) -> int:
    """The row of a style, made if there is none yet."""
    row, connection = {"class_id": class_id, "style": kept_text(style)}, session.connection()
    found = connection.scalar(_FIND, row)
    return connection.execute(_ADD, row).scalar_one() if found is None else found


@lru_cache(maxsize=64)
def style_from(text: str) -> Style:
    """A style as it was kept; the same text gives the same value, whose letters are drawn once."""
    data = json.loads(text)
    own = hand_package.hand_from(data["own"]) if data.get("own") else None
    return Style.of(data["hand"], data["choices"], data, own)


@lru_cache(maxsize=64)
def joins_in(text: str) -> bool:
    """Whether a hand joins, by its style as it was kept."""
    return hand_of(style_from(text)).joins


@lru_cache(maxsize=64)
def scripts_in(text: str) -> dict[str, Script]:
    """How the letters of a hand are made, by its style as it was kept."""
    return hand_of(style_from(text)).scripts


@lru_cache(maxsize=64)
def kept_text(style: Style) -> str:
    """A style as it is kept."""
    data = {"hand": style.hand, "choices": dict(sorted(style.choices))} | style.proportions
    own = {"own": hand_package.hand_data(style.own)} if style.own else {}
    return json.dumps(data | own, ensure_ascii=False, separators=(",", ":"))
