"""Checking old ink again with the checker of today, and counting afresh what is kept up."""

from collections import Counter
from collections.abc import Callable, Iterable
from concurrent.futures import Executor
from dataclasses import dataclass, field, replace
from datetime import datetime

from firstloop.core.checking.say.findings import CHECKER_VERSION
from firstloop.core.contract import Dimension, Verdict
from firstloop.core.errors import UncheckedError
from firstloop.core.evidence.image import SeenInk
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style, hand_of
from firstloop.formats.result_json import as_json
from firstloop.services import progress
from firstloop.services.checks import evidence_of, letter_checked, text_checked
from firstloop.services.clock import day_of
from firstloop.services.handing_in import keep_letters
from firstloop.store import (
    attempts,
    classes,
    inks,
    practice_days,
    progress_marks,
    school,
    texts,
)
from firstloop.store.database import Database, Session
from firstloop.store.records import UNJUDGED, AttemptRecord, Checked, is_judged_by
from firstloop.store.texts import AnsweredBy

AT_ONCE, SENT = 400, 20
"""Attempts that are checked before they are written: a bounded piece of memory, and of work that
would be lost with the power. Of these as many are sent together to who checks."""


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


def recheck(record: Database, class_id: int, executor: Executor | None = None) -> Rechecked:
    """Checks all ink of a class again that an earlier checker has judged, by whatever does the work
    (None: this process); the teacher's word stays.

    Each letter and each text is asked what it was asked the first time: in the very hand, on the
    ruling and by the limits it was checked by then.
    """
    with record.session() as session:
        old = attempts.not_checked_by(session, class_id, CHECKER_VERSION)
        old_texts = texts.not_checked_by(session, class_id, CHECKER_VERSION)
    return _recheck(record, class_id, old, old_texts, executor=executor)


def recheck_by_todays_hand(
    record: Database, class_id: int, executor: Executor | None = None
) -> Rechecked:
    """Asks all ink of a class again that was judged by another hand than it writes now, or by that
    hand as it was: now it is asked by today's. What was written in print stays print's, what was
    joined a joined hand's; the teacher's word stays."""
    with record.writing() as session:
        style = classes.get(session, class_id).style
        old = attempts.in_another_hand(session, class_id, style)
        old_texts = texts.in_another_hand(session, class_id, style)
    return _recheck(record, class_id, old, old_texts, executor=executor, style=style)


def judge_what_failed(record: Database) -> None:
    """Checks what an earlier checker failed on, in all classes; what this one failed on itself it
    is not asked again."""
    with record.session() as session:
        failed = [
            (
                one.id,
                attempts.failed_on(session, one.id, UNJUDGED, CHECKER_VERSION),
                texts.failed_on(session, one.id, UNJUDGED, CHECKER_VERSION),
            )
            for one in classes.every(session)
        ]
    for class_id, letters, whole in failed:
        _recheck(record, class_id, letters, whole)


def _recheck(
    record: Database,
    class_id: int,
    letters: list[int],
    whole: list[int],
    *,
    executor: Executor | None = None,
    style: Style | None = None,
) -> Rechecked:
    done, check_all = _Done(style), executor.map if executor else map
    for begin in range(0, len(letters), AT_ONCE):
        _recheck_letters(record, class_id, letters[begin : begin + AT_ONCE], done, check_all)
    for text_id in whole:
        _recheck_text(record, class_id, text_id, done)
    return Rechecked(done.checked, done.unchanged, done.changes)


@dataclass(slots=True)
class _Done:
    """What was done so far; by which hand, if it is another than was asked of before."""

    style: Style | None = None
    checked: int = 0
    unchanged: int = 0
    changes: Counter[Change] = field(default_factory=Counter)

    def may_ask(self, written: Style) -> bool:
        """Whether what was written in a hand can be asked by the other one."""
        return self.style is None or hand_of(self.style).joins == hand_of(written).joins


Asked = tuple[int, Ink | SeenInk, Task, Style, Ruling]
"""A kept letter, and what is asked of it again."""


def _checked_again(asked: list[Asked]) -> dict[int, Checked]:
    return {
        kept: letter_checked(ink, task, style, ruling) for kept, ink, task, style, ruling in asked
    }


CheckAll = Callable[
    [Callable[[list[Asked]], dict[int, Checked]], Iterable[list[Asked]]],
    Iterable[dict[int, Checked]],
]


def _recheck_letters(
    record: Database, class_id: int, ids: list[int], done: _Done, check_all: CheckAll
) -> None:
    """Some letters: checked while others may write, then kept in one go."""
    with record.session() as session:
        ink = inks.of(session, ids)
        found = [one for one in attempts.some(session, class_id, ids) if one.id in ink]
        paper = classes.get(session, class_id).ruling
    asked: list[Asked] = [
        (
            kept.id,
            evidence_of(one.source, ink[kept.id]),
            one.task,
            done.style or one.style,
            one.ruling.on(paper),
        )
        for kept in found
        for one in [kept.attempt]
        if done.may_ask(one.style)
    ]
    parts = [asked[begin : begin + SENT] for begin in range(0, len(asked), SENT)]
    checked = {
        kept: again for part in check_all(_checked_again, parts) for kept, again in part.items()
    }
    with record.writing() as session:
        for kept in attempts.some(session, class_id, list(checked)):
            _take_over(session, class_id, kept, checked[kept.id], done)


def _take_over(
    session: Session, class_id: int, kept: AttemptRecord, again: Checked, done: _Done
) -> None:
    before = kept.attempt
    if not again.is_judged:
        return  # what was said of it before is more than nothing
    attempts.replace_check(session, class_id, kept.id, again, done.style)
    found = [
        Change(before.task.target, dimension, before.checked.verdicts[dimension], now)
        for dimension, now in again.verdicts.items()
        if before.checked.verdicts[dimension] is not now
    ]
    done.checked += 1
    done.changes.update(found)
    done.unchanged += not found
    if found:
        progress_marks.forget(session, class_id, before.pupil_id, before.day)


def _recheck_text(record: Database, class_id: int, text_id: int, done: _Done) -> None:
    """A text with its letters; a letter that is found elsewhere in it now stays as it was."""
    with record.session() as session:
        kept = texts.get(session, class_id, text_id)
        paper = classes.get(session, class_id).ruling
    text = kept.text
    if not done.may_ask(text.style):
        return
    try:
        ink = evidence_of(text.source, text.ink)
        style = done.style or text.style
        result = text_checked(ink, text.task, style, text.ruling.on(paper))
    except UncheckedError:  # what a pad was asked for, and the check does not look at
        return
    if result is None:
        return
    with record.writing() as session:
        by = AnsweredBy(result.checker, done.style)
        texts.answered_again(session, class_id, text_id, as_json(result), by)
        if not is_judged_by(text.checker):
            keep_letters(session, class_id, replace(text, checker=result.checker), result, text_id)
            return
        there = attempts.some(session, class_id, [*kept.attempts.values()])
        letters = {one.id: one for one in there}
        for place, letter in enumerate(result.letters):
            before = letters.get(kept.attempts.get(place, 0))
            if before is not None and before.attempt.task.target == letter.target:
                again = Checked.of_letter(letter, result.checker)
                _take_over(session, class_id, before, again, done)


def rebuild(record: Database, now: datetime) -> None:
    """Counts afresh on which days letters were written, and how they stood."""
    with record.writing() as session:
        practice_days.rebuild(session)
        today = day_of(now, school.zone(session))
    progress.rebuild(record, today)
