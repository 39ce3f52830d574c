"""What words and letters are shown and said with: her pictures and her voice."""

from firstloop.formats.sounds import media_of
from firstloop.formats.tiles import require_tile
from firstloop.store import prompts
from firstloop.store.database import Database


def show(record: Database, class_id: int, text: str, tile: str | None) -> None:
    """Shows a picture for a word or letter, or none; raises NoTileError."""
    require_tile(tile)
    with record.writing() as session:
        prompts.set_tile(session, class_id, text, tile)


def say(record: Database, class_id: int, text: str, sound: bytes) -> None:
    """Keeps her voice for a word or letter; raises FirstLoopError for what is no recording."""
    media_of(sound)
    with record.writing() as session:
        prompts.set_sound(session, class_id, text, sound)


def say_no_more(record: Database, class_id: int, text: str) -> None:
    """Deletes a recording for good."""
    with record.writing() as session:
        prompts.set_sound(session, class_id, text, None)
    record.clear_log()
