"""From a binary image to the lines it is drawn with: thinning, and walking along what is left."""

from collections.abc import Sequence

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry import polyline
from firstloop.core.geometry.compiled import compiled_at_once
from firstloop.core.geometry.polyline import FloatArray

Bits = npt.NDArray[np.bool_]
Places = npt.NDArray[np.int64]

_AROUND = ((-1, 0), (-1, 1), (0, 1), (1, 1), (1, 0), (1, -1), (0, -1), (-1, -1))
"""The eight neighbours, clockwise from above; (row, column)."""


def thin(pixels: Bits) -> Bits:
    """The image worn down to lines one pixel wide that keep its shape (Lee, Kashyap and Chu
    1994, which ends lines where they end: fewer good letters are nagged than with Zhang and Suen).

    >>> bar = np.zeros((5, 9), dtype=bool)
    >>> bar[1:4, 1:8] = True
    >>> thin(bar).sum(axis=0).max()
    np.int64(1)
    """
    from skimage.morphology import skeletonize  # noqa: PLC0415  # slow to load; pen ink needs none

    ink = pixels.astype(np.uint8) > 0  # of its own, and each True a 1: Pillow's are 255 within
    return np.asarray(skeletonize(ink, method="lee"), dtype=np.bool_)  # type: ignore[no-untyped-call]


def skeleton_lines(pixels: Bits) -> list[FloatArray]:
    """The thinned image as lines of pixel places (n, 2), x then y, the middle of a pixel at .5.

    A line runs from an end or a crossing to the next; what closes on itself is one line.

    >>> [len(line) for line in skeleton_lines(np.eye(5, dtype=bool))]
    [5]
    >>> skeleton_lines(np.zeros((3, 3), dtype=bool))
    []
    """
    thinned = thin(pixels)
    places = np.argwhere(thinned)
    if len(places) == 0:
        return []
    places += 1  # with a white edge every pixel has eight neighbours
    steps = _steps_in(np.pad(thinned, 1), places)
    count = steps.sum(axis=2)
    # Ends and crossings first; rings have neither, and are begun anywhere.
    rings_last = np.argsort(count[places[:, 0], places[:, 1]] == 2, kind="stable")
    walked, ends = _walked(steps, count, places[rings_last])
    return [line[:, ::-1] - 0.5 for line in np.split(walked.astype(np.float64), ends[:-1])]


def drawn_out(lines: Sequence[FloatArray], pixels: Bits) -> list[FloatArray]:
    """Lines of a thinned image whose free ends and sharp corners go on to where the pen's middle
    was: half a pen's width from the outline. Thinning wears ends down by more, and cuts corners.

    >>> bar = np.zeros((9, 30), dtype=bool)
    >>> bar[2:7, 3:27] = True
    >>> thinned = np.column_stack([np.arange(6.5, 24.0), np.full(18, 4.5)])
    >>> (line,) = drawn_out([thinned], bar)
    >>> line[0].round().tolist(), line[-1].round().tolist()
    ([6.0, 4.0], [24.0, 4.0])
    """
    length = sum(polyline.length(np.vstack([line[::STRIDE], line[-1:]])) for line in lines)
    half = float(pixels.sum()) / max(length, 1.0) / 2
    ends = np.array([line[at] for line in lines for at in (0, -1)])
    drawn: list[FloatArray] = []
    for line in lines:
        first, last = (
            _drawn_to(way, pixels, half) if _is_free(way[0], ends) else None
            for way in (line, line[::-1])
        )
        parts = ([first[None]] if first is not None else []) + [_with_corners(line, pixels, half)]
        drawn.append(np.concatenate(parts + ([last[None]] if last is not None else [])))
    return _through_tips(drawn, half)


STRIDE = 3
"""[pixels] In such strides a line's length is taken: from pixel to pixel it goes in stairs."""

LOOKS_BACK = 2.0
"""[times half a pen's width] Of a line's end, by which it is told which way it goes."""

STUB, MEETS = 4.5, 2.0
"""[times half a pen's width, pixels] A line as short as the first may be the tip of a corner; ends
so near are at one fork."""

SHARP, CUT = -0.3, 0.75
"""[cosine, times half a pen's width] A corner turns by 107 degrees or more; what thinning has
cut off it is more than that."""


