"""A child as a tile: on a pad, and where a class is looked at."""

from firstloop.api.answer import Answer
from firstloop.store.records import PupilRecord


class Who(Answer):
    """A child as a tile: what to call it, and its picture: where it is fetched, and by name."""

    id: int
    name: str
    picture: str | None
    tile: str | None


def who_out(pupil: PupilRecord) -> Who:
    """A child as a tile."""
    address = None if pupil.tile is None else f"/api/tiles/{pupil.tile}"
    return Who(id=pupil.id, name=pupil.name, picture=address, tile=pupil.tile)
