"""Pieces: which ink was written for which letter of a text, however it was found."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from statistics import median

import numpy as np

from firstloop.core.checking.lines import OntoStandard
from firstloop.core.checking.texts.alphabet import ANY, Alphabet, alphabet_of, any_letter
from firstloop.core.checking.texts.course import Course, course_of
from firstloop.core.checking.texts.joined import Followed, Part, Visit, follow
from firstloop.core.checking.texts.printed import Run, assign
from firstloop.core.checking.texts.traces import Box, Trace, Traces, around, box_of
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand
from firstloop.core.letters.moves import MoveKind
from firstloop.core.limits import (
    INK_SPACING,
    MAY_LIE_BESIDE,
    NEAR_ITS_DOT,
    STOP_IS_LOW,
    WIDER_THAN_INSIDE,
    WORD_NEAR_ENOUGH,
)


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

    def box(self, onto: OntoStandard) -> Box:
        """Its box on the page."""
        return around(box_of(onto.back(line)) for line in self.lines)


@dataclass(frozen=True, slots=True, eq=False)
class Laid:
    """A text in pieces, along the line; and the places of letters that there is no ink for."""

    pieces: tuple[Piece, ...]
    missing: tuple[int, ...]


def row_pieces(traces: Traces, letter: str, hand: Hand) -> Laid:
    """The pieces of a row: as many of the letter as there are."""
    laid = printed_pieces(traces, letter * len(traces), hand, row=True)
    return Laid(laid.pieces, ())


def free_pieces(traces: Traces, hand: Hand) -> tuple[Laid, str]:
    """The pieces of what a child chose to write, in print, and the text that they read as; a letter
    that is like none is left as it is."""
    dots = _dots_above(traces, "")
    writing = [trace for trace in traces if trace not in dots] or list(traces)
    found = assign(writing, ANY * len(writing), any_letter(hand), row=True)
    runs = [run for run in found.runs if run.seen is not None]
    letters = "".join(run.seen.letter for run in runs if run.seen is not None)
    runs = [replace(run, place=place) for place, run in enumerate(runs)]
    given = _dots_given(runs, dots, letters, hand)
    pieces = [_piece_of(run, letters, given.get(at, ())) for at, run in enumerate(runs)]
    return Laid(tuple(pieces), ()), _spaced(letters, runs)


def _spaced(letters: str, runs: Sequence[Run]) -> str:
    """The letters with a space wherever the white is clearly wider than it usually is."""
    gaps = [b.box[0] - a.box[2] for a, b in pairwise(runs)]
    wide = max(WORD_NEAR_ENOUGH, (median(gaps) if gaps else 0.0) + WIDER_THAN_INSIDE)
    return letters[:1] + "".join(
        (" " if gap >= wide else "") + letter for gap, letter in zip(gaps, letters[1:], strict=True)
    )


def printed_pieces(traces: Traces, letters: str, hand: Hand, *, row: bool = False) -> Laid:
    """The pieces of a text whose letters stand apart; `letters` without spaces, of a row more than
    there is ink for."""
    dots = _dots_above(traces, letters)
    writing = [trace for trace in traces if trace not in dots] or list(traces)
    found = assign(writing, letters, alphabet_of(letters, hand), row=row)
    given = _dots_given(found.runs, dots, letters, hand)
    pieces = [_piece_of(run, letters, given.get(at, ())) for at, run in enumerate(found.runs)]
    return Laid(tuple(pieces), found.missing)


def _piece_of(run: Run, letters: str, dots: Sequence[Trace]) -> Piece:
    struck = {trace.at for trace in run.struck}
    traces = [*run.traces, *dots]
    written = sorted((t for t in traces if t.at not in struck), key=lambda trace: trace.at)
    return Piece(
        place=run.place,
        letter=letters[min(run.place, len(letters) - 1)] if run.seen or struck else None,
        parts=tuple(Part(trace.at, 0, len(trace.line) - 1) for trace in written),
        lines=tuple(trace.line for trace in written),
        struck=bool(struck),
        strikes=tuple(sorted(struck)),
        other_case=run.seen is not None and run.seen.other_case,
        again=run.seen is None and not struck,
    )


def _dots_above(traces: Traces, letters: str) -> list[Trace]:
    """Dots that belong over a letter: all but those on the line, and a full stop that floats."""
    dots = [trace for trace in traces if trace.is_dot and trace.middle[1] > STOP_IS_LOW]
    others = [trace for trace in traces if not trace.is_dot]
    if dots and others and letters[-1:] == ".":
        last = max(dots, key=lambda trace: trace.middle[0])
        low = any(t.is_dot and t.middle[1] <= STOP_IS_LOW for t in traces)
        if not low and last.box[0] > max(trace.box[2] for trace in others):
            dots.remove(last)
    return dots


def _dots_given(
    runs: Sequence[Run], dots: Sequence[Trace], letters: str, hand: Hand
) -> dict[int, list[Trace]]:
    """Each dot to the letter that wants one and is nearest; each letter has one."""
    wanting = [
        (at, (run.box[0] + run.box[2]) / 2)
        for at, run in enumerate(runs)
        if run.seen is not None and has_a_dot(_as_seen(run, letters), hand)
    ]
    return _nearest(wanting, dots)


def _as_seen(run: Run, letters: str) -> str:
    letter = letters[run.place]
    return letter.swapcase() if run.seen is not None and run.seen.other_case else letter


def _nearest(wanting: Sequence[tuple[int, float]], dots: Sequence[Trace]) -> dict[int, list[Trace]]:
    pairs = sorted((abs(dot.middle[0] - x), at, dot.at, dot) for at, x in wanting for dot in dots)
    given: dict[int, list[Trace]] = {}
    gone: set[int] = set()
    for apart, at, place, dot in pairs:
        if at not in given and place not in gone and apart < NEAR_ITS_DOT:
            given[at] = [dot]
            gone.add(place)
    return given


def has_a_dot(letter: str, hand: Hand) -> bool:
    """Whether a dot belongs over the letter.

    >>> from firstloop.core.letters import PLAIN
    >>> has_a_dot("i", PLAIN), has_a_dot("l", PLAIN)
    (True, False)
    """
    strokes = hand.scripts[letter].strokes
    return len(strokes) > 1 and strokes[-1].moves[0].kind is MoveKind.DOT and letter.isalpha()


def joined_pieces(traces: Traces, text: str, hand: Hand) -> Laid:
    """The pieces of a text in a joined hand."""
    letters = text.replace(" ", "")
    dots = _dots_above(traces, letters)
    writing = [trace for trace in traces if trace not in dots] or list(traces)
    stops = [trace for trace in writing if trace.is_dot and trace.middle[1] < STOP_IS_LOW]
    writing = [trace for trace in writing if trace not in stops] or writing
    along = [at for at, letter in enumerate(letters) if letter not in STOPS]
    course = _course("".join(c for c in text if c not in STOPS), writing, hand)
    found = follow(writing, course)
    pieces = _along(found, writing, "".join(letters[at] for at in along))
    pieces = _with_what_lies_beside(pieces, found.beside, dots, hand)
    pieces = [
        replace(piece, place=along[piece.place])
        for piece in _in_their_case(pieces, traces, alphabet_of(letters, hand))
    ]
    marks = _stops(stops, letters, pieces)
    missing = {along[place] for place in found.missing}
    missing |= {at for at, c in enumerate(letters) if c in STOPS} - {m.place for m in marks}
    laid = sorted([*pieces, *marks], key=lambda piece: piece.place)
    return Laid(tuple(laid), tuple(sorted(missing)))


def _course(text: str, traces: Sequence[Trace], hand: Hand) -> Course:
    """The course of a text. A capital inside a word is not joined: where the pen was lifted no more
    often than the hand does, there is none."""
    course = course_of(text, hand, capitals=False)
    parts = sum(trace.length > MAY_LIE_BESIDE for trace in traces)
    return course if parts <= course.lifts else course_of(text, hand)


def _in_their_case(pieces: Sequence[Piece], traces: Traces, alphabet: Alphabet) -> Iterator[Piece]:
    """What stands by itself in its own traces is told from its other case as in print."""
    by_place = {trace.at: trace for trace in traces}
    for piece in pieces:
        own = [by_place[part.trace] for part in piece.parts]
        whole = all(
            part.end - part.begin >= len(t.line) - 2
            for part, t in zip(piece.parts, own, strict=True)
        )
        if piece.letter is None or not whole:
            yield piece
        else:
            yield replace(piece, other_case=alphabet.of(own)[piece.letter].other_case)


STOPS = ".,"
"""Marks that are told by where they stand; no pen goes along them."""


def _stops(stops: Sequence[Trace], letters: str, pieces: Sequence[Piece]) -> list[Piece]:
    """The stops, each at the place where one was asked for after the letters left of it."""
    places = [at for at, letter in enumerate(letters) if letter in STOPS]
    found: list[Piece] = []
    for trace in sorted(stops, key=lambda trace: trace.box[0]):
        before = max((p.place for p in pieces if _middle(p) < trace.middle[0]), default=-1)
        near = [at for at in places if abs(at - before) <= 2]
        if near:
            places.remove(near[0])
            part = Part(trace.at, 0, len(trace.line) - 1)
            found.append(Piece(near[0], letters[near[0]], (part,), (trace.line,)))
    return found


def _along(found: Followed, traces: Sequence[Trace], letters: str) -> list[Piece]:
    pieces = []
    visits = found.visits
    beside = {trace.at for trace in found.beside}
    for at, visit in enumerate(visits):
        before = visits[at - 1].parts[-1].trace if at else -1
        after = visits[at + 1].parts[0].trace if at + 1 < len(visits) else len(traces)
        own = visit
        if not visit.form.before and after > visit.parts[0].trace:
            own = _in_whole_traces(visit, traces, beside, before, after)
        pieces.append(_visited(own, traces, letters, before, after))
    return pieces


def _in_whole_traces(
    visit: Visit, traces: Sequence[Trace], beside: set[int], before: int, after: int
) -> Visit:
    """A letter that is not joined with all the traces up to the next letter's."""
    first = max(before + 1, visit.parts[0].trace)
    own = [at for at in range(first, after) if traces[at].at not in beside]
    parts = tuple(Part(at, 0, len(traces[at].line) - 1) for at in own)
    return replace(visit, parts=parts or visit.parts)


