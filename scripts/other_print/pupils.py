"""Children who write the other print: a slip, a hand that bends and shakes, and a digitiser."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass, field

import numpy as np
from scripts.other_print.glyphs import (
    CAPITAL,
    DIGIT,
    SHAPES,
    SMALL,
    D,
    Points,
    Shape,
    T,
    arc,
    dot,
    hump,
    on,
    stem,
    sticks,
)

Rng = np.random.Generator
Change = Callable[[Shape, Rng], Shape]


@dataclass(frozen=True)
class Slip:
    """A slip: its name, the letters that have it, what it does, the codes any of which is right,
    and those that may be there as well."""

    name: str
    letters: str
    change: Change
    expected: frozenset[str]
    also: frozenset[str] = field(default=frozenset())


def write(shape: Shape, rng: Rng, *, shake: float = 1.0) -> Shape:
    """A good or bad shape in a child's hand, y up, as a digitiser would give it."""
    width, height = rng.normal(1.0, 0.06), rng.normal(1.0, 0.03)
    lean, base = np.tan(np.radians(rng.normal(0, 3.0))), rng.normal(0, 0.03)
    spacing = rng.choice([0.02, 0.035, 0.06])
    written = []
    for stroke in shape:
        path = evenly(stroke, 0.02) * [width, height]
        path = path + np.column_stack([lean * path[:, 1], np.full(len(path), base)])
        path = path + shake * (noise(path, 0.9, 0.03, rng) + noise(path, 0.18, 0.014, rng))
        if rng.uniform() < 0.25 and len(path) > 10:  # a small hook where the pen lands
            path = np.vstack([path[:1] + rng.normal(0, 0.05, 2), path])
        if rng.uniform() < 0.3:  # a pause
            path = np.insert(path, [len(path) // 2] * 5, path[len(path) // 2], axis=0)
        step = max(1, round(spacing / 0.02))
        kept = path[::step] if len(path) > 3 * step else path
        if not np.array_equal(kept[-1], path[-1]):
            kept = np.vstack([kept, path[-1:]])
        written.append(np.round(kept, 2 if rng.uniform() < 0.5 else 3))
    return written


def evenly(stroke: Points, spacing: float) -> Points:
    along = np.concatenate([[0.0], np.cumsum(np.hypot(*np.diff(stroke, axis=0).T))])
    wanted = np.linspace(0, along[-1], max(3, int(along[-1] / spacing)))
    return np.column_stack([np.interp(wanted, along, stroke[:, k]) for k in (0, 1)])


def noise(path: Points, wavelength: float, size: float, rng: Rng) -> Points:
    """Bends of a size over a wavelength: random knots, and cosines between them."""
    along = 0.02 * np.arange(len(path)) / wavelength
    knots = rng.normal(0, size, (int(along[-1]) + 3, 2))
    at, part = along.astype(int), (1 - np.cos(np.pi * (along % 1)))[:, None] / 2
    bent: Points = knots[at] * (1 - part) + knots[at + 1] * part
    return bent


def _each(change: Callable[[Points], Points]) -> Change:
    return lambda shape, rng: [change(stroke) for stroke in shape]


def _stretched(x: float, y: float) -> Change:
    return _each(lambda stroke: stroke * [x, y])


def _moved(x: float, y: float) -> Change:
    return _each(lambda stroke: stroke + np.array([x, y]))


def _leaning(degrees: float) -> Change:
    by = np.tan(np.radians(degrees))
    return _each(lambda stroke: stroke + np.column_stack([by * stroke[:, 1], 0 * stroke[:, 1]]))


def _mirrored(shape: Shape, rng: Rng) -> Shape:
    return [stroke * [-1, 1] for stroke in shape]


def _turned(degrees: float) -> Change:
    def change(shape: Shape, rng: Rng) -> Shape:
        every = np.vstack(shape)
        middle = (every.min(axis=0) + every.max(axis=0)) / 2
        c, s = np.cos(np.radians(degrees)), np.sin(np.radians(degrees))
        return [(stroke - middle) @ np.array([[c, s], [-s, c]]) + middle for stroke in shape]

    return change


def _swapped(shape: Shape, rng: Rng) -> Shape:
    return [*shape[1:], shape[0]]


def _pushed(which: int) -> Change:
    return lambda shape, rng: [s[::-1] if at == which else s for at, s in enumerate(shape)]


def _without_last(shape: Shape, rng: Rng) -> Shape:
    return shape[:-1]


def _lifted(shape: Shape, rng: Rng) -> Shape:
    """Lifted half way along the first stroke, and set down near there again."""
    middle = int(len(shape[0]) * rng.uniform(0.4, 0.6))
    again = shape[0][middle:] + rng.normal(0, 0.03, 2)
    return [shape[0][:middle], again, *shape[1:]]


def _shaken(shape: Shape, rng: Rng) -> Shape:
    return [
        path + 0.075 * np.column_stack([np.sin(a), np.cos(1.3 * a)])
        for path, a in (
            (p, np.arange(len(p)) * 0.02 * 2 * np.pi / 0.22)
            for p in (evenly(s, 0.02) for s in shape)
        )
    ]


def _patched(shape: Shape, rng: Rng) -> Shape:
    """Gone over again, a little beside it."""
    first = evenly(shape[0], 0.02)
    part = first[: max(len(first) * 6 // 10, 10)]
    return [*shape, part + np.array([0.08, 0.03])]


def _dot_at(x: float, y: float) -> Change:
    return lambda shape, rng: [*shape[:-1], shape[-1] + [x, y]]


def _bar_times(by: float) -> Change:
    def change(shape: Shape, rng: Rng) -> Shape:
        last = shape[-1]
        return [*shape[:-1], last.mean(axis=0) + (last - last.mean(axis=0)) * [by, 1]]

    return change


def _above(line: float, by: float) -> Change:
    """What is above a line is longer or shorter."""
    return _each(
        lambda s: np.column_stack(
            [s[:, 0], np.where(s[:, 1] > line, line + by * (s[:, 1] - line), s[:, 1])]
        )
    )


def _tail(by: float) -> Change:
    return _each(lambda s: np.column_stack([s[:, 0], np.where(s[:, 1] < 0, by * s[:, 1], s[:, 1])]))


def _fixed(*strokes: Points) -> Change:
    return lambda shape, rng: list(strokes)


def _curl(shape: Shape, rng: Rng) -> Shape:
    """A fancy curl where the letter should end."""
    x, y = shape[0][-1]
    curl = arc(x + 0.22, y + 0.02, 0.22, 0.2, 180, 500)
    return [np.vstack([shape[0], curl]), *shape[1:]]


def _opened(by: float) -> Change:
    """A round that stops short of where it began."""
    return lambda shape, rng: [shape[0][: int(len(shape[0]) * by)], *shape[1:]]


def _slip(name: str, letters: str, change: Change, expected: str, also: str = "") -> Slip:
    return Slip(name, letters, change, frozenset(expected.split()), frozenset(also.split()))


_FOOT_UP = {
    "n": [on(sticks((0, 0), (0, 0.62)), hump(0, 0.72))],
    "m": [
        on(sticks((0, 0), (0, 0.62)), hump(0, 0.6), sticks((0.6, 0), (0.6, 0.62)), hump(0.6, 0.6))
    ],
    "h": [on(sticks((0, 0), (0, T), (0, 0.62)), hump(0, 0.72))],
    "r": [on(sticks((0, 0), (0, 0.62)), arc(0.3, 0.62, 0.3, 0.38, 180, 60))],
}
_OFF_STEM = {
    "n": [on(stem(0, 1), sticks((0, 0), (0.38, 0.8)), arc(0.65, 0.7, 0.3, 0.3, 160, 0), stem(0.95, 0.7))],
    "h": [on(stem(0, T), sticks((0, 0), (0.38, 0.8)), arc(0.65, 0.7, 0.3, 0.3, 160, 0), stem(0.95, 0.7))],
    "m": [on(stem(0, 1), sticks((0, 0), (0.4, 0.8)), arc(0.6, 0.7, 0.22, 0.3, 150, 0), stem(0.82, 0.7),
             sticks((0.82, 0), (1.2, 0.8)), arc(1.4, 0.7, 0.22, 0.3, 150, 0), stem(1.62, 0.7))],
    "b": [on(stem(0, T), sticks((0, 0), (0.4, 0.7)), arc(0.6, 0.5, 0.4, 0.5, 130, -150))],
}  # fmt: skip


def slips() -> Iterator[tuple[Slip, str]]:
    """Every slip with every letter that has it."""
    for slip in SLIPS:
        for letter in slip.letters:
            yield slip, letter


_SEVEN = "acegmnorsuvwxz"
_ASYM = "abcdefghjkpqrsyzBCDEFGJKLNPQRSZ2345679"
SLIPS = (
    *(_slip(f"{x} from the foot", x, _fixed(*s), "start_place stroke_direction", "missing_part retrace_gap extra_part")
      for x, s in _FOOT_UP.items()),
    *(_slip(f"{x} off its stem", x, _fixed(*s), "retrace_gap",
            "width shape_off reads_as_other extra_part open_gap part_length uneven_parts") for x, s in _OFF_STEM.items()),
    _slip("stick pushed up", "lLTFEPBDRHK17", _pushed(0), "stroke_direction start_place", "stroke_order"),
    _slip("round the wrong way", "co", _pushed(0), "stroke_direction", "start_place"),
    _slip("round the wrong way", "O0CSs", _pushed(0), "stroke_direction start_place"),
    _slip("a round clockwise", "adgq", lambda s, r: [np.vstack([arc(0.42, 0.5, 0.42, 0.5, 40, -320), s[0][40:]])],
          "stroke_direction", "start_place open_gap"),
    _slip("last stroke first", "ijtfHTAEFQ5", _swapped, "stroke_order", "start_place"),
    _slip("stick of d first", "d", _fixed(on(sticks((0.84, T), (0.84, 0), (0.84, 0.5)), arc(0.42, 0.5, 0.42, 0.5, 0, 360))),
          "stroke_order start_place stroke_direction", "extra_lift missing_part retrace_gap"),
    _slip("stick of d first, lifted", "d", _fixed(stem(0.84, T), arc(0.42, 0.5, 0.42, 0.5, 40, 400)),
          "stroke_order start_place", "extra_lift"),
    _slip("lifted on the way", "abdghmnpqruyw", _lifted, "extra_lift", "start_place"),
    _slip("dot or bar forgotten", "ijtfAHEFTQ", _without_last, "missing_part", "reads_as_other part_length width shape_off turned mirrored"),
    _slip("a hump forgotten", "m", _fixed(on(stem(0, 1), sticks((0, 0), (0, 0.62)), hump(0, 0.72))),
          "missing_part reads_as_other", "width part_length shape_off"),
    _slip("a hump too many", "n", _fixed(*SMALL["m"][0]), "extra_part reads_as_other", "width part_length"),
    _slip("gone over again", "abcdhlmnoprsuTLV", _patched, "extra_part", "extra_lift stroke_order wobble"),
    _slip("a curl at the end", "nhmlu", _curl, "extra_part", "part_length width reads_as_other shape_off open_gap"),
    _slip("left open", "o", _opened(0.8), "open_gap reads_as_other", "missing_part"),
    _slip("left open", "0O", _opened(0.82), "open_gap reads_as_other", "missing_part"),
    _slip("left open at the top", "adgq",
          lambda s, r: [np.vstack([arc(0.42, 0.5, 0.42, 0.5, 100, 360), s[0][40:]])], "open_gap reads_as_other",
          "missing_part part_length shape_off start_place"),
    _slip("mirrored", _ASYM, _mirrored, "mirrored reads_as_other",
          "stroke_direction start_place stroke_order extra_lift shape_off missing_part open_gap extra_part"),
    _slip("upside down", "aefghkrtyABFGJKLPQRTUVY2457", _turned(180), "turned reads_as_other",
          "stroke_direction start_place stroke_order extra_lift shape_off missing_part mirrored"),
    _slip("on its side", "EFLTmhk", _turned(90), "turned", "reads_as_other shape_off stroke_direction start_place"),
    _slip("floating", "".join(SMALL) + "AEHMT2358", _moved(0, 0.45), "off_base", "reach_up start_place body_height dot_place"),
    _slip("sinking", _SEVEN + "bdhkl", _moved(0, -0.4), "off_base", "reach_up start_place body_height"),
    _slip("too small", _SEVEN + "bdhk", _stretched(0.6, 0.6), "body_height", "reach_up width start_place reads_as_other"),
    _slip("too tall", _SEVEN, _stretched(1.4, 1.45), "body_height", "reach_up width start_place reads_as_other"),
    _slip("capital too small", "".join(CAPITAL) + "".join(DIGIT), _stretched(0.62, 0.62), "reach_up body_height",
          "width start_place reads_as_other"),
    _slip("tall part short", "bdhkl", _above(0.9, 0.35), "reach_up part_length reads_as_other", "start_place body_height shape_off"),
    _slip("tall part too tall", "bdhklf", _above(1.0, 1.6), "reach_up part_length", "start_place dot_place"),
    _slip("n as tall as h", "n", _fixed(on(stem(0, T), sticks((0, 0), (0, 0.62)), hump(0, 0.72))),
          "reads_as_other reach_up part_length", "start_place"),
    _slip("tail too short", "gjpqy", _tail(0.35), "reach_down part_length", "reads_as_other"),
    _slip("tail too long", "gjpqy", _tail(1.6), "reach_down part_length", "off_base"),
    _slip("tail on the base line", "gjpqy", _moved(0, 1.0), "reach_down off_base",
          "start_place body_height reach_up dot_place part_length reads_as_other"),
    _slip("dot far above", "ij", _dot_at(0.05, 0.9), "dot_place", "reach_up"),
    _slip("dot to the side", "ij", _dot_at(0.8, 0), "dot_place", "reads_as_other slant"),
    _slip("leaning right", "bdhlnmpruLEFHTBD", _leaning(30), "slant", "width reads_as_other shape_off dot_place"),
    _slip("leaning left", "bdhlnmpruLEFHTBD", _leaning(-30), "slant", "width reads_as_other shape_off dot_place"),
    _slip("shaking", "abcdehlmnoprsuvwyzACEHLMOST268", _shaken, "wobble", "shape_off retrace_gap slant"),
    _slip("too wide", "abdeghnouvwxy", _stretched(1.8, 1.0), "width", "part_length shape_off"),
    _slip("too narrow", "abdeghnoux", _stretched(0.45, 1.0), "width", "part_length shape_off reads_as_other"),
    _slip("bar too long", "tfTH", _bar_times(1.9), "part_length width", "extra_part shape_off reads_as_other start_place"),
    _slip("arm into a leg", "r", _fixed(on(stem(0, 1), sticks((0, 0), (0, 0.62)), hump(0, 0.65, 0.1))),
          "reads_as_other part_length", "extra_part"),
    _slip("second hump twice as wide", "m", _fixed(on(stem(0, 1), sticks((0, 0), (0, 0.62)), hump(0, 0.5),
          sticks((0.5, 0), (0.5, 0.62)), hump(0.5, 1.05))), "uneven_parts", "width part_length"),
    _slip("bars of E uneven", "E", _fixed(stem(0, T), sticks((0, T), (0.45, T)), sticks((0, 1), (1.1, 1)), sticks((0, 0), (0.5, 0))),
          "uneven_parts part_length"),
    _slip("e begun low", "e", _fixed(on(sticks((0.1, 0.06), (0.8, 0.12)), arc(0.45, 0.5, 0.43, 0.5, -40, 310))),
          "start_place reads_as_other part_length shape_off open_gap missing_part body_height"),
    _slip("j hooked to the right", "j", _fixed(on(stem(0.35, 1, D + 0.35), arc(0.7, D + 0.35, 0.35, 0.35, 180, 320)),
          dot(0.35, 1.5)), "mirrored shape_off stroke_direction extra_part missing_part", "reads_as_other width"),
)  # fmt: skip


def good(rng: Rng, times: int) -> Iterator[tuple[str, Shape]]:
    """Every letter in each of its good shapes, this often."""
    for letter, shapes in SHAPES.items():
        for shape in shapes:
            for _ in range(times):
                yield letter, write(shape, rng)


def slipped(rng: Rng, times: int) -> Iterator[tuple[Slip, str, Shape]]:
    """Every slip of every letter, this often, in one of the letter's shapes."""
    for slip, letter in slips():
        for k in range(times):
            shape = SHAPES[letter][
                0 if slip.name.startswith("a round") else k % len(SHAPES[letter])
            ]
            yield slip, letter, write(slip.change(shape, rng), rng)
