"""A hand as an OpenType font: outlines of its strokes, kerned as words are spaced, and where
letters join, forms and joins put in by what stands beside (`calt`)."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from io import BytesIO, StringIO

import numpy as np
from fontTools.agl import UV2AGL
from fontTools.feaLib.builder import addOpenTypeFeaturesFromString
from fontTools.fontBuilder import FontBuilder
from fontTools.pens.t2CharStringPen import T2CharStringPen
from shapely import LineString, Point, Polygon, get_parts, union_all
from shapely.geometry import polygon

from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Hand
from firstloop.core.letters.moves import MoveKind
from firstloop.core.letters.numbering import number_places
from firstloop.core.letters.ruling import Line, Ruling
from firstloop.core.text.type_parts import Form, Place, TypeParts

UNITS, EM = 500, 1000
"""Font units of a u, and of the em: body and tall part fill it."""

FINE = 0.0015
"""u: outlines are rounded off by no more, which is less than a unit."""

ROUND = 12
"""Points of a quarter of a pen's round end."""

DOTS_APART, DOT = 1.9, 1.0
"""Times the pen: from one dot of a dotted line to the next, and how wide it is."""

START, HEAD, HEAD_DEG, ARROW_PEN = 0.1, 0.14, 150.0, 0.04
"""u, u, degrees, u: the starting dot's radius, the length of an arrow's head, the turn of its
lines, and how wide they are."""

SPACE = 0.9
"""u: a finger's space, and the room that letters leave beside them."""

SIDE = 0.12
"""u: white beside a letter that stands alone; kerning puts it right beside every other."""

LONGEST = 60
"""Characters of a family's name that word processors show whole."""

VENDOR = "NONE"

LATIN = 1
"""The bit of the characters that are there, of code pages and of ranges alike."""


@dataclass(frozen=True, slots=True)
class FontWish:
    """What a font is to be: its family's name, `solid`, `dotted` or with `arrows`, how wide its pen
    is in u, and what its licence says."""

    family: str
    style: str = "solid"
    pen: float = 0.12
    licence: str = ""


def font_of(hand: Hand, wish: FontWish) -> bytes:
    """The font as the content of an .otf file."""
    parts = TypeParts(hand)
    glyphs = dict(_glyphs(parts, wish))
    builder = FontBuilder(EM, isTTF=False)
    builder.setupGlyphOrder([".notdef", "space", *glyphs])
    builder.setupCharacterMap(
        {ord(" "): "space", 0xA0: "space"}
        | {ord(letter): _name(letter) for letter in parts.letters}
    )
    outlines = {".notdef": _notdef(), "space": ()} | {name: g.outline for name, g in glyphs.items()}
    advances = {".notdef": UNITS, "space": round(SPACE * UNITS)}
    advances |= {name: glyph.advance for name, glyph in glyphs.items()}
    family = wish.family[:LONGEST]
    builder.setupCFF(
        _postscript(family),
        {"FullName": family, "FamilyName": family, "Weight": "Regular"},
        {name: _charstring(outlines[name], advances[name]) for name in outlines},
        {},
    )
    builder.setupHorizontalMetrics(
        {name: (advances[name], _left(outlines[name])) for name in outlines}
    )
    _set_lines(builder, wish.pen)
    _set_names(builder, family, wish.licence)
    builder.setupPost(isFixedPitch=False)
    addOpenTypeFeaturesFromString(builder.font, _features(parts))
    file = BytesIO()
    builder.font["head"].created = builder.font["head"].modified = 0
    builder.font.recalcTimestamp = False
    builder.save(file)
    return file.getvalue()


Outline = Sequence[FloatArray]
"""Closed rings (n, 2) in font units: of what is inked anticlockwise, holes clockwise."""


@dataclass(frozen=True, slots=True, eq=False)
class _Glyph:
    outline: Outline
    advance: int


def _glyphs(parts: TypeParts, wish: FontWish) -> Iterator[tuple[str, _Glyph]]:
    for letter in parts.letters:
        for form in parts.forms(letter):
            name = _name(letter, form.place)
            yield name, _Glyph(_outline(_inked(form, wish)), _advance(parts, letter))
    goes_on, led_in = parts.joining
    for first in goes_on:
        for second in led_in:
            line = _line(parts.join(first, second), wish)
            yield _join_name(first, second), _Glyph(_outline(line), 0)


