"""The teacher's word on a text, and on letters in it."""

from firstloop.store import texts
from firstloop.store.database import Database
from firstloop.store.records import JudgementRecord, TextRecord


def judge(
    record: Database, class_id: int, text_id: int, said: JudgementRecord | None
) -> TextRecord:
    """Sets the teacher's word on the whole in place of an earlier one; with None it is taken back.
    Its letters are judged one by one. Raises NotInRecordError."""
    with record.writing() as session:
        texts.judge(session, class_id, text_id, said)
        return texts.get(session, class_id, text_id)