def _visited(visit: Visit, traces: Sequence[Trace], letters: str, before: int, after: int) -> Piece:
    """The ink of a letter, and what leads to it and from it where no other letter is in its trace
    before it or after it."""
    parts, form = visit.parts, visit.form
    first, last = parts[0], parts[-1]
    begins = first.trace != before and bool(form.before)
    ends = last.trace != after and bool(form.after)
    rest = len(traces[last.trace].line) - 1 - last.end
    return Piece(
        place=visit.place,
        letter=None if visit.again else letters[visit.place],
        parts=tuple(replace(part, trace=traces[part.trace].at) for part in parts),
        lines=tuple(_cut(traces[part.trace].line, part) for part in parts),
        other_case=form.other_case,
        again=visit.again,
        led_in=_share(first.begin, form.before) if begins else None,
        led_out=_share(rest, form.after) if ends else None,
        on_a_way=True,
        goes_on=rest * INK_SPACING if last.trace != after else 0.0,
        came_from=traces[first.trace].line[0],
        went_to=traces[last.trace].line[-1],
        joined=form.joined,
        bars=form.bars,
    )


def _cut(line: FloatArray, part: Part) -> FloatArray:
    """The ink of a part; two points at least, even at the end of its trace."""
    begin = max(0, min(part.begin, len(line) - 2))
    return np.asarray(line[begin : max(part.end, begin + 1) + 1])


