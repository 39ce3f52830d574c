"""The school as a whole: in which zone its days are counted."""

from zoneinfo import available_timezones

from firstloop.core.errors import FirstLoopError
from firstloop.store import school
from firstloop.store.database import Database


def set_zone(record: Database, name: str) -> None:
    """Days are counted in a zone from now on; those that were counted stay. Raises FirstLoopError
    for a zone that there is not."""
    if name not in available_timezones():
        raise FirstLoopError(f'there is no time zone "{name}"; choose one of the list')
    with record.writing() as session:
        school.set_zone(session, name)
