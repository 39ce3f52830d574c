"""Checking old ink again with the checker of today, and counting afresh what is kept up."""

from collections import Counter
from dataclasses import dataclass

from firstloop.core.checking.check import CHECKER_VERSION, check
from firstloop.core.contract import Dimension, Verdict
from firstloop.store import attempts, inks, practice_days, standings
from firstloop.store.database import Database
from firstloop.store.records import Checked

AT_ONCE = 200
"""Attempts that are checked before they are written: a bounded piece of memory, and of work that
would be lost with the power."""


@dataclass(frozen=True, slots=True)
class Change:
    """A verdict that is another now."""

    letter: str
    dimension: Dimension
    before: Verdict
    now: Verdict


@dataclass(frozen=True, slots=True)
class Rechecked:
    """How many letters were checked again, of how many the verdicts are the same, and how often
    each change came."""

    checked: int
    unchanged: int
    changes: Counter[Change]


def recheck(record: Database, class_id: int) -> Rechecked:
    """Checks all ink of a class again that an earlier checker has judged; the teacher's word stays.

    Each letter is asked what it was asked the first time: in the very hand, on the ruling and by
    the limits it was checked by then.
    """
    checked, unchanged, changes = 0, 0, Counter[Change]()
    with record.session() as session:
        old = attempts.not_checked_by(session, class_id, CHECKER_VERSION)
    for begin in range(0, len(old), AT_ONCE):
        with record.session() as session:
            ids = old[begin : begin + AT_ONCE]
            ink = inks.of(session, ids)
            for kept in attempts.some(session, class_id, ids):
                before = kept.attempt
                if kept.id not in ink:
                    continue
                result = check(ink[kept.id], before.task, before.style, before.ruling)
                checked += 1
                attempts.replace_check(session, class_id, kept.id, Checked.of(result))
                found = [
                    Change(before.task.target, dimension, before.checked.verdicts[dimension], now)
                    for dimension, now in result.verdict.items()
                    if before.checked.verdicts[dimension] is not now
                ]
                changes.update(found)
                unchanged += not found
                if found:
                    standings.recount(session, before.pupil_id, before.task.target)
    return Rechecked(checked, unchanged, changes)


def rebuild(record: Database) -> None:
    """Counts afresh how letters stand, and on which days they were written."""
    with record.session() as session:
        standings.rebuild(session)
        practice_days.rebuild(session)
