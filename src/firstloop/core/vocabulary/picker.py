"""Words for a lesson: made of letters that are taught, with the new one at the start, inside,
doubled."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.vocabulary.sounds import Word, band_of, bundled, seldom
from firstloop.core.vocabulary.usual import usual_places


class Where(StrEnum):
    """Where in a word what is new stands."""

    FIRST = "first"
    INSIDE = "inside"
    LAST = "last"
    DOUBLED = "doubled"


@dataclass(frozen=True, slots=True)
class Picked:
    """A word to write, where what is new stands in it, which of its letters are not taught, and
    whether what is new is met in its usual sound."""

    word: Word
    where: Where
    untaught: tuple[str, ...]
    usual: bool = True


EASY_LETTERS = 4
"""Letters: words up to this length come before longer ones; a first row is not for long words."""


def pick(
    new: Sequence[str], taught: Iterable[str], own: Sequence[Word] = (), *, untaught: int = 0
) -> dict[Where, tuple[Picked, ...]]:
    """Words for what is new (letters, or a grapheme such as `sh`), by where it stands in them.

    `untaught` is how many letters a word may need that are not taught; those that need none come
    first, then those in which the letter has its usual sound, plain words before those learnt by
    heart, up to four letters before longer, common before rare. A teacher's own come before all.

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
        where, usual = _where(word, new)
        lacking = tuple(sorted({letter for letter in word.text.lower() if letter not in known}))
        if where is None or len(lacking) > untaught or word.text in seen:
            continue
        seen.add(word.text)
        found[where].append(Picked(word, where, lacking, usual))
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


def _where(word: Word, new: Sequence[str]) -> tuple[Where | None, bool]:
    """Where the first of what is new stands that the word has, where it can in its usual sound;
    and whether it can."""
    for part in new:
        places = [at for at, g in enumerate(word.graphemes) if _is(g.letters, part)]
        if not places:
            continue
        if len(part) > 1:
            return _among(places, len(word.graphemes)), not word.by_heart
        usual = usual_places(word, part)
        return _letter_where(word, part, usual or places), bool(usual)
    return None, False


def _among(places: Sequence[int], count: int) -> Where:
    if places[0] == 0:
        return Where.FIRST
    return Where.LAST if places == [count - 1] else Where.INSIDE


def _letter_where(word: Word, letter: str, places: Sequence[int]) -> Where:
    """Where a letter stands, by letters: the first of a ship is its s."""
    there = [word.graphemes[at] for at in places]
    if any(2 * letter == g.letters.lower() for g in there):
        return Where.DOUBLED
    text = word.text.lower()
    at = [place for g in there for place in g.at if text[place] == letter]
    if at[0] == 0:
        return Where.FIRST
    return Where.LAST if at[0] == len(text) - 1 else Where.INSIDE


def _is(letters: str, part: str) -> bool:
    """A letter counts wherever it is written; a pair only where it is the sound's own."""
    return part in letters.lower() if len(part) == 1 else part == letters.lower()


def _ease(picked: Picked, own: set[str]) -> tuple[bool, int, bool, bool, bool, bool, int, int, str]:
    text = picked.word.text
    long = len(text) > EASY_LETTERS
    name = text != text.lower()  # begins with a capital, which is another letter to write
    easy = (picked.word.by_heart, name or text in seldom(), long, band_of(text), len(text), text)
    return (text not in own, len(picked.untaught), not picked.usual, *easy)
