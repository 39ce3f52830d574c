"""Words and sentences to write: only taught letters, in their places; chains and puzzles."""

import string
from collections import Counter
from datetime import date
from itertools import pairwise
from typing import Any

import pytest
from scripts import word_bands
from spellchecker import SpellChecker

from firstloop.core.letters import HANDS, Hand
from firstloop.core.teaching import order, schemes
from firstloop.core.vocabulary.chains import between, missing_pairs, neighbours, of_length
from firstloop.core.vocabulary.language import Language, Variety, long_date
from firstloop.core.vocabulary.picker import EASY_LETTERS, Where, pick
from firstloop.core.vocabulary.sentences import (
    Lack,
    bundled_phrases,
    bundled_sentences,
    is_phrase,
    look_over,
    writable_phrases,
    writable_sentences,
)
from firstloop.core.vocabulary.sounds import band_of, bundled, heard_in, seldom, word

ALL = string.ascii_lowercase


@pytest.mark.parametrize("scheme", ["movement", "sound", "size"])
@pytest.mark.parametrize("hand", HANDS.values(), ids=list(HANDS))
def test_25_words_can_be_written_after_the_eighth_letter(scheme: str, hand: Hand) -> None:
    assert order.words_after(schemes.BUILT_IN[scheme](hand, 5).order)[7] >= 25


def test_picked_words_need_no_other_letters_and_have_the_new_one_where_it_says() -> None:
    found = pick(["n"], "iatps")
    for where, words in found.items():
        for one in words:
            assert set(one.word.text.lower()) <= set("iatpsn")
            assert one.untaught == ()
            if where is Where.FIRST:
                assert one.word.text.lower().startswith("n")
            if where is Where.LAST:
                assert one.word.graphemes[-1].letters.endswith("n")
    assert [w.word.text for w in pick(["n"], ALL)[Where.DOUBLED] if "nn" not in w.word.text] == []
    assert {where for where, words in pick(["n"], ALL).items() if words} == set(Where)


def test_a_pair_counts_only_where_it_is_one_sound() -> None:
    texts = {one.word.text for words in pick(["sh"], ALL).values() for one in words}
    assert {"ship", "fish"} <= texts
    assert all("sh" in [g.letters for g in w.graphemes] for w in bundled() if w.text in texts)


def test_a_word_with_an_untaught_letter_is_only_picked_where_asked_for_and_says_so() -> None:
    one = next(p for p in pick(["n"], "atps", untaught=1)[Where.FIRST] if p.word.text == "nip")
    assert one.untaught == ("i",)
    assert "nip" not in [p.word.text for p in pick(["n"], "atps")[Where.FIRST]]


def test_words_by_heart_come_after_the_plain_ones() -> None:
    for words in pick(["o"], ALL).values():
        plain = [one for one in words if len(one.word.text) <= EASY_LETTERS]
        by_heart = [one.word.by_heart for one in plain]
        assert by_heart == sorted(by_heart)
    assert any(one.word.by_heart for words in pick(["o"], ALL).values() for one in words)


def test_a_teachers_own_words_come_first() -> None:
    own = (word("nixie"), word("nab"))
    first = pick(["n"], ALL, own)[Where.FIRST]
    assert [one.word.text for one in first[:2]] == ["nab", "nixie"]


def test_each_step_of_a_chain_changes_one_sound() -> None:
    chain = between("ship", "bag", ALL)
    assert (chain[0].text, chain[-1].text) == ("ship", "bag")
    long = of_length("cat", 8, ALL)
    assert len({one.text for one in long}) == 8
    for one, other in [*pairwise(chain), *pairwise(long)]:
        differ = [
            a.letters != b.letters for a, b in zip(one.graphemes, other.graphemes, strict=True)
        ]
        assert sum(differ) == 1


def test_a_chain_that_is_not_there_is_empty() -> None:
    assert between("cat", "dog", "catdo") == ()
    assert of_length("zzz", 3, ALL) == ()
    assert of_length("cat", 5, "cat") == ()


def test_a_split_vowel_is_one_sound_in_its_place() -> None:
    near = neighbours(map(word, ("mad", "made", "mud", "mead")))
    assert near["mad"] == ("made", "mead", "mud")
    assert [g.letters for g in word("made").graphemes] == ["m", "ae", "d"]


def test_every_answer_of_a_puzzle_makes_a_word_and_no_other_pair_does() -> None:
    texts = {one.text: one for one in bundled()}
    puzzles = missing_pairs(ALL)
    assert len(puzzles) > 300
    for puzzle in puzzles[::25]:
        for answer in puzzle.answers:
            assert "".join(answer if part is None else part for part in puzzle.left) in texts
        assert puzzle.word.text in [
            "".join(answer if part is None else part for part in puzzle.left)
            for answer in puzzle.answers
        ]


def test_sentences_are_whole_and_spelled_right() -> None:
    spelling = SpellChecker()
    assert len(bundled_sentences()) >= 75
    for text in bundled_sentences():
        looked = look_over(text.strip(), ALL)
        assert looked.notes == (), text
        assert [x for x in looked.words if x.lower() not in spelling] == [], text


