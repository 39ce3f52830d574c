"""`firstloop sheet` and `read`: a sheet to write on, from a wish as JSON; photographs of it, read
back."""

import argparse
from functools import partial
from pathlib import Path

from firstloop.cli.options import Commands, content_of

# What a command needs is fetched when it runs: `firstloop check` stays quick to start.


def add_to(commands: Commands) -> None:
    """Adds the command."""
    sheet = commands.add_parser("sheet", help="make a sheet to write on, as PDF")
    sheet.add_argument("spec", type=Path, metavar="SPEC.json", help="what is to be on it")
    sheet.add_argument("--out", type=Path, required=True, metavar="SHEET.pdf")
    sheet.add_argument("--cells", type=Path, metavar="CELLS.json", help="where its cells are")
    sheet.add_argument("--svg", type=Path, metavar="FOLDER", help="its pages as SVG, too")
    sheet.add_argument("--hand", type=Path, metavar="HAND.json", help="a hand of one's own")
    sheet.set_defaults(run=_sheet)

    read = commands.add_parser("read", help="read photographs or scans of a sheet")
    kinds = "JPEG, HEIC, PNG, TIFF, PDF"
    read.add_argument("photos", type=Path, nargs="+", metavar="PHOTO", help=kinds)
    read.add_argument("--cells", type=Path, required=True, metavar="CELLS.json")
    read.add_argument("--hand", type=Path, metavar="HAND.json", help="the hand of one's own on it")
    read.add_argument("--json", action="store_true", help="one JSON object a page")
    read.set_defaults(run=_read_photos)


def _sheet(options: argparse.Namespace) -> int:
    from firstloop.core.sheets.layout import laid_out  # noqa: PLC0415
    from firstloop.core.sheets.marks import sheet_name  # noqa: PLC0415
    from firstloop.formats import packages, sheet_spec, sheet_svg  # noqa: PLC0415
    from firstloop.paper.sheet_pdf import sheet_pdf  # noqa: PLC0415

    spec = content_of(options.spec)
    own = packages.read_hand(content_of(options.hand)) if options.hand else None
    wish = sheet_spec.read_spec(spec, own)
    sheet = laid_out(wish, sheet_name(spec))
    options.out.write_bytes(sheet_pdf(sheet))
    if options.cells:
        options.cells.write_bytes(sheet_spec.cells_json(sheet))
    if options.svg:
        options.svg.mkdir(parents=True, exist_ok=True)
        for at, page in enumerate(sheet.pages, start=1):
            file = options.svg / f"{sheet.name}-{at:02}.svg"
            file.write_text(sheet_svg.page_svg(sheet, page), encoding="utf-8")
    pages = "1 page is" if len(sheet.pages) == 1 else f"{len(sheet.pages)} pages are"
    print(f"Sheet {sheet.name}: {pages} in {options.out}.")
    return 0


def _read_photos(options: argparse.Namespace) -> int:
    import json  # noqa: PLC0415

    from firstloop.formats.packages import read_hand  # noqa: PLC0415
    from firstloop.formats.sheet_cells import read_cells  # noqa: PLC0415
    from firstloop.services.reading_paper import read_files  # noqa: PLC0415

    own = read_hand(content_of(options.hand)) if options.hand else None
    cells = read_cells(content_of(options.cells), own.name if own else None)
    failed = False
    photos = ((photo.name, partial(content_of, photo)) for photo in options.photos)
    for answer in read_files(photos, cells, own):
        failed = failed or "error" in answer
        print(json.dumps(answer, ensure_ascii=False) if options.json else _in_words(answer))
    return 1 if failed else 0


def _in_words(answer: dict[str, object]) -> str:
    """A page in a line, for people."""
    if "error" in answer:
        return f"{answer['file']}: {answer['error']}"
    cells, problems = answer["cells"], answer["problems"]
    assert isinstance(cells, list)
    assert isinstance(problems, list)
    written = sum(cell["state"] == "written" for cell in cells)
    whose = f", pupil {answer['pupil']}" if answer["pupil"] else ""
    said = "".join(f" {one['say']}" for one in problems)
    return (
        f"{answer['file']}: page {answer['page']}{whose}, {written} of {len(cells)} written.{said}"
    )
