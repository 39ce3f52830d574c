"""What is seen of size: on the line, the body filled, the tall part up to its line."""

from firstloop.core.checking.explain.cut import Written
from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.checking.measure.frame import Frame
from firstloop.core.checking.measure.lengths import NOTHING, is_a_bar
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.contract import Code
from firstloop.core.letters.hands import group_of
from firstloop.core.letters.moves import Level, MoveKind

A_LITTLE_ABOVE = 1.2
"""[u] Where a t is clearly taller than a short letter."""

ABOUT_AS_HIGH = 0.3
"""[u] How far above or below the class's own a t may end; from half way to nearly as tall as l."""

ON_THE_LINE = 0.22
"""[u] A tail that ends no further from the base line was to stand on it. By trial: letters that
float keep more of their tail under the line, tails that are short end lower."""

OF_A_DIGIT = 1.25
"""[share] Of the limit of a width: people make their digits as wide as they like."""

NARROW, ROOMY = 0.45, 0.8
"""[u] Of narrower letters than the first, i and l, the width is that of a line; as wide as the
second are a, n, o."""


def off_base(_: Explanation, frame: Frame) -> list[Measure]:
    """How far the letter as a whole stands above (+) or below the base line."""
    return [Measure(Code.OFF_BASE, frame.base, 0, 0)]


def body_height(_: Explanation, frame: Frame) -> list[Measure]:
    """How much taller (+) or smaller the body is than the space between base and mid line."""
    return [Measure(Code.BODY_HEIGHT, frame.body - 1.0, 0, 0)]


def reach_up(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How far a tall part passes (+) or falls short of the top line.

    Measured in page units from the letter's own base. Where the body is too large or too small
    as well, only what that does not explain counts: the smaller of the two misses.
    """
    line = explanation.letter.ruling.top
    tall = [w.high[1] for w in explanation.written if _reaches_the_top(explanation, w)]
    if not tall:
        return _reach_between(explanation, frame)
    reached = max(tall) - frame.base
    as_drawn, as_scaled = reached - line, reached - line * frame.body
    return [Measure(Code.REACH_UP, min(as_drawn, as_scaled, key=abs), 0, 0)]


def _reach_between(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How far a t reaches beyond where it may end: about as high as the class's own, which may be
    half way or nearly as tall as l, but never at the mid line nor above the top line."""
    middling = [w for w in explanation.written if _is_middling(w)]
    if not middling:
        return []
    reached = max(w.high[1] for w in middling) - frame.base
    own = max(w.piece.high[1] for w in middling)
    least = max(A_LITTLE_ABOVE, own - ABOUT_AS_HIGH) * frame.body
    most = min(own + ABOUT_AS_HIGH, explanation.letter.ruling.top)
    allowed = min(max(reached, least), most)
    return [Measure(Code.REACH_UP, reached - allowed, 0, 0)]


def _is_middling(written: Written) -> bool:
    kind, top = written.piece.drawn.move.kind, written.piece.high[1]
    return kind is MoveKind.DROP and top > A_LITTLE_ABOVE


def reach_down(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How far a tail passes (+) or falls short of (-) the drop line, measured as `reach_up` is; one
    that stands on the base line, from there."""
    line = explanation.letter.ruling.drop
    lowest = _lowest_of_tails(explanation)
    if lowest is None:
        return []
    if stands_on_its_tail(explanation):
        return [Measure(Code.REACH_DOWN, line - lowest, 0, 0)]
    reached = lowest - frame.base
    as_drawn, as_scaled = line - reached, line * frame.body - reached
    return [Measure(Code.REACH_DOWN, min(as_drawn, as_scaled, key=abs), 0, 0)]


def stands_on_its_tail(explanation: Explanation) -> bool:
    """Whether a tail ends on the page's base line: however that came about, by a short tail, a
    letter pushed up or one squeezed between the lines, it is the tail that a teacher speaks of."""
    lowest = _lowest_of_tails(explanation)
    return lowest is not None and abs(lowest) < ON_THE_LINE


def _lowest_of_tails(explanation: Explanation) -> float | None:
    tails = [w.low[1] for w in explanation.written if _reaches(w, Level.DROP)]
    return min(tails, default=None)


def width(explanation: Explanation, frame: Frame) -> list[Measure]:
    """How much wider (+) or narrower the letter is than its model at the size of its body; its bars
    are left out, for their length is their own. Of a narrow letter (r, c) a little is much of its
    width: it is told as a share of a roomy one's."""
    body = [
        w
        for w in explanation.written
        if w.piece.drawn.move.kind is not MoveKind.DOT and not is_a_bar(explanation, w)
    ]
    if not body:
        return []
    ink = max(w.high[0] for w in body) - min(w.low[0] for w in body)
    model = max(w.piece.high[0] for w in body) - min(w.piece.low[0] for w in body)
    if model < NARROW:
        return []
    off = max(ink / frame.scale, NOTHING) - model
    of_limit = OF_A_DIGIT if group_of(explanation.letter.name) == "digit" else 1.0
    return [Measure(Code.WIDTH, off / max(model, ROOMY), 0, 0, of_limit=of_limit)]


def _reaches(written: Written, level: Level) -> bool:
    return any(node.y is level for node in written.piece.drawn.move.nodes)


def _reaches_the_top(explanation: Explanation, written: Written) -> bool:
    drawn = written.piece.drawn
    stroke = explanation.letter.script.strokes[drawn.stroke]
    begins = stroke.start if drawn.index == 0 else stroke.moves[drawn.index - 1].end
    return any(node.y is Level.TOP for node in (begins, *drawn.move.nodes))
