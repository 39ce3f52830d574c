"""Fonts of hands: shaped by HarfBuzz, words lie on the strokes that `draw` gives them."""

from functools import lru_cache
from io import BytesIO

import numpy as np
import pytest
import uharfbuzz as hb
from fontTools.pens.recordingPen import RecordingPen
from fontTools.ttLib import TTFont
from shapely import LineString, Polygon, STRtree, get_parts, union_all
from shapely.affinity import scale, translate
from shapely.geometry.base import BaseGeometry

from firstloop.core.letters import HANDS, Hand, draw
from firstloop.core.letters.hands import LetterJoins
from firstloop.core.letters.moves import Level
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.words import compose
from firstloop.formats.font import UNITS, FontWish, font_of

PEN, STRAYS = 0.12, 0.03
TEXT = """
    cat man it jelly queen of box vow wave zip quick brown fox jumps over lazy dog pup bell ebb oar
    oven wine foe ore fff papa yes goat Sam's Bob. Why? Hat-5 24 1,036 yolk verb whole kick buzz
"""
WORDS = TEXT.split()


class Shaped:
    """A font, and what it makes of words."""

    def __init__(self, content: bytes) -> None:
        self.font = TTFont(BytesIO(content))
        self._glyphs = self.font.getGlyphSet()
        self._shaper = hb.Font(hb.Face(content))

    def glyphs_of(self, word: str) -> list[tuple[str, float, float]]:
        """Each glyph and where it stands, in font units."""
        buffer = hb.Buffer()
        buffer.add_str(word)
        buffer.guess_segment_properties()
        hb.shape(self._shaper, buffer)
        x, found, order = 0.0, [], self.font.getGlyphOrder()
        for glyph, place in zip(buffer.glyph_infos, buffer.glyph_positions, strict=True):
            found.append((order[glyph.codepoint], x + place.x_offset, float(place.y_offset)))
            x += place.x_advance
        return found

    def inked(self, word: str) -> BaseGeometry:
        """What is inked of a word, in u."""
        there = [translate(self._outline(name), x, y) for name, x, y in self.glyphs_of(word)]
        return scale(union_all(there), 1 / UNITS, 1 / UNITS, origin=(0, 0))

    @lru_cache(maxsize=2000)  # noqa: B019  # it lives as long as the test
    def _outline(self, name: str) -> BaseGeometry:
        pen = RecordingPen()
        self._glyphs[name].draw(pen)
        rings: list[list[tuple[float, float]]] = []
        for what, places in pen.value:
            if what == "moveTo":
                rings.append([])
            if what in ("moveTo", "lineTo"):
                rings[-1].append(places[0])
        outline: BaseGeometry = Polygon()
        for ring in rings:  # holes are wound the other way round
            outline = outline.symmetric_difference(Polygon(ring))
        return outline


@pytest.fixture(scope="module", params=HANDS)
def hand(request: pytest.FixtureRequest) -> Hand:
    return HANDS[request.param]


@pytest.fixture(scope="module")
def shaped(hand: Hand) -> Shaped:
    return Shaped(font_of(hand, FontWish(hand.name, pen=PEN)))


def strokes_of(word: str, hand: Hand) -> list[LineString]:
    drawn = draw(compose(word, hand).script, hand.proportions, Ruling())
    return [LineString(move.ink) for move in drawn.moves]


def strays(word: str, hand: Hand, shaped: Shaped) -> bool:
    """Whether the outlines of a word leave its strokes, or leave some of them bare."""
    strokes, inked = strokes_of(word, hand), shaped.inked(word)
    should = union_all([stroke.buffer(PEN / 2, quad_segs=12) for stroke in strokes])
    return not inked.within(should.buffer(STRAYS)) or not should.within(inked.buffer(STRAYS))


def test_words_lie_on_the_strokes_that_draw_gives_them(hand: Hand, shaped: Shaped) -> None:
    assert [word for word in WORDS if strays(word, hand, shaped)] == []


def test_what_is_joined_is_one_piece_of_ink(hand: Hand, shaped: Shaped) -> None:
    pieces = shaped.inked("nun")
    assert (pieces.geom_type == "Polygon") == hand.joins
    letters = [name for name, *_ in shaped.glyphs_of("nun") if not name.endswith(".join")]
    assert letters == (["n.first", "u.within", "n.last"] if hand.joins else ["n", "u", "n"])


def test_a_hand_that_lifts_is_lifted_in_its_font() -> None:
    joined = HANDS["joined"]
    lifts = Hand(
        "ours", joined.proportions, joined.scripts, {}, {"s": LetterJoins(Level.BASE, None)}
    )
    shaped = Shaped(font_of(lifts, FontWish("ours", pen=PEN)))
    assert [name for name, *_ in shaped.glyphs_of("us")] == ["u.first", "u_s.join", "s.last"]
    assert [name for name, *_ in shaped.glyphs_of("so")] == ["s", "o"]
    assert not strays("sons", lifts, shaped)


def test_it_says_how_large_it_is_and_whose(shaped: Shaped) -> None:
    os2 = shaped.font["OS/2"]
    assert os2.sxHeight == UNITS
    assert os2.achVendID == "NONE"
    assert (os2.sTypoAscender, os2.sTypoDescender) == (980, -505)
    assert shaped.font["name"].getDebugName(13) is None


def test_family_and_licence_are_the_teachers() -> None:
    wish = FontWish("Heron class", licence="For our school only")
    names = TTFont(BytesIO(font_of(HANDS["plain"], wish)))["name"]
    assert names.getDebugName(1) == "Heron class"
    assert names.getDebugName(6) == "Heronclass-Regular"
    assert names.getDebugName(13) == "For our school only"


def test_every_glyph_is_there_and_can_be_written_out_again(hand: Hand, shaped: Shaped) -> None:
    assert {chr(code) for code in shaped.font.getBestCmap()} == {*hand.scripts, " ", "\xa0"}
    text = BytesIO()
    shaped.font.save(text)
    assert TTFont(BytesIO(text.getvalue())).getGlyphOrder() == shaped.font.getGlyphOrder()


@pytest.mark.parametrize("style", ["dotted", "arrows"])
def test_dots_lie_along_the_strokes(style: str) -> None:
    plain = HANDS["plain"]
    shaped = Shaped(font_of(plain, FontWish("dots", style, PEN)))
    inked = shaped.inked("n")
    lines = STRtree(strokes_of("n", plain))
    dots = [part for part in get_parts(inked) if part.area < PEN**2]
    on_line = [dot for dot in dots if lines.query(dot.centroid, "dwithin", 0.02).size]
    assert len(on_line) > 8
    starts = [part for part in get_parts(inked) if part.area > 2 * PEN**2]
    assert bool(starts) == (style == "arrows")
    assert np.isclose(inked.bounds[3], 1.0, atol=PEN)
