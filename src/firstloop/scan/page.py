"""A photographed page found by its marks, and laid flat."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from enum import StrEnum

import cv2
import numpy as np
import numpy.typing as npt

from firstloop.core.sheets import marks
from firstloop.core.sheets.marks import PageCode, code_of

Grey = npt.NDArray[np.uint8]
"""(rows, columns), 0 black."""

Corners = npt.NDArray[np.float32]
Seen = tuple[int, Corners]
"""A mark: its number, and its corners (4, 2) in the picture, from its top left on."""

PX_PER_MM = 8.0
"""Of a page that is laid flat: a pencil's line is four of them wide."""

SOUGHT_AT = (1600, 2400)
"""[px] The longer side of the picture in which marks are sought; in the larger where some are not
found in the smaller: more takes longer and finds no more."""

LEAST_POINTS, OFF_MM = 8, 3.0
"""Corners of marks by which a page can be laid flat (two marks); and how far from its place one may
lie on a page that is bent a little."""

LEAST_PX_PER_MM = 4.5
"""Of the picture as it came: below, a pencil's line is two points wide."""

BLURRED = 14.0
"""[grey levels] Of the steps at a mark's edges: less is no edge that a pencil would have."""

TOO_DARK = 70
"""[grey] The paper, as light as it is about the marks: darker is night."""


class Problem(StrEnum):
    """What is wrong with a picture of a page."""

    MARK_MISSING = "mark_missing"
    CUT_OFF = "cut_off"
    TOO_DARK = "too_dark"
    BLURRED = "blurred"
    TOO_SMALL = "too_small"
    NOT_A_SHEET = "not_a_sheet"
    OTHER_SHEET = "other_sheet"
    PAGE_TWICE = "page_twice"


SAYS = {
    Problem.MARK_MISSING: "A corner mark is not to be seen; lay nothing over the corners.",
    Problem.CUT_OFF: "The page is cut off; take it with all four corners.",
    Problem.TOO_DARK: "It is too dark; take it by a window or under a lamp.",
    Problem.BLURRED: "It is blurred; hold still, or rest the elbows, and take it again.",
    Problem.TOO_SMALL: "The page is too small in it; go nearer, until it fills the picture.",
    Problem.NOT_A_SHEET: "No marks are found; take a sheet that was made to be read, whole.",
    Problem.OTHER_SHEET: "It is another sheet; read it with the cells of that one.",
    Problem.PAGE_TWICE: "This page was read before; it counts once.",
}
"""What to do."""


@dataclass(frozen=True, slots=True, eq=False)
class FlatPage:
    """A page laid flat: its picture (PX_PER_MM, from the page's top left corner), which page it is,
    and what is wrong with it."""

    picture: Grey
    code: PageCode | None
    problems: tuple[Problem, ...]


def flattened(
    picture: Grey,
    found: Sequence[Seen],
    size_mm: tuple[float, float],
    corners_mm: Sequence[tuple[float, float]],
) -> FlatPage | None:
    """The page of a picture in which these marks were found, its corner marks at these places;
    None where too few are there."""
    placed = [*_placed(found, size_mm, corners_mm)]
    way = _fitted(placed)
    if way is None:
        return None
    scale = np.diag([PX_PER_MM, PX_PER_MM, 1.0])
    width, height = (round(side * PX_PER_MM) for side in size_mm)
    to_page = np.asarray(scale @ way, np.float64)
    warped = cv2.warpPerspective(
        picture, to_page, (width, height), flags=cv2.INTER_LINEAR, borderValue=255
    )
    flat = np.asarray(warped, np.uint8)
    there = {number for number, _ in found if number in marks.CORNERS}
    return FlatPage(
        flat,
        code_in(found),
        tuple(_problems(picture, np.asarray(np.linalg.inv(way), np.float64), size_mm, there, flat)),
    )


def _fitted(placed: Sequence[tuple[Corners, Corners]]) -> npt.NDArray[np.float64] | None:
    """From the picture to the page (mm), by all marks; a mark that lies far off is no mark of this
    page. Points that are drawn by lot would as soon go by the five that stand together."""
    if 4 * len(placed) < LEAST_POINTS:
        return None
    on_picture = np.concatenate([one for one, _ in placed])
    on_page = np.concatenate([one for _, one in placed])
    found, _ = cv2.findHomography(on_picture, on_page)
    way = np.asarray(found, np.float64)
    if way.shape != (3, 3):  # there is none: the marks lie on a line
        return None
    seen = cv2.perspectiveTransform(on_picture[None].astype(np.float64), way)[0]
    off = np.hypot(*(seen - on_page).T).reshape(-1, 4).mean(axis=1)
    near = [one for one, how_far in zip(placed, off, strict=True) if how_far <= OFF_MM]
    return way if len(near) == len(placed) else _fitted(near)


