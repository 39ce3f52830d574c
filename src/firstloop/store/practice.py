"""What the class has practised: of every taught letter when it was last written, how often it has
come back, and in how many hands it does not hold.

Read without ink, and of each child and letter only the newest attempts, so that a year of records
is looked through while the teacher waits.
"""

from collections import defaultdict
from datetime import date, datetime

from sqlalchemy import Row, func, select
from sqlalchemy.orm import Session

from firstloop.core.checking.findings import Dimension, Verdict
from firstloop.core.due import Practised, shaky_share
from firstloop.core.progress import Seen, Verdicts, held_verdicts, standing
from firstloop.store import lessons
from firstloop.store.models import Attempt, Judgement, Pupil

NEWEST = 3
"""Attempts of a child at a letter that are looked at: a letter on paper shows no direction, and two
of them may stand before the last one seen from a pen."""


def practised(session: Session, class_id: int) -> list[Practised]:
    """Every taught letter, as it was practised."""
    taught = lessons.taught(session, class_id)
    written = _written(session, class_id)
    standings = _standings(session, class_id)
    return [
        Practised(
            letter=letter,
            taught=since,
            last=max(since, written[letter][0]) if letter in written else since,
            times=written[letter][1] if letter in written else 0,
            shaky=shaky_share(standings[letter].values()),
        )
        for letter, since in taught.items()
    ]


def _written(session: Session, class_id: int) -> dict[str, tuple[date, int]]:
    """For each letter the day it was last written, and on how many days it came back."""
    days = func.count(func.distinct(func.date(Attempt.written_at)))
    query = (
        select(Attempt.letter, func.max(Attempt.written_at), days)
        .join(Attempt.pupil)
        .where(Pupil.class_id == class_id)
        .group_by(Attempt.letter)
    )
    return {letter: (last.date(), count - 1) for letter, last, count in session.execute(query)}


def _standings(session: Session, class_id: int) -> dict[str, dict[int, Verdicts]]:
    """How each letter stands with each child who wrote it."""
    place = (
        func.row_number()
        .over(partition_by=(Attempt.pupil_id, Attempt.letter), order_by=Attempt.written_at.desc())
        .label("place")
    )
    newest = (
        select(Attempt.id, place).join(Attempt.pupil).where(Pupil.class_id == class_id).subquery()
    )
    query = (
        select(
            Attempt.letter,
            Attempt.pupil_id,
            Attempt.written_at,
            *(getattr(Attempt, dimension) for dimension in Dimension),
            *(
                getattr(Judgement, dimension).label(f"judged_{dimension}")
                for dimension in Dimension
            ),
        )
        .join(newest, newest.c.id == Attempt.id)
        .outerjoin(Judgement, Judgement.attempt_id == Attempt.id)
        .where(newest.c.place <= NEWEST)
    )
    seen: dict[tuple[str, int], list[Seen]] = defaultdict(list)
    for row in session.execute(query):
        seen[row.letter, row.pupil_id].append(Seen(_moment(row), _held(row)))
    standings: dict[str, dict[int, Verdicts]] = defaultdict(dict)
    for (letter, pupil), attempts in seen.items():
        standings[letter][pupil] = standing(attempts)
    return standings


def _moment(row: Row[tuple[object, ...]]) -> datetime:
    moment: datetime = row.written_at
    return moment


def _held(row: Row[tuple[object, ...]]) -> Verdicts:
    checked = {dimension: Verdict(getattr(row, dimension)) for dimension in Dimension}
    said = {dimension: getattr(row, f"judged_{dimension}") for dimension in Dimension}
    return held_verdicts(checked, {d: Verdict(value) for d, value in said.items() if value})
