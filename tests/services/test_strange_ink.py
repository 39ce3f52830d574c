"""Whatever a child hands in is kept, and judged: ink on which a check fails is a fault of ours."""

from dataclasses import replace
from datetime import timedelta

import numpy as np
import pytest
from sqlalchemy import text

from firstloop.core.errors import InkError
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.letters.style import Style
from firstloop.services import checks
from firstloop.services.handing_in import hand_in, hand_in_text
from firstloop.services.rechecking import judge_what_failed
from firstloop.store import attempts, texts
from firstloop.store.database import Database
from firstloop.store.records import UNJUDGED, ClassRecord
from tests import letters
from tests.sampling import seeds
from tests.services.conftest import MONDAY, Write
from tests.strange_inks import LETTERS, strange_letter, strange_text

SEEDS, OF_EACH = seeds(by_day=1, at_night=10), 500
"""5,000 inks at night, in parts that several workers share."""

WORDS = ("fig", "jab", "kept", "moth", "quay", "vex", "wizard", "lucky", "tree", "on")
KINDS = (Kind.WORD, Kind.ROW, Kind.SEQUENCE, Kind.SENTENCE)


def asked_for(kind: Kind, written: str) -> str:
    match kind:
        case Kind.ROW:
            return written[0]
        case Kind.SEQUENCE:
            return " ".join(written)
        case Kind.SENTENCE:
            return f"{written.capitalize()}."
        case _:
            return written


@pytest.mark.measuring
@pytest.mark.parametrize("seed", SEEDS)
def test_strange_ink_is_kept_and_judged(
    database: Database, school_class: ClassRecord, seed: int
) -> None:
    rng = np.random.default_rng(900 + seed)
    refused = 0
    for at in range(OF_EACH):
        hand = ("plain", "flick", "joined", "looped")[at % 4]
        writes = replace(school_class, style=Style(hand))
        child = school_class.pupils[at % 2].id
        moment = MONDAY + timedelta(seconds=at)
        letter = LETTERS[rng.integers(len(LETTERS))]
        try:
            if at % 10:
                ink = strange_letter(rng, letter, hand)
                hand_in(
                    database, writes, pupil_id=child, letter=letter, help=Help.COPY, ink=ink,
                    written_at=moment,
                )  # fmt: skip
            else:
                kind = KINDS[rng.integers(len(KINDS))]
                written = WORDS[rng.integers(len(WORDS))]
                hand_in_text(
                    database, writes, pupil_id=child, kind=kind, target=asked_for(kind, written),
                    help=Help.COPY, ink=strange_text(rng, written, hand), written_at=moment,
                )  # fmt: skip
        except InkError:  # cut down to a point, or in too many pieces
            refused += 1
    with database.session() as session:
        kept = sum(
            session.execute(text(f"SELECT count(*) FROM {table} {where}")).scalar_one()
            for table, where in (("attempt", "WHERE text_id IS NULL"), ("written_text", ""))
        )
        failed = attempts.failed_on(session, school_class.id, UNJUDGED, "")
        failed += texts.failed_on(session, school_class.id, UNJUDGED, "")
    assert (kept, failed) == (OF_EACH - refused, [])
    assert refused < OF_EACH / 10


def test_what_a_check_failed_on_is_judged_by_a_later_one(
    database: Database, school_class: ClassRecord, write: Write, monkeypatch: pytest.MonkeyPatch
) -> None:
    def fails(*_: object) -> None:
        raise IndexError("a fault of ours")

    with monkeypatch.context() as broken:
        broken.setattr(checks, "check", fails)
        broken.setattr(checks, "check_text", fails)
        letter = write(letters.good_n())
        word, _ = hand_in_text(
            database, school_class, pupil_id=letter.pupil.id, kind=Kind.WORD, target="nn",
            help=Help.COPY, ink=letters.good_m(), written_at=MONDAY,
        )  # fmt: skip
    assert not letter.attempt.checked.is_judged
    judge_what_failed(database)  # this version would fail again: it is not asked
    with database.writing() as session:
        assert not attempts.get(session, school_class.id, letter.id).attempt.checked.is_judged
        for table in ("attempt", "written_text"):
            session.execute(text(f"UPDATE {table} SET checker = '{UNJUDGED}3'"))
    judge_what_failed(database)
    with database.session() as session:
        again = attempts.get(session, school_class.id, letter.id).attempt.checked
        read = texts.get(session, school_class.id, word.id)
    assert (again.is_judged, again.reads_as) == (True, "n")
    assert read.text.answer["letters"]
    assert len(read.attempts) > 0