def _name(letter: str, place: Place = Place.ALONE) -> str:
    name = UV2AGL.get(ord(letter), f"uni{ord(letter):04X}")
    return name if place is Place.ALONE else f"{name}.{place.value}"


def _join_name(first: str, second: str) -> str:
    return f"{_name(first)}_{_name(second)}.join"


def _advance(parts: TypeParts, letter: str) -> int:
    """Font units from where a letter stands to where the next would, if it were the same."""
    return round(parts.beside_itself[letter] * UNITS)


def _inked(form: Form, wish: FontWish) -> Iterator[Polygon]:
    """What is inked of a form, in u."""
    for move in form.moves:
        if wish.style == "solid" or move.move.kind is not MoveKind.BACK:
            yield from _line(move.ink, wish)
    if wish.style == "arrows" and form.place is Place.ALONE:
        yield from _signs(form)


def _line(points: FloatArray, wish: FontWish) -> Iterator[Polygon]:
    """A line of the pen, or its dots."""
    if wish.style == "solid":
        yield LineString(points).buffer(wish.pen / 2, quad_segs=ROUND)
        return
    for x, y in polyline.respace(points, DOTS_APART * wish.pen):
        yield Point(x, y).buffer(DOT * wish.pen / 2, quad_segs=ROUND)


def _signs(form: Form) -> Iterator[Polygon]:
    """Where each stroke begins, and the way each move goes."""
    for path in form.letter.paths():
        yield Point(*path[0]).buffer(START, quad_segs=ROUND)
    for place in number_places(form.letter):
        turn = np.radians(place.heading_deg)
        ahead = np.array([np.cos(turn), np.sin(turn)])
        tip = np.array(place.arrow) + HEAD / 2 * ahead
        sides = [turn + np.radians(HEAD_DEG), turn - np.radians(HEAD_DEG)]
        ends = [tip + HEAD * np.array([np.cos(side), np.sin(side)]) for side in sides]
        tail = tip - 2 * HEAD * ahead
        for line in ([ends[0], tip, ends[1]], [tail, tip]):
            yield LineString(line).buffer(ARROW_PEN / 2, quad_segs=4)


def _outline(inked: Iterable[Polygon]) -> Outline:
    """The outline of all that is inked, in font units."""
    whole = union_all(list(inked)).simplify(FINE)
    shapes = [shape for shape in get_parts(whole) if isinstance(shape, Polygon)]
    rings = []
    for shape in shapes:
        turned = polygon.orient(shape)
        rings += [ring.coords for ring in (turned.exterior, *turned.interiors)]
    return [_in_units(np.array(ring)) for ring in rings]


def _in_units(ring: FloatArray) -> FloatArray:
    """A ring on whole units, no point twice."""
    points = np.rint(ring[:-1] * UNITS)
    moved = np.any(points != np.roll(points, 1, axis=0), axis=1)
    return np.asarray(points[moved])


def _notdef() -> Outline:
    return [np.array([[50.0, 0.0], [450.0, 0.0], [450.0, 700.0], [50.0, 700.0]])]


def _charstring(outline: Outline, advance: int) -> object:
    pen = T2CharStringPen(advance, None)
    for ring in outline:
        pen.moveTo(tuple(ring[0]))
        for point in ring[1:]:
            pen.lineTo(tuple(point))
        pen.closePath()
    return pen.getCharString()


def _left(outline: Outline) -> int:
    return round(min((float(ring[:, 0].min()) for ring in outline), default=0.0))


def _set_lines(builder: FontBuilder, pen: float) -> None:
    """The heights that word processors and layout ask for."""
    ruling = Ruling()
    top = round((ruling.height(Line.TOP) + pen / 2) * UNITS)
    bottom = round((ruling.height(Line.DROP) - pen / 2) * UNITS)
    builder.setupHorizontalHeader(ascent=top, descent=bottom)
    builder.setupOS2(
        version=4,
        sTypoAscender=top,
        sTypoDescender=bottom,
        sTypoLineGap=0,
        usWinAscent=top,
        usWinDescent=-bottom,
        sxHeight=UNITS,
        sCapHeight=round(ruling.height(Line.TOP) * UNITS),
        achVendID=VENDOR,
        fsSelection=0x40 | 0x80,
        fsType=0,
        usWeightClass=400,
        ulCodePageRange1=LATIN,
        ulUnicodeRange1=LATIN,
    )


