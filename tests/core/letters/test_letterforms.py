"""Letters as they are drawn: on their lines, without kinks, branching where the design says."""

from collections.abc import Callable
from itertools import pairwise
from typing import Any

import numpy as np
import pytest
from PIL import Image, ImageDraw

from firstloop.core.errors import ScriptError
from firstloop.core.geometry import curves, polyline
from firstloop.core.letters import HANDS, PLAIN, Letter, Proportions, draw
from firstloop.core.letters.hands import GROUPS, choose
from firstloop.core.letters.moves import Level, MoveKind, ScriptStroke, parse
from firstloop.core.letters.phrases import move_words, phrase
from firstloop.core.letters.ruling import Line, Ruling

RULING = Ruling(top=1.8, drop=-0.9)
LETTERS = {
    hand.name: {
        f"{name} {way}": draw(script, hand.proportions, RULING)
        for name, own in hand.scripts.items()
        for way, script in {"": own, **hand.alternatives.get(name, {})}.items()
    }
    for hand in HANDS.values()
}
TALL, TAILED = set("bdfhkl"), set("gjpqy")


def of_each_letter(asked: Callable[[Letter], None]) -> Callable[[str], None]:
    """A test a hand, which names the letter of it that fails."""

    @pytest.mark.parametrize("hand", HANDS)
    def asked_of_all(hand: str) -> None:
        for name, letter in LETTERS[hand].items():
            try:
                asked(letter)
            except AssertionError as error:
                raise AssertionError(f"{hand} {name}: {error}") from error

    asked_of_all.__doc__ = asked.__doc__
    return asked_of_all


def extent(letter: Letter) -> tuple[float, float]:
    heights = np.vstack(letter.paths())[:, 1]
    return float(heights.min()), float(heights.max())


def reaches_the_drop_line(letter: Letter) -> bool:
    """As an f with a tail does, and one without does not."""
    return any(node.y is Level.DROP for move in letter.script.moves for node in move.nodes)


def test_the_first_alternative_is_the_hands_own() -> None:
    for hand in HANDS.values():
        for letter, by_name in hand.alternatives.items():
            assert len(by_name) > 1
            assert next(iter(by_name.values())) is hand.scripts[letter]


def test_a_choice_changes_that_letter_and_no_other() -> None:
    chosen = choose(PLAIN, {"y": "slanted", "7": "barred"})
    changed = {name for name, script in chosen.scripts.items() if script is not PLAIN.scripts[name]}
    assert changed == {"y", "7"}
    assert len(chosen.scripts["y"].strokes) == 2


def test_every_hand_has_every_letter_digit_and_mark() -> None:
    everything = {letter for group in GROUPS.values() for letter in group}
    assert len(everything) == 26 + 26 + 10 + 6
    for hand in HANDS.values():
        assert set(hand.scripts) == everything


@of_each_letter
def test_small_letters_and_capitals_fill_their_spaces_and_no_more(letter: Letter) -> None:
    low, high = extent(letter)
    if letter.name in GROUPS["small"] and letter.name not in "ijt":  # dots, and a middling t
        assert high == pytest.approx(RULING.top if letter.name in TALL else 1.0, abs=0.02)
    if letter.name in GROUPS["small"]:
        tailed = reaches_the_drop_line(letter)
        assert tailed or letter.name not in TAILED
        assert low == pytest.approx(RULING.drop if tailed else 0.0, abs=0.02)
    if letter.name in (*GROUPS["capital"], *GROUPS["digit"]):
        assert (low, high) == pytest.approx((0.0, RULING.top), abs=0.02)


@of_each_letter
def test_each_move_begins_where_the_last_one_ended(letter: Letter) -> None:
    for stroke in letter.strokes:
        for before, after in pairwise(stroke):
            np.testing.assert_array_equal(before.points[-1], after.points[0])


@of_each_letter
def test_a_stroke_turns_by_more_than_15_degrees_only_at_its_corners(letter: Letter) -> None:
    for script, stroke in zip(letter.script.strokes, letter.strokes, strict=True):
        path = np.vstack([stroke[0].points, *(move.points[1:] for move in stroke[1:])])
        turns = np.abs((turns_deg(path) + 180.0) % 360.0 - 180.0)
        sharp, tips = (set((1 + np.flatnonzero(turns > limit)).tolist()) for limit in (15, 45))
        assert sharp <= corners(script, tips)


def corners(script: ScriptStroke, tips: set[int]) -> set[int]:
    """Points of the drawn stroke at which it may turn sharply: where straight meets straight, where
    a move sets off in a heading of its own, and between moves at a tip, where the pen turns back.
    """
    found, at, heading, was_straight = set(), 0, script.start.heading_deg, False
    for move in script.moves:
        for k, node in enumerate(move.nodes):
            leaves = move.leave_deg is not None and k == 0
            straight = node.heading_deg is None or (heading is None and not leaves)
            if leaves or (straight and was_straight) or (k == 0 and at in tips):
                found.add(at)
            at += 1 if straight else curves.STEPS
            heading, was_straight = 0.0 if straight else node.heading_deg, straight
    return found


ENCLOSED = dict.fromkeys("abdegopqADOPQR0469", 1) | dict.fromkeys("B8", 2)
"""How many spaces a letter encloses; the others none."""


@of_each_letter
def test_letters_are_closed_where_they_should_be_and_nowhere_else(letter: Letter) -> None:
    expected = ENCLOSED.get(letter.name, 0)
    if letter.name == "4" and letter.script is PLAIN.scripts["4"]:
        expected = 0  # its top is open
    found = enclosed_spaces(letter)
    kinds = {move.kind for move in letter.script.moves}
    if MoveKind.LOOP in kinds or (letter.name == "k" and MoveKind.WHEEL in kinds):
        assert found > expected
    elif letter.name in "kf" and MoveKind.LEAD_IN in kinds:
        assert found <= 1  # legs and bar may shut in a little by the stem
    else:
        assert found == expected


