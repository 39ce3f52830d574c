"""From the runs of a stroke to moves of the vocabulary, by general rules: no letter has its own.

What a run is called follows from which way it goes, which way it turns, what came before it and
whether it goes back over what stands.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.moves import Move, MoveKind, Node, Script, ScriptStroke
from firstloop.core.own_hand.course import EDGE, Run, corners_of, headings_along, runs_of
from firstloop.core.own_hand.sample import DOT

STEEP_DEG, LEVEL_DEG = 11.0, 20.0
"""[degrees] From upright, and from level: a straight run within is a stem or a bar, else a slope.
"""

OVER_IT, MOST_OVER_IT, LEAST_BACK = 0.1, 0.75, 0.3
"""[u, share, u] A run goes back over what stands where so much of it lies so near to what was
written just before; and is so long at least: of a shorter one nearly all lies near its corner."""

RISES = 0.45
"""[u] What turns under and comes up by more is a scoop; by less, the foot of a stem."""

COMES_DOWN = 0.45
"""[u] A curve over that ends lower than this is an arch, one that ends higher an arm."""

ROUND_AGAIN_DEG = 225.0
"""[degrees] A curve over that turns by more is a bowl."""

LOOPS_DEG, OUTSIDE = 160.0, 0.3
"""[degrees, u] A curve that turns by more above the mid line or below the base line by so much and
crosses its own stroke is a loop."""

NEAR_COMPASS_DEG = 14.0
"""[degrees] A heading so near to level or upright was meant to be it."""

LED_IN_FROM, LED_IN_TO = 0.35, 0.5
"""[u] In a hand that joins a stroke that begins lower and rises by more is led in to."""

DIPS = 0.6
"""[u] What leaves a letter higher leaves it at the mid line."""

UPRIGHT_DEG, TURNS_BACK_DEG, GOES_DOWN, GOES_OVER = 82.0, 105.0, 0.4, 0.7
"""[degrees, degrees, u, u] A lead-in ends where the pen goes upright, if it then turns back to the
left; at a corner only if it has not gone down by more, or on by more, since it was highest."""

TURNS_UNDER_DEG, NEARLY_DEG = 120.0, 40.0
"""[degrees] What turns by more comes up again; what begins so near to straight down goes on from a
stem."""

GO_ON = frozenset({MoveKind.ROUND, MoveKind.WHEEL, MoveKind.LOOP, MoveKind.HOOK, MoveKind.SLOPE})
"""Moves that go on where the pen turns no corner."""

NARROW, LOW = 0.7, 1.3
"""[u] The widest and the highest loop."""

BENT_DEG, ALONG, LEVEL = 60.0, 0.93, 0.35
"""[degrees, share, ratio] A curve that turns by no more, and is hardly longer than its chord, which
is neither level nor upright, is a slope."""

SHORT_TURN = 0.35
"""[u] A turn over that is shorter is the beginning of the stem or slope that goes on from it."""

LEAST_OUT, LEAST_RISE_DEG = 0.08, 5.0
"""[u, degrees] A way out goes so far at least, and ends between level and upright by so much."""

WITHIN = 0.1
"""[u] A way out ends no further than this from the right edge of all the letter: what another
stroke goes beyond (the arm of a k) is a part of it."""

ENDS = 3
"""[samples] Nothing is parted nearer to an end."""


@dataclass(frozen=True, slots=True)
class Manner:
    """What a hand does with all of its small letters: whether it leads into them and out of them,
    or only ends stems with a flick."""

    joins: bool = False
    flicks: bool = False
    goes_out: bool = True
    """Whether a stroke may be led out of: not if another reaches further to the right."""


@dataclass(frozen=True, slots=True, eq=False)
class _Part:
    """Runs that are one move."""

    kind: MoveKind
    runs: tuple[Run, ...]


def understood(letter: str, lines: Lines, manner: Manner) -> Script:
    """The script of a letter of its own form, from its middle: upright, in the hand's ordinary
    width, on the nominal grid; not snapped yet."""
    furthest = max(float(line[:, 0].max()) for line in lines)
    ends_first = float(lines[0][-1, 0]) < furthest - WITHIN
    main = replace(manner, goes_out=not ends_first)
    strokes = (_stroke(line, Manner() if at else main) for at, line in enumerate(lines))
    return Script(letter, tuple(strokes))


def _stroke(line: FloatArray, manner: Manner) -> ScriptStroke:
    start = Node(*line[0].tolist())
    if polyline.length(line) < DOT:
        return ScriptStroke(start, (Move(MoveKind.DOT, (Node(start.x + 0.03, start.y),)),))
    led_in = _led_in(line) if manner.joins else 0
    way_in = runs_of(line[: led_in + 1]) if led_in else ()
    runs = [*way_in, *_parted_for_way_out(runs_of(line[led_in:]), manner)]
    found = [_Part(MoveKind.LEAD_IN, way_in)] if way_in else []
    while (at := sum(len(part.runs) for part in found)) < len(runs):
        kind, count = _Next(runs, at, found, manner).move()
        part = _Part(kind, tuple(runs[at : at + count]))
        goes_on = found and found[-1].kind is kind and not runs[at].at_corner
        if goes_on and kind in GO_ON:
            part = _Part(kind, (*found.pop().runs, *part.runs))
        found.append(part)
    return ScriptStroke(start, tuple(_move(part) for part in found))


@dataclass(frozen=True, slots=True, eq=False)
class _Next:
    """Where the next move begins in a stroke: the runs, which one, the moves so far."""

    runs: Sequence[Run]
    at: int
    found: Sequence[_Part]
    manner: Manner

    def move(self) -> tuple[MoveKind, int]:
        """The kind of the move, and of how many runs it is made."""
        run = self.runs[self.at]
        if self.is_flick(self.at):
            return MoveKind.FLICK, 1
        if self.manner.joins and not run.straight and (turns := self.loop()):
            return MoveKind.LOOP, turns
        if run.straight:
            return self.straight()
        if _is_bent(run):
            return MoveKind.SLOPE, 1 + self.foot(self.at + 1)
        return self.over() if run.turn < 0 else self.round()

    def smooth(self, at: int) -> Run | None:
        """The run at a place, if the one before goes over into it without a corner."""
        there = self.at < at < len(self.runs)
        return self.runs[at] if there and not self.runs[at].at_corner else None

    def is_flick(self, at: int) -> bool:
        """Whether a run is the stroke's way out."""
        is_last = 0 < at == len(self.runs) - 1
        if not (is_last and self.manner.goes_out and _leads_out(self.runs[at])):
            return False
        return self.manner.joins or (self.manner.flicks and self.is_foot(at - 1))

    def is_foot(self, at: int) -> bool:
        """Whether a run turns from a stem into the way out."""
        run = self.runs[at]
        level = not run.straight and run.turn > 0 and abs((run.ends + 180) % 360 - 180) < 15
        return level and at > 0 and not run.at_corner and float(run.end[1]) < LED_IN_FROM

    def foot(self, at: int) -> int:
        """How many runs are the foot of a stem that is led out of."""
        there = self.smooth(at) is not None and self.is_foot(at) and self.is_flick(at + 1)
        return 1 if there else 0

    def straight(self) -> tuple[MoveKind, int]:
        run, after = self.runs[self.at], self.smooth(self.at + 1)
        heading = run.begins % 360
        if abs(heading - 270) < STEEP_DEG:
            if after is not None and not after.straight and after.turn > TURNS_UNDER_DEG:
                ups = self.ups(self.at + 2)
                if self.rises(1, ups) > RISES:
                    return MoveKind.SCOOP, 2 + ups
            return MoveKind.DROP, 1 + self.foot(self.at + 1)
        level = min(heading % 180, 180 - heading % 180) < LEVEL_DEG
        if level and after is not None and not after.straight and after.turn < -TURNS_UNDER_DEG / 2:
            return MoveKind.WHEEL, 2 + self.levels(self.at + 2)
        if _goes_back(run, self.found):
            return MoveKind.BACK, 1
        if abs(heading - 90) < STEEP_DEG:
            return MoveKind.RISE, 1
        return (MoveKind.CROSS, 1) if level else (MoveKind.SLOPE, 1 + self.foot(self.at + 1))

    def loop(self) -> int:
        """How many runs are a loop: one, or two that meet where it is narrow; 0 where none is."""
        run, after = self.runs[self.at], self.runs[self.at + 1 : self.at + 2]
        if after and not after[0].straight and after[0].turn * run.turn > 0:
            points = np.vstack([run.points, after[0].points[1:]])
            headings = headings_along(points)
            turn = float(headings[-1] - headings[0])
            if _is_loop(Run(points, False, run.begins, turn, run.at_corner)):
                return 2
        return int(_is_loop(run))

    def over(self) -> tuple[MoveKind, int]:
        """A curve that turns to the right."""
        run = self.runs[self.at]
        before = self.found[-1].kind if self.found else None
        if run.length < SHORT_TURN and self.downs(self.at + 1):
            steep = abs(self.runs[self.at + 1].begins % 360 - 270) < STEEP_DEG
            return (MoveKind.DROP if steep else MoveKind.SLOPE), 2
        if abs(run.begins % 360 - 270) < NEARLY_DEG and before is not None and not run.at_corner:
            return MoveKind.HOOK, 1
        if before in (MoveKind.BACK, MoveKind.RISE) and -run.turn < ROUND_AGAIN_DEG:
            downs = self.downs(self.at + 1)
            ends = float(self.runs[self.at + downs].end[1])
            if ends < COMES_DOWN:
                return MoveKind.ARCH, 1 + downs + self.foot(self.at + 1 + downs)
            return MoveKind.ARM, 1
        return MoveKind.WHEEL, 1 + self.levels(self.at + 1)

    def round(self) -> tuple[MoveKind, int]:
        """A curve that turns to the left."""
        run = self.runs[self.at]
        if abs(run.begins % 360 - 270) < NEARLY_DEG:
            ups = self.ups(self.at + 1)
            if run.turn > TURNS_UNDER_DEG and self.rises(0, ups) > RISES:
                return MoveKind.SCOOP, 1 + ups
            if float(run.points[:, 1].min()) < LED_IN_FROM:
                return MoveKind.CURL, 1
        return MoveKind.ROUND, 1

    def ups(self, at: int) -> int:
        one = self.smooth(at)
        return int(one is not None and one.straight and one.up > 0)

    def downs(self, at: int) -> int:
        one = self.smooth(at)
        return int(one is not None and one.straight and one.up < 0)

    def levels(self, at: int) -> int:
        """Runs that bring a bowl back to its stem."""
        one = self.smooth(at)
        return int(one is not None and one.straight and abs(one.up) < 0.3 * abs(one.across))

    def rises(self, first: int, ups: int) -> float:
        """u that a curve and what goes on upwards from it come up from their lowest place."""
        curve = self.runs[self.at + first]
        last = self.runs[self.at + first + ups]
        return float(last.end[1]) - float(curve.points[:, 1].min())


