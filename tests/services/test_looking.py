"""What is looked at while a class writes says the same as what is kept, whoever judged it."""

from uuid import uuid4

from sqlalchemy import text

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.judging.word import Word
from firstloop.services import judging
from firstloop.services.handing_in import hand_in_text
from firstloop.services.judging import Said
from firstloop.services.looking import seen
from firstloop.store.database import Database
from firstloop.store.handed_in import Work
from firstloop.store.judging import About, Author
from firstloop.store.records import UNJUDGED, AttemptRecord, ClassRecord
from tests import letters
from tests.services.conftest import MONDAY, Write
from tests.table import judge
from tests.teachers import teacher_of

SAW_HER_START = Word({Dimension.DIRECTION: Verdict.SECURE}, note="saw her start")


def handed_in(
    kept: AttemptRecord | None = None, text_id: int | None = None, *, struck: bool = False
) -> Work:
    return Work(
        id=str(uuid4()),
        pupil_id=kept.pupil.id if kept else 1,
        task=None,
        came_at=MONDAY,
        attempt_id=kept.id if kept else None,
        text_id=text_id,
        is_best=False,
        is_struck=struck,
        picture="[]",
    )


def test_a_letter_is_seen_as_it_is_held_to_be(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    first, judged, good = write(), write(days=1), write(letters.good_n(), days=2)
    judge(database, school_class.id, judged.id, SAW_HER_START)
    works = [handed_in(one) for one in (first, judged, good)]
    with database.session() as session:
        told = seen(session, school_class.id, works)
    assert [one.work.id for one in told] == [one.id for one in works]
    assert [one.verdicts["direction"] for one in told] == ["not_yet", "secure", "secure"]
    assert [one.to_mend for one in told] == [("start_place",), (), ()]
    assert told[0].say == first.attempt.checked.say
    assert all(one.is_judged for one in told)


def test_a_text_is_seen_without_its_letters(database: Database, school_class: ClassRecord) -> None:
    kept, _ = hand_in_text(
        database, school_class, pupil_id=school_class.pupils[0].id, kind=Kind.WORD, target="nn",
        help=Help.COPY, ink=letters.good_m(), written_at=MONDAY,
    )  # fmt: skip
    answer = kept.text.answer
    with database.writing() as session:
        (told,) = seen(session, school_class.id, [handed_in(text_id=kept.id)])
    author = Author(teacher_of(database), is_teacher=True)
    said = [Said(About(text_id=kept.id), SAW_HER_START)]
    judging.judge(database, school_class.id, author, said, MONDAY)
    with database.session() as session:
        (held,) = seen(session, school_class.id, [handed_in(text_id=kept.id)])
    assert told.verdicts == answer["verdict"]
    assert held.verdicts == answer["verdict"] | {"direction": "secure"}
    assert told.say == answer["say"]
    to_mend = [one["code"] for one in answer["findings"] if one["severity"] == "not_yet"]
    assert list(told.to_mend) == to_mend != []


def test_what_is_gone_failed_struck_or_anothers(
    database: Database, school_class: ClassRecord, write: Write
) -> None:
    kept, gone = write(), write(days=1)
    works = [handed_in(kept), handed_in(struck=True), handed_in(gone), handed_in(text_id=99)]
    with database.writing() as session:
        session.execute(text(f"UPDATE attempt SET checker = '{UNJUDGED}3' WHERE id = {kept.id}"))
        session.execute(text("UPDATE finding SET code = 'no_more' WHERE position = 0"))
        session.execute(text(f"DELETE FROM attempt WHERE id = {gone.id}"))
        told = seen(session, school_class.id, works)
        assert seen(session, school_class.id + 1, works[:1]) == []
    assert [one.work.id for one in told] == [works[0].id, works[1].id]
    assert [one.is_judged for one in told] == [False, True]
    assert told[0].to_mend == ()  # of a code that there is no more
