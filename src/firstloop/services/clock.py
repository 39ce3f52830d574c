"""Moments and days: a school's day is where the school is."""

from datetime import date, datetime
from zoneinfo import ZoneInfo


def day_of(moment: datetime, zone: ZoneInfo) -> date:
    """The school's day at a moment that knows its zone.

    >>> from datetime import UTC
    >>> late = datetime(2026, 11, 25, 23, 30, tzinfo=UTC)
    >>> day_of(late, ZoneInfo("Europe/Berlin")).isoformat()
    '2026-11-26'
    """
    return moment.astimezone(zone).date()
