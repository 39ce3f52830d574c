"""A page of a notebook as it is photographed, and where its lines are in the picture."""

from dataclasses import dataclass
from io import BytesIO

import cv2
import numpy as np
from PIL import Image

from firstloop.core.letters import PLAIN
from firstloop.core.letters.ruling import Line, Ruling
from firstloop.demo.notebooks import Notebook
from firstloop.demo.photographs import PRINTED_PX_PER_MM, Camera, Rgb, photographed, way_of

CAMERA = Camera(tilt_deg=6.0, turned_deg=2.0, shadow=0.3, longer_px=2400)
Point = tuple[float, float]


@dataclass(frozen=True, eq=False)
class Taken:
    """The photograph of a page."""

    notebook: Notebook
    picture: Rgb
    shape: tuple[int, int]
    camera: Camera

    @classmethod
    def of(
        cls, notebook: Notebook, seed: int, camera: Camera = CAMERA, slips: float = 0.0
    ) -> "Taken":
        rng = np.random.default_rng(seed)
        page = notebook.written(PLAIN, Ruling(), rng, slips=slips)
        rows, columns = page.shape[:2]
        return cls(notebook, photographed(page, camera, rng), (rows, columns), camera)

    @property
    def jpeg(self) -> bytes:
        file = BytesIO()
        Image.fromarray(self.picture).save(file, "JPEG", quality=88)
        return file.getvalue()

    def base_line(self, row: int) -> tuple[Point, Point, float]:
        """The ends of a row's base line, and how far its mid line is from it; px."""
        cell = self.notebook.cell(row)
        base, mid = cell.lines[Line.BASE], cell.lines[Line.MID]
        left, right = cell.box[0], cell.box[2]
        on_paper = np.array([[left, base], [right, base], [left, mid], [right, mid]])
        way = way_of(*self.shape, self.camera)
        there = cv2.perspectiveTransform(on_paper[None] * PRINTED_PX_PER_MM, way)[0]
        along = there[1] - there[0]
        up = np.array([along[1], -along[0]]) / np.hypot(*along)
        height = float(np.mean((there[2:] - there[:2]) @ up))
        begin, end = ((float(x), float(y)) for x, y in there[:2])
        return begin, end, height
