"""What stands in a cell of paper: letters and texts, with what children draw over and by them."""

from collections import Counter

import numpy as np
import pytest

from firstloop.core.checking.on_paper import CellState, OnPaper, check_on_paper
from firstloop.core.checking.say.findings import MarkKind, TextResult
from firstloop.core.contract import Dimension, Verdict
from firstloop.core.errors import UncheckedError
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.evidence.text_pupils import write_joined, write_text
from firstloop.core.letters import HANDS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.demo.marks_by_children import MARKS, marked
from tests.letters import ink, pen
from tests.scanned import scanned

pytestmark = pytest.mark.measuring

ALPHABET = "abcdefghijklmnopqrstuvwxyz"


def on_paper(
    written: Ink, task: Task, hand: str = "plain", *, x_height: float = 56.0, width: int = 6
) -> OnPaper:
    strokes = [stroke.points for stroke in written.strokes]
    seen = scanned(strokes, x_height, width).seen()
    return check_on_paper(seen, task, Style(hand), Ruling())


def a_letter(letter: str, hand: str, rng: np.random.Generator) -> Ink:
    shape = HANDS[hand]
    return write(shape.scripts[letter], shape, Ruling(), draw_pupil(rng, steadiness=0.8), rng)


@pytest.mark.parametrize("hand", ["plain", "joined"])
def test_a_letter_without_marks_is_neither_struck_nor_chosen(hand: str) -> None:
    rng = np.random.default_rng(31)
    for letter in ALPHABET * 2:
        found = on_paper(
            a_letter(letter, hand, rng), Task(letter), hand, width=int(rng.integers(3, 8))
        )
        assert (found.state, found.chosen) == (CellState.WRITTEN, False), letter


LEAST_SEEN = {
    "line": 0.85, "two lines": 0.85, "cross": 0.75, "scribble": 0.75,
    "ring": 0.95, "touching ring": 0.8, "tick": 0.9,
}  # fmt: skip


@pytest.mark.parametrize("hand", ["plain", "joined"])
@pytest.mark.parametrize("name", MARKS)
def test_what_children_draw_over_or_by_a_letter_is_seen(name: str, hand: str) -> None:
    rng, mark, told = np.random.default_rng(32), MARKS[name], Counter[bool]()
    for letter in ALPHABET * 2:
        written = marked(a_letter(letter, hand, rng), mark, rng)
        found = on_paper(written, Task(letter), hand, width=int(rng.integers(3, 8)))
        struck = found.state is CellState.STRUCK
        told[struck if mark.strikes else found.chosen and not struck] += 1
    assert told[True] >= LEAST_SEEN[name] * told.total(), told


def test_another_letter_than_was_asked_for_is_not_taken_for_struck() -> None:
    rng = np.random.default_rng(33)
    for letter in "BKRgmwk":
        for asked in "lioc":
            found = on_paper(a_letter(letter, "plain", rng), Task(asked))
            assert found.state is CellState.WRITTEN, (letter, asked)


def test_a_letter_with_a_ring_is_judged_without_it() -> None:
    written = a_letter("n", "plain", np.random.default_rng(3))
    alone = on_paper(written, Task("n"))
    chosen = on_paper(marked(written, MARKS["ring"], np.random.default_rng(4)), Task("n"))
    assert chosen.chosen
    assert alone.result is not None
    assert chosen.result is not None
    assert chosen.result.verdict == alone.result.verdict
    assert chosen.result.verdict[Dimension.DIRECTION] is Verdict.UNSEEN


def a_text(text: str, hand: str, rng: np.random.Generator) -> Ink:
    shape, pupil = HANDS[hand], draw_pupil(rng, steadiness=0.9)
    if shape.joins:
        return write_joined(text, shape, Ruling(), pupil, rng)
    return write_text(text, shape, Ruling(), pupil, rng)


@pytest.mark.parametrize("hand", ["plain", "flick", "joined", "looped"])
def test_words_are_read_letter_by_letter_and_good_ones_are_let_be(hand: str) -> None:
    rng, read, nagged = np.random.default_rng(34), 0, 0
    words = ("hen", "ship", "moon", "frog", "bed", "cake", "lamp", "wet", "jump", "dig")
    for word in words:
        found = on_paper(a_text(word, hand, rng), Task(word, Kind.WORD), hand)
        assert isinstance(found.result, TextResult)
        read += "".join(one.target or "" for one in found.result.letters) == word
        nagged += Verdict.NOT_YET in found.result.verdict.values()
        assert found.result.verdict[Dimension.DIRECTION] is Verdict.UNSEEN
    assert read >= 0.9 * len(words)
    assert nagged <= 0.2 * len(words)


def test_letters_that_run_into_each_other_are_cut_apart() -> None:
    rng = np.random.default_rng(36)
    parts = [a_letter(letter, "plain", rng) for letter in "dog"]
    right, strokes = 0.0, []
    for part in parts:
        by = np.array([right - part.points[:, 0].min(), 0.0])
        strokes += [stroke.points + by for stroke in part.strokes]
        right = max(float(stroke[:, 0].max()) for stroke in strokes) - 0.02
    found = on_paper(ink(*strokes), Task("dog", Kind.WORD))
    assert isinstance(found.result, TextResult)
    assert [one.target for one in found.result.letters] == [*"dog"]


def test_a_ring_round_a_word_chooses_it_and_a_line_through_it_strikes_it_out() -> None:
    rng = np.random.default_rng(35)
    word = a_text("ham", "plain", rng)
    (x0, _), (x1, _) = word.points.min(axis=0), word.points.max(axis=0)
    turn = np.linspace(0.0, 2 * np.pi, 300)
    ring = np.column_stack([
        (x0 + x1) / 2 + ((x1 - x0) / 2 + 0.7) * np.cos(turn), 0.9 + 1.9 * np.sin(turn)
    ])  # fmt: skip
    chosen = on_paper(ink(*(s.points for s in word.strokes), ring), Task("ham", Kind.WORD))
    assert chosen.chosen
    assert isinstance(chosen.result, TextResult)
    assert [mark.kind for mark in chosen.result.marks] == [MarkKind.RING]
    through = pen((x0 - 0.3, 0.45), (x1 + 0.3, 0.55))
    struck = on_paper(ink(*(s.points for s in word.strokes), through), Task("ham", Kind.WORD))
    assert (struck.state, struck.result) == (CellState.STRUCK, None)


def test_free_writing_in_a_hand_that_joins_is_not_guessed() -> None:
    with pytest.raises(UncheckedError, match="say what was to be written"):
        on_paper(a_text("hen", "joined", np.random.default_rng(1)), Task("", Kind.FREE), "joined")
