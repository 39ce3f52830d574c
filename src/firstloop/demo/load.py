"""Fills an empty record with the made-up class."""

from datetime import UTC, date, datetime, time, timedelta

import numpy as np

from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Help
from firstloop.core.letters import PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS, Slip
from firstloop.core.letters.style import Style
from firstloop.core.teaching.schemes import by_movement
from firstloop.demo.made_up import CHILDREN, CLASS_NAME, Child
from firstloop.services import lessons
from firstloop.services.handing_in import hand_in
from firstloop.store import classes
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord

SEED = 20260907
RULING = Ruling(top=1.9, drop=-0.95)
LESSONS = (("r", 26), ("n", 21), ("r", 19), ("m", 14), ("n", 12), ("h", 7), ("m", 5), ("h", 1))
"""Which letter was written how many days ago."""
TAUGHT, LESSONS_KEPT, SATURDAY = 15, 4, 5
"""Letters of the scheme that are taught; days whose lessons are kept; the first day off."""
AWAY = 0.08
"""The share of children who are not there on a day."""
MINUTES = 20


def load(record: Database, today: date) -> ClassRecord:
    """The made-up class with the letters of its last four weeks, up to `today`."""
    rng = np.random.default_rng(SEED)
    with record.session() as session:
        made = classes.add(
            session,
            CLASS_NAME,
            style=Style(PLAIN.name),
            ruling=RULING,
            x_height_mm=8.0,
            children=[(child.name, child.handedness) for child in CHILDREN],
        )
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
    return made


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
