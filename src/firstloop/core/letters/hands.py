"""Hands: a school's way of writing, as proportions and a script for each letter."""

from collections.abc import Callable
from dataclasses import dataclass, field, replace
from functools import lru_cache

from firstloop.core.errors import UnknownLetterError
from firstloop.core.letters import alternatives
from firstloop.core.letters.capitals import CAPITALS, DIGITS, MARKS
from firstloop.core.letters.drawing import Proportions
from firstloop.core.letters.joined import JOINED, LOOPED
from firstloop.core.letters.moves import (
    Level,
    Move,
    MoveKind,
    Node,
    Script,
    ScriptStroke,
    nominal_height,
    parse,
)
from firstloop.core.letters.small import SMALL


@dataclass(frozen=True, slots=True)
class LetterJoins:
    """From which line a letter is led into from the one before it, and from which it goes on to the
    next; None where the pen is lifted."""

    into: Level | None
    out: Level | None


@dataclass(frozen=True, slots=True, eq=False)
class Hand:
    """A school's way of writing."""

    name: str
    proportions: Proportions
    scripts: dict[str, Script]
    alternatives: dict[str, dict[str, Script]]
    """For some letters: accepted scripts by name, the hand's own first."""
    joined: dict[str, LetterJoins] = field(default_factory=dict)
    """Of letters that join otherwise than their moves say, how they do."""

    @property
    def joins(self) -> bool:
        """Whether most of its small letters are led into from the one before.

        >>> FLICK.joins, LOOPED_HAND.joins
        (False, True)
        """
        return _most_are_led_in(self)


@lru_cache(maxsize=64)
def _most_are_led_in(hand: Hand) -> bool:
    led_in = [joins_of(hand, letter).into is not None for letter in SMALL]
    return sum(led_in) > len(led_in) / 2


def joins_of(hand: Hand, letter: str) -> LetterJoins:
    """How a letter joins; raises KeyError for one the hand does not have.

    >>> joins_of(JOINED_HAND, "o")
    LetterJoins(into=<Level.BASE: 'base'>, out=<Level.MID: 'mid'>)
    >>> joins_of(JOINED_HAND, "g").out, joins_of(PLAIN, "n").into
    (None, None)
    """
    return hand.joined.get(letter) or joins_by_moves(hand.scripts[letter])


def joins_by_moves(script: Script) -> LetterJoins:
    """How a letter joins by its moves alone: by the lead-in and the flick of its first stroke, each
    by itself. In print, where no letter is led into, a flick goes on to none.

    >>> joins_by_moves(FLICK.scripts["n"])
    LetterJoins(into=None, out=<Level.BASE: 'base'>)
    """
    main = script.strokes[0]
    *before, last = main.moves
    leaves = before[-1].end if before else main.start
    return LetterJoins(
        _line_at(main.start) if main.moves[0].kind is MoveKind.LEAD_IN else None,
        _line_at(leaves) if last.kind is MoveKind.FLICK else None,
    )


def _line_at(node: Node) -> Level:
    return Level.MID if nominal_height(node.y) > LEAVES_HIGH else Level.BASE


LEAVES_HIGH = 0.5
"""u: what leaves a letter, or comes to it, from higher does so from the mid line."""


def _parsed(scripts: dict[str, str]) -> dict[str, Script]:
    return {letter: parse(letter, text) for letter, text in scripts.items()}


def _flicked(script: Script) -> Script:
    """The script with an exit flick, if its writing ends straight down on the base line.

    A second stroke that stands on the base line too (the legs of k) is where the writing ends.
    """
    main, *later = script.strokes
    last = main.moves[-1]
    ends_down = last.kind in (MoveKind.DROP, MoveKind.ARCH) and last.end.y is Level.BASE
    if not ends_down or any(stroke.moves[-1].end.y is Level.BASE for stroke in later):
        return script
    x = last.end.x
    turn = (*last.nodes[:-1], Node(x, FLICK_FROM), Node(x + 0.16, Level.BASE, 0.0))
    flick = Move(MoveKind.FLICK, (Node(x + 0.36, 0.26, 52.0),))
    moves = (*main.moves[:-1], replace(last, nodes=turn), flick)
    return replace(script, strokes=(ScriptStroke(main.start, moves), *later))


def unflicked(script: Script) -> Script:
    """A print script without the flick that it ends with: as well written, for a flick may be left
    out. Others stay as they are.

    >>> len(unflicked(FLICK.scripts["n"]).strokes[0].moves)
    3
    >>> unflicked(PLAIN.scripts["n"]) is PLAIN.scripts["n"]
    True
    """
    main, *later = script.strokes
    *moves, flick = main.moves
    if flick.kind is not MoveKind.FLICK or main.moves[0].kind is MoveKind.LEAD_IN:
        return script
    last = moves[-1] if moves else flick
    if len(last.nodes) < 2:  # of a hand of one's own, which goes out from no turned stem
        return script
    straight = (*last.nodes[:-2], Node(last.nodes[-2].x, Level.BASE))
    moves[-1] = replace(last, nodes=straight)
    return replace(script, strokes=(ScriptStroke(main.start, tuple(moves)), *later))


FLICK_FROM = 0.22
"""u above the base line: where a stem begins to turn into its flick."""