def marks_in(picture: Grey) -> list[Seen]:
    """The marks that are found. A number may be there twice: it is a digit of the code."""
    for side in SOUGHT_AT:
        found = _marks_at(picture, side)
        corners = {number for number, _ in found} & set(marks.CORNERS)
        if len(corners) == len(marks.CORNERS) and code_in(found) is not None:
            return found
    return found


def _marks_at(picture: Grey, side: int) -> list[Seen]:
    shrunk = min(1.0, side / max(picture.shape))
    small = cv2.resize(picture, None, fx=shrunk, fy=shrunk, interpolation=cv2.INTER_AREA)
    looks = cv2.aruco.DetectorParameters()
    looks.cornerRefinementMethod = cv2.aruco.CORNER_REFINE_SUBPIX
    looks.adaptiveThreshWinSizeMax = 53  # shadows lie across a mark
    known = cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_5X5_1000)
    corners, numbers, _ = cv2.aruco.ArucoDetector(known, looks).detectMarkers(small)
    if not len(corners):
        return []
    return [
        (int(number), np.asarray(four[0] / shrunk, np.float32))
        for number, four in zip(np.ravel(numbers), corners, strict=True)
    ]


def _placed(
    found: Sequence[Seen],
    size_mm: tuple[float, float],
    corners_mm: Sequence[tuple[float, float]],
) -> Iterator[tuple[npt.NDArray[np.float32], npt.NDArray[np.float32]]]:
    """Corners of marks in the picture, and where they are on the page, mm."""
    for number, four in found:
        if number in marks.CORNERS:
            yield four, _square(corners_mm[marks.CORNERS.index(number)], marks.CORNER_MM)
    row = _row_of_code(found)
    if code_of([number for number, _ in row]) is not None:
        step = marks.CODE_MM + marks.CODE_APART_MM
        first = size_mm[0] / 2 - (marks.DIGITS - 1) / 2 * step
        base = max(y for _, y in corners_mm)
        for place, (_, four) in enumerate(row):
            yield four, _square((first + place * step, base), marks.CODE_MM)


def _square(middle: tuple[float, float], side: float) -> npt.NDArray[np.float32]:
    x, y, half = *middle, side / 2
    return np.array(
        [[x - half, y - half], [x + half, y - half], [x + half, y + half], [x - half, y + half]],
        np.float32,
    )


def _row_of_code(found: Sequence[Seen]) -> list[Seen]:
    """The code's marks, from left to right as the marks themselves lie."""
    row = [one for one in found if one[0] >= marks.FIRST]
    if not row:
        return row
    to_the_right = np.mean([four[1] - four[0] for _, four in row], axis=0)
    return sorted(row, key=lambda one: float(one[1].mean(axis=0) @ to_the_right))


def code_in(found: Sequence[Seen]) -> PageCode | None:
    """Which page of which sheet the marks say that it is."""
    return code_of([number for number, _ in _row_of_code(found)])


def _problems(
    picture: Grey,
    back: npt.NDArray[np.float64],
    size_mm: tuple[float, float],
    there: set[int],
    flat: Grey,
) -> Iterator[Problem]:
    width, height = size_mm
    edges = np.array([[0, 0], [width, 0], [0, height], [width, height]], np.float64)
    on_picture = cv2.perspectiveTransform(edges[None], back)[0]
    rows, columns = picture.shape
    outside = (
        (on_picture < 0).any(axis=1) | (on_picture[:, 0] > columns) | (on_picture[:, 1] > rows)
    )
    missing = [one for one in marks.CORNERS if one not in there]
    if missing and any(outside[one] for one in missing):
        yield Problem.CUT_OFF
    elif missing:
        yield Problem.MARK_MISSING
    across = float(np.hypot(*(on_picture[1] - on_picture[0]))) / width
    if across < LEAST_PX_PER_MM:
        yield Problem.TOO_SMALL
    if float(np.percentile(flat[::4, ::4], 90)) < TOO_DARK:
        yield Problem.TOO_DARK
    if float(np.percentile(np.abs(cv2.Sobel(flat, cv2.CV_32F, 1, 0)[::2]), 99.5)) < BLURRED:
        yield Problem.BLURRED
