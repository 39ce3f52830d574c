"""SVG out: a whole hand on one sheet, and a letter or word, still or as it is written."""

from collections.abc import Sequence
from dataclasses import dataclass
from xml.sax.saxutils import escape

import numpy as np

from firstloop.core.evidence.ink import Ink
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand, Letter
from firstloop.core.letters.pace import movement_of
from firstloop.core.letters.ruling import Rule, Ruling, rules
from firstloop.core.text import specimen

INK, RULE, COLOURED, PAPER = "#1c2b45", "#7fb0ab", "#cf6f45", "#fffdf8"
PEN_WIDTH = 0.09
"""u: about what a soft pencil leaves on 8 mm lines."""
PIXELS_PER_U = 44
MARGIN = 0.5
"""u around a letter or word."""


def specimen_sheet(hand: Hand, ruling: Ruling) -> str:
    """The whole hand on one sheet, as an SVG document."""
    laid = specimen.specimen_sheet(hand, ruling)
    lines = "".join(_rules(ruling, base, 0.0, specimen.WIDTH) for base, _ in laid.rows)
    pens = "".join(_pen(points, base) for base, lines in laid.rows for points in lines)
    return _document(specimen.WIDTH, laid.height, laid.title, lines + pens)


def written(letter: Letter, *, animated: bool = False) -> str:
    """A letter or word on its lines; animated, it is written move by move, over and over.

    A reader who has asked for less motion sees it still.
    """
    left, right, bottom, top = page_of(letter)
    lines = _rules(letter.ruling, top, 0.0, right - left)
    shift = np.array([-left, 0.0])
    pens = "".join(
        _pen(move.ink + shift, top, f' id="m{at}" pathLength="1"' if animated else "")
        for at, move in enumerate(letter.moves)
    )
    motion = _motion(letter) if animated else ""
    return _document(right - left, top - bottom, letter.name, motion + lines + pens)


INK_WIDTH = 4.0
"""u of lines that ink is shown on: a wide letter with room on both sides."""


def ink_on_lines(ink: Ink, ruling: Ruling, title: str) -> str:
    """Ink as it was written, in the middle of its lines, as an SVG document."""
    (left, _), (right, _) = polyline.corners(ink.points).tolist()
    width = max(INK_WIDTH, right - left + 2 * MARGIN)
    base = ruling.top + MARGIN
    shift = np.array([width / 2 - (left + right) / 2, 0.0])
    lines = _rules(ruling, base, 0.0, width)
    pens = "".join(_pen(stroke.points + shift, base) for stroke in ink.strokes)
    return _document(width, ruling.top - ruling.drop + 2 * MARGIN, title, lines + pens)


def page_of(letter: Letter) -> tuple[float, float, float, float]:
    """Left, right, bottom and top (u) of a page that shows a letter or word on its lines."""
    everything = np.vstack(letter.inked())
    (left, low), (right, high) = everything.min(axis=0).tolist(), everything.max(axis=0).tolist()
    bottom, top = min(letter.ruling.drop, low), max(letter.ruling.top, high)
    return left - MARGIN, right + MARGIN, bottom - MARGIN, top + MARGIN


@dataclass(frozen=True, slots=True, eq=False)
class SlipCell:
    """A slip to show: its heading, what it is, the letter as it should be, and the ink; in u."""

    heading: str
    what: str
    model: tuple[FloatArray, ...]
    ink: tuple[FloatArray, ...]


CELL_WIDTH, CELL_HEIGHT, CELLS_ACROSS = 4.2, 4.4, 5


def slip_sheet(title: str, ruling: Ruling, cells: Sequence[SlipCell]) -> str:
    """Slips side by side, each over the letter as it should be, with its start marked."""
    rows = -(-len(cells) // CELLS_ACROSS)
    body = "".join(
        f'<g transform="translate({CELL_WIDTH * (at % CELLS_ACROSS):g} '
        f'{CELL_HEIGHT * (at // CELLS_ACROSS):g})">{_slip_cell(cell, ruling)}</g>'
        for at, cell in enumerate(cells)
    )
    width = CELL_WIDTH * min(len(cells), CELLS_ACROSS)
    return _document(width, CELL_HEIGHT * rows, title, body)


def _slip_cell(cell: SlipCell, ruling: Ruling) -> str:
    base = ruling.top + 1.1
    middles = [(np.vstack(lines)[:, 0].min() + np.vstack(lines)[:, 0].max()) / 2
               for lines in (cell.model, cell.ink)]  # fmt: skip
    lines = _rules(ruling, base, 0.2, CELL_WIDTH - 0.2)
    should, is_ = (
        [line + np.array([CELL_WIDTH / 2 - middle, 0.0]) for line in lines]
        for middle, lines in zip(middles, (cell.model, cell.ink), strict=True)
    )
    model = "".join(_pen(line, base, ' style="stroke:#bfd9d5;stroke-width:.16"') for line in should)
    ink = "".join(_pen(line, base) for line in is_)
    x, y = is_[0][0]
    words = "".join(
        f'<text x=".2" y="{at}" font-size="{size}" font-family="sans-serif" fill="{INK}">'
        f"{escape(text)}</text>"
        for at, size, text in ((0.45, 0.32, cell.heading), (0.82, 0.24, cell.what))
    )
    return f'{lines}{model}{ink}<circle cx="{x:.3f}" cy="{base - y:.3f}" r=".1"/>{words}'


def _rules(ruling: Ruling, base: float, left: float, right: float) -> str:
    """The ruled lines between two places, the base line so far down."""
    return "".join(
        f'<path d="M{x0:g} {base - y0:.3f}L{x1:.3f} {base - y1:.3f}" stroke="{ink_of(rule)}" '
        f'stroke-width="{rule.weight}"{_dashes(rule)}/>'
        for rule in rules(ruling, left, right)
        for (x0, y0), (x1, y1) in [(rule.start, rule.end)]
    )


def ink_of(rule: Rule) -> str:
    """The colour that a line is ruled in."""
    return COLOURED if rule.coloured else RULE


def _dashes(rule: Rule) -> str:
    return f' stroke-dasharray="{rule.dash}"' if rule.dash else ""


def _motion(letter: Letter) -> str:
    """A style that draws each move after the one before it. Times are shares of one round."""
    movement = movement_of(letter)
    whole = movement.whole
    frames = "".join(
        f"@keyframes m{at}{{0%,{100 * start / whole:.2f}%{{stroke-dashoffset:1.01}}"
        f"{100 * end / whole:.2f}%,100%{{stroke-dashoffset:0}}}}"
        f"#m{at}{{stroke-dasharray:1 2;animation:m{at} {whole:.2f}s linear infinite}}"
        for at, (start, end) in enumerate(movement.moves)
    )
    return f"<style>@media (prefers-reduced-motion:no-preference){{{frames}}}</style>"


def _pen(points: FloatArray, base: float, attributes: str = "") -> str:
    """A pen line; y is turned, as SVG counts downwards."""
    places = "L".join(f"{x:.3f} {base - y:.3f}" for x, y in points)
    return f'<path class="pen" d="M{places}"{attributes}/>'


def _document(width: float, height: float, title: str, body: str) -> str:
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width:g} {height:g}" '
        f'width="{width * PIXELS_PER_U:g}" height="{height * PIXELS_PER_U:g}">'
        f"<title>{escape(title)}</title>"
        f'<rect width="100%" height="100%" fill="{PAPER}"/>'
        f"<style>.pen{{fill:none;stroke:{INK};stroke-width:{PEN_WIDTH};"
        f"stroke-linecap:round;stroke-linejoin:round}}</style>{body}</svg>\n"
    )
