"""What a class writes over years besides letters, and what its teacher says: a word a week, and her
word on some of the newest letters."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import UTC, date, datetime, time, timedelta

import numpy as np

from firstloop.core.checking.say.findings import CHECKER_VERSION, TextResult
from firstloop.core.checking.texts.check import check_text
from firstloop.core.contract import Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import draw_pupil
from firstloop.core.evidence.task import Help, Kind, Source, Task
from firstloop.core.evidence.text_pupils import TEXT_SLIPS, write_text
from firstloop.core.judging.word import OnFinding, Word
from firstloop.core.teaching.order import writable
from firstloop.formats.result_json import as_json
from firstloop.services import judging
from firstloop.services.handing_in import keep_letters
from firstloop.services.judging import Said
from firstloop.store import attempts, texts
from firstloop.store.database import Database
from firstloop.store.judging import About, Author
from firstloop.store.records import ClassRecord, NewText

WEEK, LETTER_LASTS = 5, 6
"""School days; as of the letters of these years."""

WORDS, LONGEST = 30, 5
"""In the bank, and letters of one: as many as a lesson has in a term."""

SLIPS = ("letters too far apart", "letters touch", "the line climbs")
"""Of whole words, one for each child that has one."""

JUDGED, OVERRULED = 97, 7
"""Every how manieth of the newest letters she says a word of, and of those how manieth she sees
otherwise."""

NEWEST = 20_000
"""[letters] Of a class: what she looks back on."""


@dataclass(frozen=True, slots=True, eq=False)
class _Word:
    """A word of the bank, well written and with each slip, and what the checker says of each."""

    text: str
    written: tuple[tuple[Ink, TextResult], ...]


def texts_of_years(
    record: Database,
    made: ClassRecord,
    order: Sequence[str],
    school_days: Sequence[date],
    rng: np.random.Generator,
) -> None:
    """A word of known letters by each child in each week in which there is one."""
    bank = _bank(made, order, rng)
    has_slip = {pupil.id: rng.integers(0, 2 * len(SLIPS)) for pupil in made.pupils}
    for at in range(WEEK - 1, len(school_days), WEEK):
        known = set(order[: 1 + at // LETTER_LASTS])
        there = [word for word in bank if known.issuperset(word.text)]
        if not there:
            continue
        morning = datetime.combine(school_days[at], time(9, 30), UTC)
        with record.writing() as session:
            for place, pupil in enumerate(made.pupils):
                word = there[int(rng.integers(len(there)))]
                slip = int(has_slip[pupil.id]) if rng.random() < 0.7 else 0
                ink, result = word.written[slip if slip < len(word.written) else 0]
                new = NewText(
                    pupil_id=pupil.id,
                    task=Task(word.text, Kind.WORD),
                    source=Source.PEN,
                    help=Help.COPY,
                    style=made.style,
                    ruling=made.ruling,
                    written_at=morning + timedelta(milliseconds=place),
                    day=school_days[at],
                    checker=f"{CHECKER_VERSION}, of made-up ink",
                    answer=as_json(result),
                    ink=ink,
                )
                keep_letters(session, made.id, new, result, texts.add(session, made.id, new))


def _bank(made: ClassRecord, order: Sequence[str], rng: np.random.Generator) -> list[_Word]:
    words = [one.text for one in writable(order) if 2 < len(one.text) <= LONGEST]
    chosen = rng.choice(len(words), min(WORDS, len(words)), replace=False)
    pupil = replace(draw_pupil(rng, steadiness=0.8), rate_hz=60.0)
    bank = []
    for text in (words[int(at)] for at in sorted(chosen)):
        task = Task(text, Kind.WORD)
        inks = [
            write_text(text, made.hand, made.ruling, pupil, rng, text_slip=slip)
            for slip in (None, *(TEXT_SLIPS[name] for name in SLIPS))
        ]
        judged = ((ink, check_text(ink, task, made.style, made.ruling)) for ink in inks)
        bank.append(_Word(text, tuple(judged)))
    return bank


def words_of_hers(record: Database, made: ClassRecord, account_id: int, now: datetime) -> None:
    """Her word on some of the newest letters in which something is to mend: that it is so, or, of
    some, that it is not."""
    with record.session() as session:
        newest = attempts.newest(session, made.id, NEWEST)
        found = attempts.some(session, made.id, newest[::JUDGED])
    said = list[Said]()
    for one in found:
        codes = [f.code for f in one.attempt.checked.findings if f.severity is Verdict.NOT_YET]
        if codes:
            is_so = OnFinding.SO if len(said) % OVERRULED else OnFinding.NOT_SO
            word = Word(findings=dict.fromkeys(codes, is_so))
            said.append(Said(About(attempt_id=one.id), word))
    judging.judge(record, made.id, Author(account_id, is_teacher=True), said, now)
