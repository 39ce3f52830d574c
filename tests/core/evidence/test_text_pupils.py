"""Simulated pupils who write texts: a good one is left alone, each slip is found as what it is."""

import numpy as np
import pytest

from firstloop.core.checking.texts.check import check_text
from firstloop.core.contract import Code, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import draw_pupil
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.evidence.text_pupils import TEXT_SLIPS, write_joined, write_row, write_text
from firstloop.core.letters import HANDS, PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS
from firstloop.core.letters.style import Style

RULING = Ruling(2.0, -1.0)
TEXT = "The red hen ran."
EXPECTED = {
    "letters touch": Code.SPACING,
    "letters too far apart": Code.SPACING,
    "no space between words": Code.WORD_GAP,
    "a hole between words": Code.WORD_GAP,
    "one letter too large": Code.SIZE_UNEVEN,
    "one letter too small": Code.SIZE_UNEVEN,
    "the line climbs": Code.LINE_DRIFT,
    "the line sinks": Code.LINE_DRIFT,
    "a letter left out": Code.WRONG_LETTER,
    "a letter twice": Code.WRONG_LETTER,
    "the stop floats": Code.STOP,
    "no stop": Code.STOP,
}


def found(ink: Ink, target: str, kind: Kind, hand: str = "plain") -> list[Code]:
    result = check_text(ink, Task(target, kind), Style(hand), RULING)
    return [f.code for f in result.findings if f.severity is Verdict.NOT_YET]


def test_every_slip_has_its_code() -> None:
    assert set(EXPECTED) == set(TEXT_SLIPS)


@pytest.mark.parametrize("name", TEXT_SLIPS)
def test_a_slip_of_a_text_is_found_as_what_it_is(name: str) -> None:
    rng = np.random.default_rng(51)
    for _ in range(3):
        pupil = draw_pupil(rng, steadiness=0.9)
        ink = write_text(TEXT, PLAIN, RULING, pupil, rng, text_slip=TEXT_SLIPS[name])
        assert EXPECTED[name] in found(ink, TEXT, Kind.SENTENCE)


def test_a_steady_child_has_nothing_to_mend_in_text_row_or_joined_word() -> None:
    rng = np.random.default_rng(52)
    for _ in range(4):
        pupil = draw_pupil(rng, steadiness=0.9)
        assert found(write_text(TEXT, PLAIN, RULING, pupil, rng), TEXT, Kind.SENTENCE) == []
        assert found(write_row("h", 5, PLAIN, RULING, pupil, rng), "h", Kind.ROW) == []
        word = write_joined("summer", HANDS["joined"], RULING, pupil, rng)
        assert found(word, "summer", Kind.WORD, "joined") == []


def test_a_slip_of_one_letter_is_that_letters() -> None:
    rng = np.random.default_rng(53)
    pupil = draw_pupil(rng, steadiness=0.9)
    slips = {2: [SLIPS["from the foot"]]}
    ink = write_text("hen", PLAIN, RULING, pupil, rng, slips=slips)
    result = check_text(ink, Task("hen", Kind.WORD), Style("plain"), RULING)
    mends = [
        [f.code for f in letter.findings if f.severity is Verdict.NOT_YET]
        for letter in result.letters
    ]
    assert mends == [[], [], [Code.START_PLACE]]


def test_its_clock_goes_on_from_letter_to_letter() -> None:
    rng = np.random.default_rng(54)
    ink = write_text("hen", PLAIN, RULING, draw_pupil(rng), rng)
    times = [t for s in ink.strokes if s.times is not None for t in s.times.tolist()]
    assert times == sorted(times)
