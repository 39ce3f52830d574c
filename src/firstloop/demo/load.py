"""Fills an empty record with the made-up class."""

from datetime import UTC, date, datetime, time, timedelta

import numpy as np
from sqlalchemy.orm import Session

from firstloop.core.due import due
from firstloop.core.letterforms import PLAIN
from firstloop.core.planning import propose
from firstloop.core.pupils import draw_pupil, write
from firstloop.core.ruling import Ruling
from firstloop.core.schemes import by_movement
from firstloop.core.slips import SLIPS, Slip
from firstloop.core.style import Style
from firstloop.demo.made_up import CHILDREN, CLASS_NAME, Child
from firstloop.store import classes, lessons
from firstloop.store.handing_in import hand_in
from firstloop.store.practice import practised
from firstloop.store.records import ClassRecord, Help

SEED = 20260907
RULING = Ruling(top=1.9, drop=-0.95)
LESSONS = (("r", 26), ("n", 21), ("r", 19), ("m", 14), ("n", 12), ("h", 7), ("m", 5), ("h", 1))
"""Which letter was written how many days ago."""
TAUGHT, LESSONS_KEPT, SATURDAY = 15, 4, 5
"""Letters of the scheme that are taught; days whose lessons are kept; the first day off."""
AWAY = 0.08
"""The share of children who are not there on a day."""


def load(session: Session, today: date) -> ClassRecord:
    """The made-up class with the letters of its last four weeks, up to `today`."""
    rng = np.random.default_rng(SEED)
    made = classes.add(
        session,
        CLASS_NAME,
        style=Style(PLAIN.name),
        ruling=RULING,
        x_height_mm=8.0,
        pupils=[(child.name, child.handedness) for child in CHILDREN],
    )
    hands = {child.name: draw_pupil(rng, steadiness=child.steadiness) for child in CHILDREN}
    by_name = {pupil.name: pupil for pupil in made.pupils}
    for lesson, (letter, days_ago) in enumerate(LESSONS):
        progress = lesson / len(LESSONS)
        morning = datetime.combine(today - timedelta(days=days_ago), time(9, 10), UTC)
        for place, child in enumerate(CHILDREN):
            if rng.random() < AWAY:
                continue
            hand = hands[child.name]
            hand_in(
                session,
                made,
                pupil_id=by_name[child.name].id,
                letter=letter,
                help=Help.COPY if progress < 0.5 else Help.RECALL,
                ink=write(
                    PLAIN.scripts[letter],
                    PLAIN,
                    made.ruling,
                    hand,
                    rng,
                    slips=_slips(child, letter, progress),
                ),
                written_at=morning + timedelta(seconds=47 * place),
            )
    _teach(session, made, today)
    return made


def _teach(session: Session, made: ClassRecord, today: date) -> None:
    """The letters so far, and the lessons of the last days."""
    order = by_movement(made.hand).order[:TAUGHT]
    lessons.set_taught(session, made.id, set(order), today - timedelta(days=26))
    for days_ago, letter in zip(range(1, len(order)), reversed(order), strict=False):
        day = today - timedelta(days=days_ago)
        if days_ago > LESSONS_KEPT or day.weekday() >= SATURDAY:
            continue
        planned = propose([letter], 20, taught=order, due=due(practised(session, made.id), day))
        record = lessons.add(session, made.id, day, planned)
        lessons.close(session, made.id, record.id, datetime.combine(day, time(9, 30), UTC))


def _slips(child: Child, letter: str, progress: float) -> list[Slip]:
    """The habit a child still has with a letter, if any."""
    habit = child.habits.get(letter) if progress < child.mends else None
    return [SLIPS[habit]] if habit else []
