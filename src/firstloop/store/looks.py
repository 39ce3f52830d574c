"""What is held of things that were written, at a glance: for who looks on while a class writes, and
looks at a hundred of them at once. Past the mapper, and of a text without its letters."""

import json
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from sqlalchemy import bindparam, func, select
from sqlalchemy.orm import Session

from firstloop.core.contract import Dimension, Verdict
from firstloop.store import upgrades
from firstloop.store.attempts import Attempt
from firstloop.store.findings import FindingRow
from firstloop.store.judgements import Judgement
from firstloop.store.pupils import Pupil
from firstloop.store.texts import WrittenText


@dataclass(frozen=True, slots=True, eq=False)
class Look:
    """The verdicts that count by dimension, the one thing to say, the codes of what is to be
    mended, the most important first, and which checker judged it."""

    verdicts: dict[str, str]
    say: str
    to_mend: tuple[str, ...]
    checker: str


_NAMES = [dimension.value for dimension in Dimension]
_HELD = [func.coalesce(getattr(Judgement, d), getattr(Attempt, d)) for d in _NAMES]
_ATTEMPTS = (
    select(Attempt.id, Attempt.say, Attempt.checker, *_HELD)
    .join(Pupil, Pupil.id == Attempt.pupil_id)
    .outerjoin(Judgement, Judgement.attempt_id == Attempt.id)
    .where(
        Pupil.class_id == bindparam("class_id"), Attempt.id.in_(bindparam("ids", expanding=True))
    )
)
_TO_MEND = (
    select(FindingRow.attempt_id, FindingRow.code)
    .where(
        FindingRow.severity == Verdict.NOT_YET.value,
        FindingRow.attempt_id.in_(bindparam("ids", expanding=True)),
    )
    .order_by(FindingRow.attempt_id, FindingRow.position)
)
_TEXTS = (
    select(
        WrittenText.id,
        WrittenText.checker,
        WrittenText.judgement,
        func.json_extract(WrittenText.answer, "$.say").label("say"),
        func.json_extract(WrittenText.answer, "$.verdict").label("verdict"),
        func.json_extract(WrittenText.answer, "$.findings").label("findings"),
    )
    .join(Pupil, Pupil.id == WrittenText.pupil_id)
    .where(
        Pupil.class_id == bindparam("class_id"),
        WrittenText.id.in_(bindparam("ids", expanding=True)),
    )
)


def of_attempts(session: Session, class_id: int, ids: Iterable[int]) -> dict[int, Look]:
    """Attempts of a class, by their ids."""
    asked: dict[str, Any] = {"class_id": class_id, "ids": list(ids)}
    rows = session.connection().execute(_ATTEMPTS, asked).all()
    to_mend: dict[int, list[str]] = {attempt_id: [] for attempt_id, *_ in rows}
    for attempt_id, name in session.connection().execute(_TO_MEND, {"ids": list(to_mend)}):
        to_mend[attempt_id] += _known([name])
    return {
        attempt_id: Look(
            dict(zip(_NAMES, held, strict=True)), say, tuple(to_mend[attempt_id]), checker
        )
        for attempt_id, say, checker, *held in rows
    }


def of_texts(session: Session, class_id: int, ids: Iterable[int]) -> dict[int, Look]:
    """Rows, words and sentences of a class, by their ids."""
    rows = session.connection().execute(_TEXTS, {"class_id": class_id, "ids": list(ids)})
    return {
        row.id: Look(
            {**json.loads(row.verdict), **(row.judgement["verdicts"] if row.judgement else {})},
            row.say,
            tuple(
                _known(
                    one["code"]
                    for one in json.loads(row.findings)
                    if one["severity"] == Verdict.NOT_YET.value
                )
            ),
            row.checker,
        )
        for row in rows
    }


def _known(names: Iterable[str]) -> list[str]:
    """Codes as they are called today, without those that there are no more."""
    return [found.value for found in map(upgrades.code, names) if found]
