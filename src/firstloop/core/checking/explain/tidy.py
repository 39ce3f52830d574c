"""Ink as the checker looks at it: even lines, without the taps beside the writing."""

from firstloop.core.evidence.ink import Ink
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines, evenly
from firstloop.core.geometry.reports import line_under
from firstloop.core.letters import Letter
from firstloop.core.letters.moves import MoveKind

STRAY_STROKE = 0.1
"""[u] A stroke shorter than this, in a letter without a dot, is a tap, not writing."""


def tidy(ink: Ink, letter: Letter) -> Lines:
    """The strokes evenly spaced and without jitter.

    Taps beside the writing are dropped, unless the letter has a dot or there is nothing else.
    """
    lines = [line_under(stroke.points) for stroke in ink.strokes]
    along = [polyline.distances_along(line) for line in lines]
    dotted = any(move.kind is MoveKind.DOT for move in letter.script.moves)
    longest = max(float(distances[-1]) for distances in along)
    shortest = 0.0 if dotted or longest < STRAY_STROKE else STRAY_STROKE
    return tuple(
        evenly(line, distances)
        for line, distances in zip(lines, along, strict=True)
        if distances[-1] >= shortest
    )
