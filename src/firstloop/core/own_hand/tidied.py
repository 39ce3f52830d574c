"""A script as its writer meant it: lines met, straight made straight, stems upright, few nodes."""

from collections.abc import Callable, Iterator
from dataclasses import replace

from firstloop.core.letters.drawing import Proportions
from firstloop.core.letters.hands import group_of
from firstloop.core.letters.moves import (
    Level,
    Move,
    MoveKind,
    Node,
    Script,
    ScriptStroke,
    Y,
    nominal_height,
    shifted_stroke,
)
from firstloop.core.own_hand.middle import apart
from firstloop.core.own_hand.redrawn import lines_of

MEETS = 0.12
"""[u] What comes so near to a line was meant to meet it."""

UPRIGHT, ONE_STEM = 0.12, 0.09
"""[u across a u up, u] A straight stem that leans by no more is upright; stems, and what comes to
them, so near to each other stand in one place."""

SEEN = 0.36
"""[share] Of the height of an arch: 0.4 u wide, it is 0.03 u from its stem there."""

FINE = 0.03
"""[u] A node may be left out where the letter stays within so much of what it was, at most."""

DIGITS = 2
"""[decimals] Of what is noted: a hundredth of the body is finer than a pen."""

STRAIGHT_UP = frozenset({MoveKind.DROP, MoveKind.RISE, MoveKind.BACK})
UNLINED = frozenset({MoveKind.FLICK, MoveKind.DOT})
"""Moves that go to no line."""


def tidied(script: Script, branch: float) -> Script:
    """The script with its nodes where they were meant to be."""
    meets = _lines_met(script.letter)
    strokes = tuple(_on_lines(stroke, meets, branch) for stroke in script.strokes)
    strokes = _on_stems(tuple(_straightened(stroke) for stroke in strokes))
    return Script(script.letter, tuple(_rounded(stroke) for stroke in strokes))


def from_the_left(script: Script) -> Script:
    """The script moved so that its body begins at 0."""
    left = min(node.x for stroke in script.strokes for node in _body_nodes(stroke))
    moved = (_rounded(shifted_stroke(stroke, -left)) for stroke in script.strokes)
    return replace(script, strokes=tuple(moved))


def with_fewest_nodes(script: Script, shape: Proportions) -> Script:
    """The script without the nodes that it does not need to lie where it does."""
    best, lines = script, lines_of(script, shape)
    for at in reversed(range(len(script.strokes))):
        for move in reversed(range(len(best.strokes[at].moves))):
            for node in reversed(range(len(best.strokes[at].moves[move].nodes) - 1)):
                if isinstance(best.strokes[at].moves[move].nodes[node].y, Level):
                    continue  # where it meets its lines is what the letter is measured by
                fewer = _without(best, at, move, node)
                if apart(lines_of(fewer, shape), lines).most <= FINE:
                    best = fewer
    return best


def _without(script: Script, stroke: int, move: int, node: int) -> Script:
    one = script.strokes[stroke].moves[move]
    fewer = replace(one, nodes=one.nodes[:node] + one.nodes[node + 1 :])
    moves = script.strokes[stroke].moves
    changed = replace(script.strokes[stroke], moves=(*moves[:move], fewer, *moves[move + 1 :]))
    strokes = script.strokes
    return replace(script, strokes=(*strokes[:stroke], changed, *strokes[stroke + 1 :]))


def _lines_met(letter: str) -> Callable[[float, bool], Y | None]:
    """Which line a height was meant for; capitals and digits go to the mid line only where a stroke
    begins or ends, and have no body that reaches it: there it is a number."""
    small = group_of(letter) == "small"

    def meets(y: float, ends: bool) -> Y | None:
        levels: list[Y] = [Level.TOP, Level.BASE]
        if small:
            levels += [Level.MID, Level.DROP]
        elif ends:
            levels.append(nominal_height(Level.MID))
        near = [level for level in levels if abs(nominal_height(level) - y) <= MEETS]
        return min(near, key=lambda level: abs(nominal_height(level) - y), default=None)

    return meets


def _on_lines(
    stroke: ScriptStroke, meets: Callable[[float, bool], Y | None], branch: float
) -> ScriptStroke:
    last = len(stroke.moves) - 1
    if stroke.moves[0].kind is MoveKind.DOT:
        return stroke
    moves: list[Move] = []
    for at, move in enumerate(stroke.moves):
        nodes: list[Node] = []
        for index, node in enumerate(move.nodes):
            y, ends = nominal_height(node.y), index == len(move.nodes) - 1
            level: Y | None = meets(y, ends and at == last) if _may_meet(move, node, ends) else None
            if level is not None and ends and _was_there(nodes, level, node):
                level = None
            if move.kind is MoveKind.BACK and ends and level is None and at < last:
                y = _leaves_at(y, stroke.moves[at + 1])
                level = Level.BRANCH if abs(y - branch) <= MEETS else round(y, DIGITS)
            nodes.append(_met(node, level))
        moves.append(replace(move, nodes=tuple(nodes)))
    level = meets(nominal_height(stroke.start.y), True)
    curved = moves[0].nodes[0].heading_deg is not None and moves[0].leave_deg not in (None, 0, 180)
    if curved and any(node.y is level for node in moves[0].nodes):
        level = None  # it goes on to the line, and did not begin there
    return ScriptStroke(_met(stroke.start, level), tuple(moves))