def _share(points: int, lead: Lines) -> float:
    """How much of a lead-in or a flick so many points of ink are."""
    return points * INK_SPACING / max(sum(polyline.length(part) for part in lead), INK_SPACING)


def _with_what_lies_beside(
    pieces: list[Piece], beside: Sequence[Trace], dots: Sequence[Trace], hand: Hand
) -> list[Piece]:
    """The pieces with their dots and bars."""
    kept = list(pieces)
    middles = [_middle(piece) for piece in pieces]
    asked = [piece.letter or "" for piece in pieces]
    dotted = [(at, middles[at]) for at, c in enumerate(asked) if c and has_a_dot(c, hand)]
    barred = [
        (at, middles[at])
        for at, c in enumerate(asked)
        if c and pieces[at].bars and not has_a_dot(c, hand)
    ]
    for wanting, traces in ((dotted, dots), (barred, beside)):
        for at, given in _nearest(wanting, traces).items():
            kept[at] = _with(kept[at], given)
    return kept


def _middle(piece: Piece) -> float:
    x0, _, x1, _ = around(box_of(line) for line in piece.lines)
    return (x0 + x1) / 2


def _with(piece: Piece, traces: Sequence[Trace]) -> Piece:
    return replace(
        piece,
        main=piece.main or len(piece.parts),
        parts=piece.parts + tuple(Part(t.at, 0, len(t.line) - 1) for t in traces),
        lines=piece.lines + tuple(t.line for t in traces),
    )


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
