"""A row that is wished for as ruled bands: models, and slots to write in; in u from a band's left
end on its base line."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from math import ceil, floor

import numpy as np

from firstloop.core.evidence.task import Kind
from firstloop.core.letters.ruling import Rule, Ruling, RulingKind, rules
from firstloop.core.sheets.helped import helped, model
from firstloop.core.sheets.items import Disc, Item, Line, Look, Picture
from firstloop.core.sheets.wish import Mode, ModelAt, RowWish, SheetError, SheetWish
from firstloop.core.sheets.writing import Written, in_lines, moved, widest, written
from firstloop.core.vocabulary.sounds import heard_in

BESIDE, ROOMY = 1.0, 2.2
"""[u] Beside a letter or word in its slot: at least, and where there is room. A child needs room to
miss, and letters a gap."""

INDENT = 0.4
"""[u] From a slot's left end to where a word begins."""

FREE_SQUARES = 1
"""[squares] That stay free after a letter on squares."""

NARROWEST = 0.6
"""[u] A slot is as wide as for a letter of that width at least: i and l need room too."""

COLOURED = 0.16
"""[u] Radius of the dots that say in how many colours a letter is gone over."""


@dataclass(frozen=True, slots=True)
class Slot:
    """Where something is written: between which places (u), what."""

    left: float
    right: float
    target: str
    kind: Kind


@dataclass(frozen=True, slots=True, eq=False)
class Band:
    """A ruled line: its width (u), slots, models and helps with their places (u), a picture at its
    end, and how many boxes a word's sounds have."""

    ruling: Ruling
    width: float
    cells: tuple[Slot, ...] = ()
    models: tuple[tuple[Written, float], ...] = ()
    helps: tuple[tuple[Written, float], ...] = ()
    mode: Mode = Mode.OWN
    picture: str | None = None
    sounds: int = 0
    colours: int = 1

    def items(self, at: tuple[float, float], u: float) -> Iterator[Item]:
        """What is drawn of it, on a page (mm); the place is its left end on the base line."""
        for rule in rules(self.ruling, 0.0, self.width):
            yield _ruled(rule, at, u)
        x, base = at
        for text, left in self.models:
            yield from model(text, (x + left * u, base), u)
        for text, left in self.helps:
            yield from helped(text, self.mode, (x + left * u, base), u)
        yield from self._besides(at, u)

    def uprights(self, slot: Slot) -> tuple[float, ...]:
        """Where lines stand in a slot, u: the sides of squares, and of boxes for sounds."""
        squares = range(floor(self.width) + 1) if self.ruling.kind is RulingKind.SQUARES else ()
        sides = (float(x) for x in squares if slot.left <= x <= slot.right)
        return tuple(sorted({*sides, *self._sound_edges(slot)}))

    def _sound_edges(self, slot: Slot) -> tuple[float, ...]:
        if not self.sounds:
            return ()
        return tuple(np.linspace(slot.left, slot.right, self.sounds + 1).tolist())

    def _besides(self, at: tuple[float, float], u: float) -> Iterator[Item]:
        x, base = at
        if self.picture:
            side = self.ruling.top * u
            yield Picture((x + self.width * u + 0.3 * u, base - side), side, self.picture)
        low, high = self.ruling.drop, self.ruling.top
        for slot in self.cells:
            for edge in self._sound_edges(slot):
                upright = np.array([[edge, low], [edge, high]])
                yield Line(moved(upright, at, u), 0.03 * u, Look.RULE)
        for number in range(self.colours if self.colours > 1 else 0):
            look = Look.ONCE if number % 2 == 0 else Look.TWICE
            middle = (x - 0.1 * u - 2 * COLOURED * u, base - (0.2 + 0.45 * number) * u)
            yield Disc(middle, COLOURED * u, look)


