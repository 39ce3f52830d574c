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

HER_WORD = and_(Judgement.attempt_id == Attempt.id, Judgement.counts)
HELD = [
    case((Judgement.set_aside, Verdict.UNSEEN.value), else_=func.coalesce(hers, checkers))
    for hers, checkers in (
        (getattr(Judgement, dimension), getattr(Attempt, dimension)) for dimension in DIMENSIONS
    )
]
"""What is held of an attempt in each dimension, joined with her word on it."""
_WRITTEN = (
    select(
        Attempt.id,
        Attempt.pupil_id,
        Attempt.letter,
        JudgedHand.style,
        func.julianday(Attempt.written_at),
        Attempt.help,
        Judgement.id,
        *HELD,
    )
    .join(JudgedHand, JudgedHand.id == Attempt.hand_id)
    .outerjoin(Judgement, HER_WORD)
)
_FAULTS = (
    select(Attempt.id, FindingRow.code, FindingRow.stroke, FindingRow.move)
    .join(FindingRow, FindingRow.attempt_id == Attempt.id)
    .outerjoin(Judgement, HER_WORD)
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
    .join(Judgement, HER_WORD)
    .join(JudgedFinding, JudgedFinding.judgement_id == Judgement.id)
    .where(JudgedFinding.said == OnFinding.MISSED.value)
)
"""What she saw besides: of a move that she did not point to."""

BEGINNING = 2_440_587.5
"""The first of January 1970, in days as SQLite counts them."""
_HELP_NUMBERS = {help_.value: number for number, help_ in enumerate(HELPS)}
_SEEN = {verdict.value: int(seen) for verdict, seen in SEEN_OF.items()}


class _Written(NamedTuple):
    """What was written, as columns; `her_word` is the id of the word on it that counts."""

    id: Sequence[int] = ()
    pupil_id: Sequence[int] = ()
    glyph: Sequence[str] = ()
    style: Sequence[str] = ()
    julian_day: Sequence[float] = ()
    help: Sequence[str] = ()
    her_word: Sequence[int | None] = ()
    direction: Sequence[str] = ()
    size: Sequence[str] = ()
    shape: Sequence[str] = ()


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
    connection = session.connection()
    rows = connection.execute(_WRITTEN.where(*asked)).all()
    written = _Written(*zip(*rows, strict=True))
    faults = [
        *connection.execute(_FAULTS.where(*asked)),
        *connection.execute(_MISSED.where(*asked)),
    ]
    return _evidence(written, faults, trust)


def _evidence(
    written: _Written,
    faults: Sequence[Row[int, str, int, int]],
    trust: Mapping[Code, Spoken],
) -> Evidence:
    # Few kinds of letters, many of each: what a kind is, is asked once.
    kinds = [*zip(written.glyph, written.style, strict=True)]
    key_of = {kind: letter_key(kind[0], joins=joins_in(kind[1])) for kind in set(kinds)}
    pupils = tuple(sorted(set(written.pupil_id)))
    letters = tuple(sorted(set(key_of.values())))
    pupil_at = {name: place for place, name in enumerate(pupils)}
    letter_at = {kind: letters.index(key) for kind, key in key_of.items()}
    seen = [
        [_SEEN[said] for said in column]
        for column in (written.direction, written.size, written.shape)
    ]
    blamed, doubt = _of_findings(written, faults, trust)
    return Evidence(
        pupils=pupils,
        letters=letters,
        pupil=np.array([pupil_at[one] for one in written.pupil_id], np.intp),
        letter=np.array([letter_at[kind] for kind in kinds], np.intp),
        days=np.array(written.julian_day, np.float64) - BEGINNING,
        help=np.array([_HELP_NUMBERS[one] for one in written.help], np.int8),
        judged=np.array([one is not None for one in written.her_word], np.bool_),
        seen=np.array(seen, np.int8).T.reshape(len(kinds), len(DIMENSIONS)),
        blamed=blamed,
        doubt=doubt,
    )


def _of_findings(
    written: _Written,
    faults: Sequence[Row[int, str, int, int]],
    trust: Mapping[Code, Spoken],
) -> tuple[npt.NDArray[np.uint64], npt.NDArray[np.float64]]:
    """The strands that the findings of each attempt name, and how likely each dimension's fault is
    none: as likely as all of its findings are not so. The teacher's word is not doubted."""
    at = {attempt_id: place for place, attempt_id in enumerate(written.id)}
    blamed = np.zeros(len(at), np.uint64)
    doubt = np.ones((len(at), len(DIMENSIONS)))
    has_findings = np.zeros(doubt.shape, np.bool_)
    for attempt_id, kept_code, stroke, move in faults:
        code, place = upgrades.code(kept_code), at[attempt_id]
        if code is None:
            continue
        script = scripts_in(written.style[place]).get(written.glyph[place])
        named = move_named(script, stroke, move)
        blamed[place] |= np.uint64(blamed_by(code, named))
        column = DIMENSIONS.index(DIMENSION_OF[code])
        has_findings[place, column] = True
        doubt[place, column] *= doubt_of(code, trust)
    doubt[~has_findings] = 0.0
    doubt[[one is not None for one in written.her_word]] = 0.0
    return blamed, doubt


def doubt_of(code: Code, trust: Mapping[Code, Spoken]) -> float:
    """How likely a finding is none: by this class's judgements where there are enough of them, else
    as measured at large."""
    here = share_not_so(trust[code]) if code in trust else None
    return FALSE_FAULTS[DIMENSION_OF[code]] if here is None else here
