"""Fills an empty record with the made-up class."""

import json
from datetime import UTC, date, datetime, time, timedelta
from typing import Any

import numpy as np

from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import Pupil, draw_pupil, write
from firstloop.core.evidence.task import Help, Kind
from firstloop.core.evidence.text_pupils import TEXT_SLIPS, write_row, write_text
from firstloop.core.letters import PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS, Slip
from firstloop.core.letters.style import Style
from firstloop.core.teaching.schemes import by_movement
from firstloop.demo.made_up import CHILDREN, CLASS_NAME, Child
from firstloop.demo.teachers_pen import begin_hand
from firstloop.services import children, lessons, own_sheets
from firstloop.services.classes import begin
from firstloop.services.handing_in import hand_in, hand_in_text
from firstloop.services.own_sheets import Draft
from firstloop.store import accounts, classes, school
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord

SEED = 20260907
RULING = Ruling(top=1.9, drop=-0.95)
LESSONS = (("r", 26), ("n", 21), ("r", 19), ("m", 14), ("n", 12), ("h", 7), ("m", 5), ("h", 1))
"""Which letter was written how many days ago."""
TEXTS = (
    (Kind.ROW, "h", 8),
    (Kind.WORD, "hen", 6),
    (Kind.ROW, "m", 5),
    (Kind.WORD, "hammer", 2),
    (Kind.PHRASE, "a red hen ran", 1),
)
"""What was written that is longer than a letter, and how many days ago."""
ROW = 6
"""Letters in a row."""
TAUGHT, LESSONS_KEPT, SATURDAY = 15, 4, 5
"""Letters of the scheme that are taught; days whose lessons are kept; the first day off."""
AWAY = 0.08
"""The share of children who are not there on a day."""
MINUTES = 20
SHEET: dict[str, Any] = {
    "title": "h, a row a day",
    "rows": [
        {"text": "h", "mode": "trace"},
        {"text": "h", "mode": "finish"},
        {"text": "h", "mode": "own", "lines": 2},
        {"text": "hen", "mode": "own"},
        {"text": "hat", "mode": "recall", "boxes": "sounds", "picture": "hat"},
    ],
    "home": True,
    "week": True,
}
"""A sheet made by hand."""


def load_demo(record: Database, today: date) -> ClassRecord:
    """Makes an empty record a demonstration with the made-up class."""
    with record.writing() as session:
        school.set_demo(session)
        nobody = accounts.unclaimed(session)
    return load_beside(record, nobody, today)


def load_beside(record: Database, account_id: int, today: date) -> ClassRecord:
    """The made-up class of an account, with the letters of its last four weeks, up to `today`;
    raises ClassIsThereError where it is there."""
    rng = np.random.default_rng(SEED)
    made = begin(
        record,
        account_id,
        CLASS_NAME,
        style=Style(PLAIN.name),
        ruling=RULING,
        x_height_mm=8.0,
        children=[(child.name, child.handedness) for child in CHILDREN],
    )
    with record.writing() as session:
        classes.set_made_up(session, made.id)
        made = classes.get(session, made.id)
    hands = {child.name: draw_pupil(rng, steadiness=child.steadiness) for child in CHILDREN}
    by_name = {pupil.name: pupil for pupil in made.pupils}
    for lesson, (letter, days_ago) in enumerate(LESSONS):
        progress = lesson / len(LESSONS)
        morning = _morning(today - timedelta(days=days_ago))
        for place, child in enumerate(CHILDREN):
            if rng.random() < AWAY:
                continue
            hand, slips = hands[child.name], _slips(child, letter, progress)
            hand_in(
                record,
                made,
                pupil_id=by_name[child.name].id,
                letter=letter,
                help=Help.COPY if progress < 0.5 else Help.RECALL,
                ink=write(PLAIN.scripts[letter], PLAIN, made.ruling, hand, rng, slips=slips),
                written_at=morning + timedelta(seconds=47 * place),
            )
    _teach(record, made, today)
    _write_texts(record, made, hands, today, rng)
    children.give_tiles(record, made.id)
    begin_hand(record, made.id, made.ruling)
    own_sheets.add(record, made, Draft(SHEET["title"], json.dumps(SHEET)), _morning(today))
    return made


def _write_texts(
    record: Database,
    made: ClassRecord,
    hands: dict[str, Pupil],
    today: date,
    rng: np.random.Generator,
) -> None:
    """Rows and words of the last days, each child's with what it does."""
    by_name = {pupil.name: pupil for pupil in made.pupils}
    for kind, target, days_ago in TEXTS:
        morning = _morning(today - timedelta(days=days_ago)) + timedelta(minutes=20)
        for place, child in enumerate(CHILDREN):
            if rng.random() < AWAY:
                continue
            hand_in_text(
                record,
                made,
                pupil_id=by_name[child.name].id,
                kind=kind,
                target=target,
                help=Help.COPY,
                ink=_text(child, kind, target, made.ruling, hands[child.name], rng),
                written_at=morning + timedelta(seconds=61 * place),
            )


def _text(  # noqa: PLR0917  # all of it is needed
    child: Child, kind: Kind, target: str, ruling: Ruling, hand: Pupil, rng: np.random.Generator
) -> Ink:
    slips = {
        at: _slips(child, letter, progress=0.8)
        for at, letter in enumerate(target if kind is not Kind.ROW else target * ROW)
    }
    if kind is Kind.ROW:
        return write_row(target, ROW, PLAIN, ruling, hand, rng, slips=slips)
    slip = TEXT_SLIPS.get(child.in_texts)
    return write_text(target, PLAIN, ruling, hand, rng, slips=slips, text_slip=slip)


def _morning(day: date) -> datetime:
    return datetime.combine(day, time(9, 10), UTC)


def _teach(record: Database, made: ClassRecord, today: date) -> None:
    """The letters so far, and the lessons of the last days."""
    order = by_movement(made.hand).order[:TAUGHT]
    lessons.set_taught(record, made, set(order), _morning(today - timedelta(days=26)))
    for days_ago, letter in zip(range(1, len(order)), reversed(order), strict=False):
        day = today - timedelta(days=days_ago)
        if days_ago > LESSONS_KEPT or day.weekday() >= SATURDAY:
            continue
        planned = lessons.plan(record, made, lessons.Asked((letter,), MINUTES), _morning(day))
        lessons.close(record, made, planned.id, _morning(day))


def _slips(child: Child, letter: str, progress: float) -> list[Slip]:
    """The habit a child still has with a letter, if any."""
    habit = child.habits.get(letter) if progress < child.mends else None
    return [SLIPS[habit]] if habit else []