def _goes_back(run: Run, found: Sequence[_Part]) -> bool:
    """Whether a run goes back over what was written just before it."""
    if not found or not run.at_corner or found[-1].kind is MoveKind.RISE or run.length < LEAST_BACK:
        return False
    stands = np.vstack([one.points for one in found[-1].runs])
    away = np.hypot(*(run.points[:, None] - stands[None]).T).min(axis=0)
    return bool((away < OVER_IT).mean() > MOST_OVER_IT)


def _is_bent(run: Run) -> bool:
    """Whether a curve is a slope that bends a little."""
    chord = float(np.hypot(run.across, run.up))
    steep = abs(run.up) > LEVEL * abs(run.across) and abs(run.across) > LEVEL * abs(run.up)
    return steep and abs(run.turn) < BENT_DEG and chord > ALONG * run.length


def _is_loop(run: Run) -> bool:
    """Whether a curve above or below the body comes round far enough to cross its own stroke."""
    low, high = float(run.points[:, 1].min()), float(run.points[:, 1].max())
    outside = high > 1.0 + OUTSIDE or low < -OUTSIDE
    narrow = float(np.ptp(run.points[:, 0])) < NARROW and high - low < LOW
    return outside and narrow and abs(run.turn) > LOOPS_DEG


def _led_in(line: FloatArray) -> int:
    """Which sample of a stroke its lead-in ends at: its first corner, if it comes to one before it
    goes far down; or else where it is highest, or upright; 0 where it has none."""
    y = line[:, 1]
    if y[0] > LED_IN_FROM:
        return 0
    headings = headings_along(line)
    highest = int(np.argmax(headings < -NEAR_COMPASS_DEG / 2)) or len(line) - 1
    went_down = np.maximum.accumulate(y) - y
    corners = [at for at in corners_of(line) if went_down[: at + 1].max() < GOES_DOWN]
    first = corners[0] if corners else len(line) - 1
    # At the tip of a corner the pen turns every way; what leads up to it tells.
    turns_back = headings[: max(1, first - EDGE)].max() > TURNS_BACK_DEG
    upright = int(np.argmax(headings > UPRIGHT_DEG)) if turns_back else len(line) - 1
    goes_over = line[first, 0] - line[highest, 0] > GOES_OVER
    ends = min(highest, upright) if goes_over or upright < first else first
    leads = y[ends] - y[0] > LED_IN_TO and ends < len(line) - 1
    return ends if leads else 0


