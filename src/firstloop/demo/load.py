"""Fills an empty record with the made-up class."""

from datetime import UTC, date, datetime, time, timedelta

import numpy as np
from sqlalchemy.orm import Session

from firstloop.core.letterforms import PLAIN
from firstloop.core.pupils import draw_pupil, write
from firstloop.core.ruling import Ruling
from firstloop.core.slips import SLIPS, Slip
from firstloop.core.style import Style
from firstloop.demo.made_up import CHILDREN, CLASS_NAME, Child
from firstloop.store import classes
from firstloop.store.handing_in import hand_in
from firstloop.store.records import ClassRecord, Help

SEED = 20260907
RULING = Ruling(top=1.9, drop=-0.95)
LESSONS = (("r", 26), ("n", 21), ("r", 19), ("m", 14), ("n", 12), ("h", 7), ("m", 5), ("h", 1))
"""Which letter was written how many days ago."""
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
    return made


def _slips(child: Child, letter: str, progress: float) -> list[Slip]:
    """The habit a child still has with a letter, if any."""
    habit = child.habits.get(letter) if progress < child.mends else None
    return [SLIPS[habit]] if habit else []
