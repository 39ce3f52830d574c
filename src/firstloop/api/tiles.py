"""Picture tiles, which are the same for everybody."""

from typing import Annotated

from fastapi import APIRouter, Path, Response

from firstloop.core.plain_text import ON_A_LINE
from firstloop.formats.tiles import TILES, tile_svg
from firstloop.store.records import NotInRecordError

router = APIRouter(prefix="/api/tiles", tags=["tiles"])


SVG = "image/svg+xml"
KEPT_FOR_A_DAY = "public, max-age=86400"


@router.get("")
async def get_tiles() -> list[str]:
    """The names of all tiles."""
    return list(TILES)


@router.get("/{name}", response_class=Response)
async def get_tile(name: Annotated[str, Path(max_length=60, pattern=ON_A_LINE)]) -> Response:
    """A tile as a drawing."""
    if name not in TILES:
        raise NotInRecordError(f'there is no tile "{name}"')
    return Response(tile_svg(name), media_type=SVG, headers={"Cache-Control": KEPT_FOR_A_DAY})
