"""What is said while a letter is drawn: one steady phrase, composed from its moves."""

from itertools import pairwise

from firstloop.core.moves import MoveKind, Script, ScriptStroke, nominal_height

WORDS = {
    MoveKind.DROP: "straight down",
    MoveKind.RISE: "straight up",
    MoveKind.BACK: "back up the same line",
    MoveKind.ARCH: "over and down",
    MoveKind.ARM: "over and stop",
    MoveKind.SCOOP: "down, under and up",
    MoveKind.ROUND: "back and round",
    MoveKind.WHEEL: "over and round",
    MoveKind.CROSS: "straight across",
    MoveKind.HOOK: "hook to the left",
    MoveKind.CURL: "curl to the right",
    MoveKind.LOOP: "loop",
    MoveKind.LEAD_IN: "lead in",
    MoveKind.FLICK: "flick",
    MoveKind.DOT: "dot",
}
SLOPE_DOWN, SLOPE_UP = "slope down", "slope up"


def move_words(script: Script) -> tuple[tuple[str, ...], ...]:
    """The words of each move, by stroke, in the order they are spoken."""
    return tuple(_stroke_words(stroke) for stroke in script.strokes)


def _stroke_words(stroke: ScriptStroke) -> tuple[str, ...]:
    heights = [
        nominal_height(node.y) for node in (stroke.start, *(move.end for move in stroke.moves))
    ]
    return tuple(
        WORDS.get(move.kind) or (SLOPE_DOWN if end < start else SLOPE_UP)
        for move, (start, end) in zip(stroke.moves, pairwise(heights), strict=True)
    )


def phrase(script: Script) -> str:
    """The whole phrase.

    >>> from firstloop.core.letterforms import PLAIN
    >>> phrase(PLAIN.scripts["r"])
    'straight down, back up the same line, over and stop'
    >>> phrase(PLAIN.scripts["x"])
    'slope down; slope down'
    """
    return "; ".join(", ".join(words) for words in move_words(script))
