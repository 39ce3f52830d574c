"""A letter in its own usual sound, and a year of lessons whose words and sentences have it."""

from collections import Counter
from collections.abc import Iterator

import pytest

from firstloop.core.letters import HANDS
from firstloop.core.teaching.families import LESSON_SIZE
from firstloop.core.teaching.lesson import Lesson
from firstloop.core.teaching.planning import propose
from firstloop.core.teaching.schemes import BUILT_IN
from firstloop.core.vocabulary.picker import Where, pick
from firstloop.core.vocabulary.sounds import heard_in, word
from firstloop.core.vocabulary.usual import usual_places

USUAL = {
    "a": "cat hand apple wag shall magic",
    "c": "can scan picnic cry",
    "e": "pen egg leg seven",
    "g": "gap egg get tiger flag",
    "i": "tin ink pill river",
    "k": "kid ask milk",
    "l": "lid bell milk",
    "n": "nap pond inn",
    "o": "on dog frog comic",
    "q": "quick squid",
    "s": "sun bus cups nest kiss",
    "t": "tin fast attic",
    "u": "up cut duck",
    "x": "box next",
    "y": "yes yell",
}
OTHERWISE = {
    "a": "cake rain was* ball swan ba.by car want*",
    "c": "ace city chip",
    "e": "he* cake green her* ticket",
    "g": "age gem bridge song",
    "i": "bike kind pilot",
    "k": "knee",
    "l": "half walk*",
    "n": "sink sing",
    "o": "go* boat cold son open",
    "s": "dogs nose ship",
    "t": "thin castle*",
    "u": "cube music put* burn",
    "x": "exam",
    "y": "baby fly day",
}


@pytest.mark.parametrize("letter", USUAL)
def test_words_in_which_a_letter_has_its_own_sound(letter: str) -> None:
    for noted in USUAL[letter].split():
        assert usual_places(word(noted), letter), noted


@pytest.mark.parametrize("letter", OTHERWISE)
def test_words_in_which_it_has_another(letter: str) -> None:
    for noted in OTHERWISE[letter].split():
        first = usual_places(word(noted), letter)
        assert first == [], noted


def test_words_with_the_usual_sound_come_first_and_stand_by_its_place() -> None:
    rows = pick(["g"], "aetpin")
    assert rows[Where.FIRST][0].usual
    sounds = [one.usual for one in rows[Where.INSIDE]]
    assert sounds == sorted(sounds, reverse=True)
    assert "age" not in [one.word.text for one in rows[Where.INSIDE] if one.usual]


def year(largest: int) -> Iterator[tuple[str, str, int, Lesson]]:
    """A lesson on each small letter, one after the other, by each scheme; `largest` is how many
    letters a family has at most."""
    for scheme, build in BUILT_IN.items():
        order = [
            x for f in build(HANDS["plain"], largest).families for x in f.letters if x.islower()
        ]
        for at in range(1, len(order)):
            yield scheme, order[at], at, propose([order[at]], 20, taught=order[:at], due=[])


@pytest.mark.parametrize("largest", [LESSON_SIZE, 7])
def test_a_year_of_lessons_has_words_in_the_usual_sound_and_sentences_with_the_letter(
    largest: int,
) -> None:
    every, usual, late, two, with_it = 0, 0, 0, 0, 0
    sentences: Counter[tuple[str, str]] = Counter()
    for scheme, letter, at, lesson in year(largest):
        sounds = [bool(usual_places(heard_in(text), letter)) for text in lesson.words]
        every += len(sounds)
        usual += sum(sounds)
        if at >= 6:
            late += 1
            two += sum(sounds) >= 2
        if at >= 11:
            assert lesson.sentence, letter
            with_it += letter in lesson.sentence.lower()
            sentences[scheme, lesson.sentence] += 1
    assert usual >= 0.95 * every
    assert two >= 0.98 * late  # q before u has none
    assert with_it >= 0.95 * sum(sentences.values())
    assert max(sentences.values()) <= 2


def test_no_lesson_begins_with_words_that_nobody_would_choose() -> None:
    offered = {text for _, _, at, lesson in year(7) if at >= 6 for text in lesson.words[:2]}
    assert not offered & {"oboe", "eve", "adhere", "saga", "oasis"}


def test_every_letter_of_a_lesson_of_several_has_a_word() -> None:
    words = propose(["c", "a", "d"], 20, taught="satpin", due=[]).words
    for letter in "cad":
        assert any(usual_places(heard_in(text), letter) for text in words), (letter, words)
