"""Draws what each finding means: a slip in a child's hand over the letter as it should be."""

from pathlib import Path

import numpy as np

from firstloop.core.checking.check import check
from firstloop.core.checking.say.catalogue import CATALOGUE
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.pupils import Pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.letters import HANDS, Letter, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS
from firstloop.core.letters.style import Style
from firstloop.formats import svg

RULING = Ruling()
STEADY = Pupil(tremor=0.004, sway=0.015)
EXAMPLES: dict[Code, tuple[str, str, str]] = {
    Code.START_PLACE: ("plain", "n", "from the foot"),
    Code.STROKE_ORDER: ("plain", "t", "last stroke first"),
    Code.STROKE_DIRECTION: ("plain", "a", "round the wrong way"),
    Code.EXTRA_LIFT: ("plain", "n", "lifted at the foot"),
    Code.MIRRORED: ("plain", "s", "mirrored"),
    Code.TURNED: ("plain", "t", "upside down"),
    Code.MISSING_PART: ("plain", "m", "a hump forgotten"),
    Code.EXTRA_PART: ("plain", "u", "a curl at the end"),
    Code.OPEN_GAP: ("plain", "d", "left open at the top"),
    Code.RETRACE_GAP: ("plain", "h", "running off the stem"),
    Code.DOT_PLACE: ("plain", "i", "dot too far"),
    Code.READS_AS_OTHER: ("plain", "r", "arm grown into a leg"),
    Code.ENTRY_MISSING: ("joined", "n", "no lead-in"),
    Code.EXIT_MISSING: ("joined", "a", "no way out"),
    Code.LOOP_CROSS: ("looped", "g", "loop crossing too low"),
    Code.PART_LENGTH: ("plain", "t", "bar too long"),
    Code.UNEVEN_PARTS: ("plain", "m", "parts that do not match"),
    Code.SLANT: ("plain", "h", "leaning over"),
    Code.WOBBLE: ("plain", "o", "shaking"),
    Code.OFF_BASE: ("plain", "a", "floating"),
    Code.BODY_HEIGHT: ("plain", "n", "body too small"),
    Code.REACH_UP: ("plain", "h", "tall part too short"),
    Code.REACH_DOWN: ("plain", "g", "tail too short"),
    Code.WIDTH: ("plain", "n", "too wide"),
}
"""Hand, letter and slip by which a code is shown; `shape_off` is for what has no name."""


def write_slip_pictures(folder: Path) -> None:
    """One sheet for each dimension."""
    folder.mkdir(exist_ok=True)
    for dimension in Dimension:
        codes = [code for code in EXAMPLES if CATALOGUE[code].dimension is dimension]
        sheet = svg.slip_sheet(f"Findings of {dimension}", RULING, [_cell(code) for code in codes])
        (folder / f"{dimension}.svg").write_text(sheet, encoding="utf-8")


def _cell(code: Code) -> svg.SlipCell:
    hand_name, letter, slip = EXAMPLES[code]
    hand = HANDS[hand_name]
    model: Letter = draw(hand.scripts[letter], hand.proportions, RULING)
    ink = write(
        hand.scripts[letter],
        hand,
        RULING,
        STEADY,
        np.random.default_rng(3),
        slips=[SLIPS[slip]],
    )
    found = check(ink, Task(letter), Style(hand.name), RULING).findings
    if not any(f.code is code and f.severity is Verdict.NOT_YET for f in found):
        raise RuntimeError(f"{slip} of {letter} is no example of {code}: {CATALOGUE[code].limit}")
    return svg.SlipCell(code.value, slip, model.paths(), tuple(s.points for s in ink.strokes))