def _leaves_at(seen: float, curve: Move) -> float:
    """u: how high a curve leaves its stem, from where it is seen to: it goes along with the stem at
    first. A quarter of an ellipse is SEEN of its height up when it is a pen's half width away."""
    first = curve.nodes[0]
    if curve.leave_deg is not None or first.heading_deg is None:
        return seen
    return (seen - SEEN * nominal_height(first.y)) / (1.0 - SEEN)


def _may_meet(move: Move, node: Node, ends: bool) -> bool:
    """A curve meets a line where it is level on it; a straight line, and a curve, where it ends."""
    level = node.heading_deg is not None and node.heading_deg % 180 == 0
    return move.kind not in UNLINED and (level or ends)


def _was_there(nodes: list[Node], level: Y, node: Node) -> bool:
    """Whether a curve that ends near a line has met it on its way, and gone on from it."""
    went_on = node.heading_deg is not None and node.heading_deg % 180 != 0
    return went_on and any(one.y is level for one in nodes)


def _met(node: Node, level: Y | None) -> Node:
    return node if level is None else replace(node, y=level)


def _straightened(stroke: ScriptStroke) -> ScriptStroke:
    """Straight moves that are nearly upright or level are it."""
    moves: list[Move] = []
    start = stroke.start
    pen = start
    for move in stroke.moves:
        nodes = list(move.nodes)
        for index, node in enumerate(nodes):
            before = pen if index == 0 else nodes[index - 1]
            if node.heading_deg is None and move.kind in STRAIGHT_UP and _is_upright(before, node):
                # The heavier end is where it was; a stroke's start follows its stem.
                x = node.x if before is start and not moves else before.x
                nodes[index] = replace(node, x=x)
                if before is start and not moves:
                    start = replace(start, x=x)
            elif node.heading_deg is None and move.kind is MoveKind.CROSS:
                nodes[index], before = _levelled(before, node)
                if index == 0 and not moves:
                    start = replace(start, y=before.y)
        moves.append(replace(move, nodes=tuple(nodes)))
        pen = moves[-1].end
    return ScriptStroke(start, tuple(moves))


def _is_upright(before: Node, node: Node) -> bool:
    up = abs(nominal_height(node.y) - nominal_height(before.y))
    return abs(node.x - before.x) <= UPRIGHT * up


def _levelled(before: Node, node: Node) -> tuple[Node, Node]:
    """Both ends of a bar at one height: at the line that one of them meets, or between them."""
    for one in (before, node):
        if isinstance(one.y, Level):
            return replace(node, y=one.y), replace(before, y=one.y)
    y = (nominal_height(before.y) + nominal_height(node.y)) / 2
    return replace(node, y=y), replace(before, y=y)


def _on_stems(strokes: tuple[ScriptStroke, ...]) -> tuple[ScriptStroke, ...]:
    """What stands or comes within a little of a stem stands on it."""
    stems: list[float] = []
    for x in (x for stroke in strokes for x in _stems(stroke)):
        if not any(abs(x - known) < ONE_STEM for known in stems):
            stems.append(x)

    def on_stem(node: Node) -> Node:
        near = [x for x in stems if abs(x - node.x) < ONE_STEM]
        return replace(node, x=near[0]) if near else node

    return tuple(
        ScriptStroke(
            on_stem(stroke.start),
            tuple(move if move.kind in UNLINED else _moved(move, on_stem) for move in stroke.moves),
        )
        for stroke in strokes
    )


def _stems(stroke: ScriptStroke) -> Iterator[float]:
    pen = stroke.start
    for move in stroke.moves:
        for node in move.nodes:
            if move.kind in STRAIGHT_UP and node.heading_deg is None and node.x == pen.x:
                yield node.x
            pen = node


def _moved(move: Move, moved: Callable[[Node], Node]) -> Move:
    return replace(move, nodes=tuple(moved(node) for node in move.nodes))


def _body_nodes(stroke: ScriptStroke) -> Iterator[Node]:
    """The nodes of what is neither led in nor led out by."""
    if stroke.moves[0].kind is not MoveKind.LEAD_IN:
        yield stroke.start
    for move in stroke.moves:
        if move.kind not in (MoveKind.LEAD_IN, MoveKind.FLICK):
            yield from move.nodes


def _rounded(stroke: ScriptStroke) -> ScriptStroke:
    def rounded(node: Node) -> Node:
        y = node.y if isinstance(node.y, Level) else round(node.y, DIGITS)
        return replace(node, x=round(node.x, DIGITS), y=y)

    return ScriptStroke(rounded(stroke.start), tuple(_moved(m, rounded) for m in stroke.moves))
