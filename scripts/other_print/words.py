"""Words, rows and sentences in the other print, and joined: laid out, and what goes wrong in them.

As `glyphs.py` this shares nothing with `firstloop.core`: letters stand by a gap of their own boxes,
and joins are cubic curves from where one letter ends to where the next begins.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace

import numpy as np
from scripts.other_print.glyphs import SHAPES, Points, Shape, T, arc, dot, on, stem, sticks
from scripts.other_print.pupils import evenly, noise

Rng = np.random.Generator
LOOSE, AFTER_A_TAIL = "fijtx", "gjyq"
"""Letters whose later strokes may wait, and those after which the pen is lifted when joined."""
TOP_EXIT = "orvw"
SPACE = 1.25


@dataclass(frozen=True)
class Placed:
    """A letter where it stands: its place in the target, what it is, its strokes (y up, u), and
    those that wait for the end of the word."""

    index: int
    letter: str
    strokes: Shape
    late: Shape = field(default_factory=list)
    struck: bool = False

    def moved(self, x: float, y: float = 0.0) -> "Placed":
        return self.mapped(lambda path: path + np.array([x, y]))

    def mapped(self, change: Callable[[Points], Points]) -> "Placed":
        return replace(
            self, strokes=[change(s) for s in self.strokes], late=[change(s) for s in self.late]
        )

    @property
    def box(self) -> tuple[float, float, float, float]:
        every = np.vstack([*self.strokes, *self.late])
        (x0, y0), (x1, y1) = every.min(axis=0), every.max(axis=0)
        return float(x0), float(y0), float(x1), float(y1)


@dataclass(frozen=True)
class Writer:
    """How one child writes texts: which shape of a letter, how far apart, how shaky."""

    joined: bool
    shapes: dict[str, int]
    gap: float
    space: float
    lean: float
    shake: float
    late: bool
    """Whether dots and bars wait for the end of the word."""


def draw_writer(rng: Rng, *, joined: bool) -> Writer:
    return Writer(
        joined=joined,
        shapes={letter: int(rng.integers(len(shapes))) for letter, shapes in SHAPES.items()},
        gap=float(rng.uniform(0.28, 0.48)),
        space=float(rng.uniform(0.95, 1.6)),
        lean=float(np.tan(np.radians(rng.normal(4 if joined else 0, 2.5)))),
        shake=float(rng.uniform(0.5, 1.2)),
        late=joined or bool(rng.uniform() < 0.3),
    )


def letter_of(letter: str, index: int, writer: Writer, rng: Rng) -> Placed:
    """The letter at its own origin, in the writer's shape, a little larger or smaller."""
    shape = [dot(0, 0.02)] if letter == "." else SHAPES[letter][writer.shapes[letter]]
    if writer.joined and letter in _LED:
        shape = _LED[letter]
    by = np.array([rng.normal(1.0, 0.05), rng.normal(1.0, 0.03)])
    shape = [stroke * by + [0, rng.normal(0, 0.025)] for stroke in shape]
    first = shape[:1] if letter in LOOSE and writer.late else shape
    return Placed(index, letter, first, shape[len(first) :])


_LED: dict[str, Shape] = {
    "t": [stem(0.25, 1.6), sticks((0, 1), (0.5, 1))],
    "x": [sticks((0, 1), (0.7, 0)), sticks((0.7, 1), (0, 0))],
    "k": SHAPES["k"][1],
    "y": SHAPES["y"][0],
    "p": SHAPES["p"][0],
    "f": [on(arc(0.45, T - 0.22, 0.22, 0.22, 40, 180), stem(0.23, 1.78)), sticks((0, 1), (0.5, 1))],
    "I": [stem(0, T)],
}
"""Where a joined letter must be made in one stroke and then its bar or dot."""


def laid_out(
    letters: Sequence[Placed], writer: Writer, rng: Rng, gaps: dict[int, float] | None = None
) -> list[Placed]:
    """The letters beside each other; `gaps` are added to the clear gap after a letter's place in
    the list. A place skipped in the indices is a space."""
    x, placed, gaps = 0.0, list[Placed](), gaps or {}
    for at, one in enumerate(letters):
        x0, _, x1, _ = one.box
        if placed:
            skipped = one.index > placed[-1].index + 1 and gaps.get(-1) is None
            gap = writer.gap + rng.normal(0, 0.05) + (writer.space if skipped else 0.0)
            x += max(0.12, gap) + gaps.get(at - 1, 0.0)
        placed.append(one.moved(x - x0))
        x += x1 - x0
    return placed


@dataclass(frozen=True)
class Written:
    """A text in ink: strokes in writing order, and whose letters they were."""

    strokes: list[Points]
    letters: list[Placed]


