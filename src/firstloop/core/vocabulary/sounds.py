"""Words and how their letters fall into sounds.

A grapheme is one letter, or several that stand for one sound together: a pair (`sh`), a double
(`ll`), or a split one whose second letter waits behind a consonant (the a and e of `cake`).
"""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from functools import lru_cache

from firstloop.core.errors import FirstLoopError
from firstloop.core.vocabulary import bands, lexicon


class WordError(FirstLoopError):
    """A word is not noted as words are."""


@dataclass(frozen=True, slots=True)
class Grapheme:
    """Letters that stand for one sound together, and their places in the word."""

    letters: str
    at: tuple[int, ...]

    @property
    def split(self) -> bool:
        """Whether another sound stands between its letters.

        >>> [grapheme.split for grapheme in word("cake").graphemes]
        [False, True, False]
        """
        return self.at[-1] - self.at[0] >= len(self.at)


@dataclass(frozen=True, slots=True)
class Word:
    """A word, its graphemes in the order their sounds are heard, and whether it is learnt by heart:
    it is needed early and not written as it sounds."""

    text: str
    graphemes: tuple[Grapheme, ...]
    by_heart: bool = False

    @property
    def letters(self) -> frozenset[str]:
        """The letters that must have been taught to write it."""
        return frozenset(self.text)


_LONGEST = 4
_TOGETHER = frozenset(
    {"eigh", "augh", "ough", "igh", "air", "ear", "eer", "ure", "tch"}
    | {"sh", "th", "ch", "ng", "ck", "wh", "ph", "gh", "qu", "kn", "wr", "gn", "dg"}
    | {2 * letter for letter in "bcdfglmnprstz"}
    | {"ai", "ay", "ee", "ea", "oa", "ow", "ou", "oo", "oi", "oy", "ie", "ei", "ui", "ue"}
    | {"aw", "au", "ew", "ar", "or", "er", "ir", "ur"}
)
"""Letters that usually make one sound. A reader meets some of them with two; the lexicon parts
those with a dot."""

_AT_THE_START = frozenset({"kn", "wr", "gn"})
_AT_THE_END = frozenset(
    {
        "are",
        "ere",
        "ire",
        "ore",
        "yre",
        "dge",
        "ce",
        "ge",
        "se",
        "ve",
        "ze",
        "le",
        "re",
        "ey",
        "oe",
        "mb",
    }
)
"""One sound where a word or a part of it ends, two elsewhere: give, but river. Those whose e is not
heard before an s keep it there: gloves and goes, but hedges."""

_HEARD_BEFORE_S = frozenset({"dge", "ce", "ge", "se", "ze"})

_SPLIT = re.compile(
    r"[aeiouy](?:[bcdfgklmnpstvxz]|th)e(?=$|ly$|ful$|less$|ness$)"
    r"|[aeiouy](?:[bdfklmnptv]|th)e(?=s$)"
)
"""A vowel, one consonant, and the e that makes it say its name; before an ending too: code, codes,
lonely. The e of noses is heard, so that it is no pair."""

_SOFT = re.compile(r"(?:[tsc]i)(?=on|ou|al|an|en)")
"""One sound before these endings, but not at the start of a word: fiction, but science."""

_VOWELS = "aeiou"


def word(noted: str) -> Word:
    """A word from the way it is noted in the lexicon; raises WordError.

    >>> [g.letters for g in word("sheep").graphemes], [g.letters for g in word("go.ing").graphemes]
    (['sh', 'ee', 'p'], ['g', 'o', 'i', 'ng'])
    >>> word("said*").by_heart
    True
    >>> word("n1ce")
    Traceback (most recent call last):
    firstloop.core.vocabulary.sounds.WordError: "n1ce" is no word; write letters only
    """
    text = re.sub(r"[.()*]", "", noted)
    if not text.isascii() or not text.isalpha():
        raise WordError(f'"{noted}" is no word; write letters only')
    graphemes: list[Grapheme] = []
    at = 0
    for part in re.findall(r"\([^)]*\)|[^.()*]+", noted):
        if part.startswith("("):
            places = tuple(range(at, at + len(part) - 2))
            graphemes.append(Grapheme(part[1:-1], places))
            at += len(places)
        else:
            graphemes += _graphemes(part, at)
            at += len(part)
    return Word(text, tuple(graphemes), noted.endswith("*"))


