"""The forms in which a letter may be met on the way through a joined word."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from itertools import groupby

import numpy as np

from firstloop.core.checking.measure.lines import STANDARD
from firstloop.core.checking.texts.way_through import BAR_COMES_LATER, LIFTED_AT_A_JOIN
from firstloop.core.geometry.even import Lines
from firstloop.core.letters import Hand, draw, find_script
from firstloop.core.letters.drawing import DrawnMove, drawn, path_of
from firstloop.core.letters.hands import PLAIN, choose
from firstloop.core.letters.moves import MoveKind, Script, ScriptStroke
from firstloop.core.text.words import compose

AS_IN_PRINT, CASE_ON_THE_WAY, ANOTHER_ON_THE_WAY, DOUBTED = 0.3, 0.8, 2.6, 2.0
"""[u²] What a joined word costs more with a letter as in print, in its other case, or with another
in its place; that is looked for only where a letter costs more than the last. Summed over steps."""


_PRINTED = "bkpsvwxyz"
"""Joined letters whose print form is met in joined writing too, led into and out of as it comes."""

ABOVE_THE_LINE = 0.35
"""[u] A join that begins higher does not come from the base line."""

LED_FROM = 0.35
"""[u] Before a print form, from where it is led into, straight up from the base line."""


@dataclass(frozen=True, slots=True, eq=False)
class Form:
    """A form of a letter on the way: what leads to it, what is its own, what leads from it, each
    a few strokes (n, 2) in u; whether the hand joins it to the letter before; what it costs to be
    met in; whether it is the letter's other case; how many of its strokes lie beside the way; and,
    where it is none of the letter's, which other letter it is."""

    before: Lines
    own: Lines
    after: Lines
    joined: bool = False
    cost: float = 0.0
    other_case: bool = False
    bars: int = 0
    another: str | None = None

    @property
    def is_joined(self) -> bool:
        """Whether it is led into: a small letter of a joined hand."""
        return bool(self.before)


@lru_cache(maxsize=4096)
def forms_met(pair: str, hand: Hand, *, capitals: bool) -> tuple[Form, ...]:
    """The forms of the last letter of a pair, as it comes after the first, or of one letter alone;
    a small one may be met as a capital too, or not. Raises UnknownLetterError."""
    letter = pair[-1]
    own = [_composed(pair, way) for way in _ways_of(letter, hand)]
    if own[0].joined and _begins_high(own[0]):
        own.insert(1, _alone(letter, hand))
    if letter.isupper():
        own += _with_its_bar_later(own[0], letter)
    others = _as_others_write(letter)
    return (*own, *(f for f in others if capitals or f.is_joined or not f.other_case))


@lru_cache(maxsize=1024)
def others_met(letter: str, hand: Hand, *, joined: bool) -> tuple[Form, ...]:
    """All other small letters of the hand, as they may be met in place of one that is joined to the
    one before, or not."""
    others = (other for other in hand.scripts if other.islower() and other != letter)
    return tuple(
        replace(_by_itself(other, hand), cost=ANOTHER_ON_THE_WAY, joined=joined, another=other)
        for other in others
    )


def is_joined(pair: str, hand: Hand) -> bool:
    """Whether the hand joins two letters; not the last of a word."""
    return len(pair) == 2 and forms_met(pair, hand, capitals=False)[0].joined


def _begins_high(form: Form) -> bool:
    """Whether it is led into from a letter that ends above the line, as o and w do: where that join
    stands open the lead-in is another."""
    return float(form.before[0][0, 1]) > ABOVE_THE_LINE


@lru_cache(maxsize=256)
def _alone(letter: str, hand: Hand) -> Form:
    """A letter that should be joined, as it is led into from the line."""
    return replace(_by_itself(letter, hand), cost=LIFTED_AT_A_JOIN, joined=True)


@lru_cache(maxsize=256)
def _as_others_write(letter: str) -> tuple[Form, ...]:
    """A letter as it is in print, where that is met in joined writing too, and in its other
    case."""
    forms = []
    if letter in _PRINTED:
        forms.append(_printed(letter, AS_IN_PRINT, other_case=False))
    if letter.swapcase() in PLAIN.scripts and letter.swapcase() != letter:
        case = _printed(letter.swapcase(), CASE_ON_THE_WAY, other_case=True)
        forms += [case, *_with_its_bar_later(case, letter.swapcase())]
    return tuple(forms)


