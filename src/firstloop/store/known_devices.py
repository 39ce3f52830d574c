"""Devices on which somebody has signed in before. Who guesses at her name from elsewhere does not
hold them up. Of what a device shows for it only a digest is kept."""

from datetime import datetime, timedelta

from sqlalchemy import ForeignKey, delete, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.store.base import Base, UtcDateTime

KNOWN_FOR = timedelta(days=400)
"""From one school year to the next; browsers keep no cookie for longer."""

MOST = 30
"""Devices of one account: beyond that, those that have been known longest are forgotten."""


class KnownDevice(Base):
    """A device (a digest of its cookie) that an account has signed in on, and until when it is
    known for that."""

    __tablename__ = "known_device"

    device: Mapped[str] = mapped_column(primary_key=True)
    account_id: Mapped[int] = mapped_column(
        ForeignKey("account.id", ondelete="CASCADE"), primary_key=True, index=True
    )
    until: Mapped[datetime] = mapped_column(UtcDateTime)


def is_known(session: Session, device: str, account_id: int, now: datetime) -> bool:
    """Whether an account has signed in on a device."""
    row = session.get(KnownDevice, (device, account_id))
    return row is not None and row.until > now


def add(session: Session, device: str, account_id: int, now: datetime) -> None:
    """Remembers that an account signed in on a device; what is too old goes."""
    session.execute(delete(KnownDevice).where(KnownDevice.until <= now))
    session.merge(KnownDevice(device=device, account_id=account_id, until=now + KNOWN_FOR))
    session.flush()
    beyond = (
        select(KnownDevice.device)
        .where(KnownDevice.account_id == account_id)
        .order_by(KnownDevice.until.desc())
        .offset(MOST)
    )
    session.execute(
        delete(KnownDevice).where(
            KnownDevice.account_id == account_id, KnownDevice.device.in_(beyond)
        )
    )
