"""What strikes out what: over each letter and over whole words, written again after it."""

import string

import numpy as np
import pytest

from firstloop.core.checking.say.findings import MarkKind
from firstloop.core.contract import Code
from firstloop.core.geometry.polyline import FloatArray
from tests.core.checking.texts.written import Line, checked, ink_of, printed, to_mend

Box = tuple[float, float, float, float]


def line(box: Box, y: float = 0.5) -> list[FloatArray]:
    x0, y0, x1, y1 = box
    half = max(x1 - x0, 0.6) / 2 + 0.2
    x, height = (x0 + x1) / 2, y0 + y * (y1 - y0)
    return [np.array([[x - half, height - 0.05], [x + half, height + 0.05]])]


def double(box: Box) -> list[FloatArray]:
    return [*line(box, 0.4), *line(box, 0.65)]


def cross(box: Box) -> list[FloatArray]:
    x0, y0, x1, y1 = box
    x, half = (x0 + x1) / 2, max(x1 - x0, 0.5) / 2 + 0.1
    return [
        np.array([[x - half, y1], [x + half, y0]]),
        np.array([[x + half, y1], [x - half, y0]]),
    ]


def zigzag(box: Box, *, upright: bool) -> list[FloatArray]:
    x0, y0, x1, y1 = box
    x, half = (x0 + x1) / 2, max(x1 - x0, 0.4) / 2 + 0.1
    walk = np.linspace(-1.0, 1.0, 7)
    swing = np.array([1.0, -1.0] * 4)[:7]
    across, along = (walk, swing) if upright else (swing, walk)
    return [np.column_stack([x + half * across, (y0 + y1) / 2 + (y1 - y0) / 2 * along])]


def spiral(box: Box) -> list[FloatArray]:
    x0, y0, x1, y1 = box
    angle = np.linspace(0.0, 7 * np.pi, 200)
    half = max(x1 - x0, 0.4) / 2
    return [
        np.column_stack(
            [
                (x0 + x1) / 2 + half * np.cos(angle) + 0.02 * angle,
                (y0 + y1) / 2 + 0.45 * (y1 - y0) * np.sin(angle),
            ]
        )
    ]


STRIKES = {
    "line": line,
    "double": double,
    "cross": cross,
    "to and fro": lambda box: zigzag(box, upright=False),
    "up and down": lambda box: zigzag(box, upright=True),
    "spiral": spiral,
}


def box_of(paths: list[FloatArray]) -> Box:
    every = np.vstack(paths)
    (x0, y0), (x1, y1) = every.min(axis=0), every.max(axis=0)
    return float(x0), float(y0), float(x1), float(y1)


def with_struck(word: str, at: int, how: str) -> Line:
    """A word in which a letter is struck out and comes again."""
    again = printed(word[: at + 1] + word[at:])
    letters = [list(paths) for paths in again.letters]
    letters[at] += STRIKES[how](box_of(letters[at]))
    return Line(letters)


@pytest.mark.parametrize("how", STRIKES)
@pytest.mark.parametrize("letter", sorted(set(string.ascii_lowercase) - set("ijt")))
def test_each_letter_may_be_struck_out_and_written_again(letter: str, how: str) -> None:
    # What is struck out and again stand apart, or two are struck out at once.
    written = with_struck(f"s{letter}n", 1, how).moved(1, 0.5).moved(2, 0.5)
    result = checked(written.ink, f"s{letter}n")
    assert [one.struck for one in result.letters] == [False, True, False, False]
    assert to_mend(result) == []
    assert MarkKind.STRIKE in {mark.kind for mark in result.marks}


@pytest.mark.parametrize("how", STRIKES)
def test_a_whole_word_may_be_struck_out_and_written_again(how: str) -> None:
    both = printed("hand hand")
    first = box_of([path for paths in both.letters[:4] for path in paths])
    letters = [list(paths) for paths in both.letters]
    letters[3] += STRIKES[how](first)
    result = checked(Line(letters).ink, "hand")
    assert to_mend(result) == []
    assert result.reads_as == "hand"


def test_letters_that_cross_themselves_strike_nothing_out() -> None:
    for word in ("fox", "kitten", "exit", "maze", "swim", "tttt"):
        result = checked(printed(word).ink, word)
        assert not any(one.struck for one in result.letters), word
        assert to_mend(result) == []


def test_a_t_too_many_is_one_and_not_a_stem_struck_out() -> None:
    assert Code.WRONG_LETTER in dict(to_mend(checked(printed("catt").ink, "cat")))


def test_a_tail_may_be_crossed_and_a_line_under_letters_is_none() -> None:
    word = printed("sag")
    under = [np.array([[0.0, -0.4], [2.5, -0.42]])]
    marked = checked(ink_of([*(p for ps in word.letters[:2] for p in ps), *under]), "sa")
    assert [mark.kind for mark in marked.marks] == [MarkKind.UNDER]
    struck = with_struck("sag", 2, "line").moved(2, 0.4).moved(3, 0.4)
    assert [one.struck for one in checked(struck.ink, "sag").letters] == [False, False, True, False]


def test_a_bar_of_t_that_shakes_is_no_tick() -> None:
    word = printed("Tim")
    x = np.linspace(0.0, 1.0, 40)
    bar = np.column_stack([x, 1.9 - 0.08 * np.sin(2.2 * np.pi * x) + 0.05 * x])
    left = float(word.letters[0][1][:, 0].min())
    word.letters[0][1] = bar * np.array([float(np.ptp(word.letters[0][1][:, 0])), 1.0]) + [left, 0]
    result = checked(word.ink, "Tim")
    assert result.marks == ()
    assert result.reads_as == "Tim"


def test_once_round_is_a_ring_and_often_round_strikes_out() -> None:
    word = printed("an hat")
    box = box_of([path for paths in word.letters[:2] for path in paths])
    x0, y0, x1, y1 = box
    angle = np.linspace(0.3, 2 * np.pi + 0.3, 80)
    ring = np.column_stack(
        [(x0 + x1) / 2 + (x1 - x0) * 0.75 * np.cos(angle), 0.5 + (y1 - y0) * np.sin(angle)]
    )
    ringed = checked(ink_of([*(p for ps in word.letters[:2] for p in ps), ring]), "an")
    assert [mark.kind for mark in ringed.marks] == [MarkKind.RING]
    struck = [*(p for ps in word.letters[:2] for p in ps), *spiral(box)]
    again = checked(ink_of([*struck, *(p for ps in word.letters[2:] for p in ps)]), "hat")
    assert MarkKind.RING not in {mark.kind for mark in again.marks}
