"""What all tables share: the base, moments in UTC, and enums that outlive a renaming."""

from datetime import UTC, datetime

from sqlalchemy import MetaData
from sqlalchemy.engine import Dialect
from sqlalchemy.orm import DeclarativeBase
from sqlalchemy.types import DateTime, TypeDecorator


class Base(DeclarativeBase):
    """All tables; constraints have names, so that migrations can speak of them."""

    metadata = MetaData(
        naming_convention={
            "ix": "ix_%(table_name)s_%(column_0_name)s",
            "uq": "uq_%(table_name)s_%(column_0_name)s",
            "ck": "ck_%(table_name)s_%(constraint_name)s",
            "fk": "fk_%(table_name)s_%(column_0_name)s",
            "pk": "pk_%(table_name)s",
        }
    )


class UtcDateTime(TypeDecorator[datetime]):
    """A moment in UTC: SQLite keeps no zone, so it is fixed here."""

    impl = DateTime
    cache_ok = True

    def process_bind_param(self, value: datetime | None, dialect: Dialect) -> datetime | None:
        """To the table: UTC, without its zone."""
        del dialect
        return None if value is None else value.astimezone(UTC).replace(tzinfo=None)

    def process_result_value(self, value: datetime | None, dialect: Dialect) -> datetime | None:
        """From the table: UTC, with its zone."""
        del dialect
        return None if value is None else value.replace(tzinfo=UTC)
