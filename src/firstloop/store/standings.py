"""How letters stand, kept up as they are written: a small row for each child, letter and dimension,
so that nobody counts a year of attempts while a teacher waits.

The rule is `core.teaching.standing`; here it is counted for one letter of a child whenever an
attempt at it comes, is judged or goes, and for all with `rebuild`.
"""

from collections.abc import Iterable
from datetime import datetime
from itertools import groupby
from operator import itemgetter

from sqlalchemy import Connection, ForeignKey, Select, bindparam, delete, func, insert, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.teaching.standing import Held, Standing, stands
from firstloop.store import pupils
from firstloop.store.attempts import Attempt
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.judgements import Judgement
from firstloop.store.pupils import Pupil
from firstloop.store.records import LetterStanding

DIMENSIONS = tuple(Dimension)
VERDICTS = {verdict.value: verdict for verdict in Verdict}


class StandingRow(Base):
    """How one dimension of a child's letter stands, and on how many attempts that rests."""

    __tablename__ = "standing"

    pupil_id: Mapped[int] = mapped_column(
        ForeignKey("pupil.id", ondelete="CASCADE"), primary_key=True
    )
    letter: Mapped[str] = mapped_column(primary_key=True)
    dimension: Mapped[str] = mapped_column(primary_key=True)
    verdict: Mapped[str]
    rests_on: Mapped[int]
    last: Mapped[datetime] = mapped_column(UtcDateTime)


def of_class(session: Session, class_id: int) -> list[LetterStanding]:
    """How every letter of every child of a class stands that anyone has written."""
    rows = session.execute(
        select(
            StandingRow.pupil_id,
            StandingRow.letter,
            StandingRow.dimension,
            StandingRow.verdict,
            StandingRow.rests_on,
            StandingRow.last,
        )
        .join(Pupil, Pupil.id == StandingRow.pupil_id)
        .where(Pupil.class_id == class_id)
        .order_by(StandingRow.pupil_id, StandingRow.letter)
    )
    return [
        LetterStanding(
            pupil_id,
            letter,
            {
                Dimension(dimension): Standing(Verdict(verdict), rests_on, last)
                for _, _, dimension, verdict, rests_on, last in group
            },
        )
        for (pupil_id, letter), group in groupby(rows, key=lambda row: (row[0], row[1]))
    ]


def recount(session: Session, class_id: int, pupil_id: int, letter: str) -> None:
    """Counts how a child's letter stands, after something about it has changed; raises
    NotInRecordError."""
    session.flush()
    pupils.get(session, class_id, pupil_id)
    connection = session.connection()
    one = {"of_pupil": pupil_id, "of_letter": letter}
    connection.execute(_FORGET_ONE, one)
    _keep(connection, _counted(connection.execute(_HELD_OF_ONE, one)))


def rebuild(session: Session) -> None:
    """Counts how all letters of all children stand, as if nothing had been kept."""
    connection = session.connection()
    connection.execute(delete(StandingRow))
    _keep(connection, _counted(connection.execute(_held().execution_options(yield_per=10_000))))


_Row = tuple[int, str, dict[Dimension, Standing]]


def _held() -> Select[tuple[int, str, datetime, str, str, str]]:
    """What is held of each attempt: child, letter, moment and verdicts, in the order of writing."""
    verdicts = [func.coalesce(getattr(Judgement, d), getattr(Attempt, d)) for d in DIMENSIONS]
    return (
        select(Attempt.pupil_id, Attempt.letter, Attempt.written_at, *verdicts)
        .outerjoin(Judgement, (Judgement.attempt_id == Attempt.id) & Judgement.counts)
        .order_by(Attempt.pupil_id, Attempt.letter, Attempt.written_at, Attempt.id)
    )


_FORGET_ONE = delete(StandingRow).where(
    StandingRow.pupil_id == bindparam("of_pupil"), StandingRow.letter == bindparam("of_letter")
)
_HELD_OF_ONE = _held().where(
    Attempt.pupil_id == bindparam("of_pupil"), Attempt.letter == bindparam("of_letter")
)
_ADD = insert(StandingRow)


def _counted(rows: Iterable[tuple[int, str, datetime, str, str, str]]) -> Iterable[_Row]:
    for (pupil_id, letter), group in groupby(rows, key=itemgetter(0, 1)):
        held = (
            Held(moment, {d: VERDICTS[v] for d, v in zip(DIMENSIONS, said, strict=True)})
            for _, _, moment, *said in group
        )
        yield pupil_id, letter, stands(held)


def _keep(connection: Connection, counted: Iterable[_Row]) -> None:
    rows = [
        {
            "pupil_id": pupil_id,
            "letter": letter,
            "dimension": dimension.value,
            "verdict": standing.verdict.value,
            "rests_on": standing.rests_on,
            "last": standing.last,
        }
        for pupil_id, letter, found in counted
        for dimension, standing in found.items()
    ]
    if rows:
        connection.execute(_ADD, rows)