def _ruled(rule: Rule, at: tuple[float, float], u: float) -> Line:
    ends = moved(np.array([rule.start, rule.end]), at, u)
    dash = (rule.dash * u, rule.dash * u) if rule.dash else None
    look = Look.RULE_COLOURED if rule.coloured else Look.RULE
    return Line(ends, rule.weight * u, look, dash, round=False)


def bands_of(row: RowWish, wish: SheetWish, room: float) -> Iterator[Band]:
    """The bands of a row in so much room (u); raises SheetError where it does not find any."""
    picture_room = wish.ruling.top + 0.6 if row.picture else 0.0
    row_room = _whole(room - picture_room, wish.ruling)
    if row.kind is Kind.LETTER:
        yield from _letters(row, wish, row_room)
    elif row.kind is Kind.WORD:
        yield from _words(row, wish, row_room)
    elif row.kind in (Kind.SENTENCE, Kind.PHRASE):
        yield from _sentences(row, wish, row_room)
    else:
        yield from _long(row, wish, row_room)


def _whole(room: float, ruling: Ruling) -> float:
    """On squares a band ends where a square does."""
    return float(floor(room)) if ruling.kind is RulingKind.SQUARES else room


@dataclass(frozen=True, slots=True)
class _Fitted:
    """Slots of a band: how wide each is, how much of that is written in, how many there are."""

    width: float
    own: float
    count: int


