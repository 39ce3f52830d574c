"""A printer, a child with a pencil, and a camera: a sheet as it comes back."""

from dataclasses import dataclass
from io import BytesIO

import cv2
import numpy as np
import numpy.typing as npt
import pypdfium2
from PIL import Image

from firstloop.core.evidence.ink import Ink
from firstloop.core.letters.ruling import Line
from firstloop.core.sheets.pages import Cell, Sheet
from firstloop.core.sheets.wish import Mode
from firstloop.paper.sheet_pdf import sheet_pdf

PRINTED_PX_PER_MM = 10.0
Rgb = npt.NDArray[np.uint8]


@dataclass(frozen=True)
class Camera:
    """How a picture is taken: degrees of tilt, shadow (0 to 1), blur and noise, the longer side in
    points, JPEG's quality, and by how much the page is bulged in its middle."""

    tilt_deg: float = 8.0
    turned_deg: float = 3.0
    shadow: float = 0.35
    blur_px: float = 0.8
    noise: float = 3.0
    longer_px: int = 2400
    quality: int = 85
    curl_mm: float = 0.0


def printed(sheet: Sheet, page: int) -> Rgb:
    """A page as it comes from the printer."""
    document = pypdfium2.PdfDocument(sheet_pdf(sheet))
    picture = document[page].render(scale=PRINTED_PX_PER_MM * 25.4 / 72).to_numpy()[..., :3]
    document.close()
    return np.ascontiguousarray(picture)


@dataclass(frozen=True)
class Pen:
    """A pencil or a felt pen: how dark (0 black), and how wide."""

    grey: int = 70
    width_mm: float = 0.55


def written_on(picture: Rgb, cell: Cell, ink: Ink, pen: Pen = Pen()) -> None:  # frozen
    """Ink (u) in a cell, as a pencil leaves it: in its middle, or on the dots that it has."""
    u = cell.lines[Line.BASE] - cell.lines[Line.MID]
    points = ink.points
    middle = (float(points[:, 0].min()) + float(points[:, 0].max())) / 2
    left = (cell.box[0] + cell.box[2]) / 2 - middle * u
    if cell.mode in (Mode.TRACE, Mode.FINISH) and cell.begin is not None:
        left = cell.begin - float(points[:, 0].min()) * u
    for stroke in ink.strokes:
        x = (left + stroke.points[:, 0] * u) * PRINTED_PX_PER_MM
        y = (cell.lines[Line.BASE] - stroke.points[:, 1] * u) * PRINTED_PX_PER_MM
        line = np.round(np.column_stack([x, y]) * 16).astype(np.int32)
        cv2.polylines(
            picture,
            [line],
            False,
            (pen.grey, pen.grey, pen.grey + 8),
            round(pen.width_mm * PRINTED_PX_PER_MM),
            cv2.LINE_AA,
            4,
        )


def photographed(picture: Rgb, camera: Camera, rng: np.random.Generator) -> Rgb:
    """A picture of a page that lies on a table."""
    rows, columns = picture.shape[:2]
    if camera.curl_mm:
        picture = _curled(picture, camera.curl_mm, rng)
    way = way_of(rows, columns, camera)
    table = tuple(int(one) for one in rng.integers(60, 120, 3))
    side = camera.longer_px
    width = round(side * columns / rows * 1.02)
    seen = cv2.warpPerspective(picture, way, (width, side), flags=cv2.INTER_AREA, borderValue=table)
    taken = np.asarray(seen, np.float32)
    across, down = np.meshgrid(np.linspace(-1, 1, width), np.linspace(-1, 1, side))
    angle = rng.uniform(0, 2 * np.pi)
    light = 1.0 - camera.shadow * (0.5 + 0.5 * (np.cos(angle) * across + np.sin(angle) * down))
    taken = np.asarray(taken * light[..., None], np.float32)
    if camera.blur_px:
        taken = np.asarray(cv2.GaussianBlur(taken, (0, 0), camera.blur_px), np.float32)
    noisy = taken + rng.normal(0.0, camera.noise, taken.shape)
    file = BytesIO()
    Image.fromarray(np.clip(noisy, 0, 255).astype(np.uint8)).save(
        file, "JPEG", quality=camera.quality
    )
    return np.asarray(Image.open(file))


def _curled(picture: Rgb, curl_mm: float, rng: np.random.Generator) -> Rgb:
    """A page that bulges along a line across it or down it: what is in the bulge is seen further
    up, and lines bend."""
    rows, columns = picture.shape[:2]
    across, down = np.meshgrid(np.linspace(-1, 1, columns), np.linspace(-1, 1, rows))
    along = across if rng.random() < 0.5 else down
    bulge = curl_mm * PRINTED_PX_PER_MM * (1.0 - (along - rng.uniform(-0.3, 0.3)) ** 2)
    x, y = np.meshgrid(np.arange(columns, dtype=np.float32), np.arange(rows, dtype=np.float32))
    seen_y = np.asarray(y + bulge, np.float32)
    bent = cv2.remap(picture, x, seen_y, cv2.INTER_LINEAR, borderValue=(235, 235, 235))
    return np.asarray(bent, np.uint8)


def way_of(rows: int, columns: int, camera: Camera) -> npt.NDArray[np.float64]:
    """From the print to the picture: turned, tilted about its lower edge, seen from above."""
    turn, tilt = np.radians(camera.turned_deg), np.radians(camera.tilt_deg)
    corners = np.array([[0, 0], [columns, 0], [columns, rows], [0, rows]], np.float64)
    centred = corners - [columns / 2, rows / 2]
    spin = np.array([[np.cos(turn), -np.sin(turn)], [np.sin(turn), np.cos(turn)]])
    flat = centred @ spin.T
    far = 1.6 * rows
    depth = far + flat[:, 1] * np.sin(tilt)
    seen = flat * [[1.0, np.cos(tilt)]] * (far / depth)[:, None]
    side = camera.longer_px
    width = side * columns / rows * 1.02
    scale = min(0.94 * side / np.ptp(seen[:, 1]), 0.94 * width / np.ptp(seen[:, 0]))
    placed = seen * scale
    placed += [width / 2, side / 2] - (placed.min(axis=0) + placed.max(axis=0)) / 2
    return np.asarray(
        cv2.getPerspectiveTransform(corners.astype(np.float32), placed.astype(np.float32))
    )
