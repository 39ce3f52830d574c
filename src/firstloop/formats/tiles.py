"""Picture tiles: small drawings that children find themselves by before they read their names, and
that a word can be asked for with. The drawings themselves are in tiles.json."""

import json
from importlib.resources import files

from firstloop.core.errors import FirstLoopError

SIZE = 32
"""Side of a tile, in the units of its drawing."""

INK = "#1c2b45"
COLOURS = {
    "gold": "#f0c24b", "coral": "#e2805f", "leaf": "#8fb96a", "sky": "#8ec3d6", "plum": "#b296c7",
    "sand": "#d9b48a", "snow": "#fffdf8",
}  # fmt: skip

TILES: dict[str, dict[str, str]] = json.loads(
    files("firstloop.formats").joinpath("tiles.json").read_text(encoding="utf-8")
)
"""By name: the colour, the paths (SVG) that are filled with it, the lines on top. None is like
another: tests/browser/test_tiles.py lays each over each."""


class NoTileError(FirstLoopError):
    """There is no picture of that name."""


def require_tile(name: str | None) -> None:
    """Raises NoTileError for a name that is none; None is no picture, which is fine."""
    if name is not None and name not in TILES:
        raise NoTileError(f'there is no picture "{name}"; GET /api/tiles names all')


def tile_svg(name: str) -> str:
    """A tile as an SVG document; raises KeyError for a name that is none."""
    tile = TILES[name]
    pen = f'stroke="{INK}" stroke-width="1.6" stroke-linecap="round" stroke-linejoin="round"'
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {SIZE} {SIZE}"><title>{name}</title>'
        f'<path d="{tile["filled"]}" fill="{COLOURS[tile["colour"]]}" fill-rule="evenodd" {pen}/>'
        f'<path d="{tile["lines"]}" fill="none" {pen}/></svg>\n'
    )
