"""Hands: a school's way of writing, as proportions and a script for each letter."""

from dataclasses import dataclass

from firstloop.core.errors import UnknownLetterError
from firstloop.core.letterforms.capitals import CAPITALS, DIGITS, MARKS
from firstloop.core.letterforms.drawing import Proportions
from firstloop.core.letterforms.small import SMALL
from firstloop.core.moves import Script, parse


@dataclass(frozen=True, slots=True, eq=False)
class Hand:
    """A school's way of writing."""

    name: str
    proportions: Proportions
    scripts: dict[str, Script]


PLAIN = Hand(
    "plain",
    Proportions(),
    {letter: parse(letter, text) for letter, text in (SMALL | CAPITALS | DIGITS | MARKS).items()},
)
HANDS = {PLAIN.name: PLAIN}

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

    >>> find_hand("copperplate")
    Traceback (most recent call last):
    firstloop.core.errors.UnknownLetterError: there is no hand "copperplate"; there is: plain
    """
    if name not in HANDS:
        known = ", ".join(sorted(HANDS))
        raise UnknownLetterError(f'there is no hand "{name}"; there is: {known}')
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