def _leads_out(run: Run) -> bool:
    """Whether a last run goes on to the next letter: up and out."""
    ends = run.ends % 360
    rises = run.across > LEAST_OUT and LEAST_RISE_DEG < ends < 90 - LEAST_RISE_DEG
    return rises and (run.up > LEAST_OUT / 2 or float(run.start[1]) > DIPS)


def _parted_for_way_out(runs: Sequence[Run], manner: Manner) -> list[Run]:
    """Runs of which the last is parted where the way out leaves the base line, if it goes on into
    it smoothly."""
    found = list(runs)
    last = found[-1]
    leaves_smoothly = (
        manner.goes_out and not last.straight and float(last.points[:, 1].min()) < LED_IN_FROM
    )
    if leaves_smoothly and (manner.joins or (manner.flicks and not last.at_corner)):
        level = 360.0 * np.ceil(last.begins / 360.0)
        if last.begins < level - 10 and last.ends > level + 10:
            found[-1:] = _parted(last, level)
    return found


def _parted(run: Run, heading: float) -> list[Run]:
    """The run in two, at the place of a heading."""
    at = int(np.argmin(np.abs(_unwound(run) - heading)))
    if not ENDS < at < len(run.points) - ENDS:
        return [run]
    one = Run(run.points[: at + 1], False, run.begins, heading - run.begins, run.at_corner)
    return [one, Run(run.points[at:], False, heading, run.ends - heading, False)]