def _set_names(builder: FontBuilder, family: str, licence: str) -> None:
    names = {
        "familyName": family,
        "styleName": "Regular",
        "uniqueFontIdentifier": f"{_postscript(family)}-Regular",
        "fullName": family,
        "psName": _postscript(family),
        "version": "Version 1.000",
    }
    builder.setupNameTable(names | ({"licenseDescription": licence} if licence else {}), mac=False)


def _postscript(family: str) -> str:
    """The name in the few characters that printers know."""
    kept = "".join(x for x in family if x.isascii() and x.isalnum())
    return f"{kept or 'Hand'}-Regular"


def _features(parts: TypeParts) -> str:
    """Which forms letters take beside which, and how far apart any two stand."""
    text = StringIO()
    if parts.joining[0]:
        _write_joins(text, parts)
    text.write("feature kern {\n")
    for first in parts.letters:
        for second in parts.letters:
            by = round(parts.apart(first, second) * UNITS) - _advance(parts, first)
            if by and parts.are_joined(first, second):
                join = _join_name(first, second)
                text.write(f"  enum pos {_any(parts, first, _GOING_ON)} {join} {by};\n")
            elif by:
                ends, begins = _any(parts, first, _ENDING), _any(parts, second, _BEGINNING)
                text.write(f"  enum pos {ends} {begins} {by};\n")
    text.write("} kern;\n")
    return text.getvalue()


_GOING_ON = tuple(place for place in Place if place.goes_on)
_ENDING = tuple(place for place in Place if not place.goes_on)
_BEGINNING = tuple(place for place in Place if not place.led_in)
_HIGH = {Place.WITHIN: Place.WITHIN_HIGH, Place.LAST: Place.LAST_HIGH}


def _any(parts: TypeParts, letter: str, places: Sequence[Place]) -> str:
    """The glyphs of a letter in any of these places."""
    there = [place for place in parts.places(letter) if place in places]
    return f"[{' '.join(_name(letter, place) for place in there)}]"


def _write_joins(text: StringIO, parts: TypeParts) -> None:
    """Letters take the form of their place, from the left; then the join is put in before each that
    is led into."""
    goes_on, led_in = parts.joining
    both = [letter for letter in led_in if letter in goes_on]
    for letter in goes_on:
        text.write(f"lookup AFTER_{_name(letter)} {{\n")
        for second in led_in:
            for place in (place for place in _HIGH if place in parts.places(second)):
                turned = parts.leaves_high(letter) and second in parts.turned_after_high
                there = _name(second, _HIGH[place] if turned else place)
                join = _join_name(letter, second)
                text.write(f"  sub {_name(second, place)} by {join} {there};\n")
        text.write(f"}} AFTER_{_name(letter)};\n")
    going_on = _class(_there(parts, goes_on, _GOING_ON))
    text.write("feature calt {\n")
    text.write("  lookup GO_ON {\n    sub ")
    text.write(f"{_class([(x, Place.ALONE) for x in goes_on])}' ")
    text.write(f"{_class([(x, Place.ALONE) for x in led_in])} by ")
    text.write(f"{_class([(x, Place.FIRST) for x in goes_on])};\n  }} GO_ON;\n  lookup LED_IN {{\n")
    for known, place, become in (
        (both, Place.FIRST, Place.WITHIN),
        (led_in, Place.ALONE, Place.LAST),
    ):
        before, after = ([(x, one) for x in known] for one in (place, become))
        text.write(f"    sub {going_on} {_class(before)}' by {_class(after)};\n")
    text.write("  } LED_IN;\n  lookup JOIN {\n")
    led = _class(_there(parts, led_in, tuple(_HIGH)))
    for letter in goes_on:
        there = _any(parts, letter, _GOING_ON)
        text.write(f"    sub {there} {led}' lookup AFTER_{_name(letter)};\n")
    text.write("  } JOIN;\n} calt;\n")


def _there(
    parts: TypeParts, letters: Sequence[str], places: Sequence[Place]
) -> list[tuple[str, Place]]:
    """The letters in those of the places that they can stand in."""
    return [(x, place) for x in letters for place in places if place in parts.places(x)]


def _class(members: Iterable[tuple[str, Place]]) -> str:
    return f"[{' '.join(_name(letter, place) for letter, place in members)}]"
