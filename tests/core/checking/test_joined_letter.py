"""A joined letter by itself, in a joined hand that is not ours: good ones are left alone, open ones
are found as in print."""

from dataclasses import replace

import numpy as np
import pytest
from scripts.other_print import words
from scripts.other_print.glyphs import SHAPES
from scripts.other_print.pupils import SLIPS
from scripts.other_print.words import Placed, Writer

from firstloop.core.checking.check import check
from firstloop.core.checking.say.findings import Result
from firstloop.core.contract import Code, Verdict
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style

OPEN = {slip.name: slip for slip in SLIPS if slip.name.startswith("left open")}


def checked(letter: str, one: Placed, writer: Writer, rng: np.random.Generator) -> Result:
    strokes = words.written([one], writer, rng).strokes
    ink = Ink(tuple(Stroke.of(stroke) for stroke in strokes))
    return check(ink, Task(letter), Style("joined"), Ruling(2.0, -1.0))


def to_mend(result: Result) -> list[Code]:
    return [f.code for f in result.findings if f.severity is Verdict.NOT_YET]


@pytest.mark.parametrize("letter", list("acdeghilmnoqrstuvwxyz"))
def test_a_good_letter_is_read_as_what_it_is_and_left_alone(letter: str) -> None:
    rng = np.random.default_rng(41)
    for _ in range(3):
        writer = words.draw_writer(rng, joined=True)
        result = checked(letter, words.letter_of(letter, 0, writer, rng), writer, rng)
        assert result.reads_as == letter
        assert to_mend(result) == []


@pytest.mark.parametrize("letter", list("adgqo"))
def test_a_round_that_stays_open_is_found_under_its_lead_in(letter: str) -> None:
    slip = OPEN["left open" if letter == "o" else "left open at the top"]
    rng = np.random.default_rng(42)
    for _ in range(4):
        writer = words.draw_writer(rng, joined=True)
        shape = slip.change(SHAPES[letter][0], rng)
        one = replace(words.letter_of(letter, 0, writer, rng), strokes=shape[:1], late=shape[1:])
        assert Code.OPEN_GAP in to_mend(checked(letter, one, writer, rng))
