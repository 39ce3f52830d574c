"""Words for a lesson: made of letters that are taught, with the new one at the start, inside,
doubled."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.vocabulary.sounds import Word, bundled


class Where(StrEnum):
    """Where in a word what is new stands."""

    FIRST = "first"
    INSIDE = "inside"
    LAST = "last"
    DOUBLED = "doubled"


@dataclass(frozen=True, slots=True)
class Picked:
    """A word to write, where what is new stands in it, and which of its letters are not taught."""

    word: Word
    where: Where
    untaught: tuple[str, ...]


EASY_LETTERS = 4
"""Letters: words up to this length come before longer ones; a first row is not for long words."""


def pick(
    new: Sequence[str], taught: Iterable[str], own: Sequence[Word] = (), *, untaught: int = 0
) -> dict[Where, tuple[Picked, ...]]:
    """Words for what is new (letters, or a grapheme such as `sh`), by where it stands in them.

    `untaught` is how many letters a word may need that are not taught; those that need none come
    first, then plain words before tricky ones, short ones before long. A teacher's own words come
    before the bundled.

    >>> words = pick(["n"], "iatpsn")
    >>> [one.word.text for one in words[Where.FIRST]][:3]
    ['nap', 'nip']
    >>> pick([], "abc")[Where.FIRST]
    ()
    """
    known = {*taught, *(letter for part in new for letter in part)}
    found: dict[Where, list[Picked]] = {where: [] for where in Where}
    seen: set[str] = set()
    for word in (*own, *bundled()):
        where = _where(word, new)
        lacking = tuple(sorted({letter for letter in word.text.lower() if letter not in known}))
        if where is None or len(lacking) > untaught or word.text in seen:
            continue
        seen.add(word.text)
        found[where].append(Picked(word, where, lacking))
    texts = {word.text for word in own}
    return {
        where: tuple(sorted(words, key=lambda one: _ease(one, texts)))
        for where, words in found.items()
    }


def lacks(word: Word, taught: Iterable[str]) -> tuple[str, ...]:
    """The letters of a word that are not taught.

    >>> from firstloop.core.vocabulary.sounds import word
    >>> lacks(word("ship"), "his")
    ('p',)
    """
    known = set(taught)
    return tuple(sorted({letter for letter in word.text.lower() if letter not in known}))


def _where(word: Word, new: Sequence[str]) -> Where | None:
    """Where the first of what is new stands that the word has."""
    for part in new:
        places = [at for at, g in enumerate(word.graphemes) if _is(g.letters, part)]
        if not places:
            continue
        if len(part) == 1:
            return _letter_where(word.text.lower(), part)
        if places[0] == 0:
            return Where.FIRST
        return Where.LAST if places == [len(word.graphemes) - 1] else Where.INSIDE
    return None


def _letter_where(text: str, letter: str) -> Where:
    if 2 * letter in text:
        return Where.DOUBLED
    if text.startswith(letter):
        return Where.FIRST
    return Where.LAST if text.index(letter) == len(text) - 1 else Where.INSIDE


def _is(letters: str, part: str) -> bool:
    """A letter counts wherever it is written; a pair only where it is the sound's own."""
    return part in letters.lower() if len(part) == 1 else part == letters.lower()


def _ease(picked: Picked, own: set[str]) -> tuple[bool, int, bool, bool, int, str]:
    text = picked.word.text
    long = len(text) > EASY_LETTERS
    return (text not in own, len(picked.untaught), picked.word.tricky, long, len(text), text)