Joining = Callable[[int, Points], list[Points]]
"""What becomes of the join after a letter's place in the list: one piece joins, two do not."""


def written(
    placed: Sequence[Placed], writer: Writer, rng: Rng, joining: Joining | None = None
) -> Written:
    """The letters as they are written: word by word, and last in each what waits."""
    lean = np.array([[1.0, 0.0], [writer.lean, 1.0]])
    strokes: list[Points] = []
    waiting: list[Points] = []
    before: Placed | None = None
    for at, one in enumerate(placed):
        begins_word = before is None or one.index > before.index + 1
        if begins_word:
            strokes, waiting = strokes + waiting, []
        main, *rest = one.strokes
        joins = writer.joined and one.letter.islower()
        lifted = begins_word or before is None or before.letter in AFTER_A_TAIL + "."
        if joins and not lifted and before is not None and before.letter.islower():
            pieces = [_join(strokes[-1], before.letter, main, one.letter)]
            if joining is not None:
                pieces = joining(at - 1, pieces[0])
            strokes[-1] = on(_ended(strokes[-1], before.letter), pieces[0])
            if len(pieces) == 1:
                strokes[-1] = on(strokes[-1], main)
            else:
                strokes.append(on(pieces[1], main))
        elif joins:
            strokes.append(on(_lead_in(main), main))
        else:
            strokes.append(main)
        after = placed[at + 1] if at + 1 < len(placed) else None
        if joins and (after is None or after.index > one.index + 1 or not after.letter.islower()):
            strokes[-1] = _led_out(strokes[-1], one.letter)
        strokes += rest
        waiting += one.late
        before = one
    shaken = [_in_ink(path @ lean, writer.shake, rng) for path in strokes + waiting]
    return Written(shaken, [one.mapped(lambda path: path @ lean) for one in placed])


def _cubic(a: Points, b: Points, c: Points, d: Points) -> Points:
    t = np.linspace(0, 1, 30)[:, None]
    curve: Points = (1 - t) ** 3 * a + 3 * (1 - t) ** 2 * t * b + 3 * (1 - t) * t**2 * c + t**3 * d
    return curve


def _ends_down(path: Points) -> bool:
    return bool(path[-1][1] < 0.2 and path[-8][1] > path[-1][1] + 0.04)


def _ended(path: Points, letter: str) -> Points:
    """Without the foot that turns into the join."""
    if not _ends_down(path) or letter in "vwx":
        return path
    kept = len(path)
    while kept > 2 and path[kept - 1][1] < 0.25:
        kept -= 1
    x, y = path[kept - 1]
    return on(
        path[:kept],
        _cubic(*(np.array(p) for p in ((x, y), (x, 0.06), (x + 0.08, 0), (x + 0.2, 0.02)))),
    )


def _join(path: Points, letter: str, main: Points, to: str) -> Points:
    """From the end of what is written to the beginning of the next letter."""
    a, d = _ended(path, letter)[-1], main[0]
    heading = main[min(6, len(main) - 1)] - main[0]
    heading = heading / max(np.hypot(*heading), 1e-6)
    b = a + np.array([0.18, -0.16] if a[1] > 0.55 else [0.2, 0.03])  # from the top: a little dip
    if to in "acdgoqs":  # up and over
        c = d - heading * 0.25
    elif to == "e":
        c = d + np.array([-0.2, -0.1])
    else:
        c = d + np.array([-0.08, -0.35])
    return _cubic(a, b, c, d)[1:]


def _lead_in(main: Points) -> Points:
    x, y = main[0]
    start = np.array([min(main[:, 0].min(), x) - 0.3, 0.02])
    return _cubic(start, start + np.array([0.2, 0.12]), np.array([x - 0.1, y - 0.3]), main[0])


def _led_out(path: Points, letter: str) -> Points:
    if letter in AFTER_A_TAIL:
        return path
    path = _ended(path, letter)
    a = path[-1]
    rise = 0.0 if a[1] > 0.55 else 0.32
    dip = -0.12 if a[1] > 0.55 else 0.02
    return on(
        path,
        _cubic(a, *(a + np.array(by) for by in ((0.1, dip), (0.22, rise / 2), (0.3, rise))))[1:],
    )


def _in_ink(path: Points, shake: float, rng: Rng) -> Points:

    even = evenly(path, 0.02)
    bent = even + shake * (noise(even, 0.9, 0.024, rng) + noise(even, 0.2, 0.01, rng))
    step = int(rng.integers(1, 4))
    kept = bent[::step] if len(bent) > 3 * step else bent
    return np.asarray(np.round(kept, 3))