STANDS = "f"
"""Its bar goes on to the next letter; with a flick as well it reads as t."""

_SHARED = _parsed(CAPITALS | DIGITS | MARKS)
_PRINT = _parsed(SMALL)

_FLICKED = {
    letter: script if letter == STANDS else _flicked(script) for letter, script in _PRINT.items()
}
_JOINED, _LOOPED = _parsed(JOINED), _parsed(LOOPED)

Alternatives = dict[str, dict[str, Script]]


def _named(
    scripts: dict[str, Script],
    named: dict[str, dict[str, str | None]],
    finish: Callable[[Script], Script] = lambda script: script,
) -> Alternatives:
    """Alternatives by name; the one without a notation is the hand's own script."""
    return {
        letter: {
            name: scripts[letter] if text is None else finish(parse(letter, text))
            for name, text in by_name.items()
        }
        for letter, by_name in named.items()
    }


def _tails(
    own: str, scripts: dict[str, Script], other: str, others: dict[str, Script]
) -> Alternatives:
    return {
        letter: {f"{own} tail": scripts[letter], f"{other} tail": others[letter]}
        for letter in alternatives.TAILS
    }


def _merged(*parts: Alternatives) -> Alternatives:
    """All of them; a letter that is in several has each name once."""
    merged: Alternatives = {}
    for part in parts:
        for letter, by_name in part.items():
            known = merged.setdefault(letter, {})
            known |= {name: s for name, s in by_name.items() if s not in known.values()}
    return merged


_SHARED_NAMED = _named(_SHARED, alternatives.SHARED)

PLAIN = Hand(
    "plain",
    Proportions(),
    _PRINT | _SHARED,
    _named(_PRINT, alternatives.PRINT) | _SHARED_NAMED,
)
FLICK = Hand(
    "flick",
    Proportions(),
    _FLICKED | _SHARED,
    _named(_FLICKED, alternatives.PRINT, _flicked) | _SHARED_NAMED,
)
JOINED_HAND = Hand(
    "joined",
    Proportions(slant_deg=4.0),
    _JOINED | _SHARED,
    _merged(
        _named(_JOINED, alternatives.JOINED),
        _tails("open", _JOINED, "looped", _LOOPED),
        _SHARED_NAMED,
    ),
)
LOOPED_HAND = Hand(
    "looped",
    Proportions(slant_deg=10.0),
    _LOOPED | _SHARED,
    _merged(
        _named(_LOOPED, alternatives.JOINED),
        _tails("looped", _LOOPED, "open", _JOINED),
        _SHARED_NAMED,
    ),
)
HANDS = {hand.name: hand for hand in (PLAIN, FLICK, JOINED_HAND, LOOPED_HAND)}


def counterpart(hand: Hand) -> Hand:
    """What is shown beside a hand: the joined one beside print, print beside one that joins.

    >>> counterpart(FLICK).name, counterpart(LOOPED_HAND).name
    ('joined', 'plain')
    """
    return PLAIN if hand.joins else JOINED_HAND


def choose(hand: Hand, choices: dict[str, str]) -> Hand:
    """The hand with a class's alternatives, by letter; raises UnknownLetterError for other names.

    >>> barred = choose(PLAIN, {"I": "barred"})
    >>> len(barred.scripts["I"].strokes)
    3
    >>> choose(PLAIN, {"I": "curly"})
    Traceback (most recent call last):
    firstloop.core.errors.UnknownLetterError: the plain hand has no "curly" I; it has: barred, plain
    """
    chosen = dict(hand.scripts)
    for letter, name in choices.items():
        named = hand.alternatives.get(letter, {})
        if name not in named:
            known = ", ".join(sorted(named)) or "one way only"
            raise UnknownLetterError(
                f'the {hand.name} hand has no "{name}" {letter}; it has: {known}'
            )
        chosen[letter] = named[name]
    return replace(hand, scripts=chosen)


GROUPS = {
    "small": tuple(SMALL),
    "capital": tuple(CAPITALS),
    "digit": tuple(DIGITS),
    "mark": tuple(MARKS),
}
"""Letters by kind, in their order; a kind is read among its own."""


def group_of(letter: str) -> str:
    """The kind a letter is of.

    >>> group_of("n"), group_of("N"), group_of("4"), group_of("?")
    ('small', 'capital', 'digit', 'mark')
    """
    return next(group for group, letters in GROUPS.items() if letter in letters)


def find_hand(name: str) -> Hand:
    """The hand of that name.

    >>> find_hand("copperplate")  # doctest: +ELLIPSIS
    Traceback (most recent call last):
    firstloop.core.errors.UnknownLetterError: no hand "copperplate"; there is: ... plain
    """
    if name not in HANDS:
        known = ", ".join(sorted(HANDS))
        raise UnknownLetterError(f'no hand "{name}"; there is: {known}')
    return HANDS[name]


def find_script(letter: str, hand: Hand) -> Script:
    """The script of a letter in a hand.

    >>> find_script("ß", PLAIN)
    Traceback (most recent call last):
    firstloop.core.errors.UnknownLetterError: the plain hand has no letter "ß"
    """
    if letter not in hand.scripts:
        raise UnknownLetterError(f'the {hand.name} hand has no letter "{letter}"')
    return hand.scripts[letter]
