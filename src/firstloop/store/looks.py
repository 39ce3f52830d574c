"""What is held of things that were written, at a glance: for who looks on while a class writes, and
looks at a hundred of them at once. Past the mapper, and of a text without its letters."""

import json
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from sqlalchemy import BindParameter, bindparam, func, select
from sqlalchemy.orm import Session

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.judging.word import OnFinding
from firstloop.store import upgrades
from firstloop.store.attempts import Attempt
from firstloop.store.findings import FindingRow
from firstloop.store.judgements import JudgedFinding, Judgement
from firstloop.store.pupils import Pupil
from firstloop.store.texts import WrittenText


@dataclass(frozen=True, slots=True)
class ToMend:
    """A finding to be mended, and what is said of it to the child."""

    code: str
    say: str


@dataclass(frozen=True, slots=True, eq=False)
class Look:
    """The verdicts that count by dimension; what the checker would say; what is to be mended, the
    most important first, without what the class's teacher denies; which checker judged it; and of
    her word whether it denies anything to be mended, what she says herself, and whether she set it
    aside."""

    verdicts: dict[str, str]
    say: str
    to_mend: tuple[ToMend, ...]
    checker: str
    is_denied: bool = False
    her_say: str = ""
    set_aside: bool = False


_NAMES = [dimension.value for dimension in Dimension]
_HERS = (Judgement.id.label("judgement_id"), Judgement.say.label("her_say"), Judgement.set_aside)
_IDS: BindParameter[int] = bindparam("ids", expanding=True)
_ATTEMPTS = (
    select(
        Attempt.id,
        Attempt.say,
        Attempt.checker,
        *_HERS,
        *(func.coalesce(getattr(Judgement, d), getattr(Attempt, d)).label(d) for d in _NAMES),
    )
    .join(Pupil, Pupil.id == Attempt.pupil_id)
    .outerjoin(Judgement, (Judgement.attempt_id == Attempt.id) & Judgement.counts)
    .where(Pupil.class_id == bindparam("class_id"), Attempt.id.in_(_IDS))
)
_TO_MEND = (
    select(FindingRow.attempt_id, FindingRow.code, FindingRow.say)
    .where(FindingRow.severity == Verdict.NOT_YET.value, FindingRow.attempt_id.in_(_IDS))
    .order_by(FindingRow.attempt_id, FindingRow.position)
)
_DENIED = select(JudgedFinding.judgement_id, JudgedFinding.code).where(
    JudgedFinding.said == OnFinding.NOT_SO.value, JudgedFinding.judgement_id.in_(_IDS)
)
_TEXTS = (
    select(
        WrittenText.id,
        WrittenText.checker,
        *_HERS,
        *(getattr(Judgement, d).label(d) for d in _NAMES),
        func.json_extract(WrittenText.answer, "$.say").label("say"),
        func.json_extract(WrittenText.answer, "$.verdict").label("verdict"),
        func.json_extract(WrittenText.answer, "$.findings").label("findings"),
    )
    .join(Pupil, Pupil.id == WrittenText.pupil_id)
    .outerjoin(Judgement, (Judgement.text_id == WrittenText.id) & Judgement.counts)
    .where(Pupil.class_id == bindparam("class_id"), WrittenText.id.in_(_IDS))
)


def of_attempts(session: Session, class_id: int, ids: Iterable[int]) -> dict[int, Look]:
    """Attempts of a class, by their ids."""
    connection = session.connection()
    rows = connection.execute(_ATTEMPTS, {"class_id": class_id, "ids": list(ids)}).all()
    denied = _denied(session, rows)
    judgement_of = {row.id: row.judgement_id for row in rows}
    to_mend: dict[int, list[ToMend]] = {row.id: [] for row in rows}
    are_denied = set()
    for attempt_id, code, say in connection.execute(_TO_MEND, {"ids": list(to_mend)}):
        if (judgement_of[attempt_id], code) in denied:
            are_denied.add(attempt_id)
        else:
            to_mend[attempt_id] += _known([(code, say)])
    return {
        row.id: Look(
            {name: getattr(row, name) for name in _NAMES},
            row.say,
            tuple(to_mend[row.id]),
            row.checker,
            row.id in are_denied,
            row.her_say or "",
            bool(row.set_aside),
        )
        for row in rows
    }


def of_texts(session: Session, class_id: int, ids: Iterable[int]) -> dict[int, Look]:
    """Rows, words and sentences of a class, by their ids."""
    connection = session.connection()
    rows = connection.execute(_TEXTS, {"class_id": class_id, "ids": list(ids)}).all()
    denied = _denied(session, rows)
    looks = {}
    for row in rows:
        to_mend = [
            one for one in json.loads(row.findings) if one["severity"] == Verdict.NOT_YET.value
        ]
        left = [one for one in to_mend if (row.judgement_id, one["code"]) not in denied]
        looks[row.id] = Look(
            {**json.loads(row.verdict), **{d: v for d in _NAMES if (v := getattr(row, d))}},
            row.say,
            tuple(_known((one["code"], one["say"]) for one in left)),
            row.checker,
            len(left) < len(to_mend),
            row.her_say or "",
            bool(row.set_aside),
        )
    return looks


def _denied(session: Session, rows: Iterable[Any]) -> set[tuple[int, str]]:
    """Which findings she said are not so, by her word."""
    words = [row.judgement_id for row in rows if row.judgement_id is not None]
    if not words:
        return set()
    found = session.connection().execute(_DENIED, {"ids": words})
    return {(judgement_id, code) for judgement_id, code in found}


def _known(found: Iterable[tuple[str, str]]) -> list[ToMend]:
    """Findings by their codes of today, without those that there are no more."""
    named = [(upgrades.code(name), say) for name, say in found]
    return [ToMend(code.value, say) for code, say in named if code]