def enclosed_spaces(letter: Letter) -> int:
    """Spaces that a thin line around the letter's strokes shuts in, as seen in a small picture."""
    scale, margin = 60, 12
    every = np.vstack(letter.paths())
    low = every.min(axis=0)
    width, height = np.ceil((every.max(axis=0) - low) * scale).astype(int) + 2 * margin
    picture = Image.new("L", (int(width), int(height)), "white")
    for path in letter.paths():
        places = (path - low) * scale + margin
        ImageDraw.Draw(picture).line([tuple(place) for place in places.tolist()], "black", 3)
    ImageDraw.floodfill(picture, (0, 0), 128)
    spaces = 0
    while len(left := np.argwhere(np.asarray(picture) == 255)):
        ImageDraw.floodfill(picture, tuple(left[0][::-1].tolist()), 128)
        spaces += len(left) - int((np.asarray(picture) == 255).sum()) > 40
    return spaces


LAST = {MoveKind.DOT, MoveKind.CROSS}


@pytest.mark.parametrize("name", GROUPS["small"])
def test_print_begins_high_goes_down_first_and_ends_with_dots_and_bars(name: Any) -> None:
    """practice.md, section 3: nothing starts at the foot; rounds go anticlockwise from the top."""
    for script in [PLAIN.scripts[name], *PLAIN.alternatives.get(name, {}).values()]:
        letter = draw(script, PLAIN.proportions, RULING)
        assert all(stroke[0].points[0, 1] > 0.4 for stroke in letter.strokes)
        if name in "bhklmnpr":
            assert letter.moves[0].move.kind is MoveKind.DROP
        if name in "acdgoqsf":
            assert area_under_way(letter.moves[0].points) > 0
        if name in "fijt":
            assert {move.move.kind for move in letter.strokes[-1]} <= LAST
            assert letter.strokes[0][0].move.kind not in LAST


def area_under_way(points: np.ndarray) -> float:
    """Twice the signed area of a line and its chord: positive where it turns anticlockwise."""
    x, y = points.T
    return float((x * np.roll(y, -1) - np.roll(x, -1) * y).sum())


@of_each_letter
def test_arches_leave_their_stem_without_a_kink(letter: Letter) -> None:
    for stroke in letter.strokes:
        for back, over in pairwise(stroke):
            if back.move.kind is MoveKind.BACK and over.move.leave_deg is None:
                path = polyline.respace(np.vstack([back.points, over.points[1:]]), 0.02)
                assert np.abs(turns_deg(path)).max() < 12


@of_each_letter
def test_going_back_runs_along_the_stem_that_was_drawn(letter: Letter) -> None:
    for stroke in letter.strokes:
        for down, back in pairwise(stroke):
            if back.move.kind is MoveKind.BACK:
                apart = np.abs(back.points[:, None, :] - down.points[None, -1:, :])[:, 0, 0]
                lean = np.tan(np.radians(10)) * np.ptp(back.points[:, 1])
                assert apart.max() <= lean + 1e-9


def turns_deg(path: np.ndarray) -> np.ndarray:
    heading = np.diff(path, axis=0)
    return np.diff(np.degrees(np.unwrap(np.arctan2(heading[:, 1], heading[:, 0]))))


def test_arches_branch_where_the_hand_says() -> None:
    n = draw(PLAIN.scripts["n"], Proportions(branch=0.7), RULING)
    assert n.moves[1].points[-1, 1] == pytest.approx(0.7)
    assert 0.6 <= PLAIN.proportions.branch <= 0.7


def test_width_and_slant_are_the_hands() -> None:
    wide = draw(PLAIN.scripts["n"], Proportions(width=1.5), RULING)
    np.testing.assert_allclose(np.vstack(wide.paths())[:, 0].max(), 1.5 * 0.75)
    leaning = draw(PLAIN.scripts["l"], Proportions(slant_deg=45), RULING)
    np.testing.assert_allclose(leaning.moves[0].points[0], [RULING.top, RULING.top])


@of_each_letter
def test_the_phrase_has_words_for_every_move(letter: Letter) -> None:
    words = [word for stroke in move_words(letter.script) for word in stroke]
    assert len(words) == len(letter.moves)
    assert all(word and word in phrase(letter.script) for word in words)


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("0,top", "x, stroke 1: has no moves"),
        ("0,top; drop", "stroke 1, move 1: drop goes nowhere"),
        ("0,top; drop 0,floor", 'move 1: "floor" is no number'),
        ("0,top; drop 0", '"0" is no place'),
        ("0,top; drop 0,base // 0,mid; cross@up 1,mid", 'stroke 2, move 1: "up" is no number'),
    ],
)
def test_a_faulty_script_says_where(text: str, words: str) -> None:
    with pytest.raises(ScriptError, match=words):
        parse("x", text)


def test_a_script_reads_as_the_pen_goes() -> None:
    (stroke,) = parse("n", "0,mid; drop 0,base; back 0,branch; arch .4,mid,E .75,base").strokes
    assert [move.kind for move in stroke.moves] == [MoveKind.DROP, MoveKind.BACK, MoveKind.ARCH]
    assert stroke.moves[2].nodes[0].heading_deg == 0
    assert stroke.moves[2].end.y is Level.BASE


def test_a_file_without_top_and_drop_takes_the_hands_own() -> None:
    ruling = Ruling.from_page({Line.BASE: 50.0, Line.MID: 42.0}, x_height=8.0)
    assert ruling == Ruling()
