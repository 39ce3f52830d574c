"""Letters that nobody here made, learnt as somebody's own: whatever follows from a script follows
from theirs, and nothing of it fails."""

from dataclasses import replace

import numpy as np
import pytest
from scripts.other_print.makes import hershey

from firstloop.core.checking.check import check
from firstloop.core.checking.texts.check import check_text
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import HANDS, Hand, draw
from firstloop.core.letters.moves import parse
from firstloop.core.letters.numbering import number_places
from firstloop.core.letters.phrases import phrase
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import shown_slips
from firstloop.core.letters.style import Style
from firstloop.core.own_hand.learn import learn
from firstloop.core.own_hand.sample import sampled
from firstloop.core.text.words import compose
from firstloop.formats import packages


def ink_of(strokes: tuple[FloatArray, ...], rng: np.random.Generator, by: float) -> Ink:
    return Ink(tuple(Stroke.of(one + rng.normal(0, by, one.shape)) for one in strokes))


@pytest.fixture(scope="module", params=[("scripts", "joined"), ("cursive", "plain")])
def hand(request: pytest.FixtureRequest) -> Hand:
    font, base = request.param
    paper, shapes = hershey(font)
    rng = np.random.default_rng(2)
    samples = [
        sampled(letter, letter, ink_of(tuple(strokes), rng, 0.002), paper)
        for letter, strokes in shapes.items()
        if letter in HANDS[base].scripts
    ]
    return learn(samples, HANDS[base], "theirs").hand


def test_it_is_drawn_numbered_spoken_and_its_slips_are_shown(hand: Hand) -> None:
    paper, _ = hershey("scripts")
    for letter, script in hand.scripts.items():
        drawn = draw(script, hand.proportions, paper)
        assert len(list(number_places(drawn))) == len(script.moves), letter
        assert phrase(script)
        assert shown_slips(script, hand, paper) is not None


def test_its_letters_are_checked_whatever_was_written(hand: Hand) -> None:
    rng, style = np.random.default_rng(3), Style("theirs", own=hand)
    paper, _ = hershey("scripts")
    for letter in hand.scripts:
        for other in (letter, str(rng.choice([*hand.scripts]))):
            strokes = draw(hand.scripts[other], hand.proportions, paper).paths()
            result = check(ink_of(strokes, rng, 0.01), Task(letter), style, paper)
            assert result.target == letter


@pytest.mark.parametrize("word", ["fox", "quick", "jelly"])
def test_its_words_are_composed_and_judged(hand: Hand, word: str) -> None:
    rng = np.random.default_rng(4)
    paper, _ = hershey("scripts")
    strokes = draw(compose(word, hand).script, hand.proportions, paper).paths()
    style = Style("theirs", own=hand)
    result = check_text(ink_of(strokes, rng, 0.01), Task(word, Kind.WORD), style, paper)
    assert len(result.letters) == len(word)


def test_it_is_kept_as_a_file(hand: Hand) -> None:
    again = packages.read_hand(packages.write_hand(hand).encode())
    assert again.scripts == hand.scripts
    assert again.joined == hand.joined


def test_a_letter_of_ways_in_and_out_alone_is_checked() -> None:
    bare = parse("z", "-.42,base; lead-in@38 0,mid,62; flick .4,.6,20")
    joined = HANDS["joined"]
    hand = replace(joined, name="theirs", scripts=joined.scripts | {"z": bare})
    strokes = draw(bare, hand.proportions, Ruling()).paths()
    ink = ink_of(strokes, np.random.default_rng(5), 0.005)
    assert check(ink, Task("z"), Style("theirs", own=hand), Ruling()).target == "z"
