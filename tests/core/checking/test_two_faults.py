"""Two things wrong with one letter: both are told."""

from typing import Any

import numpy as np
import pytest

from firstloop.core.checking.check import check
from firstloop.core.contract import Verdict
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.letters import PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS
from firstloop.core.letters.style import Style
from tests import letters
from tests.letters import checked, drawn, ink, pen, to_mend


def leaning(given: Any, degrees: float) -> Any:
    by = np.tan(np.radians(degrees))
    return ink(*(s.points + np.outer(s.points[:, 1], [by, 0.0]) for s in given.strokes))


def mirrored(given: Any) -> Any:
    return ink(*(s.points * np.array([-1.0, 1.0]) for s in given.strokes))


def without_last(name: str) -> Any:
    return ink(*drawn(PLAIN.scripts[name])[:-1])


@pytest.mark.parametrize(
    ("letter", "given", "both"),
    [
        ("n", leaning(letters.n_running_off_its_stem(0.4), 25.0), {"retrace_gap", "slant"}),
        ("i", letters.moved(without_last("i"), 0, 0.45), {"missing_part", "off_base"}),
        ("j", letters.moved(without_last("j"), 0, 0.45), {"missing_part", "off_base"}),
        ("h", mirrored(letters.h_with_a_stem(1.35)), {"mirrored", "reach_up"}),
    ],
)
def test_neither_hides_the_other(letter: str, given: Any, both: set[str]) -> None:
    assert both <= set(to_mend(checked(given, letter)))


def test_a_stick_made_before_its_round_is_told_as_the_stick() -> None:
    around = drawn(PLAIN.scripts["d"])[0]
    stick = pen((0.88, 1.9), (0.88, 0.0))
    first = checked(ink(stick, around[: len(around) - 2]), "d").findings[0]
    assert first.code == "stroke_order"
    assert first.note == "The stem was made before its turn."
    assert first.say.endswith("the stem comes later.")


PAIRS = (
    ("leaning over", "shaking"),
    ("gone over again", "shaking"),
    ("body too tall", "shaking"),
    ("gone over again", "mirrored"),
    ("floating", "left open at the top"),
    ("leaving the stem at the top", "leaning back"),
    ("lifted at the foot", "sinking"),
    ("dot to the side", "floating"),
)


@pytest.mark.measuring
def test_pairs_of_slips_of_pupils_are_both_told() -> None:
    rng, both, of = np.random.default_rng(31_022), 0, 0
    for names in PAIRS:
        pair = [SLIPS[name] for name in names]
        for script in PLAIN.scripts.values():
            if not script.letter.islower() or not all(slip.fits(script) for slip in pair):
                continue
            given = write(script, PLAIN, Ruling(), draw_pupil(rng), rng, slips=pair)
            found = check(given, Task(script.letter), Style("plain"), Ruling()).findings
            told = {f.code for f in found if f.severity is Verdict.NOT_YET}
            of += 1
            both += all(told & slip.codes for slip in pair)
    assert of > 60
    assert both >= 0.9 * of
