"""Letters as movement scripts, and the one function that draws them.

A script is data: strokes of moves. Everything else that is known of a letter (its picture, its
phrase, its family, how a child may get it wrong) is computed from it.
"""

from dataclasses import dataclass
from functools import lru_cache

from firstloop.core import polyline
from firstloop.core.errors import UnknownLetterError
from firstloop.core.moves import Move, MoveKind, Proportions, path
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Height, Line, Ruling

TOP, MID, BASE = Height(Line.TOP), Height(Line.MID), Height(Line.BASE)
BRANCH = Height(Line.BASE, 0.64)
"""Where an arch leaves its stem; the design asks for 0.6 to 0.7 u, not the stem's end."""


@dataclass(frozen=True, slots=True)
class ScriptStroke:
    """One pen-down of a script: where it starts (x in u, and a height), then its moves."""

    start_x: float
    start: Height
    moves: tuple[Move, ...]


@dataclass(frozen=True, slots=True)
class Script:
    """How one letter is made."""

    letter: str
    strokes: tuple[ScriptStroke, ...]


@dataclass(frozen=True, slots=True, eq=False)
class DrawnMove:
    """A move as geometry. `points` (n, 2) in u; `stroke` and `index` say where in the script."""

    move: Move
    stroke: int
    index: int
    points: FloatArray


@dataclass(frozen=True, slots=True, eq=False)
class Letter:
    """A script drawn in a hand on a ruling: strokes of drawn moves."""

    script: Script
    hand: str
    ruling: Ruling
    strokes: tuple[tuple[DrawnMove, ...], ...]

    @property
    def name(self) -> str:
        """The letter itself."""
        return self.script.letter

    @property
    def moves(self) -> tuple[DrawnMove, ...]:
        """All moves in writing order."""
        return tuple(move for stroke in self.strokes for move in stroke)


@dataclass(frozen=True, slots=True, eq=False)
class Hand:
    """A school's way of writing: proportions, and a script for each letter."""

    name: str
    proportions: Proportions
    scripts: dict[str, Script]


def _drop(to: Height = BASE) -> Move:
    return Move(MoveKind.DROP, to)


def _back() -> Move:
    return Move(MoveKind.BACK, BRANCH)


def _arch(dx: float) -> Move:
    return Move(MoveKind.ARCH, BASE, dx)


def _arm(dx: float) -> Move:
    return Move(MoveKind.ARM, Height(Line.MID, -0.1), dx)


def _one_stroke(letter: str, start: Height, *moves: Move) -> Script:
    return Script(letter, (ScriptStroke(0.0, start, moves),))


PLAIN = Hand(
    "plain",
    Proportions(),
    {
        script.letter: script
        for script in (
            _one_stroke("r", MID, _drop(), _back(), _arm(0.52)),
            _one_stroke("n", MID, _drop(), _back(), _arch(0.75)),
            _one_stroke("m", MID, _drop(), _back(), _arch(0.64), _back(), _arch(0.64)),
            _one_stroke("h", TOP, _drop(), _back(), _arch(0.75)),
        )
    },
)
HANDS = {PLAIN.name: PLAIN}


def find_hand(name: str) -> Hand:
    """The hand of that name.

    >>> find_hand("copperplate")
    Traceback (most recent call last):
    firstloop.core.errors.UnknownLetterError: there is no hand "copperplate"; there is: plain
    """
    if name not in HANDS:
        known = ", ".join(sorted(HANDS))
        raise UnknownLetterError(f'there is no hand "{name}"; there is: {known}')
    return HANDS[name]


def find_script(letter: str, hand: Hand) -> Script:
    """The script of a letter in a hand.

    >>> find_script("ß", PLAIN)
    Traceback (most recent call last):
    firstloop.core.errors.UnknownLetterError: the plain hand has no "ß"; it has: h m n r
    """
    if letter not in hand.scripts:
        known = " ".join(sorted(hand.scripts))
        raise UnknownLetterError(f'the {hand.name} hand has no "{letter}"; it has: {known}')
    return hand.scripts[letter]


@lru_cache(maxsize=512)
def draw(script: Script, hand: Hand, ruling: Ruling) -> Letter:
    """The script as geometry, in the hand's proportions, on the ruling's lines.

    >>> n = draw(find_script("n", PLAIN), PLAIN, Ruling())
    >>> [str(drawn.move.kind) for drawn in n.moves]
    ['drop', 'back', 'arch']
    >>> n.moves[0].points[-1].tolist()
    [0.0, 0.0]
    """
    strokes = []
    for stroke_index, stroke in enumerate(script.strokes):
        pen = (stroke.start_x, stroke.start.on(ruling))
        drawn = []
        for index, move in enumerate(stroke.moves):
            points = polyline.read_only(path(move, pen, hand.proportions, ruling))
            drawn.append(DrawnMove(move, stroke_index, index, points))
            pen = (float(points[-1, 0]), float(points[-1, 1]))
        strokes.append(tuple(drawn))
    return Letter(script, hand.name, ruling, tuple(strokes))
