"""Whether a letter stands in a word in its own usual sound: the g of gap, but not of age or gem;
the a of cat, but not of cake, was or baby. A first word is written by its sounds, so that a letter
is met in its usual one. Where the spelling leaves it open, it counts as unusual: a good word is
rather left out than a doubtful one offered.
"""

import re

from firstloop.core.vocabulary.sounds import Grapheme, Word

VOWELS = "aeiou"


def _words(text: str) -> frozenset[str]:
    return frozenset(text.split())


HARD_G = _words("""get gift girl give begin tiger forget together giggle target burger gecko geese
    gear eager hedgehog giftbox""")
"""Words whose g is hard before an e or i."""

HISSED_S = _words("bus gas us yes this plus cactus thus octopus chorus")
"""Words that end in an s that hisses, though what is before it is voiced."""

LONG_O = _words("most post host ghost both only comb son won ton among gross")
LONG_I = _words("kind find mind child wild climb sign pint ninth")
OTHER_U = _words("bull pudding butcher sugar cushion pull push put full bush busy")
"""Words whose vowel is closed and yet not short."""

SILENT_T = re.compile(r"st(?:le|en)")
SILENT_L = re.compile(r"al[kfm]")
ROUNDED_A = re.compile(r"(?:^|.)(?:w|wh|qu|squ)a(?![ckgx]|ng)")
"""Where an a sounds as an o: want, swan, squash; not where k or g follows: wag, wax, quack."""

BROAD_A = re.compile(r"a(?:ll|l[dkmst])")
"""Where an a before an l is another: ball, salt, walk."""

OPEN_YET_SHORT = _words("""animal cabin camel caravan caterpillar damage dragon dragonfly family
    gravel magic manage palace panic planet radish salad satin saturday
    shadow statue talent value vanish wagon clever decorate desert elephant
    ever exit hexagon lemon lemonade melon menu metal never pelican petal
    second seven several skeleton telescope television city finish image
    limit liquid lizard minute pigeon river timid visit visitor wizard body
    chocolate comet comic copy crocodile holiday model modern olive robin
    study""")
"""Words whose first vowel is short, though one consonant and a vowel follow."""

OPEN = re.compile(r"[bcdfghjklmnpqrstvwxyz][aeiouy]")
"""What follows a vowel that is open and so mostly long: one consonant and a vowel (baby, music)."""


def usual_places(word: Word, letter: str) -> list[int]:
    """Which graphemes of a word are a letter, single or doubled, in its usual sound.

    >>> from firstloop.core.vocabulary.sounds import word
    >>> [usual_places(word(noted), "g") for noted in ("gap", "age", "gem", "egg")]
    [[0], [], [], [1]]
    >>> [usual_places(word(noted), "a") for noted in ("cat", "cake", "ball", "swan", "ba.by")]
    [[1], [], [], [], []]
    """
    if word.by_heart:
        return []
    found = []
    for at, grapheme in enumerate(word.graphemes):
        letters = grapheme.letters.lower()
        if grapheme.split or letters not in (letter, 2 * letter, "qu" if letter == "q" else letter):
            continue
        if _is_usual(word.text.lower(), letter, grapheme):
            found.append(at)
    return found


def _is_usual(text: str, letter: str, grapheme: Grapheme) -> bool:
    begin, end = grapheme.at[0], grapheme.at[-1] + 1
    if letter in VOWELS:
        return _is_short(text, letter, begin)
    rest, doubled = text[end:], end - begin > 1
    soft = rest[:1] in ("e", "i", "y")
    of_consonants = {
        "c": not soft,
        "g": doubled or not soft or text in HARD_G,
        "s": doubled or _hisses(text, begin, rest),
        "x": begin > 0 and rest[:1] not in tuple(VOWELS),
        "y": begin == 0,
        "l": doubled or SILENT_L.match(text, max(begin - 1, 0)) is None,
        "t": doubled or SILENT_T.match(text, max(begin - 1, 0)) is None,
        "n": rest[:1] not in ("g", "k"),
    }
    return of_consonants.get(letter, True)


def _hisses(text: str, begin: int, rest: str) -> bool:
    before = text[begin - 1 : begin]
    if rest == "" and begin > 0:
        return text in HISSED_S or before in tuple("fkpt")
    between_vowels = before in tuple(VOWELS) and rest[:1] in (*VOWELS, "y", "m")
    return not between_vowels or begin == 0


def _is_short(text: str, letter: str, begin: int) -> bool:
    """Whether a vowel is short: the first of its word, closed, and not turned by what is beside."""
    rest = text[begin + 1 :]
    earlier = any(one in VOWELS for one in text[:begin])
    if earlier or rest == "" or rest[0] in VOWELS:
        return False
    if OPEN.match(rest) and text not in OPEN_YET_SHORT:
        return False
    turned = {
        "a": (ROUNDED_A.match(text, max(begin - 2, 0)) or BROAD_A.match(text, begin))
        and text != "shall",
        "i": text in LONG_I,
        "o": text in LONG_O or rest.startswith(("ld", "lt", "ll")),
        "u": text in OTHER_U,
    }
    return not turned.get(letter)
