"""A page to take home: one file that opens on any phone, without a network.

Each letter is written at a child's pace while its phrase is said; under it are three lines to trace
with a finger. The file asks nothing of anybody and holds no child's name.
"""

import json
from dataclasses import asdict
from itertools import chain
from pathlib import Path
from typing import Any

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import DrawnMove, Hand, Letter, draw
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.pace import movement_of
from firstloop.core.letters.phrases import OURS, Wording, begun_in_words, move_words
from firstloop.core.letters.ruling import Ruling, rules
from firstloop.core.teaching.under_way import UnderWay
from firstloop.core.text.words import compose
from firstloop.formats.svg import page_of

TEMPLATE = Path(__file__).parent / "templates" / "home.html"
SPACING, DIGITS = 0.04, 3
"""u between the points of a line; decimals: a hundredth of a pencil's line."""

LEAST_WIDTH = 4.2
"""u: a narrow letter is no larger than a wide one."""

LETTER = (
    "Watch {what} together and say the words along; then let your child trace it on the three "
    "lines, slowly, with a finger, and write {own} on paper. A few minutes are enough: stop while "
    "it is still fun."
)
"""To the grown-up who opens it, in two sentences."""


def home_page(lesson: UnderWay, hand: Hand, ruling: Ruling, wording: Wording = OURS) -> str:
    """The page for what a lesson takes home, in the class's hand and words on its lines; raises
    UnknownLetterError."""
    texts = lesson.at_home
    given = {
        "title": f"At home: {', '.join(texts)}",
        "letter": LETTER.format(
            what="each one" if len(texts) > 1 else texts[0], own=lesson.asked_at_home
        ),
        "texts": [
            _text(draw(compose(text, hand).script, hand.proportions, ruling), wording)
            for text in texts
        ],
    }
    # Within a script element only "</" could end it.
    data = json.dumps(given, separators=(",", ":")).replace("</", "<\\/")
    return TEMPLATE.read_text(encoding="utf-8").replace("__GIVEN__", data)


def _start(move: DrawnMove) -> FloatArray:
    """Where the finger is set down: a dot is its own beginning."""
    at = move.points.mean(axis=0) if move.move.kind is MoveKind.DOT else move.points[0]
    return np.asarray(np.round(at, DIGITS))


def _text(letter: Letter, wording: Wording) -> dict[str, Any]:
    left, right, bottom, top = page_of(letter)
    spare = max(0.0, LEAST_WIDTH - (right - left)) / 2
    left, right = left - spare, right + spare
    times = movement_of(letter).moves
    words = chain.from_iterable(move_words(letter.script, wording, letter.ruling))
    begun = begun_in_words(letter, wording)
    return {
        "text": letter.name,
        "page": {"left": left, "right": right, "bottom": bottom, "top": top},
        "rules": [asdict(rule) for rule in rules(letter.ruling, left, right)],
        "moves": [
            {
                "start": _start(move).tolist() if move.index == 0 else None,
                "dot": move.move.kind is MoveKind.DOT,
                "points": np.round(polyline.respace(move.ink, SPACING), DIGITS).tolist(),
                "begin": begun[move.stroke] if move.index == 0 else None,
                "words": said,
                "start_s": round(begin, 2),
                "end_s": round(end, 2),
            }
            for move, (begin, end), said in zip(letter.moves, times, words, strict=True)
        ],
    }
