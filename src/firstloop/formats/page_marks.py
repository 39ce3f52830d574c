"""How the marks of a page look: squares of a published set that cameras find well (ArUco 5x5)."""

from functools import lru_cache

import numpy as np
import numpy.typing as npt

HALF = 128
"""[grey] Between black and white."""

ACROSS = 7
"""Squares across a mark: five that tell it from others, and a black rim."""


@lru_cache(maxsize=1024)
def black_squares(number: int) -> npt.NDArray[np.bool_]:
    """Which squares of a mark are black; (7, 7), from the top left."""
    import cv2  # noqa: PLC0415  # slow to load, and asked for by who prints

    marks = cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_5X5_1000)
    drawn = cv2.aruco.generateImageMarker(marks, number, ACROSS, borderBits=1)
    return np.asarray(drawn, np.uint8) < HALF