def _with_corners(line: FloatArray, pixels: Bits, half: float) -> FloatArray:
    """A line with each sharp corner drawn out to where the pen turned."""
    reach = round(LOOKS_BACK * half) + 2
    if len(line) < 2 * reach + 1:
        return line
    inner = line[reach:-reach]
    before, after = inner - line[: -2 * reach], line[2 * reach :] - inner
    before /= np.maximum(np.hypot(*before.T), 1.0)[:, None]
    after /= np.maximum(np.hypot(*after.T), 1.0)[:, None]
    turns = (before * after).sum(axis=1)
    tips: dict[int, FloatArray] = {}
    while turns.min() < SHARP:
        at = int(turns.argmin())
        turns[max(0, at - reach) : at + reach + 1] = 1.0
        way = before[at] - after[at]
        way /= np.hypot(*way)
        far = _ink_ahead(inner[at], way, pixels, 4 * half) - half
        if far > CUT * half:
            tips[at + reach] = inner[at] + way * far
    for at, tip in sorted(tips.items(), reverse=True):
        one, other = (np.linspace(line[end], tip, reach) for end in (at - reach, at + reach))
        line = np.concatenate([line[: at - reach], one, other[::-1], line[at + reach + 1 :]])
    return line


def _through_tips(lines: list[FloatArray], half: float) -> list[FloatArray]:
    """Where thinning has left a stub at the foot of a v, both its lines go to the stub's end."""
    kept = dict(enumerate(lines))
    reach = round(LOOKS_BACK * half) + 2
    for stub in [at for at, line in kept.items() if len(line) < STUB * half]:
        arms = {at: line for at, line in kept.items() if at != stub and len(line) > reach}
        for tip in (kept[stub], kept[stub][::-1]):
            met = [
                (at, way)
                for at, line in arms.items()
                for way in (line, line[::-1])
                if np.abs(way[0] - tip[-1]).max() < MEETS
            ]
            near = [np.abs(line - tip[0]).max(axis=1).min() for line in arms.values()]
            if len(met) != 2 or min(near) < MEETS:
                continue
            one, other = (way[reach] - way[0] for _, way in met)
            if one @ other > 0.0:  # a corner; where a line is crossed they go two ways
                kept |= {at: np.concatenate([tip, way]) for at, way in met}
                del kept[stub]
                break
    return [*kept.values()]


def _ink_ahead(place: FloatArray, way: FloatArray, pixels: Bits, most: float) -> float:
    """How far ink goes on from a place in a direction of length 1; pixels, no more than so many."""
    steps = 0
    while steps < most:
        column, row = np.floor(place + way * (steps + 1)).astype(int)
        if not (
            0 <= row < pixels.shape[0] and 0 <= column < pixels.shape[1] and pixels[row, column]
        ):
            break
        steps += 1
    return steps + 0.5


def _is_free(end: FloatArray, ends: FloatArray) -> bool:
    """Whether no other line begins or ends there."""
    return int((np.abs(ends - end).max(axis=1) < 2.0).sum()) == 1


def _drawn_to(way: FloatArray, pixels: Bits, half: float) -> FloatArray | None:
    """Where a line that ends at its first place should end; None where it does."""
    back = way[min(len(way) - 1, max(2, round(LOOKS_BACK * half)))]
    apart = way[0] - back
    far = float(np.hypot(*apart))
    if far == 0.0:
        return None
    step = apart / far
    more = _ink_ahead(way[0], step, pixels, 4 * half) - half
    return np.asarray(way[0] + step * more) if more > 0.5 else None


@compiled_at_once
def _steps_in(ink: Bits, places: Places) -> Bits:
    """Whether one goes on from a pixel in each direction of `_AROUND`, (rows, columns, 8); `places`
    are all pixels of ink, none at the edge. Not diagonally where another neighbour leads there: the
    corner of a staircase is no crossing."""
    steps = np.zeros((*ink.shape, 8), np.bool_)
    for at in range(len(places)):
        row, column = places[at]
        for way in range(8):
            dy, dx = _AROUND[way]
            stepped = dy != 0 and dx != 0 and (ink[row + dy, column] or ink[row, column + dx])
            steps[row, column, way] = ink[row + dy, column + dx] and not stepped
    return steps


@compiled_at_once
def _walked(steps: Bits, count: Places, places: Places) -> tuple[Places, Places]:
    """Every line, begun at these pixels in turn: the pixels (n, 2) of one after another, and where
    each ends. `count` is how many steps there were from each; those that are gone are taken out,
    from both sides. A pixel by itself is a line of two."""
    walked, ends = np.zeros((9 * len(places), 2), np.int64), np.zeros(9 * len(places), np.int64)
    length = lines = 0
    for at in range(len(places)):
        row, column = places[at]
        alone = count[row, column] == 0
        for first in range(8):
            if not steps[row, column, first] and not (alone and first == 0):
                continue
            walked[length] = places[at]
            length += 1
            y, x, way = row, column, first
            while way >= 0:
                if not alone:
                    steps[y, x, way] = False
                    y, x = y + _AROUND[way][0], x + _AROUND[way][1]
                    steps[y, x, (way + 4) % 8] = False
                walked[length] = y, x
                length += 1
                way = -1
                if count[y, x] == 2 and (y != row or x != column):
                    for onwards in range(8):
                        if steps[y, x, onwards] and way < 0:
                            way = onwards
            ends[lines] = length
            lines += 1
    return walked[:length], ends[:lines]
