"""How far the checker is trusted in a class: what its teacher keeps overruling is told last."""

from datetime import datetime

from firstloop.core.contract import Code
from firstloop.core.judging.trust import doubted
from firstloop.store import finding_trust
from firstloop.store.database import Database, Session


def doubted_in(session: Session, class_id: int) -> frozenset[Code]:
    """The findings that count less in a class."""
    return doubted(finding_trust.of_class(session, class_id))


def count_from(
    record: Database, class_id: int, code: Code, moment: datetime | None, now: datetime
) -> None:
    """Lets a finding count in full again: what was said of it is counted anew from a moment on, or
    from None all that was said, as before."""
    with record.writing() as session:
        finding_trust.count_from(session, class_id, code, moment, now)
