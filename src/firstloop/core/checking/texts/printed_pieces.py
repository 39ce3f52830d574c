"""The pieces of a text whose letters stand apart: print, rows, sequences, free writing."""

from collections.abc import Sequence
from dataclasses import replace
from itertools import pairwise
from statistics import median

from firstloop.core.checking.texts.alphabet import ANY, alphabet_of, any_letter
from firstloop.core.checking.texts.assignment import Run, assign
from firstloop.core.checking.texts.measures import WIDER_THAN_INSIDE, WORD_NEAR_ENOUGH
from firstloop.core.checking.texts.pieces import Laid, Piece, dots_above, has_a_dot, nearest
from firstloop.core.checking.texts.traces import Trace, Traces
from firstloop.core.checking.texts.visits import Part
from firstloop.core.letters import Hand


def row_pieces(traces: Traces, letter: str, hand: Hand) -> Laid:
    """The pieces of a row: as many of the letter as there are."""
    laid = printed_pieces(traces, letter * len(traces), hand, row=True)
    return Laid(laid.pieces, ())


def free_pieces(traces: Traces, hand: Hand) -> tuple[Laid, str]:
    """The pieces of what a child chose to write, in print, and the text that they read as; a letter
    that is like none is left as it is."""
    dots = dots_above(traces, "")
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
    dots = dots_above(traces, letters)
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


def _dots_given(
    runs: Sequence[Run], dots: Sequence[Trace], letters: str, hand: Hand
) -> dict[int, list[Trace]]:
    """Each dot to the letter that wants one and is nearest; each letter has one."""
    wanting = [
        (at, (run.box[0] + run.box[2]) / 2)
        for at, run in enumerate(runs)
        if run.seen is not None and has_a_dot(_as_seen(run, letters), hand)
    ]
    return nearest(wanting, dots)


def _as_seen(run: Run, letters: str) -> str:
    letter = letters[run.place]
    return letter.swapcase() if run.seen is not None and run.seen.other_case else letter
