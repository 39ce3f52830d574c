"""What is common to all letters of a hand: lean, width, branch, fullness and exits.

It is said once, as the hand's proportions, and taken out of the letters before they are compared or
understood one by one.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace

import numpy as np

from firstloop.core.geometry.even import INK_SPACING, Lines
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand
from firstloop.core.letters.drawing import Proportions
from firstloop.core.letters.moves import Level, MoveKind, Script
from firstloop.core.letters.style import PROPORTIONS
from firstloop.core.own_hand.middle import apart, coarse
from firstloop.core.own_hand.redrawn import lines_of

FEWEST = 4
"""[letters] From fewer nothing is taken to be common to all."""

STEM, STEEP_DEG, STRAIGHT = 0.5, 25.0, 0.03
"""[u, degrees, u] A stem is so long at least, leans no further from the base hand's, and bends by
no more."""

LIKE_BASE = 0.12
"""[u] Letters that are no further from the base's, in the mean, say how wide the hand is."""

STEPS = 13
"""[values] Of a proportion that are tried, over what a class may set."""

FULLNESS = (0.95, 1.15)
"""[ratio] Of curves: between a hand that cuts its corners and one that fills them."""


def proportions_of(written: Mapping[str, Lines], base: Hand) -> Proportions:
    """The proportions that a hand's letters share; the base's where too few letters say."""
    shape = lean_and_width(written, base)
    writings = {letter: coarse(lines) for letter, lines in written.items()}
    for name, concerned in _CONCERNED.items():
        letters = [letter for letter in writings if concerned(base.scripts[letter])]
        if len(letters) >= FEWEST - 1:
            shape = _best(name, shape, [(base.scripts[x], writings[x]) for x in letters])
    return shape


def lean_and_width(written: Mapping[str, Lines], base: Hand) -> Proportions:
    """The base's proportions with the lean and the width that letters share: enough to compare
    samples by."""
    if len(written) < FEWEST:
        return base.proportions
    shape = replace(base.proportions, slant_deg=_lean(written.values(), base.proportions))
    upright = {letter: unleaned(lines, shape.slant_deg) for letter, lines in written.items()}
    return replace(shape, width=_width({x: coarse(upright[x]) for x in upright}, base, shape))


def unleaned(lines: Lines, slant_deg: float) -> Lines:
    """The lines upright."""
    lean = np.tan(np.radians(slant_deg))
    return tuple(np.column_stack([line[:, 0] - lean * line[:, 1], line[:, 1]]) for line in lines)


def _lean(writings: Iterable[Lines], base: Proportions) -> float:
    """Degrees: the middle of what stems lean, each by its length."""
    found = [stem for lines in writings for line in lines for stem in _stems(line, base.slant_deg)]
    if len(found) < FEWEST:
        return base.slant_deg
    leans, lengths = np.array(sorted(found)).T
    half = float(lengths.sum()) / 2
    low, high = PROPORTIONS["slant_deg"]
    middle = float(leans[np.searchsorted(np.cumsum(lengths), half)])
    return round(min(high, max(low, middle)), 1)


def _stems(line: FloatArray, around_deg: float) -> list[tuple[float, float]]:
    """The straight upright parts of a line: how they lean, degrees, and how long they are, u."""
    found, span = [], round(STEM / INK_SPACING)
    at = 0
    while at + span < len(line):
        end = at + span
        if not _is_stem(line[at : end + 1], around_deg):
            at += 2
            continue
        while end + 2 < len(line) and _is_stem(line[at : end + 3], around_deg):
            end += 2
        across, up = line[end] - line[at]
        found.append((_lean_of(across, up), float(np.hypot(across, up))))
        at = end
    return found


def _is_stem(part: FloatArray, around_deg: float) -> bool:
    across, up = part[-1] - part[0]
    length = float(np.hypot(across, up))
    if length < 0.9 * STEM or abs(_lean_of(across, up) - around_deg) > STEEP_DEG:
        return False
    off = (part - part[0]) @ np.array([-up, across]) / length
    return bool(np.abs(off).max() < STRAIGHT)


def _lean_of(across: float, up: float) -> float:
    sign = 1.0 if up > 0 else -1.0
    return float(np.degrees(np.arctan2(sign * across, sign * up)))


def _width(upright: Mapping[str, Lines], base: Hand, shape: Proportions) -> float:
    """The middle of how much wider letters are than the base's are without its width."""
    plain = replace(shape, width=1.0, slant_deg=0.0)
    ratios = []
    for letter, lines in upright.items():
        drawn = coarse(lines_of(base.scripts[letter], plain))
        mine, theirs = _breadth(lines), _breadth(drawn)
        if theirs < STEM or len(drawn) != len(lines):
            continue
        wide = tuple(line * (mine / theirs, 1.0) for line in drawn)
        if apart(lines, wide).mean < LIKE_BASE:
            ratios.append(mine / theirs)
    if len(ratios) < FEWEST:
        return shape.width
    low, high = PROPORTIONS["width"]
    return round(min(high, max(low, float(np.median(ratios)))), 3)


def _breadth(lines: Lines) -> float:
    x = np.vstack(lines)[:, 0]
    return float(x.max() - x.min())


def _best(name: str, shape: Proportions, letters: Sequence[tuple[Script, Lines]]) -> Proportions:
    """The shape with that value of a proportion with which half of the letters lie nearest."""
    low, high = PROPORTIONS.get(name, FULLNESS)
    tried = [replace(shape, **{name: float(v)}) for v in np.linspace(low, high, STEPS)]
    near = [(script, lines) for script, lines in letters if _off(script, shape, lines) < LIKE_BASE]
    if len(near) < FEWEST - 1:
        return shape
    off = [float(np.median([_off(script, one, lines) for script, lines in near])) for one in tried]
    return replace(shape, **{name: round(_lowest(np.linspace(low, high, STEPS), off), 3)})


def _off(script: Script, shape: Proportions, lines: Lines) -> float:
    return apart(coarse(lines_of(script, shape)), lines).mean


def _lowest(values: FloatArray, off: Sequence[float]) -> float:
    """Where a parabola through the lowest and its neighbours is lowest."""
    at = int(np.argmin(off))
    if at in (0, len(off) - 1):
        return float(values[at])
    before, here, after = off[at - 1 : at + 2]
    bend = before - 2 * here + after
    step = values[1] - values[0]
    return float(values[at] + (0.5 * (before - after) / bend * step if bend > 0 else 0.0))


def _has_branch(script: Script) -> bool:
    return script.reaches(Level.BRANCH)


def _has_exit(script: Script) -> bool:
    return any(move.kind is MoveKind.FLICK for move in script.moves)


def _is_curved(script: Script) -> bool:
    return any(node.heading_deg is not None for node in script.nodes)


_CONCERNED = {"fullness": _is_curved, "branch": _has_branch, "exit": _has_exit}
"""Which letters say something of a proportion."""
