"""From a binary image to the lines it is drawn with: thinning, and walking along what is left."""

from collections.abc import Iterator, Sequence

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry.polyline import FloatArray

Bits = npt.NDArray[np.bool_]
Pixel = tuple[int, int]

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
    left = {(int(row), int(column)) for row, column in np.argwhere(thin(pixels))}
    neighbours = {pixel: list(_touching(pixel, left)) for pixel in left}
    walked: set[frozenset[Pixel]] = set()
    # Ends and crossings first; rings have neither, and are begun anywhere.
    starts = sorted(left, key=lambda pixel: (len(neighbours[pixel]) == 2, pixel))
    return [
        np.array(line, dtype=np.float64)[:, ::-1] + 0.5
        for start in starts
        for line in _walks_from(start, neighbours, walked)
    ]


def drawn_out(lines: Sequence[FloatArray], pixels: Bits) -> list[FloatArray]:
    """Lines of a thinned image whose free ends go on to where the pen's middle was: half a pen's
    width from the outline. Thinning wears a line's end down by more, and a blunt corner too.

    >>> bar = np.zeros((9, 30), dtype=bool)
    >>> bar[2:7, 3:27] = True
    >>> thinned = np.column_stack([np.arange(6.5, 24.0), np.full(18, 4.5)])
    >>> (line,) = drawn_out([thinned], bar)
    >>> line[0].round().tolist(), line[-1].round().tolist()
    ([6.0, 4.0], [24.0, 4.0])
    """
    length = sum(len(line) for line in lines)
    half = float(pixels.sum()) / max(length, 1) / 2
    ends = np.array([line[at] for line in lines for at in (0, -1)])
    drawn: list[FloatArray] = []
    for line in lines:
        first, last = (
            _drawn_to(way, pixels, half) if _is_free(way[0], ends) else None
            for way in (line, line[::-1])
        )
        parts = ([first[None]] if first is not None else []) + [line]
        drawn.append(np.concatenate(parts + ([last[None]] if last is not None else [])))
    return drawn


LOOKS_BACK = 2.0
"""[times half a pen's width] Of a line's end, by which it is told which way it goes."""


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
    step, steps = apart / far, 0
    while steps < 4 * half:
        column, row = np.floor(way[0] + step * (steps + 1)).astype(int)
        if not (
            0 <= row < pixels.shape[0] and 0 <= column < pixels.shape[1] and pixels[row, column]
        ):
            break
        steps += 1
    more = steps + 0.5 - half
    return np.asarray(way[0] + step * more) if more > 0.5 else None


def _walks_from(
    start: Pixel, neighbours: dict[Pixel, list[Pixel]], walked: set[frozenset[Pixel]]
) -> Iterator[list[Pixel]]:
    """Every line that begins here and was not walked yet; a pixel by itself is one."""
    if not neighbours[start]:
        yield [start, start]
    for step in neighbours[start]:
        if frozenset((start, step)) not in walked:
            yield _walk(start, step, neighbours, walked)


def _touching(pixel: Pixel, ink: set[Pixel]) -> Iterator[Pixel]:
    """The neighbours of a pixel. A diagonal one that another neighbour leads to is left out, so
    that the corner of a staircase is no crossing."""
    row, column = pixel
    for dy, dx in _AROUND:
        other = (row + dy, column + dx)
        stepped = dy and dx and ((row + dy, column) in ink or (row, column + dx) in ink)
        if other in ink and not stepped:
            yield other


def _walk(
    start: Pixel,
    step: Pixel,
    neighbours: dict[Pixel, list[Pixel]],
    walked: set[frozenset[Pixel]],
) -> list[Pixel]:
    """From pixel to pixel until an end, a crossing, or where it began."""
    line = [start, step]
    walked.add(frozenset((start, step)))
    while len(neighbours[line[-1]]) == 2 and line[-1] != start:
        onwards = [
            pixel for pixel in neighbours[line[-1]] if frozenset((line[-1], pixel)) not in walked
        ]
        if not onwards:
            break
        walked.add(frozenset((line[-1], onwards[0])))
        line.append(onwards[0])
    return line