def test_sentences_with_the_new_letter_come_first() -> None:
    sentences = writable_sentences("sitonamcpe", new="c")
    assert sentences
    assert "c" in sentences[0].lower()
    assert all(set(filter(str.isalpha, s.lower())) <= set("sitonamcpe") for s in sentences)


@pytest.mark.parametrize(
    ("text", "lacks"),
    [
        ("The cat sat.", []),
        ("the cat sat.", [Lack.CAPITAL]),
        ("Can it sit?", []),
        ("The cat sat!", []),
        ("in the can", [Lack.PHRASE]),
        ("Can i sit?", [Lack.CAPITAL_I]),
        ("Sit", [Lack.STOP]),
        ("The  cat sat .", [Lack.SPACES]),
        ("A zebra.", [Lack.UNTAUGHT]),
        ("  ", [Lack.NO_WORDS]),
    ],
)
def test_a_sentence_is_looked_over(text: str, lacks: Any) -> None:
    assert [note.lack for note in look_over(text, "thecasni").notes] == lacks


def test_the_stop_is_called_what_the_class_calls_it() -> None:
    american = Language(Variety.AMERICAN)
    assert look_over("Sit", "sit", american).notes[0].what == "End with a period, ! or ?"
    assert look_over("Sit", "sit").notes[0].what == "End with a full stop, ! or ?"


def test_the_long_date_in_both_varieties() -> None:
    day = date(2027, 3, 1)
    assert long_date(day, Language(stop=True)) == "Monday 1st March 2027."
    assert long_date(day, Language(Variety.AMERICAN)) == "Monday, March 1st, 2027"


def test_a_pair_is_picked_only_where_it_is_one_sound() -> None:
    own = [word("mis.hap"), word("shop"), word("cash"), word("fishing")]
    found = pick(["sh"], ALL, own)
    where = {one.word.text: place for place, words in found.items() for one in words}
    assert [where.get(w.text) for w in own] == [None, Where.FIRST, Where.LAST, Where.INSIDE]


@pytest.mark.parametrize(
    ("text", "where"),
    [("lid", Where.FIRST), ("pal", Where.LAST), ("help", Where.INSIDE), ("hill", Where.DOUBLED)],
)
def test_a_letter_is_picked_by_its_place(text: str, where: Where) -> None:
    found = pick(["l"], ALL, [word(text)])
    assert text in {one.word.text for one in found[where]}


def test_her_own_words_come_first_and_once() -> None:
    own = [word("nana"), word("nap")]
    texts = [one.word.text for one in pick(["n"], "iatps", own)[Where.FIRST]]
    assert texts[:2] == ["nap", "nana"]
    assert len(set(texts)) == len(texts)


def test_words_that_need_most_come_last_and_say_what_they_need() -> None:
    found = pick(["n"], "iatp", untaught=1)[Where.FIRST]
    needs = [len(one.untaught) for one in found]
    assert needs == sorted(needs)
    assert {0, 1} == set(needs)
    assert all(set(one.untaught) == set(one.word.text.lower()) - set("iatpn") for one in found)


def test_a_word_that_is_taught_as_it_stands_needs_no_letters() -> None:
    assert not any("sky" in text for text in writable_sentences("whyistheor"))
    assert "Why is the sky so red?" in writable_sentences("whyistheord", words=["sky"])


def test_phrases_are_phrases_and_sentences_are_not() -> None:
    assert all(is_phrase(text) for text in bundled_phrases())
    assert not any(is_phrase(text) for text in bundled_sentences())
    assert writable_phrases("nat") == ("an ant",)


def test_all_three_end_marks_are_met_and_no_beginning_is_everybodys() -> None:
    sentences = [text.strip() for text in bundled_sentences()]
    ends = Counter(text[-1] for text in sentences)
    assert ends["?"] >= 12
    assert ends["!"] >= 6
    first_two = Counter(tuple(text.split()[:2]) for text in sentences)
    assert max(first_two.values()) <= 3
    whole = Counter(" ".join(text.lower().rstrip(".!?").split()[-3:]) for text in sentences)
    assert max(whole.values()) <= 2


def test_how_common_words_are_is_what_the_counts_say() -> None:
    assert word_bands.DOCUMENT.read_text(encoding="utf-8") == word_bands.document(), (
        "run python -m scripts.word_bands, and read what is new"
    )


def test_of_words_as_long_and_as_plain_the_commoner_come_first() -> None:
    first = [one.word.text for one in pick(["n"], "abcdefghijklmnopqrstuvwxyz")[Where.FIRST]]
    short = [text for text in first if len(text) <= 4 and text not in seldom() and text.islower()]
    plain = [text for text in short if not heard_in(text).by_heart]
    bands = [band_of(text) for text in plain]
    assert bands == sorted(bands)
    assert {"not", "new"} <= set(first[:4])
