"""The bundled words: enough of them, spelled right, fit for children, and how they sound."""

import pytest
from spellchecker import SpellChecker

from firstloop.core.vocabulary.sounds import WordError, bundled, word

RARER = {
    *("centre", "colour", "fieldmouse", "flavour", "giftbox", "inkpot", "kerb", "minibeast"),
    *("mudbank", "neighbour", "pinecone"),
}
"""Good words that the list to check by does not have: British spelling, and rare compounds."""

UNFIT = {
    *("ass", "beer", "bomb", "bum", "cock", "damn", "dead end", "die", "drug", "fag", "fat"),
    *("gun", "hate", "hell", "idiot", "kill", "knife fight", "poison", "rape", "sex", "shoot"),
    *("shot", "slave", "slut", "spit", "stupid", "suicide", "tit", "ugly", "vodka", "wine"),
}


def sounds(noted: str) -> list[str]:
    return [grapheme.letters for grapheme in word(noted).graphemes]


def test_there_are_enough_words_and_each_is_there_once() -> None:
    texts = [word.text for word in bundled()]
    assert len(texts) >= 1500
    assert len(set(texts)) == len(texts)


def test_every_word_is_spelled_right() -> None:
    known = SpellChecker()
    unknown = {w.text.lower() for w in bundled() if w.text.lower() not in known}
    assert unknown <= RARER


def test_no_word_is_unfit() -> None:
    assert {w.text.lower() for w in bundled()} & UNFIT == set()


def test_the_graphemes_of_a_word_are_its_letters_each_once() -> None:
    for each in bundled():
        places = [at for grapheme in each.graphemes for at in grapheme.at]
        assert sorted(places) == list(range(len(each.text))), each.text
        together = ["".join(each.text[at] for at in g.at) for g in each.graphemes]
        assert together == [g.letters for g in each.graphemes]


@pytest.mark.parametrize(
    ("noted", "heard"),
    [
        ("ship", "sh i p"),
        ("hill", "h i ll"),
        ("night", "n igh t"),
        ("cake", "c ae k"),
        ("house", "h ou se"),
        ("carrot", "c a rr o t"),
        ("apple", "a pp le"),
        ("knee", "kn ee"),
        ("orange", "or a n ge"),
        ("bridge", "b r i dge"),
        ("go.ing", "g o i ng"),
        ("q(ueue)", "q ueue"),
        ("the", "th e"),
        ("accent", "a c c e n t"),
        ("soccer", "s o c c er"),
        ("excite", "e xc ie t"),
        ("theme", "th ee m"),
        ("axe", "ae x"),
        ("quite", "qu ie t"),
    ],
)
def test_a_word_falls_into_its_sounds(noted: str, heard: str) -> None:
    assert sounds(noted) == heard.split()


def test_a_word_with_something_else_in_it_is_refused() -> None:
    with pytest.raises(WordError, match='"ice cream" is no word'):
        word("ice cream")
