"""Simulated pupils: a child's hand over a letter's script, as a digitiser would record it.

They are not the checker's models with noise on: a pupil has proportions of its own, bends the
path over its whole length, cuts corners with a pen that has weight, and slows down in curves.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, draw
from firstloop.core.letters.moves import Script
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import Slip

STEP = 0.01
"""u between the points of the path that the pen follows."""

BRAKING = 0.08
"""u: a pen slows down before a corner and gains speed after it, over about twice this."""

POWER_LAW = 1.0 / 3.0
"""Pen speed falls with curvature to this power (the two-thirds power law of hand movement,
Lacquaniti, Terzuolo and Viviani 1983, in its form for tangential speed)."""


@dataclass(frozen=True, slots=True)
class Pupil:
    """How one child writes. Lengths in u, angles in degrees, positive to the right."""

    size: float = 1.0
    width: float = 1.0
    lean_deg: float = 0.0
    sway: float = 0.03
    """Size of the slow bends that run through a letter."""
    tremor: float = 0.012
    off_line: float = 0.0
    speed: float = 3.0
    """u a second along a straight."""
    rate_hz: float = 120.0
    branch: float = 0.64
    fullness: float = 1.04


def draw_pupil(rng: np.random.Generator, *, steadiness: float = 0.5) -> Pupil:
    """A child at random; `steadiness` 0 is a beginner's hand, 1 a secure one."""
    shake = 1.0 - 0.75 * steadiness
    return Pupil(
        size=float(rng.normal(1.0, 0.045 * shake)),
        width=float(rng.normal(1.0, 0.1)),
        lean_deg=float(rng.normal(1.0, 4.0 * shake)),
        sway=0.045 * shake,
        tremor=0.016 * shake,
        off_line=float(rng.normal(0.0, 0.04 * shake)),
        speed=float(rng.uniform(1.5, 4.5)),
        rate_hz=float(rng.choice([30.0, 60.0, 120.0, 133.0, 240.0])),
        branch=float(rng.uniform(0.56, 0.7)),
        fullness=float(rng.uniform(0.9, 1.16)),
    )


def write(
    script: Script,
    hand: Hand,
    ruling: Ruling,
    pupil: Pupil,
    rng: np.random.Generator,
    *,
    slips: Sequence[Slip] = (),
) -> Ink:
    """The letter as this child writes it, with these slips, on this ruling."""
    for slip in slips:
        script = slip.reshape(script)
    own = replace(hand.proportions, branch=pupil.branch, fullness=pupil.fullness)
    strokes = draw(script, own, ruling).paths()
    for slip in slips:
        strokes = slip.redraw(strokes)
    bent = _bend(strokes, pupil, rng)
    return Ink(tuple(_record(bent, pupil, rng)))


def _bend(
    strokes: Sequence[FloatArray], pupil: Pupil, rng: np.random.Generator
) -> list[FloatArray]:
    """The strokes in the child's size, width and lean, swaying slowly and cutting corners."""
    lean = np.tan(np.radians(pupil.lean_deg))
    bent = []
    for stroke in strokes:
        path = polyline.respace(stroke, STEP)
        path = path * np.array([pupil.size * pupil.width, pupil.size])
        path[:, 0] += lean * path[:, 1]
        path[:, 1] += pupil.off_line
        path += pupil.sway * _slow_noise(len(path), 0.5 / STEP, rng)
        path += pupil.tremor * _slow_noise(len(path), 0.06 / STEP, rng)
        bent.append(polyline.smooth(path, 3.0))
    return bent


def _slow_noise(count: int, wavelength: float, rng: np.random.Generator) -> FloatArray:
    """Noise of unit size that bends over `wavelength` samples; (count, 2)."""
    knots = max(4, round(count / wavelength) + 3)
    at = np.linspace(0, knots - 1, count)
    values = rng.normal(size=(knots, 2))
    smoothed = np.column_stack([np.interp(at, np.arange(knots), values[:, k]) for k in (0, 1)])
    return polyline.smooth(smoothed, wavelength / 3.0)


def _record(strokes: list[FloatArray], pupil: Pupil, rng: np.random.Generator) -> list[Stroke]:
    """What a digitiser reports: samples at its rate, a little jitter in time and place."""
    clock, recorded = 0.0, []
    for path in strokes:
        arrival = clock + _arrival_times(path, pupil.speed)
        count = max(4, round((arrival[-1] - clock) * pupil.rate_hz))
        times = np.linspace(clock, arrival[-1], count)
        times[1:-1] += rng.uniform(-0.2, 0.2, count - 2) / pupil.rate_hz
        points = np.column_stack([np.interp(times, arrival, path[:, k]) for k in (0, 1)])
        points += rng.normal(0.0, 0.003, points.shape)
        recorded.append(Stroke.of(points.round(3), times.round(3)))
        clock = float(arrival[-1]) + float(rng.uniform(0.15, 0.5))
    return recorded


def _arrival_times(path: FloatArray, speed: float) -> FloatArray:
    """Seconds at which the pen reaches each point, slower the sharper it turns; (n,)."""
    heading = polyline.smooth(polyline.headings(path), BRAKING / STEP)
    turned = np.hypot(*np.gradient(heading, axis=0).T)
    curvature = turned / STEP
    pace = speed * (1.0 + curvature) ** -POWER_LAW
    steps = np.hypot(*np.diff(path, axis=0).T)
    return np.concatenate([[0.0], np.cumsum(steps / (0.5 * (pace[1:] + pace[:-1])))])
