"""What the class has practised: of every taught letter when it was last written, how often it has
come back, and in how many hands it does not hold.

Read without ink, and of each child and letter only the newest attempts, so that a year of records
is looked through while the teacher waits.
"""

from collections import defaultdict
from collections.abc import Iterable
from datetime import date

from sqlalchemy import func, select
from sqlalchemy.orm import Session, aliased

from firstloop.core.checking.findings import Dimension, Verdict
from firstloop.core.due import Practised, shaky_share
from firstloop.core.progress import Seen, Verdicts, held_verdicts, standing
from firstloop.store import lessons
from firstloop.store.models import Attempt, Judgement, Pupil

DIMENSIONS = tuple(Dimension)
VERDICTS = {verdict.value: verdict for verdict in Verdict}

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
    wrote = (
        select(Attempt.pupil_id, Attempt.letter)
        .distinct()
        .join(Attempt.pupil)
        .where(Pupil.class_id == class_id)
        .subquery()
    )
    own = aliased(Attempt)
    newest = (
        select(own.id)
        .where(own.pupil_id == wrote.c.pupil_id, own.letter == wrote.c.letter)
        .order_by(own.written_at.desc())
        .limit(NEWEST)
    )
    query = (
        select(
            Attempt.letter,
            Attempt.pupil_id,
            Attempt.written_at,
            *(getattr(Attempt, dimension) for dimension in DIMENSIONS),
            *(getattr(Judgement, dimension) for dimension in DIMENSIONS),
        )
        .join_from(wrote, Attempt, Attempt.id.in_(newest))
        .outerjoin(Judgement, Judgement.attempt_id == Attempt.id)
    )
    seen: dict[tuple[str, int], list[Seen]] = defaultdict(list)
    for letter, pupil, moment, *said in session.execute(query):
        checked, judged = _verdicts(said[: len(DIMENSIONS)]), _verdicts(said[len(DIMENSIONS) :])
        seen[letter, pupil].append(Seen(moment, held_verdicts(checked, judged)))
    standings: dict[str, dict[int, Verdicts]] = defaultdict(dict)
    for (letter, pupil), written in seen.items():
        standings[letter][pupil] = standing(written)
    return standings


def _verdicts(said: Iterable[str | None]) -> Verdicts:
    """Verdicts from their columns; of a dimension that is not spoken of there is none."""
    pairs = zip(DIMENSIONS, said, strict=True)
    return {dimension: VERDICTS[value] for dimension, value in pairs if value is not None}
