"""How well sheets are read back: sheets of many kinds, filled by seeded pupils, printed,
photographed by the stand-in and read; beside what the check says of the same ink from the pen.

    python -m scripts.measure_paper [--seed 1] [--sheets 8] [--hands plain,looped] [--verbose]
"""

import argparse
import json
from collections import Counter, defaultdict
from collections.abc import Mapping
from dataclasses import dataclass, field
from io import BytesIO
from typing import Any

import numpy as np
from PIL import Image

from firstloop.core.checking.check import check
from firstloop.core.checking.texts.check import check_text
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.letters import HANDS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.core.sheets.layout import laid_out
from firstloop.core.sheets.pages import Cell, Sheet
from firstloop.core.sheets.wish import Mode
from firstloop.demo.marks_by_children import MARKS, Mark, marked
from firstloop.demo.on_paper import a_slip, write_cell
from firstloop.demo.photographs import Camera, Pen, photographed, printed, written_on
from firstloop.formats.result_json import as_json
from firstloop.formats.sheet_cells import SheetCells, read_cells
from firstloop.formats.sheet_spec import cells_json, read_spec
from firstloop.services.reading_paper import read_files

LETTERS = "abcdefghijklmnopqrstuvwxyz"
WORDS = ("hen", "ship", "moon", "dig", "jump", "frog", "bed", "cake", "zip", "queen", "lamp", "wet")
SENTENCES = ("A hen hid.", "The dog ran.", "I can jump.", "We had a lamp.")
SIZE = ("height_u", "foot_u", "width_u")
EMPTY, MARKED, SLIPS_OF = 0.2, 0.2, 0.4

Rng = np.random.Generator
Place = tuple[int, int]


@dataclass(frozen=True)
class Filled:
    """What a child wrote in a cell: without a mark over or by it; whether it is good."""

    cell: Cell
    ink: Ink
    good: bool
    mark: str | None = None

    @property
    def how(self) -> Mark | None:
        return MARKS[self.mark] if self.mark is not None else None

    @property
    def state(self) -> str:
        return "struck" if self.how is not None and self.how.strikes else "written"


@dataclass
class Tally:
    """What was counted."""

    verbose: bool
    off: dict[str, list[float]] = field(default_factory=lambda: defaultdict(list))
    counts: Counter[str] = field(default_factory=Counter)

    def share(self, name: str, of: str) -> str:
        share = self.counts[name] / max(1, self.counts[of])
        return f"{self.counts[name]}/{self.counts[of]} {share:.3f}"

    def of(self, name: str, every: str, fits: bool, *told: object) -> None:
        """Counts one of `every`, and of `name` where it fits; tells of one that does not."""
        self.counts[every] += 1
        self.counts[name] += fits
        if self.verbose and not fits:
            print(" ", name, *told)


def a_spec(rng: Rng, hand: str) -> dict[str, Any]:
    rows: list[dict[str, Any]] = []
    for _ in range(3):
        letter = str(rng.choice(list(LETTERS)))
        rows.append({"text": letter, "mode": str(rng.choice(["own", "own", "finish", "trace"]))})
    rows += [{"text": str(rng.choice(WORDS)), "mode": "own"} for _ in range(2)]
    rows.append({"text": str(rng.choice(SENTENCES)), "mode": "own"})
    rows.append({"text": str(rng.choice(list(LETTERS))), "mode": "own", "kind": "row"})
    return {
        "hand": hand,
        "ruling": str(rng.choice(["four", "four", "two", "base", "three", "squares"])),
        "x_height_mm": float(rng.choice([5, 6, 7, 8, 10])),
        "paper": str(rng.choice(["A4", "Letter"])),
        "rows": rows,
    }


def a_camera(rng: Rng) -> Camera:
    return Camera(
        tilt_deg=float(rng.uniform(0, 20)),
        turned_deg=float(rng.normal(0, 5)),
        shadow=float(rng.uniform(0, 0.5)),
        blur_px=float(rng.uniform(0.3, 1.2)),
        noise=float(rng.uniform(1, 6)),
        longer_px=int(rng.integers(1600, 4000)),
        quality=int(rng.integers(70, 95)),
        curl_mm=float(rng.uniform(0, 6)),
    )


def a_filled(cell: Cell, hand: str, rng: Rng, ruling: Ruling) -> Filled:
    """What a child may write in a cell."""
    shape, pupil = HANDS[hand], draw_pupil(rng, steadiness=0.8)
    if cell.kind is Kind.LETTER:
        script = shape.scripts[cell.target]
        slips = a_slip(script, rng, SLIPS_OF)
        ink = write(script, shape, ruling, pupil, rng, slips=slips)
        mark = str(rng.choice(list(MARKS))) if rng.random() < MARKED else None
        return Filled(cell, ink, not slips, mark if cell.mode is Mode.OWN else None)
    return Filled(cell, write_cell(cell, shape, ruling, pupil, rng), good=True)


def filled(sheet: Sheet, cells: SheetCells, hand: str, rng: Rng) -> dict[Place, Filled]:
    """What stands in the cells of a first page, by row and cell: what has room."""
    found: dict[Place, Filled] = {}
    for cell in sheet.pages[0].cells:
        if rng.random() < EMPTY:
            continue
        one = a_filled(cell, hand, rng, cells.ruling)
        if np.ptp(one.ink.points[:, 0]) * sheet.wish.x_height_mm < cell.box[2] - cell.box[0]:
            found[cell.row, cell.cell] = one
    return found


