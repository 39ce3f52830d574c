"""How long sheets take: a photographed page beside its bare decoding and flattening, thirty pages
by two readers, thirty children's sheets as PDF."""

import json
import os
import re
import tempfile
import time
from datetime import UTC, date, datetime
from io import BytesIO
from multiprocessing import active_children
from multiprocessing.process import BaseProcess
from pathlib import Path

import cv2
import numpy as np
from PIL import Image
from scripts.bench_checking import timed
from scripts.served import make_demo

from firstloop.core.letters import PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.sheets.layout import laid_out
from firstloop.demo.on_paper import a_camera, photograph_lesson, written_sheet
from firstloop.demo.photographs import photographed
from firstloop.formats.pictures import pages_in
from firstloop.formats.sheet_cells import read_cells
from firstloop.formats.sheet_spec import cells_json, read_spec
from firstloop.paper.sheet_pdf import sheet_pdf
from firstloop.scan.page import flattened, marks_in
from firstloop.services import paper_pages
from firstloop.services.paper_reader import PaperReader
from firstloop.services.reading_paper import Asked, read_page
from firstloop.store import classes, paper
from firstloop.store.database import Database

ROWS = [{"text": letter, "mode": "own"} for letter in "nhmaeg"]
SPEC = {"x_height_mm": 7, "rows": [*ROWS, {"text": "hen", "mode": "own"}]}
TIMES, PAGES, CHILDREN = 5, 30, 30


def bench_paper() -> None:
    """All of it."""
    _a_page()
    _a_pile()
    spec = SPEC | {"pupils": [*range(1, CHILDREN + 1)]}
    sheet = laid_out(read_spec(json.dumps(spec).encode()), "7Q3K")
    spent = timed(lambda: sheet_pdf(sheet))
    print(f"a sheet for {CHILDREN} children as PDF  {spent:6.0f} ms   (bar: under 3000 ms)")


def _a_page() -> None:
    sheet, rng = laid_out(read_spec(json.dumps(SPEC).encode()), "7Q3K"), np.random.default_rng(1)
    taken = photographed(written_sheet(sheet, PLAIN, Ruling(), rng), a_camera(rng), rng)
    file = BytesIO()
    Image.fromarray(taken).save(file, "JPEG", quality=88)
    cells = read_cells(cells_json(sheet))
    asked = Asked(cells)
    cv2.setNumThreads(1)

    def bare() -> None:
        (picture,) = pages_in(file.getvalue())
        flattened(picture, marks_in(picture), cells.size_mm, cells.pages[0].marks)

    def whole() -> None:
        (picture,) = pages_in(file.getvalue())
        read_page("a", picture, marks_in(picture), asked, set())

    whole()
    alone, all_of_it = (np.median([timed(what) for _ in range(TIMES)]) for what in (bare, whole))
    cv2.setNumThreads(-1)
    written = len(cells.pages[0].cells)
    print(
        f"a photographed page of {written} cells {all_of_it:6.0f} ms   (bar: under 1200 ms); "
        f"{all_of_it / alone:.1f} times its decoding and flattening   (bar: 8; goal: 3)"
    )


def _a_pile() -> None:
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "demo.db"
        make_demo(path)
        record = Database(path)
        photos = [one.jpeg for one in photograph_lesson(record, date.max, 1, each=True)]
        with record.session() as session:
            class_id = classes.every(session)[0].id
        begin = time.perf_counter()
        for at in range(PAGES):
            photo = photos[at % len(photos)]
            paper_pages.bring(record, class_id, f"{at}.jpg", photo, datetime.now(UTC))
        reader = PaperReader(record)
        reader.wake()
        while _waits(record, class_id):
            time.sleep(0.05)
        spent = time.perf_counter() - begin
        held = max(map(_most_held_mb, active_children()))
        reader.end()
        record.close()
    print(
        f"{PAGES} photographs, two readers, their start counted in {spent:6.1f} s   (bar: under "
        f"25 s on two cores; there are {os.cpu_count()}), {held:.0f} MB the larger of them   "
        "(bar: 700 MB)"
    )


def _most_held_mb(process: BaseProcess) -> float:
    """MB that a process held at most (Linux)."""
    status = Path(f"/proc/{process.pid}/status").read_text(encoding="ascii")
    (most,) = re.findall(r"VmHWM:\s*(\d+) kB", status)
    return int(most) / 1000


def _waits(record: Database, class_id: int) -> int:
    with record.session() as session:
        return paper.waiting(session, class_id)


if __name__ == "__main__":
    bench_paper()