def _unwound(run: Run) -> FloatArray:
    """Headings at the points of a run, near what it begins with; (n,)."""
    headings = headings_along(run.points)
    turns = round((run.begins - float(headings[len(headings) // 8])) / 360.0)
    return np.asarray(headings + 360.0 * turns)


def _move(part: _Part) -> Move:
    nodes = [node for run in part.runs for node in _nodes(run)]
    first = part.runs[0]
    leaves = first.at_corner and not first.straight
    return Move(part.kind, tuple(nodes), near_compass(first.begins) if leaves else None)


def _nodes(run: Run) -> list[Node]:
    if run.straight:
        return [Node(*run.end.tolist())]
    headings = _unwound(run)
    low, high = sorted((run.begins, run.ends))
    quarters = np.arange(np.ceil(low / 90) * 90, high, 90.0)
    if run.turn < 0:
        quarters = quarters[::-1]
    found = []
    for quarter in quarters:
        if min(abs(quarter - run.begins), abs(quarter - run.ends)) < NEAR_COMPASS_DEG:
            continue
        x, y = run.points[int(np.argmin(np.abs(headings - quarter)))].tolist()
        found.append(Node(x, y, float(quarter % 360)))
    x, y = run.end.tolist()
    return [*found, Node(x, y, near_compass(run.ends))]


def near_compass(heading: float) -> float:
    """A heading in degrees, 0 to 360; what is nearly level or upright is it."""
    nearest = 90.0 * round(heading / 90.0)
    return float((nearest if abs(heading - nearest) < NEAR_COMPASS_DEG else round(heading)) % 360)
