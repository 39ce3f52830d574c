"""What is looked at first, what is doubted, and what a blind set is made of."""

from collections import Counter
from dataclasses import replace

import numpy as np
import pytest

from firstloop.core.checking.say.by_eye import seen_by_eye
from firstloop.core.checking.say.findings import ALL_IS_WELL, Finding
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.judging.blind_set import Candidate, TooFewLettersError, chosen
from firstloop.core.judging.look_first import Known, Reason, reasons, weight
from firstloop.core.judging.told_here import told_here
from firstloop.core.judging.trust import Spoken, at_odds, by_trust, doubted
from firstloop.core.judging.word import OnFinding, Word

PLAIN = Known(
    is_judged=False,
    has_note=False,
    is_checked=True,
    to_mend=frozenset({Code.OPEN_GAP}),
    new=frozenset(),
)


def test_a_usual_fault_is_no_reason_a_new_one_is() -> None:
    assert reasons(PLAIN, ()) == ()
    assert reasons(replace(PLAIN, new=frozenset({Code.OPEN_GAP})), ()) == (Reason.NEW_FAULT,)


def test_reasons_come_by_their_weight_and_add_up() -> None:
    known = replace(PLAIN, new=PLAIN.to_mend, between_two=True, has_note=True)
    found = reasons(known, {Code.OPEN_GAP})
    assert found == (Reason.HER_WORD, Reason.AT_ODDS, Reason.TWO_READINGS, Reason.NEW_FAULT)
    assert weight(found) > weight(found[1:]) > weight(())


def test_what_she_has_judged_waits_for_her_no_more_but_for_her_own_note() -> None:
    judged = replace(PLAIN, is_judged=True, new=PLAIN.to_mend, is_checked=False)
    assert reasons(judged, {Code.OPEN_GAP}) == ()
    assert reasons(replace(judged, has_note=True), ()) == (Reason.HER_WORD,)


def test_a_finding_is_doubted_from_nine_of_ten_on_and_at_odds_long_before() -> None:
    spoken = {
        Code.SLANT: Spoken(1, 9),
        Code.WIDTH: Spoken(20, 14),
        Code.OPEN_GAP: Spoken(0, 9),
        Code.WOBBLE: Spoken(6, 14),
    }
    assert doubted(spoken) == {Code.SLANT}
    assert at_odds(spoken) == set(spoken)
    assert at_odds({Code.SLANT: Spoken(9, 2)}) == frozenset()


def seen(code: Code) -> Finding:
    return seen_by_eye(code)[1][0]


def test_doubted_findings_are_told_last_and_else_nothing_moves() -> None:
    found = [seen(Code.SLANT), seen(Code.OPEN_GAP), seen(Code.WIDTH)]
    assert by_trust(found, {Code.SLANT}) == [found[1], found[2], found[0]]
    assert by_trust(found, ()) == found


TO_MEND = dict.fromkeys(Dimension, Verdict.NOT_YET)
GAP, BEGUN_LOW = replace(seen(Code.OPEN_GAP), say="Close it."), seen(Code.START_PLACE)


def test_a_child_hears_what_is_trusted_first_and_nothing_that_she_denies() -> None:
    assert told_here([BEGUN_LOW, GAP], TO_MEND, ()) == BEGUN_LOW.say
    assert told_here([BEGUN_LOW, GAP], TO_MEND, {Code.START_PLACE}) == "Close it."
    no = Word(findings={Code.START_PLACE: OnFinding.NOT_SO})
    assert told_here([BEGUN_LOW, GAP], TO_MEND, (), no) == "Close it."
    well = Word(dict.fromkeys(Dimension, Verdict.SECURE), findings=no.findings)
    assert told_here([BEGUN_LOW], TO_MEND, (), well) == ALL_IS_WELL


def test_her_own_words_win_and_what_is_set_aside_is_silent() -> None:
    assert told_here([GAP], TO_MEND, (), Word(say="Slowly round.")) == "Slowly round."
    assert told_here([GAP], TO_MEND, (), Word(say="Slowly round.", set_aside=True)) == ""


def candidates(count: int) -> list[Candidate]:
    rng = np.random.default_rng(7)
    pupils = rng.choice(12, count, p=[0.45, *[0.05] * 11])  # one child has written most of all
    return [
        Candidate(at, int(pupils[at]), "nmhraceo"[int(rng.integers(8))], int(rng.random() < 0.2))
        for at in range(count)
    ]


def test_a_set_is_fair_over_letters_and_children_and_tells_more_than_chance() -> None:
    every = candidates(400)
    by_id = {one.id: one for one in every}
    found = [by_id[id] for id in chosen(every, 48, seed=3)]
    assert len({one.id for one in found}) == 48
    assert max(Counter(one.letter for one in found).values()) <= 7
    assert max(Counter(one.pupil_id for one in found).values()) <= 5
    assert sum(one.telling for one in found) > 2 * 0.2 * 48


def test_the_same_seed_gives_the_same_set_and_another_another() -> None:
    every = candidates(200)
    assert chosen(every, 20, seed=3) == chosen(every, 20, seed=3) != chosen(every, 20, seed=4)


@pytest.mark.parametrize(("count", "size"), [(19, 20), (100, 19), (100, 61)])
def test_too_few_letters_or_a_set_of_no_use_is_said(count: int, size: int) -> None:
    with pytest.raises(TooFewLettersError, match="letters"):
        chosen(candidates(count), size, seed=1)
