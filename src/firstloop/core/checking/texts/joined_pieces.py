"""The pieces of a joined text, found along its way, with the bars and dots that lie beside it."""

from collections.abc import Iterator, Sequence
from dataclasses import replace

import numpy as np

from firstloop.core.checking.texts.alphabet import Alphabet, alphabet_of
from firstloop.core.checking.texts.course import Course, course_of
from firstloop.core.checking.texts.joined_match import Followed, follow
from firstloop.core.checking.texts.pieces import (
    STOP_IS_LOW,
    Laid,
    Piece,
    dots_above,
    has_a_dot,
    nearest,
)
from firstloop.core.checking.texts.traces import Trace, Traces, around, box_of
from firstloop.core.checking.texts.visits import Part, Visit
from firstloop.core.checking.texts.way_through import MAY_LIE_BESIDE
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import INK_SPACING, Lines
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand


def joined_pieces(traces: Traces, text: str, hand: Hand) -> Laid:
    """The pieces of a text in a joined hand."""
    letters = text.replace(" ", "")
    dots = dots_above(traces, letters)
    writing = [trace for trace in traces if trace not in dots] or list(traces)
    stops = [trace for trace in writing if trace.is_dot and trace.middle[1] < STOP_IS_LOW]
    writing = [trace for trace in writing if trace not in stops] or writing
    along = [at for at, letter in enumerate(letters) if letter not in STOPS]
    course = _course("".join(c for c in text if c not in STOPS), writing, hand)
    found = follow(writing, course, hand)
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
    parts = sum(trace.steady_length > MAY_LIE_BESIDE for trace in traces)
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
            yield replace(piece, other_case=alphabet.of([own])[0][piece.letter].other_case)


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
    ends = last.trace != after and bool(form.after) and not visit.goes_on
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
        another=form.another,
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
        for at, given in nearest(wanting, traces).items():
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
