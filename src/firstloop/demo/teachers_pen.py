"""A teacher's pen for who has none at hand: letters of a made-up school's hand, steadily written,
a bad one among them now and then; and the hand that the made-up class's teacher has begun."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass

import numpy as np

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.pupils import Pupil, write
from firstloop.core.letters import PLAIN
from firstloop.core.letters.moves import Script, parse
from firstloop.core.letters.ruling import Ruling
from firstloop.services import own_letters
from firstloop.store import own_letters as kept
from firstloop.store.database import Database
from firstloop.store.own_letters import Stands, Written

NAME, BASE = "Meadow Lane", "plain"

OWN = {
    "f": ".7,1.7; round@120 .45,top,W .2,1.5,S; drop .2,-.6; hook 0,drop,W -.2,-.7,130 // "
    "0,mid; cross .5,mid",
    "k": "0,top; drop 0,base // .55,mid; slope .05,.45; wheel@20 .5,.2,S .2,base,W",
    "w": "0,mid; scoop 0,.4 .28,base,E .56,.4,N .56,.7; scoop@S .84,base,E 1.12,.4,N 1.12,mid",
    "y": "0,mid; slope .4,base // .8,mid; slope .3,-.6; hook .1,drop,W -.1,-.7,130",
    "G": "1.1,1.5; round@120 .6,top,W 0,.95,S .6,base,E 1.1,.7,N; rise 1.1,.9; drop 1.1,base",
    "4": ".6,base; rise .6,top; slope 0,.6; cross .95,.6",
    "7": "0,top; cross .8,top; slope .5,1; slope .3,base // .25,1; cross .75,1",
}
"""What the made-up school writes otherwise than in plain print."""

BEGUN, HALF_DONE = "abcdefghiklmnot", "r"
"""The letters that the made-up teacher has written so far, and that which she is about to accept.
"""

TIMES = 2
"""How often she wrote each."""


@dataclass(frozen=True, slots=True)
class ByPen:
    """A letter as the pen wrote it; which time, and whether it is spoilt on purpose."""

    letter: str
    time: int
    ink: Ink
    spoilt: bool


def script_of(letter: str) -> Script:
    """How the made-up school writes a letter."""
    return parse(letter, OWN[letter]) if letter in OWN else PLAIN.scripts[letter]


def written(
    letters: Iterable[str], times: int, seed: int, ruling: Ruling, spoilt: float = 0.0
) -> Iterator[ByPen]:
    """Letters by the teacher's pen, so many times each; a share of them spoilt: shaken, or off
    their lines."""
    rng = np.random.default_rng(seed)
    for letter in letters:
        for time in range(times):
            ink = write(script_of(letter), PLAIN, ruling, _steady(rng), rng)
            spoil = bool(rng.uniform() < spoilt)
            yield ByPen(letter, time, _spoilt(ink, rng) if spoil else ink, spoil)


def _steady(rng: np.random.Generator) -> Pupil:
    return Pupil(
        size=float(rng.normal(1.0, 0.02)),
        width=float(rng.normal(1.0, 0.025)),
        lean_deg=float(rng.normal(2.0, 1.0)),
        sway=0.016,
        tremor=0.003,
    )


def _spoilt(ink: Ink, rng: np.random.Generator) -> Ink:
    if rng.uniform() < 0.5:
        return Ink(tuple(Stroke.of(s.points + np.array([0.0, 0.5]), s.times) for s in ink.strokes))
    shaken = (
        Stroke.of(s.points + rng.normal(0.0, 0.05, s.points.shape), s.times) for s in ink.strokes
    )
    return Ink(tuple(shaken))


def begin_hand(record: Database, class_id: int, ruling: Ruling) -> None:
    """The hand that the made-up teacher has begun: half an alphabet, one letter half done."""
    begun = own_letters.begin(record, class_id, NAME, BASE)
    with record.writing() as session:
        for one in written([*BEGUN, HALF_DONE], TIMES, 7, ruling):
            kept.add_sample(session, class_id, NAME, Written(one.letter, one.ink, ruling))
        kept.keep(session, class_id, begun.hand, BASE, dict.fromkeys(BEGUN, Stands.PEN))
    own_letters.fit(record, class_id, NAME)