def _with_its_bar_later(form: Form, letter: str) -> list[Form]:
    """A capital whose bar may come last of all: A, H, T."""
    kinds = [stroke.moves[0].kind for stroke in PLAIN.scripts[letter].strokes]
    barred = len(kinds) > 1 and kinds.count(MoveKind.CROSS) == 1
    if letter.islower() or not barred or len(form.own) != len(kinds):
        return []
    return [replace(form, own=form.own[:-1], cost=form.cost + BAR_COMES_LATER, bars=1)]


@lru_cache(maxsize=256)
def _ways_of(letter: str, hand: Hand) -> tuple[Hand, ...]:
    """The hand, and it with each of the letter's accepted ways chosen that goes along another
    line."""
    ways, forms = [hand], [_by_itself(letter, hand)]
    for name in hand.alternatives.get(letter, {}):
        way = choose(hand, {letter: name})
        form = _by_itself(letter, way)
        if not any(_same(form, known) for known in forms):
            ways.append(way)
            forms.append(form)
    return tuple(ways)


def _same(one: Form, other: Form) -> bool:
    if [len(s) for s in one.own] != [len(s) for s in other.own]:
        return False
    ours, theirs = (np.diff(np.vstack(form.own), axis=0) for form in (one, other))
    return bool(np.allclose(ours, theirs))


def _printed(letter: str, cost: float, *, other_case: bool) -> Form:
    paths = draw(PLAIN.scripts[letter], PLAIN.proportions, STANDARD).paths()
    own = paths if letter.isupper() else paths[:1]
    x, y = own[0][0].tolist()
    before = (np.array([[x - LED_FROM, 0.0], [x, y]]),) if letter.islower() else ()
    return Form(before, own, (), cost=cost, other_case=other_case)


def _composed(pair: str, hand: Hand) -> Form:
    """The last letter of a pair as the hand leads into it from the first.

    Only the join is drawn anew, unless the letter sets off from it another way than from its own
    lead-in: letters are composed by the thousand.
    """
    by_itself = _by_itself(pair[-1], hand)
    composed = compose(pair, hand)
    stroke, origins = composed.script.strokes[0], composed.origins[0]
    join = next((at for at, origin in enumerate(origins) if origin.join), None)
    if join is None:
        return by_itself
    heading = stroke.moves[join].end.heading_deg
    lead_in = hand.scripts[pair[-1]].strokes[0].moves[0]
    sets_off_alike = heading is not None and heading == lead_in.end.heading_deg
    moves = _drawn(stroke, join, None if not sets_off_alike else join + 1, pair, hand)
    own = by_itself if sets_off_alike else _parted(moves, by_itself.bars)
    return replace(own, before=_leading(moves, MoveKind.LEAD_IN), joined=True)


def _drawn(
    stroke: ScriptStroke, first: int, end: int | None, text: str, hand: Hand
) -> tuple[DrawnMove, ...]:
    """Moves of a stroke. The one before them is drawn too: it tells which way they set off."""
    begin = max(first - 1, 0)
    start = stroke.moves[begin - 1].end if begin else stroke.start
    part = Script(text, (ScriptStroke(start, stroke.moves[begin:end]),))
    return drawn(part, hand.proportions, STANDARD).strokes[0][first - begin :]


@lru_cache(maxsize=1024)
def _by_itself(letter: str, hand: Hand) -> Form:
    """A letter that is not joined. Bars and dots of those that are led into lie beside the way."""
    strokes = draw(find_script(letter, hand), hand.proportions, STANDARD).strokes
    led = strokes[0][0].move.kind is MoveKind.LEAD_IN
    way = strokes[:1] if led else strokes
    return _parted([move for stroke in way for move in stroke], len(strokes) - len(way))


def _parted(moves: Sequence[DrawnMove], bars: int) -> Form:
    leads = (MoveKind.LEAD_IN, MoveKind.FLICK)
    own = groupby((m for m in moves if m.move.kind not in leads), key=lambda move: move.stroke)
    return Form(
        before=_leading(moves, MoveKind.LEAD_IN),
        own=tuple(path_of(list(run)) for _, run in own),
        after=_leading(moves, MoveKind.FLICK),
        bars=bars,
    )


def _leading(moves: Sequence[DrawnMove], kind: MoveKind) -> Lines:
    return tuple(move.points for move in moves if move.move.kind is kind)
