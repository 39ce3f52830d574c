"""Evidence out of the record: what is held of each attempt, by the checker or the teacher."""

from collections.abc import Collection, Mapping, Sequence
from datetime import date
from typing import NamedTuple

import numpy as np
import numpy.typing as npt
from sqlalchemy import Row, and_, case, func, literal, select
from sqlalchemy.orm import Session

from firstloop.core.checking.texts.catalogue import DIMENSION_OF
from firstloop.core.contract import Code, Verdict
from firstloop.core.judging.trust import Spoken, share_not_so
from firstloop.core.judging.word import OnFinding
from firstloop.core.progress.evidence import (
    DIMENSIONS,
    HELPS,
    SEEN_OF,
    Evidence,
    letter_key,
)
from firstloop.core.progress.habits import blamed_by, move_named
from firstloop.core.progress.likelihood import FALSE_FAULTS
from firstloop.store import upgrades
from firstloop.store.attempts import Attempt
from firstloop.store.findings import FindingRow
from firstloop.store.judged_hands import JudgedHand, joins_in, scripts_in
from firstloop.store.judgements import JudgedFinding, Judgement
from firstloop.store.pupils import Pupil

NO_PLACE = -1
"""Of a stroke or move that is not known."""

_HER_WORD = and_(Judgement.attempt_id == Attempt.id, Judgement.counts)
_HELD = [
    case((Judgement.set_aside, Verdict.UNSEEN.value), else_=func.coalesce(hers, checkers))
    for hers, checkers in (
        (getattr(Judgement, dimension), getattr(Attempt, dimension)) for dimension in DIMENSIONS
    )
]
_WRITTEN = (
    select(
        Attempt.id,
        Attempt.pupil_id,
        Attempt.letter,
        JudgedHand.style,
        func.julianday(Attempt.written_at),
        Attempt.help,
        Judgement.id,
        *_HELD,
    )
    .join(JudgedHand, JudgedHand.id == Attempt.hand_id)
    .outerjoin(Judgement, _HER_WORD)
)
_FAULTS = (
    select(Attempt.id, FindingRow.code, FindingRow.stroke, FindingRow.move)
    .join(FindingRow, FindingRow.attempt_id == Attempt.id)
    .outerjoin(Judgement, _HER_WORD)
    .outerjoin(
        JudgedFinding,
        and_(
            JudgedFinding.judgement_id == Judgement.id,
            JudgedFinding.code == FindingRow.code,
            JudgedFinding.said == OnFinding.NOT_SO.value,
        ),
    )
    .where(FindingRow.severity == Verdict.NOT_YET.value, JudgedFinding.code.is_(None))
)
_MISSED = (
    select(Attempt.id, JudgedFinding.code, literal(NO_PLACE), literal(NO_PLACE))
    .join(Judgement, _HER_WORD)
    .join(JudgedFinding, JudgedFinding.judgement_id == Judgement.id)
    .where(JudgedFinding.said == OnFinding.MISSED.value)
)
"""What she saw besides: of a move that she did not point to."""

BEGINNING = 2_440_587.5
"""The first of January 1970, in days as SQLite counts them."""
_HELP_NUMBERS = {help_.value: number for number, help_ in enumerate(HELPS)}
_SEEN = {verdict.value: int(seen) for verdict, seen in SEEN_OF.items()}


class _Written(NamedTuple):
    """A row of what was written; `her_word` is the id of the word on it that counts."""

    id: int
    pupil_id: int
    glyph: str
    style: str
    julian_day: float
    help: str
    her_word: int | None
    direction: str
    size: str
    shape: str


def of_children(  # noqa: PLR0917  # whose evidence, of which days, and how far it is trusted
    session: Session,
    class_id: int,
    pupil_ids: Collection[int],
    after: date | None,
    until: date,
    trust: Mapping[Code, Spoken],
) -> Evidence:
    """What children of a class wrote after a day (None: ever) and until a day, in no order. A
    fault is doubted as far as the class's teacher calls such findings not so."""
    asked = [
        Attempt.pupil_id.in_(select(Pupil.id).where(Pupil.class_id == class_id)),
        Attempt.pupil_id.in_(pupil_ids),
        Attempt.day <= until,
    ]
    if after is not None:
        asked.append(Attempt.day > after)
    written = [_Written(*row) for row in session.execute(_WRITTEN.where(*asked))]
    faults = [*session.execute(_FAULTS.where(*asked)), *session.execute(_MISSED.where(*asked))]
    return _evidence(written, faults, trust)


def _evidence(
    written: Sequence[_Written],
    faults: Sequence[Row[int, str, int, int]],
    trust: Mapping[Code, Spoken],
) -> Evidence:
    keys = [letter_key(row.glyph, joins=joins_in(row.style)) for row in written]
    pupils = tuple(sorted({row.pupil_id for row in written}))
    letters = tuple(sorted(set(keys)))
    pupil_at = {name: place for place, name in enumerate(pupils)}
    letter_at = {name: place for place, name in enumerate(letters)}
    seen = [[_SEEN[row.direction], _SEEN[row.size], _SEEN[row.shape]] for row in written]
    blamed, doubt = _of_findings(written, faults, trust)
    return Evidence(
        pupils=pupils,
        letters=letters,
        pupil=np.array([pupil_at[row.pupil_id] for row in written], np.intp),
        letter=np.array([letter_at[key] for key in keys], np.intp),
        days=np.array([row.julian_day - BEGINNING for row in written]),
        help=np.array([_HELP_NUMBERS[row.help] for row in written], np.int8),
        judged=np.array([row.her_word is not None for row in written], np.bool_),
        seen=np.array(seen, np.int8).reshape(len(written), len(DIMENSIONS)),
        blamed=blamed,
        doubt=doubt,
    )


def _of_findings(
    written: Sequence[_Written],
    faults: Sequence[Row[int, str, int, int]],
    trust: Mapping[Code, Spoken],
) -> tuple[npt.NDArray[np.uint64], npt.NDArray[np.float64]]:
    """The strands that the findings of each attempt name, and how likely each dimension's fault is
    none: as likely as all of its findings are not so. The teacher's word is not doubted."""
    at = {row.id: place for place, row in enumerate(written)}
    blamed = np.zeros(len(written), np.uint64)
    doubt = np.ones((len(written), len(DIMENSIONS)))
    has_findings = np.zeros(doubt.shape, np.bool_)
    for attempt_id, kept_code, stroke, move in faults:
        code, place = upgrades.code(kept_code), at[attempt_id]
        if code is None:
            continue
        row = written[place]
        named = move_named(scripts_in(row.style).get(row.glyph), stroke, move)
        blamed[place] |= np.uint64(blamed_by(code, named))
        column = DIMENSIONS.index(DIMENSION_OF[code])
        has_findings[place, column] = True
        doubt[place, column] *= doubt_of(code, trust)
    doubt[~has_findings] = 0.0
    doubt[[row.her_word is not None for row in written]] = 0.0
    return blamed, doubt


def doubt_of(code: Code, trust: Mapping[Code, Spoken]) -> float:
    """How likely a finding is none: by this class's judgements where there are enough of them, else
    as measured at large."""
    here = share_not_so(trust[code]) if code in trust else None
    return FALSE_FAULTS[DIMENSION_OF[code]] if here is None else here
