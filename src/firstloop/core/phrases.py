"""What is said while a letter is drawn: one steady phrase, composed from its moves."""

from firstloop.core.letterforms import Script
from firstloop.core.moves import MoveKind

WORDS = {
    MoveKind.DROP: "straight down",
    MoveKind.BACK: "back up the same line",
    MoveKind.ARCH: "over and down",
    MoveKind.ARM: "over and stop",
}


def move_words(script: Script) -> tuple[tuple[str, ...], ...]:
    """The words of each move, by stroke, in the order they are spoken."""
    return tuple(tuple(WORDS[move.kind] for move in stroke.moves) for stroke in script.strokes)


def phrase(script: Script) -> str:
    """The whole phrase.

    >>> from firstloop.core.letterforms import PLAIN
    >>> phrase(PLAIN.scripts["r"])
    'straight down, back up the same line, over and stop'
    """
    return "; ".join(", ".join(words) for words in move_words(script))
