"""The check of a text on paper: no pen, no order. What hangs together is taken for letters, letters
that run into each other are cut apart, and each is judged as a picture."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import count
from typing import NamedTuple

import numpy as np

from firstloop.core.checking.letters.judge import Judgement, findings_of, measure_image
from firstloop.core.checking.letters.setting import Setting
from firstloop.core.checking.measure.lines import OntoStandard
from firstloop.core.checking.say.findings import MarkKind
from firstloop.core.checking.texts.alphabet import alphabet_of
from firstloop.core.checking.texts.forms import forms_within
from firstloop.core.checking.texts.marks import SetAside
from firstloop.core.checking.texts.pieces import Laid, Piece
from firstloop.core.checking.texts.seen_marks import set_aside_marks
from firstloop.core.checking.texts.traces import Trace, Traces, where_it_stands
from firstloop.core.contract import Dimension
from firstloop.core.errors import UncheckedError
from firstloop.core.evidence.image import SeenInk
from firstloop.core.geometry.even import INK_SPACING, Lines, evenly
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand

SEEN = frozenset(Dimension) - {Dimension.DIRECTION}
"""What a picture shows."""

WIDE_ENOUGH, OFF_THE_EDGE = 0.9, 0.2
"""[u] Ink as wide as the first may be two letters that touch; and how far from its edges they may
meet."""

CUT_EVERY, MEETS_IN = 0.06, 2
"""[u, lines] Places where two letters may be cut apart, and how many lines may be cut there."""


class Part(NamedTuple):
    """What hangs together on paper, as a trace by its place along the line; and its lines."""

    trace: Trace
    lines: Lines


def parts_of(inks: Sequence[Lines], onto: OntoStandard) -> tuple[Part, ...]:
    """Parts of a page, on the standard lines, from left to right."""
    on_standard = [tuple(evenly(onto.points(line)) for line in lines) for lines in inks]
    return numbered(_part(0, lines) for lines in on_standard)


@dataclass(frozen=True, slots=True, eq=False)
class SeenAside:
    """The parts of the writing; and what was set aside, in the words of pen ink."""

    parts: tuple[Part, ...]
    aside: SetAside


def seen_aside(ink: SeenInk, onto: OntoStandard) -> SeenAside:
    """Takes rings and ticks off a text, and what is struck out; raises UncheckedError where nothing
    else is there."""
    found = set_aside_marks(ink)
    if found.writing is None:
        raise UncheckedError("all of it is struck out; write it once more")
    parts = parts_of(found.writing.parts, onto)
    number = count(len(parts))

    def trace_of(line: FloatArray) -> Trace:
        return Trace.of(next(number), evenly(onto.points(line)))

    marks = tuple(
        (kind, trace_of(line))
        for kind, lines in ((MarkKind.RING, found.rings), (MarkKind.TICK, found.ticks))
        for line in lines
    )
    struck = tuple(
        (tuple(trace_of(line) for line in under), tuple(trace_of(line) for line in over))
        for under, over in found.struck
    )
    traces = tuple(part.trace for part in parts)
    return SeenAside(parts, SetAside(marks, traces, struck))


def numbered(parts: Iterator[Part] | Sequence[Part]) -> tuple[Part, ...]:
    """The same in their order along the line, numbered so."""
    in_order = sorted(parts, key=lambda part: where_it_stands(part.trace))
    return tuple(Part(replace(part.trace, at=at), part.lines) for at, part in enumerate(in_order))


def _part(at: int, lines: Lines) -> Part:
    return Part(Trace.of(at, np.concatenate(lines)), lines)


def levelled_parts(parts: Sequence[Part], slope: float) -> tuple[Part, ...]:
    """The parts with a line of feet that climbs by `slope` made level."""
    if not slope:
        return tuple(parts)
    left = min(part.trace.box[0] for part in parts)

    def level(line: FloatArray) -> FloatArray:
        return line - np.column_stack([0.0 * line[:, 0], slope * (line[:, 0] - left)])

    return tuple(_part(p.trace.at, tuple(level(line) for line in p.lines)) for p in parts)


def feet_of(parts: Sequence[Part]) -> Traces:
    """The lower edge of each part from left to right, in which feet are where it turns upwards."""
    return tuple(replace(part.trace, line=_lower_edge(part.trace.line)) for part in parts)


def _lower_edge(ink: FloatArray) -> FloatArray:
    column = np.floor((ink[:, 0] - ink[:, 0].min()) / (3 * INK_SPACING)).astype(int)
    lowest = np.lexsort((ink[:, 1], column))
    _, first = np.unique(column[lowest], return_index=True)
    edge = ink[lowest[first]]
    return np.asarray(np.repeat(edge, 3, axis=0))  # feet are looked for at each third point


def in_pieces(laid: Laid, parts: Sequence[Part]) -> Laid:
    """The pieces with the lines of their parts, in no order of writing."""
    lines = {part.trace.at: part.lines for part in parts}
    pieces = [
        replace(piece, lines=tuple(line for at in piece.traces for line in lines[at]))
        for piece in laid.pieces
    ]
    return Laid(tuple(pieces), laid.missing)


def cut_apart(
    laid: Laid, parts: Sequence[Part], letters: str, hand: Hand
) -> tuple[Part, ...] | None:
    """The parts once more, with one of them in two where letters are missing and it may be two that
    touch; None where none may."""
    best: tuple[float, int, Part, Part] | None = None
    for place in laid.missing:
        for piece in laid.pieces:
            if abs(piece.place - place) > 1 or piece.letter is None:
                continue
            first, second = sorted((place, piece.place))
            if first == second:
                continue
            pair = letters[first] + letters[second]
            for part in parts:
                if part.trace.at in piece.traces and part.trace.width > WIDE_ENOUGH:
                    found = _cut(part, pair, hand)
                    if found is not None and (best is None or found[0] < best[0]):
                        best = (found[0], part.trace.at, *found[1:])
    if best is None:
        return None
    _, at, left, right = best
    return numbered([part for part in parts if part.trace.at != at] + [left, right])


def _cut(part: Part, pair: str, hand: Hand) -> tuple[float, Part, Part] | None:
    """The cheapest cut of a part into two letters, with what it costs (u²)."""
    alphabet = alphabet_of(pair, hand)
    x0, x1 = part.trace.box[0] + OFF_THE_EDGE, part.trace.box[2] - OFF_THE_EDGE
    cuts = []
    for x in np.arange(x0, x1, CUT_EVERY):
        halves = _halves(part, float(x))
        if halves is not None:
            cuts.append(halves)
    if not cuts:
        return None
    lefts = alphabet.of([[left.trace] for left, _ in cuts])
    rights = alphabet.of([[right.trace] for _, right in cuts])
    costs = [a[pair[0]].cost + b[pair[1]].cost for a, b in zip(lefts, rights, strict=True)]
    at = int(np.argmin(costs))
    return costs[at], *cuts[at]


def _halves(part: Part, x: float) -> tuple[Part, Part] | None:
    """A part cut at a place along the line, unless too many lines go across it there."""
    left: list[FloatArray] = []
    right: list[FloatArray] = []
    crossed = 0
    for line in part.lines:
        ahead = line[:, 0] > x
        ends = np.flatnonzero(np.diff(ahead.astype(int)))
        crossed += len(ends)
        for piece in np.split(line, ends + 1):
            if len(piece) > 2:
                (right if piece[len(piece) // 2, 0] > x else left).append(piece)
    if crossed > MEETS_IN or not left or not right:
        return None
    return _part(-1, tuple(left)), _part(-1, tuple(right))


def judged_as_seen(piece: Piece, letter: str, setting: Setting) -> Judgement:
    """A letter of a text as a picture: which way it was made is not told."""
    forms = forms_within(letter, setting.hand, on_a_way=piece.on_a_way)
    measured = measure_image(piece.lines, forms, setting.hand)
    return Judgement(measured.reading.letter, findings_of(measured, setting, SEEN))
