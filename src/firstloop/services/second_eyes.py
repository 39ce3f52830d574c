"""A second pair of eyes: the same letters judged by several, none of whom sees another's word."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime

from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Kind, Source
from firstloop.core.judging.blind_set import Candidate, chosen
from firstloop.core.judging.second_eyes import Judged, Two, agreement_of
from firstloop.core.judging.word import OnFinding
from firstloop.core.staff import Role
from firstloop.services import judging
from firstloop.services.table import days_written
from firstloop.store import accounts, attempts, blind_sets, inks, staff, table
from firstloop.store import judging as words
from firstloop.store.blind_sets import BlindSetRecord
from firstloop.store.database import Database, Session
from firstloop.store.judging import Author
from firstloop.store.records import AttemptRecord, ClassRecord, NotInRecordError
from firstloop.store.table import Asked


def make(  # noqa: PLR0917  # what a set is made of
    record: Database,
    school_class: ClassRecord,
    name: str,
    size: int,
    readers: Sequence[int],
    now: datetime,
) -> BlindSetRecord:
    """Chooses a set of the last term's letters for some people to judge; it is another each time,
    and the same for all of them. Raises TooFewLettersError, NotInRecordError.
    """
    with record.writing() as session:
        for account_id in readers:
            accounts.get(session, account_id)
        days = days_written(session, school_class.id) or [now.date()]
        asked = Asked(days[-1], days[0], kind=Kind.LETTER)
        found, _ = table.lying(session, school_class.id, asked)
        candidates = [
            Candidate(
                one.about.attempt_id,
                one.pupil_id,
                one.target,
                sum(v in (Verdict.NOT_YET, Verdict.NEARLY) for v in one.verdicts.values()),
            )
            for one in found
            if one.about.attempt_id is not None and one.source is not Source.EYE and one.is_checked
        ]
        ids = chosen(candidates, size, seed=int(now.timestamp()))
        set_id = blind_sets.add(session, school_class.id, name, ids, readers, now)
        return blind_sets.get(session, school_class.id, set_id)


@dataclass(frozen=True, slots=True, eq=False)
class ToJudge:
    """A letter of a set: what was asked for, its ink, and what this reader said of it so far."""

    attempt: AttemptRecord
    ink: Ink
    said: Judged | None


def to_judge(session: Session, account_id: int, set_id: int) -> list[ToJudge]:
    """The letters of a set, for one who judges it; nobody's word but her own. Raises
    NotInRecordError."""
    found = blind_sets.get_to_judge(session, account_id, set_id)
    by_id = {one.id: one for one in attempts.some(session, found.class_id, found.attempts)}
    ink = inks.of(session, found.attempts)
    said = _said(session, found).get(account_id, {})
    return [
        ToJudge(by_id[one], ink.get(one, Ink(())), said.get(one))
        for one in found.attempts
        if one in by_id
    ]


def say(  # noqa: PLR0917  # who says what of which letter of which set, when
    record: Database,
    account_id: int,
    set_id: int,
    attempt_id: int,
    verdicts: Mapping[Dimension, Verdict],
    codes: Sequence[Code],
    now: datetime,
) -> None:
    """Keeps what somebody says of a letter of a set, in place of what she said before. Raises
    NotInRecordError."""
    with record.writing() as session:
        found = blind_sets.get_to_judge(session, account_id, set_id)
        if attempt_id not in found.attempts:
            raise NotInRecordError(f"there is no letter {attempt_id} in this set")
        author = Author(account_id, _teaches(session, found.class_id, account_id))
        judging.judge_blind(
            session, found.class_id, author, set_id, attempt_id, verdicts, codes, now
        )


def _teaches(session: Session, class_id: int, account_id: int) -> bool:
    try:
        return staff.role_in(session, class_id, account_id) is Role.TEACHER
    except NotInRecordError:  # a colleague, to whom it is nobody's class
        return False


CHECKER = "The checker"


@dataclass(frozen=True, slots=True)
class Compared:
    """Two of those who judged a set, by name, and how they agree."""

    one: str
    other: str
    two: Two


def compared(session: Session, class_id: int, set_id: int) -> list[Compared]:
    """How each two of checker and readers agree; nothing before all readers are through, for none
    is to see another's word. Raises NotInRecordError."""
    found = blind_sets.get(session, class_id, set_id)
    if not found.is_through:
        return []
    said = _said(session, found)
    judged = {CHECKER: _checked(session, found)}
    judged |= {one.name or "You": said.get(one.account_id, {}) for one in found.readers}
    names = list(judged)
    return [
        Compared(one, other, agreement_of(judged[one], judged[other]))
        for at, one in enumerate(names)
        for other in names[at + 1 :]
    ]


def _checked(session: Session, found: BlindSetRecord) -> dict[int, Judged]:
    return {
        one.id: Judged(
            one.attempt.checked.verdicts,
            frozenset(
                f.code for f in one.attempt.checked.findings if f.severity is Verdict.NOT_YET
            ),
        )
        for one in attempts.some(session, found.class_id, found.attempts)
    }


def _said(session: Session, found: BlindSetRecord) -> dict[int, dict[int, Judged]]:
    """What each reader said of each letter, by account and attempt."""
    said: dict[int, dict[int, Judged]] = {}
    for attempt_id, word in words.of_set(session, found.class_id, found.id):
        if word.author_id is not None:
            there = (OnFinding.SO, OnFinding.MISSED)
            codes = frozenset(c for c, one in word.word.findings.items() if one in there)
            judged = Judged(
                dict.fromkeys(Dimension, Verdict.UNSEEN) | {**word.word.verdicts}, codes
            )
            said.setdefault(word.author_id, {})[attempt_id] = judged
    return said


def remove(record: Database, class_id: int, set_id: int, now: datetime) -> None:
    """Deletes a set with all that was said in it. Raises NotInRecordError."""
    with record.writing() as session:
        judging.forget_set(session, class_id, set_id, now)
