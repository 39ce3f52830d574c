"""Pieces: which ink was written for which letter of a text, however it was found."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.texts.traces import Trace, Traces
from firstloop.core.checking.texts.visits import Part
from firstloop.core.geometry.even import Lines
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand
from firstloop.core.letters.moves import MoveKind

NEAR_ITS_DOT, STOP_IS_LOW = 1.3, 0.35
"""[u] Along the line from a letter to its dot at most; u above the line, below which a dot is a
stop."""


@dataclass(frozen=True, slots=True, eq=False)
class Piece:
    """The ink of one letter. `place` is its letter's in the text, spaces left out; `letter` what
    was asked for there, None of one too many; `parts` where its ink is, in writing order."""

    place: int
    letter: str | None
    parts: tuple[Part, ...]
    lines: Lines
    struck: bool = False
    strikes: tuple[int, ...] = ()
    other_case: bool = False
    again: bool = False
    led_in: float | None = None
    led_out: float | None = None
    """Of a joined letter that is the first, or the last, of its trace: which share of its lead-in,
    or of its flick, is there."""
    on_a_way: bool = False
    """Whether it was found on the way through a joined word, and ends where its own ink does."""
    joined: bool = False
    """Whether the hand joins it to the letter before."""
    another: str | None = None
    """Which other letter its ink goes along."""
    bars: int = 0
    """How many of its strokes lie beside the way."""
    came_from: FloatArray | None = None
    went_to: FloatArray | None = None
    """Of a joined letter: where its first trace begins and its last one ends, (2,)."""
    goes_on: float = 0.0
    """u of ink after its own end, where its trace holds no other letter after it."""
    main: int = 0
    """How many of its parts, and lines, come before bars and dots that lie beside the way; 0 stands
    for all."""

    @property
    def traces(self) -> tuple[int, ...]:
        """The traces that it was made of, whole or in part."""
        return tuple(sorted({part.trace for part in self.parts}))

    @property
    def main_begin(self) -> Part:
        """Where a joined letter begins."""
        return self.parts[0]

    @property
    def main_end(self) -> Part:
        """Where a joined letter goes on to the next: before its bars and dots."""
        return self.parts[self.main - 1]


@dataclass(frozen=True, slots=True, eq=False)
class Laid:
    """A text in pieces, along the line; and the places of letters that there is no ink for."""

    pieces: tuple[Piece, ...]
    missing: tuple[int, ...]


def dots_above(traces: Traces, letters: str) -> list[Trace]:
    """Dots that belong over a letter: all but those on the line, and a full stop that floats."""
    dots = [trace for trace in traces if trace.is_dot and trace.middle[1] > STOP_IS_LOW]
    others = [trace for trace in traces if not trace.is_dot]
    if dots and others and letters[-1:] == ".":
        last = max(dots, key=lambda trace: trace.middle[0])
        low = any(t.is_dot and t.middle[1] <= STOP_IS_LOW for t in traces)
        if not low and last.box[0] > max(trace.box[2] for trace in others):
            dots.remove(last)
    return dots


def nearest(wanting: Sequence[tuple[int, float]], dots: Sequence[Trace]) -> dict[int, list[Trace]]:
    """Each dot or bar to the place that wants one and is nearest; `wanting` are places with where
    (x, u) they are. A place has one, and none from further off than NEAR_ITS_DOT."""
    pairs = sorted((abs(dot.middle[0] - x), at, dot.at, dot) for at, x in wanting for dot in dots)
    given: dict[int, list[Trace]] = {}
    gone: set[int] = set()
    for apart, at, place, dot in pairs:
        if at not in given and place not in gone and apart < NEAR_ITS_DOT:
            given[at] = [dot]
            gone.add(place)
    return given


def with_struck(laid: Laid, struck: Sequence[tuple[Traces, Traces]], letters: str) -> Laid:
    """The pieces with what was struck out as a whole, each before the letter that it was to be: the
    next to its right."""
    pieces = list(laid.pieces)
    for traces, lines in struck:
        left = min(trace.box[0] for trace in traces)
        at = next((k for k, p in enumerate(pieces) if left_of(p) > left), len(pieces))
        place = pieces[at].place if at < len(pieces) else len(letters) - 1
        written = Piece(
            place=place,
            letter=letters[min(place, len(letters) - 1)],
            parts=tuple(Part(trace.at, 0, len(trace.line) - 1) for trace in traces),
            lines=tuple(trace.line for trace in traces),
            struck=True,
            strikes=tuple(line.at for line in lines),
        )
        pieces.insert(at, written)
    return Laid(tuple(pieces), laid.missing)


def left_of(piece: Piece) -> float:
    """u: its left edge."""
    return min(float(line[:, 0].min()) for line in piece.lines)


def has_a_dot(letter: str, hand: Hand) -> bool:
    """Whether a dot belongs over the letter.

    >>> from firstloop.core.letters import PLAIN
    >>> has_a_dot("i", PLAIN), has_a_dot("l", PLAIN)
    (True, False)
    """
    strokes = hand.scripts[letter].strokes
    return len(strokes) > 1 and strokes[-1].moves[0].kind is MoveKind.DOT and letter.isalpha()


def levelled(traces: Traces, slope: float) -> Traces:
    """The traces with a line of feet that climbs by `slope` made level."""
    if not slope:
        return traces
    left = min(trace.box[0] for trace in traces)
    return tuple(
        Trace.of(
            trace.at,
            trace.line
            - np.column_stack([0.0 * trace.line[:, 0], slope * (trace.line[:, 0] - left)]),
        )
        for trace in traces
    )
