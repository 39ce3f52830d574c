"""Letters and words as pictures: still, moving, and for any phone."""

from io import BytesIO
from xml.etree import ElementTree

import numpy as np
import pytest
from PIL import Image

from firstloop.core.letters import HANDS, Letter, draw
from firstloop.core.letters.pace import PAUSE, REST, movement_of
from firstloop.core.letters.ruling import Ruling, RulingKind
from firstloop.core.text.words import compose
from firstloop.formats import gif, svg

SVG = "{http://www.w3.org/2000/svg}"


def drawn(text: str, hand: str = "plain", ruling: Ruling | None = None) -> Letter:
    own = HANDS[hand]
    return draw(compose(text, own).script, own.proportions, ruling or Ruling())


@pytest.mark.parametrize(("text", "hand"), [("n", "plain"), ("ship", "plain"), ("it", "joined")])
def test_a_movement_has_every_move_in_its_turn_with_a_breath_between(text: str, hand: str) -> None:
    letter = drawn(text, hand)
    movement = movement_of(letter)
    assert len(movement.moves) == len(letter.moves)
    starts, ends = np.array(movement.moves).T
    assert (ends > starts).all()
    assert np.allclose(starts[1:] - ends[:-1], PAUSE)
    assert movement.whole == pytest.approx(ends[-1] + PAUSE + REST)


@pytest.mark.parametrize("hand", HANDS)
def test_a_page_holds_the_ink_and_the_lines_with_a_margin(hand: str) -> None:
    letter = drawn("jump", hand)
    left, right, bottom, top = svg.page_of(letter)
    every = np.vstack(letter.paths())
    assert left < every[:, 0].min() < every[:, 0].max() < right
    assert bottom < letter.ruling.drop
    assert top > letter.ruling.top


def test_a_moving_picture_is_the_still_one_with_a_way_to_move() -> None:
    letter = drawn("ship")
    still, moving = (
        ElementTree.fromstring(svg.written(letter, animated=animated)) for animated in (False, True)
    )
    lines = [
        [path.get("d") for path in one.iter(f"{SVG}path") if path.get("class") == "pen"]
        for one in (still, moving)
    ]
    assert lines[0] == lines[1]
    assert len(lines[0]) == len(letter.moves)
    style = "".join(one.text or "" for one in moving.iter(f"{SVG}style"))
    assert style.count("@keyframes") == len(letter.moves)
    assert "prefers-reduced-motion:no-preference" in style
    assert "@keyframes" not in "".join(one.text or "" for one in still.iter(f"{SVG}style"))


def frames(data: bytes) -> list[np.ndarray]:
    picture = Image.open(BytesIO(data))
    found = []
    for at in range(getattr(picture, "n_frames", 1)):
        picture.seek(at)
        found.append(np.asarray(picture.convert("L")))
    return found


def test_a_gif_begins_empty_and_ends_as_the_whole_word_at_most_720_wide() -> None:
    word = frames(gif.written(drawn("thunderstorm")))
    assert (word[0] < 90).sum() == 0
    assert 700 <= word[0].shape[1] <= 720
    ink = [int((frame < 90).sum()) for frame in word]
    assert ink[-1] == max(ink)
    assert len(word) <= gif.MOST_FRAMES + 3 * len(drawn("thunderstorm").moves)


@pytest.mark.parametrize(
    ("kind", "solid", "dashed"),
    [(RulingKind.BASE, 1, 0), (RulingKind.TWO, 2, 0), (RulingKind.FOUR, 3, 1)],
)
def test_the_lines_of_the_ruling_are_drawn_as_they_look(
    kind: RulingKind, solid: int, dashed: int
) -> None:
    page = frames(gif.written(drawn("l", ruling=Ruling(kind=kind))))[0]
    covered = (page < 235).mean(axis=1)  # the share of each row of pixels that is ruled
    assert lines_of(covered > 0.95) == solid
    assert lines_of((covered > 0.3) & (covered < 0.8)) == dashed


def lines_of(rows: np.ndarray) -> int:
    """How many lines there are, each of one row of pixels or of several together."""
    return int((np.diff(rows.astype(int), prepend=0) == 1).sum())
