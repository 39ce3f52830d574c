"""What the checker says of texts, at a glance: beside the answers, so that nobody reads those who
looks at a hundred texts at once."""

from typing import Any

from sqlalchemy import JSON, ForeignKey
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.contract import Dimension
from firstloop.store.base import Base


class TextSeen(Base):
    """The verdicts of a text, and the code and severity of each of its findings, the most important
    first."""

    __tablename__ = "text_seen"

    text_id: Mapped[int] = mapped_column(
        ForeignKey("written_text.id", ondelete="CASCADE"), primary_key=True
    )
    direction: Mapped[str]
    size: Mapped[str]
    shape: Mapped[str]
    found: Mapped[list[list[str]]] = mapped_column(JSON)


def keep(session: Session, text_id: int, answer: dict[str, Any]) -> None:
    """Keeps what an answer says at a glance, in place of an earlier one."""
    session.merge(
        TextSeen(
            text_id=text_id,
            found=[[one["code"], one["severity"]] for one in answer["findings"]],
            **{dimension.value: answer["verdict"][dimension.value] for dimension in Dimension},
        )
    )
    session.flush()
