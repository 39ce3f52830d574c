"""What lies on the table: letters and texts of one class, filtered and at a glance."""

from collections.abc import Iterator
from dataclasses import replace
from datetime import timedelta
from typing import Any

import pytest

from firstloop.core.checking.check import check
from firstloop.core.checking.texts.check import check_text
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Handedness, Help, Kind, Source, Task
from firstloop.core.judging.word import OnFinding, Word
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.formats.result_json import as_json
from firstloop.store import attempts, classes, table, texts
from firstloop.store.database import Database, Session
from firstloop.store.records import Checked, ClassRecord, InText, NewAttempt, NewText
from firstloop.store.table import Asked, lying
from tests import letters
from tests.table import NOON, attempts_of, judge

GOOD, BAD = letters.good_n(), letters.n_from_the_base_line()
TODAY = NOON.date()
DAY = Asked(TODAY, TODAY)
PRINT = Style("plain")


def new(pupil_id: int, ink: Ink = GOOD, *, days: int = 0, letter: str = "n") -> NewAttempt:
    moment, task = NOON + timedelta(days=days), Task(letter)
    checked = Checked.of(check(ink, task, PRINT, Ruling()))
    return NewAttempt(
        pupil_id, task, Source.PEN, Help.COPY, PRINT, Ruling(), moment, moment.date(), checked
    )


def word_nn(pupil_id: int) -> NewText:
    ink, task = letters.good_m(), Task("nn", Kind.WORD)
    result = check_text(ink, task, PRINT, Ruling())
    return NewText(
        pupil_id, task, Source.PEN, Help.WORD, PRINT, Ruling(), NOON, TODAY, "1", as_json(result),
        ink,
    )  # fmt: skip


@pytest.fixture
def session(database: Database, school_class: ClassRecord) -> Iterator[Any]:
    with database.writing() as opened:
        yield opened


def ids(session: Session, school_class: ClassRecord, asked: Asked) -> list[int | None]:
    return [one.about.attempt_id for one in lying(session, school_class.id, asked)[0]]


def test_days_letters_and_children_are_sorted_out_where_they_are_kept(
    session: Session, school_class: ClassRecord
) -> None:
    one, other = (pupil.id for pupil in school_class.pupils)
    before, here, hers = (
        attempts.add(session, school_class.id, made, GOOD)
        for made in (new(one, days=-1), new(one), new(other, letter="h"))
    )
    assert ids(session, school_class, DAY) == [hers, here]
    assert ids(session, school_class, replace(DAY, begin=TODAY - timedelta(days=1))) == [
        hers, here, before,
    ]  # fmt: skip
    assert ids(session, school_class, replace(DAY, letter="h")) == [hers]
    assert ids(session, school_class, replace(DAY, pupil_id=one)) == [here]
    assert ids(session, school_class, replace(DAY, help=Help.RECALL)) == []
    assert ids(session, school_class, replace(DAY, kind=Kind.WORD)) == []


def test_letters_of_a_text_lie_there_only_when_they_are_asked_for(
    session: Session, school_class: ClassRecord
) -> None:
    child = school_class.pupils[0].id
    text_id = texts.add(session, school_class.id, word_nn(child))
    letter = replace(new(child, BAD), within=InText(text_id, 0))
    within = attempts.add(session, school_class.id, letter, BAD)
    (word,), total = lying(session, school_class.id, DAY)
    assert (word.about.text_id, word.kind, word.target, total) == (text_id, Kind.WORD, "nn", 1)
    assert ids(session, school_class, replace(DAY, letter="n")) == [within]
    assert within in ids(session, school_class, replace(DAY, finding=Code.START_PLACE))
    of_pair = lying(session, school_class.id, replace(DAY, pair="nn"))[0]
    assert [one.about.text_id for one in of_pair] == [text_id]
    assert lying(session, school_class.id, replace(DAY, pair="na"))[0] == []


def test_a_text_is_found_by_what_was_found_in_it(
    session: Session, school_class: ClassRecord
) -> None:
    texts.add(session, school_class.id, word_nn(school_class.pupils[0].id))
    (word,), _ = lying(session, school_class.id, DAY)
    assert word.to_mend
    for code in word.to_mend:
        assert lying(session, school_class.id, replace(DAY, finding=code))[1] == 1
    assert lying(session, school_class.id, replace(DAY, finding=Code.MIRRORED))[1] == 0


def test_her_word_is_seen_at_a_glance(database: Database, school_class: ClassRecord) -> None:
    with database.writing() as session:
        child = school_class.pupils[0].id
        bad = attempts.add(session, school_class.id, new(child, BAD), BAD)
    no = Word(findings={Code.START_PLACE: OnFinding.NOT_SO, Code.SLANT: OnFinding.MISSED})
    judge(database, school_class.id, bad, no)
    with database.session() as session:
        (one,) = lying(session, school_class.id, DAY)[0]
        assert one.to_mend == (Code.SLANT,)
        assert one.verdicts[Dimension.DIRECTION] is Verdict.SECURE
        assert one.verdicts[Dimension.SHAPE] is Verdict.NOT_YET
        assert one.is_judged
        assert one.is_overruled
        assert lying(session, school_class.id, replace(DAY, finding=Code.SLANT))[0]
        assert not lying(session, school_class.id, replace(DAY, judged=False))[0]
    judge(database, school_class.id, bad, Word(note="ask her"))
    with database.session() as session:
        (one,) = lying(session, school_class.id, replace(DAY, judged=True))[0]
        assert (one.is_overruled, one.has_note) == (False, True)


def test_what_is_set_aside_lies_there_only_when_it_is_asked_for(
    database: Database, school_class: ClassRecord
) -> None:
    with database.writing() as session:
        bad = attempts.add(session, school_class.id, new(school_class.pupils[0].id, BAD), BAD)
    judge(database, school_class.id, bad, Word(set_aside=True))
    with database.session() as session:
        assert ids(session, school_class, DAY) == []
        assert ids(session, school_class, replace(DAY, set_aside=True)) == [bad]


def test_of_more_than_can_lie_there_the_newest_do(
    session: Session, school_class: ClassRecord, monkeypatch: pytest.MonkeyPatch
) -> None:
    child = school_class.pupils[0].id
    monkeypatch.setattr(table, "AT_MOST", 3)
    kept = [attempts.add(session, school_class.id, new(child), GOOD) for _ in range(5)]
    found, total = lying(session, school_class.id, DAY)
    assert [one.about.attempt_id for one in found] == kept[:1:-1]
    assert total == 5


def test_another_class_sees_nothing_of_it(session: Session, school_class: ClassRecord) -> None:
    attempts.add(session, school_class.id, new(school_class.pupils[0].id), GOOD)
    other = classes.add(
        session, "Finch class", style=PRINT, ruling=Ruling(), x_height_mm=8.0,
        children=[("Oda", Handedness.RIGHT)],
    )  # fmt: skip
    mine = school_class.pupils[0].id
    assert lying(session, other.id, DAY) == ([], 0)
    assert lying(session, other.id, replace(DAY, pupil_id=mine)) == ([], 0)


def test_many_are_kept_at_once_as_one_by_one(session: Session, school_class: ClassRecord) -> None:
    child = school_class.pupils[0].id
    made = [(new(child, BAD), BAD) for _ in range(3)]
    attempts.add(session, school_class.id, *made[0])
    assert attempts.add_many(session, school_class.id, made) == 3
    found = attempts_of(session, school_class.id)
    assert len(found) == 4
    for one in found:
        assert one.attempt.checked.findings == made[0][0].checked.findings