def _graphemes(part: str, offset: int) -> list[Grapheme]:
    """A part of a word by the usual rules, the longest first; its split vowel, if any, as one."""
    lower = part.lower()
    split = _SPLIT.search(lower)
    # A vowel before it makes a pair of its own (the ou of house), and the e is the consonant's.
    if split and split.start() > 0 and lower[split.start() - 1] in _VOWELS and lower[0] != "q":
        split = None
    waits = split.end() - 1 if split else -1
    found, at = [], 0
    while at < len(lower):
        if split and at == split.start():
            found.append(Grapheme(part[at] + part[waits], (offset + at, offset + waits)))
            at += 1
            continue
        if at == waits:
            at += 1
            continue
        size = _size(lower, at, waits if at < waits else len(lower))
        places = tuple(range(offset + at, offset + at + size))
        found.append(Grapheme(part[at : at + size], places))
        at += size
    return found


def _size(lower: str, at: int, end: int) -> int:
    """How many letters from here make one sound, before `end`."""
    for size in range(min(_LONGEST, end - at), 1, -1):
        letters, rest = lower[at : at + size], lower[at + size :]
        if letters in _AT_THE_START and at > 0:
            continue
        if letters == "ng" and not _sings(rest):
            continue
        if letters == "cc" and rest[:1] in ("e", "i"):  # accent: the first is hard, the second soft
            continue
        if letters == "xc" and rest[:1] in ("e", "i"):
            return size
        if at > 1 and size == 2 and _SOFT.match(lower, at):
            return size
        # The r of a double r belongs to its twin: carrot is c, a, rr, o, t.
        if letters in _TOGETHER and not (letters[-1] == "r" == rest[:1]):
            return size
        if letters in _AT_THE_END and _ends(letters, rest) and _may_end(letters, lower[at - 1]):
            return size
    return 1


def _sings(rest: str) -> bool:
    """Whether ng before these letters is one sound: in song, lungs and ringing it is, in angle,
    finger and orange the g is heard by itself."""
    return rest == "" or rest[0] not in "aeioulr" or rest in ("ing", "ed")


def _ends(letters: str, rest: str) -> bool:
    return rest == "" or (rest == "s" and letters not in _HEARD_BEFORE_S)


def _may_end(letters: str, before: str) -> bool:
    """le and re make a sound of their own after a consonant only: table and centre, but mole."""
    return letters not in ("le", "re") or before not in _VOWELS


@lru_cache(maxsize=1)
def bundled() -> tuple[Word, ...]:
    """The words that come with the program, in the order of the alphabet."""
    return tuple(sorted(map(word, lexicon.WORDS.split()), key=lambda w: (w.text.lower(), w.text)))


@lru_cache(maxsize=1)
def seldom() -> frozenset[str]:
    """The bundled words that a lesson offers only where no others can be written."""
    return frozenset(lexicon.SELDOM.split())


RAREST = len(bands.BANDS)
"""The band of words that are not among the bundled: a teacher's own come first in other ways."""


def band_of(text: str) -> int:
    """How common a bundled word is, 0 the commonest.

    >>> band_of("not") < band_of("net") < band_of("newt") < band_of("brillig")
    True
    """
    return _bands().get(text.lower(), RAREST)


@lru_cache(maxsize=1)
def _bands() -> dict[str, int]:
    return {text: at for at, words in enumerate(bands.BANDS) for text in words.split()}


def heard_in(text: str, own: Iterable[Word] = ()) -> Word:
    """A word as it falls into sounds: as the teacher has noted it, else as the bundled words have
    it, else as most words of its letters do. What is no word (a digit, a name with a mark) is one
    sound a letter.

    >>> [g.letters for g in heard_in("shop").graphemes], heard_in("said").by_heart
    (['sh', 'o', 'p'], True)
    >>> [g.letters for g in heard_in("4x").graphemes]
    ['4', 'x']
    """
    for known in (*own, _by_text().get(text)):
        if known is not None and known.text == text:
            return known
    try:
        return word(text)
    except WordError:
        return Word(text, tuple(Grapheme(letter, (at,)) for at, letter in enumerate(text)))


@lru_cache(maxsize=1)
def _by_text() -> dict[str, Word]:
    return {word.text: word for word in bundled()}
