"""Letterforms that nobody here drew, of casual handwriting with free licences (OFL), seen on paper:
each as high as its model, whatever else is its own."""

from dataclasses import dataclass
from functools import cache
from pathlib import Path

import numpy as np
import pytest
from PIL import Image, ImageDraw, ImageFont

from firstloop.core.checking.on_paper import CellState, OnPaper, check_on_paper
from firstloop.core.contract import Dimension, Verdict
from firstloop.core.evidence.image import LetterImage
from firstloop.core.evidence.task import Task
from firstloop.core.geometry.skeleton import thin
from firstloop.core.letters import PLAIN, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style

pytestmark = pytest.mark.measuring

FONTS = Path(__file__).parents[3] / "web" / "node_modules" / "@fontsource"
CASUAL = (
    "architects-daughter", "gochi-hand", "handlee", "indie-flower", "kalam", "patrick-hand",
)  # fmt: skip
LETTERS = "abcdefghijklmnopqrstuvwxyz"
RULING, U, BASE, LEFT = Ruling(), 56, 330, 150


@dataclass(frozen=True)
class Placed:
    """How large it is beside its model, and how much (u) too high."""

    scale: float = 1.0
    up: float = 0.0


FAULTS = (Placed(0.65), Placed(1.4), Placed(up=0.4), Placed(up=-0.4))


@cache
def glyph(font: str, letter: str) -> tuple[np.ndarray, float]:
    """A letter, large, and how wide its pen is; pixels."""
    file = FONTS / font / "files" / f"{font}-latin-400-normal.woff"
    picture = Image.new("L", (900, 900))
    type_of_it = ImageFont.truetype(str(file), 300)
    ImageDraw.Draw(picture).text((200, 500), letter, 255, font=type_of_it, anchor="ls")
    grey = np.asarray(picture)
    rows, columns = np.nonzero(grey > 127)
    grey = grey[rows.min() : rows.max() + 1, columns.min() : columns.max() + 1]
    ink = np.pad(grey > 127, 2)
    return grey, float(ink.sum() / thin(ink).sum())


def written(font: str, letter: str, placed: Placed = Placed()) -> LetterImage:  # frozen
    """As high as the model by the middle of its pen."""
    grey, pen = glyph(font, letter)
    model = np.concatenate(draw(PLAIN.scripts[letter], PLAIN.proportions, RULING).paths())
    low, high = float(model[:, 1].min()), float(model[:, 1].max())
    times = (high - low) * U * placed.scale / (grey.shape[0] - pen)
    size = (round(grey.shape[1] * times), round(grey.shape[0] * times))
    seen = np.asarray(Image.fromarray(grey).resize(size, Image.Resampling.LANCZOS)) > 127
    bottom = BASE - (low * placed.scale + placed.up) * U + pen * times / 2
    top = round(bottom - size[1])
    page = np.zeros((600, 700), np.bool_)
    page[top : top + size[1], LEFT : LEFT + size[0]] = seen
    return LetterImage(page, BASE, U)


def told(font: str, letter: str, asked: str, placed: Placed = Placed()) -> OnPaper:  # frozen
    return check_on_paper(written(font, letter, placed).seen(), Task(asked), Style("plain"), RULING)


def not_yet(found: OnPaper, dimension: Dimension) -> bool:
    return found.result is not None and found.result.verdict[dimension] is Verdict.NOT_YET


ALL = [(font, letter) for font in CASUAL for letter in LETTERS]


def test_they_are_read_as_what_they_are() -> None:
    found = {(font, letter): told(font, letter, letter) for font, letter in ALL}
    read = [of for of, one in found.items() if one.result and one.result.reads_as == of[1]]
    assert len(read) >= 0.95 * len(ALL)
    assert [of for of, one in found.items() if one.state is not CellState.WRITTEN] == []
    assert sum(not_yet(one, Dimension.SIZE) for one in found.values()) <= 0.052 * len(ALL)


def test_another_letter_than_was_asked_for_is_seen() -> None:
    rng, seen = np.random.default_rng(1), 0
    for font, letter in ALL:
        asked = str(rng.choice([one for one in LETTERS if one != letter]))
        found = told(font, letter, asked)
        seen += found.state is CellState.STRUCK or not_yet(found, Dimension.SHAPE)
    assert seen >= 0.9 * len(ALL)


def test_what_is_too_small_too_large_or_off_its_line_is_found() -> None:
    found = [
        sum(not_yet(told(*of, of[1], fault), Dimension.SIZE) for of in ALL) / len(ALL)
        for fault in FAULTS
    ]
    assert sum(found) >= 0.93 * len(FAULTS)
    # Of those too large some are seen by their width alone, which is a hand's own on paper.
    assert min(found) >= 0.87
