"""Words of the teacher's own."""

from firstloop.core.vocabulary.sounds import Word
from firstloop.store import own_vocabulary
from firstloop.store.database import Database


def add(record: Database, class_id: int, noted: str) -> Word:
    """Keeps a word, noted with its sounds; raises WordError."""
    with record.writing() as session:
        return own_vocabulary.add(session, class_id, noted.strip())


def remove(record: Database, class_id: int, text: str) -> None:
    """Forgets a word; raises NotInRecordError."""
    with record.writing() as session:
        own_vocabulary.remove(session, class_id, text)