def judged(ink: Ink, cell: Cell, hand: str, ruling: Ruling) -> Any:
    task = Task(cell.target, cell.kind)
    if cell.kind is Kind.LETTER:
        return _plain(as_json(check(ink, task, Style(hand), ruling)))
    return _plain(as_json(check_text(ink, task, Style(hand), ruling)))


def _plain(answer: object) -> Any:
    return json.loads(json.dumps(answer))


def a_sheet(rng: Rng, hand: str, tally: Tally) -> None:
    spec = json.dumps(a_spec(rng, hand)).encode()
    try:
        sheet = laid_out(read_spec(spec), "7Q3K")
    except FirstLoopError as fault:  # a row too wide: another wish
        print("no sheet:", fault)
        return
    cells = read_cells(cells_json(sheet))
    page, pen = printed(sheet, 0), Pen(int(rng.integers(30, 110)), float(rng.uniform(0.35, 0.9)))
    inks = filled(sheet, cells, hand, rng)
    for one in inks.values():
        ink = marked(one.ink, one.how, rng) if one.how is not None else one.ink
        written_on(page, one.cell, ink, pen)
    camera = a_camera(rng)
    file = BytesIO()
    Image.fromarray(photographed(page, camera, rng)).save(file, "JPEG", quality=camera.quality)
    (answer,) = _plain(list(read_files([("a.jpg", file.getvalue)], cells)))
    tally.of("found", "pages", bool(answer.get("cells")), answer)
    for problem in answer.get("problems", ()):
        tally.counts[f"problem {problem['code']}"] += 1
    for told in answer.get("cells", ()):
        a_cell(told, inks.get((told["row"], told["cell"])), cells, tally)


def a_cell(told: Mapping[str, Any], one: Filled | None, cells: SheetCells, tally: Tally) -> None:
    """What was read in a cell beside what stands there."""
    state = one.state if one is not None else "empty"
    mark = one.mark if one is not None else None
    right = told["state"] == state
    tally.of("state right", "cells", right, told["state"], "for", state, told["target"], mark)
    if one is None or told["state"] != "written":
        return
    if one.cell.mode is Mode.TRACE:
        tally.off["kept_u"].append(told.get("kept_u", np.nan))
        return
    chosen = one.how is not None and one.how.chooses
    tally.of("chosen right", "not struck", told["chosen"] == chosen, mark, told["target"])
    (x0, y0), (x1, y1) = one.ink.points.min(axis=0), one.ink.points.max(axis=0)
    for name, true in zip(SIZE, (y1, y0, x1 - x0), strict=True):
        tally.off[name].append(told["measures"][name] - true)
        if tally.verbose and abs(tally.off[name][-1]) > 0.12:
            print("  off", name, told["target"], mark, round(tally.off[name][-1], 3))
    beside_the_pen(told, one, cells, tally)


def beside_the_pen(told: Mapping[str, Any], one: Filled, cells: SheetCells, tally: Tally) -> None:
    pen = judged(one.ink, one.cell, cells.hand, cells.ruling)
    kind = one.cell.kind.value
    for dimension in ("size", "shape"):
        verdicts = [says["verdict"][dimension] == "not_yet" for says in (pen, told)]
        worst = [
            [(f["code"], f.get("index"), f["measure"]) for f in says["findings"]][:2]
            for says in (pen, told)
        ]
        fits = verdicts[0] == verdicts[1]
        tally.of(f"{kind} as pen", f"{kind} judged", fits, told["target"], one.mark, *worst)
    if one.good and "not_yet" not in (pen["verdict"]["size"], pen["verdict"]["shape"]):
        nagged = "not_yet" in told["verdict"].values()
        tally.of(f"{kind} not nagged", f"{kind} good", not nagged, told["target"], one.mark)
        reads = kind == "row" or told["reads_as"] == told["target"]
        tally.counts[f"{kind} read right"] += reads


def report(hand: str, tally: Tally) -> None:
    print(
        f"{hand}: pages found {tally.share('found', 'pages')}, states "
        f"{tally.share('state right', 'cells')}, chosen {tally.share('chosen right', 'not struck')}"
    )
    for name, values in tally.off.items():
        off = np.abs(values)
        print(f"  {name}: median {np.nanmedian(off):.3f}, 95th {np.nanquantile(off, 0.95):.3f}")
    for kind in ("letter", "word", "sentence", "row"):
        print(
            f"  {kind}: as pen {tally.share(f'{kind} as pen', f'{kind} judged')}, not nagged "
            f"{tally.share(f'{kind} not nagged', f'{kind} good')}, read "
            f"{tally.share(f'{kind} read right', f'{kind} good')}"
        )
    print("  ", {name: n for name, n in tally.counts.items() if name.startswith("problem")})


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--sheets", type=int, default=8)
    parser.add_argument("--hands", default="plain,flick,joined,looped")
    parser.add_argument("--verbose", action="store_true")
    options = parser.parse_args()
    for hand in options.hands.split(","):
        rng, tally = np.random.default_rng(options.seed), Tally(options.verbose)
        for _ in range(options.sheets):
            a_sheet(rng, hand, tally)
        report(hand, tally)


if __name__ == "__main__":
    main()