def _fitted(row: RowWish, wish: SheetWish, wide: float, room: float) -> _Fitted:
    """How many slots find room, and how wide they are: with room to spare they are wider."""
    least = max(wide, NARROWEST)
    if wish.ruling.kind is RulingKind.SQUARES:
        own = max(1, ceil(least - 0.05))
        width = float(own + FREE_SQUARES)
        count = int((room + FREE_SQUARES) // width)
        _require(count >= 1, row, wish, width, room)
        return _Fitted(width, float(own), count)
    _require(least + BESIDE <= room, row, wish, least + BESIDE, room)
    fits = int(room // (least + BESIDE))
    count = min(row.times or fits, fits)
    width = room / count if row.times is None else min(room / count, least + ROOMY)
    return _Fitted(width, width, count)


def _require(fits: bool, row: RowWish, wish: SheetWish, needed: float, room: float) -> None:
    if not fits:
        most = wish.x_height_mm * room / needed
        raise SheetError(
            f'"{row.text}" is wider than a row at {wish.x_height_mm:g} mm; choose small letters of '
            f"at most {most:.1f} mm, or break it",
            "x_height_mm",
        )


def _letters(row: RowWish, wish: SheetWish, room: float) -> Iterator[Band]:
    """Letter after letter; of one's own, the first is there as a model."""
    text = written(row.text, wish.hand, wish.ruling)
    slots = _fitted(row, wish, text.width, room)
    shows = row.mode is Mode.OWN and row.model in (None, ModelAt.START)
    a_line = slots.count - (1 if shows else 0)
    _require(a_line >= 1, row, wish, 2 * slots.width, room)
    wanted = row.times if row.times is not None else a_line * row.lines
    if row.mode is Mode.OWN and row.model is ModelAt.ABOVE:
        yield Band(wish.ruling, room, models=((text, INDENT),))
    while wanted > 0:
        here = min(wanted, a_line)
        order = _places(slots, here + (1 if shows else 0), room, wish)
        models = ((text, order[0] + (slots.own - text.width) / 2),) if shows else ()
        lefts = order[1:] if shows else order
        yield _band(
            row,
            wish,
            room,
            [Slot(left, left + slots.own, row.text, Kind.LETTER) for left in sorted(lefts)],
            models,
            [(text, left + (slots.own - text.width) / 2) for left in sorted(lefts)],
        )
        wanted -= here


def _places(slots: _Fitted, count: int, room: float, wish: SheetWish) -> list[float]:
    """Where slots begin, the model's first: on the left, or for the left hand on the right."""
    places = [at * slots.width for at in range(count)]
    if not wish.left_handed:
        return places
    end = room - slots.own if wish.ruling.kind is RulingKind.SQUARES else room - slots.width
    return [end - place for place in places]


def _band(  # noqa: PLR0917  # all that a band has
    row: RowWish,
    wish: SheetWish,
    room: float,
    cells: Sequence[Slot],
    models: Sequence[tuple[Written, float]] = (),
    helps: Sequence[tuple[Written, float]] = (),
) -> Band:
    is_word = row.sound_boxes and row.kind is Kind.WORD
    return Band(
        ruling=wish.ruling,
        width=room,
        cells=tuple(cells),
        models=tuple(models),
        helps=tuple(helps) if row.mode in (Mode.TRACE, Mode.FINISH) else (),
        mode=row.mode,
        picture=row.picture,
        sounds=len(heard_in(row.text).graphemes) if is_word else 0,
        colours=wish.colours if row.mode is Mode.TRACE else 1,
    )


def _words(row: RowWish, wish: SheetWish, room: float) -> Iterator[Band]:
    """Word after word; the model at the row's start, or above where both do not fit in one row."""
    text = written(row.text, wish.hand, wish.ruling)
    slots = _fitted(row, wish, text.width + INDENT, room)
    shows = row.mode is Mode.OWN and row.model is not ModelAt.NONE
    above = shows and (row.model is ModelAt.ABOVE or slots.count < 2)
    beside = shows and not above
    if above:
        yield Band(wish.ruling, room, models=((text, INDENT),))
    a_line = slots.count - (1 if beside else 0)
    wanted = row.times if row.times is not None else a_line * row.lines
    while wanted > 0:
        here = min(wanted, a_line)
        order = _places(slots, here + (1 if beside else 0), room, wish)
        lefts = sorted(order[1:] if beside else order)
        yield _band(
            row,
            wish,
            room,
            [Slot(left, left + slots.own, row.text, Kind.WORD) for left in lefts],
            ((text, order[0] + INDENT),) if beside else (),
            [(text, left + INDENT) for left in lefts],
        )
        wanted -= here


def _sentences(row: RowWish, wish: SheetWish, room: float) -> Iterator[Band]:
    """Line by line, each with its model above it; a wide word asks for smaller letters."""
    _require(
        widest(row.text.split(), wish.hand, wish.ruling) + 2 * INDENT <= room,
        row,
        wish,
        widest(row.text.split(), wish.hand, wish.ruling) + 2 * INDENT,
        room,
    )
    shows = row.mode is Mode.OWN and row.model is not ModelAt.NONE
    for _ in range(row.times or row.lines):
        for line in in_lines(row.text, wish.hand, wish.ruling, room - 2 * INDENT):
            if shows:
                text = written(line, wish.hand, wish.ruling, but=row.gap)
                yield Band(wish.ruling, room, models=((text, INDENT),))
            text = written(line, wish.hand, wish.ruling)
            slot = Slot(0.0, room, line, row.kind)
            yield _band(row, wish, room, [slot], (), [(text, INDENT)])


def _long(row: RowWish, wish: SheetWish, room: float) -> Iterator[Band]:
    """A row of one letter, a sequence, free writing: whole lines; what is to be written stands at
    the start of the first."""
    text = written(row.text, wish.hand, wish.ruling)
    _require(text.width + INDENT <= room, row, wish, text.width + INDENT, room)
    shows = row.mode is Mode.OWN and row.model is not ModelAt.NONE and text.parts
    if shows and row.kind is not Kind.ROW:
        yield Band(wish.ruling, room, models=((text, INDENT),))
    begin = text.width + INDENT + BESIDE if shows and row.kind is Kind.ROW else 0.0
    for at in range(max(row.lines, row.times or 1)):
        left = begin if at == 0 else 0.0
        slot = Slot(left, room, row.text, row.kind)
        models = ((text, INDENT),) if at == 0 and begin else ()
        yield _band(row, wish, room, [slot], models, [(text, INDENT)])
