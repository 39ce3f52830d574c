"""What the teacher's word comes to beside the checker's."""

import pytest

from firstloop.core.checking.texts.catalogue import DIMENSION_OF
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.judging.word import (
    Aspect,
    OnFinding,
    Seen,
    Word,
    aspects_seen,
    blind,
    held,
    settled,
)

SECURE, NEARLY, NOT_YET, UNSEEN = Verdict.SECURE, Verdict.NEARLY, Verdict.NOT_YET, Verdict.UNSEEN
DIRECTION, SIZE, SHAPE = Dimension
SO, NOT_SO, MISSED = OnFinding
CHECKED = {DIRECTION: NOT_YET, SIZE: NEARLY, SHAPE: NOT_YET}
FOUND = [
    Seen(Code.START_PLACE, NOT_YET),
    Seen(Code.BODY_HEIGHT, NEARLY),
    Seen(Code.OPEN_GAP, NOT_YET),
    Seen(Code.SLANT, NEARLY),
]


def test_every_code_is_about_something() -> None:
    assert set(DIMENSION_OF) == set(Code)


def test_plain_agreement_is_a_word_on_everything_that_was_seen() -> None:
    word = settled(Word(), CHECKED, FOUND)
    assert word.verdicts == CHECKED
    assert word.findings == dict.fromkeys((code for code, _ in FOUND), SO)


def test_what_she_agreed_to_stays_hers_when_a_later_checker_sees_it_otherwise() -> None:
    word = settled(Word(), CHECKED, FOUND)
    assert held(dict.fromkeys(Dimension, SECURE), word) == CHECKED


@pytest.mark.parametrize(
    ("said", "direction", "shape"),
    [
        ({Code.START_PLACE: NOT_SO}, SECURE, NOT_YET),
        ({Code.OPEN_GAP: NOT_SO}, NOT_YET, NEARLY),
        ({Code.OPEN_GAP: NOT_SO, Code.SLANT: NOT_SO}, NOT_YET, SECURE),
        ({Code.SLANT: NOT_SO}, NOT_YET, NOT_YET),
        ({Code.START_PLACE: NOT_SO, Code.STROKE_ORDER: MISSED}, NOT_YET, NOT_YET),
    ],
)
def test_a_word_on_findings_settles_their_dimension(
    said: dict[Code, OnFinding], direction: Verdict, shape: Verdict
) -> None:
    word = settled(Word(findings=said), CHECKED, FOUND)
    assert (word.verdicts[DIRECTION], word.verdicts[SHAPE]) == (direction, shape)
    assert word.verdicts[SIZE] is NEARLY


def test_who_calls_a_dimension_secure_says_that_nothing_found_in_it_is_so() -> None:
    word = settled(Word({SHAPE: SECURE}), CHECKED, FOUND)
    assert {code for code, said in word.findings.items() if said is NOT_SO} == {
        Code.OPEN_GAP,
        Code.SLANT,
    }


def test_a_milder_verdict_leaves_its_findings_so() -> None:
    word = settled(Word({SHAPE: NEARLY}), CHECKED, FOUND)
    assert word.verdicts[SHAPE] is NEARLY
    assert word.findings[Code.OPEN_GAP] is SO


def test_what_she_says_of_a_finding_wins_over_what_follows_from_a_verdict() -> None:
    word = settled(Word({SHAPE: SECURE}, findings={Code.SLANT: SO}), CHECKED, FOUND)
    assert word.findings[Code.SLANT] is SO


def test_what_was_found_cannot_be_missed_and_what_was_not_cannot_be_denied() -> None:
    word = settled(
        Word(findings={Code.SLANT: MISSED, Code.WOBBLE: NOT_SO, Code.WIDTH: SO}), CHECKED, FOUND
    )
    assert word.findings == dict.fromkeys((code for code, _ in FOUND), SO)


def test_missed_shows_in_a_dimension_that_the_checker_could_not_see() -> None:
    scanned = {DIRECTION: UNSEEN, SIZE: SECURE, SHAPE: SECURE}
    agreed = settled(Word(), scanned, [])
    assert DIRECTION not in agreed.verdicts
    saw_it = settled(Word(findings={Code.START_PLACE: MISSED}), scanned, [])
    assert saw_it.verdicts[DIRECTION] is NOT_YET


def test_what_is_set_aside_is_unseen_and_says_nothing_of_a_finding() -> None:
    word = settled(Word({SHAPE: SECURE}, set_aside=True), CHECKED, FOUND)
    assert set(held(CHECKED, word).values()) == {UNSEEN}
    assert word.findings == {}


def test_of_a_code_at_several_places_of_a_text_the_worst_counts() -> None:
    twice = [Seen(Code.SLANT, NOT_YET), Seen(Code.OPEN_GAP, NOT_YET), Seen(Code.SLANT, NEARLY)]
    word = settled(Word(findings={Code.OPEN_GAP: NOT_SO}), CHECKED, twice)
    assert word.verdicts[SHAPE] is NOT_YET


def test_a_blind_word_speaks_of_what_was_named_or_ruled_out_and_of_nothing_else() -> None:
    verdicts = {DIRECTION: NOT_YET, SIZE: SECURE, SHAPE: NOT_YET}
    word = blind(verdicts, [Code.OPEN_GAP, Code.WOBBLE], FOUND)
    assert word.findings == {Code.OPEN_GAP: SO, Code.WOBBLE: MISSED, Code.BODY_HEIGHT: NOT_SO}


def test_aspects_of_a_text_stand_as_their_worst_finding() -> None:
    found = [Seen(Code.LINE_DRIFT, NOT_YET), Seen(Code.OFF_BASE, NEARLY), Seen(Code.SLANT, NOT_YET)]
    assert aspects_seen(found, joins=True) == {
        Aspect.SPACING: SECURE,
        Aspect.LINE: NOT_YET,
        Aspect.JOINS: SECURE,
    }
