"""What evidence comes to: each thing that the contract says it is to count for."""

import numpy as np
import pytest

from firstloop.core.contract import Code
from firstloop.core.evidence.task import Help
from firstloop.core.progress.estimates import LetterState
from firstloop.core.progress.habits import blamed_by
from firstloop.services.estimating import estimate_all
from tests.growing import Written, chance_of, chance_of_habit, estimated, evidence


def p(letter: str, *written: Written, day: float | None = None) -> float:
    return chance_of(estimated(*written, day=day), letter).p


def test_the_less_help_there_was_the_more_an_attempt_says() -> None:
    after = {help_: p("n", Written("n", "++++++", help_)) for help_ in Help}
    assert after[Help.TRACE] < after[Help.FINISH] < after[Help.COPY] < after[Help.WORD]
    failed = {help_: p("n", Written("n", "----", help_)) for help_ in Help}
    assert failed[Help.TRACE] < failed[Help.RECALL]  # who fails on the dots fails without


def test_a_letter_that_is_only_traced_is_not_known_to_be_secure() -> None:
    traced = chance_of(estimated(Written("n", "+" * 12, Help.TRACE)), "n")
    alone = chance_of(estimated(Written("n", "+" * 12)), "n")
    assert alone.state is LetterState.SECURE
    assert traced.state is not LetterState.SECURE
    assert traced.high - traced.low > 1.5 * (alone.high - alone.low)


def test_a_teachers_word_outweighs_the_checkers() -> None:
    her, its = (p("n", Written("n", "---+++", judged=judged)) for judged in (True, False))
    assert her > its  # what the checker lets pass may be a fault it did not see


def test_little_evidence_says_so_and_much_of_one_kind_only_grows_surer() -> None:
    states = [chance_of(estimated(Written("n", "+" * count)), "n") for count in range(1, 30)]
    assert [one.state for one in states[:2]] == [LetterState.UNKNOWN] * 2
    secure = [one.state is LetterState.SECURE for one in states]
    assert secure[-1]
    assert secure == sorted(secure)
    assert states[-1].low > states[4].low


@pytest.mark.parametrize(
    ("went", "state"), [("-" * 12, LetterState.NOT_YET), ("+-" * 8, LetterState.NEARLY)]
)
def test_what_fails_is_not_yet_and_what_comes_and_goes_nearly(
    went: str, state: LetterState
) -> None:
    assert chance_of(estimated(Written("n", went)), "n").state is state


@pytest.mark.parametrize(("before", "after"), [("+", "-"), ("-", "+")])
def test_a_change_is_noticed_within_six_attempts_and_a_single_slip_is_none(
    before: str, after: str
) -> None:
    def is_after(count: int) -> bool:
        crossed = p("n", Written("n", before * 20 + after * count)) > 0.5
        return crossed == (after == "+")

    assert not is_after(1)
    assert is_after(6)


def test_letters_lend_to_each_other_through_the_moves_they_share() -> None:
    begun = Written("n", "+", Help.TRACE, from_day=12)
    good = [Written("h", "+" * 12), Written("m", "+" * 12), Written("o", "-" * 12)]
    bad = [Written("h", "-" * 12), Written("m", "-" * 12), Written("o", "+" * 12)]
    assert p("n", *good, begun) > p("n", *bad, begun) + 0.1
    new = chance_of(estimated(*good, begun), "n")
    assert new.high - new.low > 0.3  # widely


def test_a_secure_print_letter_lends_to_its_joined_form_and_is_not_it() -> None:
    begun = Written("n", "+", Help.TRACE, from_day=12, hand="joined")
    other = Written("a", "-" * 4, hand="plain")
    print_n = Written("n", "+" * 12, hand="plain")
    lent = chance_of(estimated(print_n, other, begun), "n", hand="joined")
    alone = chance_of(estimated(other, begun), "n", hand="joined")
    assert lent.p > alone.p
    assert lent.state is LetterState.UNKNOWN
    assert lent.rests_on == 1


def test_a_habit_that_is_lost_is_soon_held_of_letters_not_written_since() -> None:
    stems = [Written(letter, "+" * 10) for letter in "hmnr"]
    fails = [Written(letter, "-" * 5, from_day=11) for letter in "hm"]
    assert p("n", *stems, *fails) < p("n", *stems, day=15) - 0.1


def test_what_a_finding_names_is_held_against_that_habit_alone() -> None:
    named = blamed_by(Code.RETRACE_GAP)
    found = estimated(Written("n", "-" * 8, blamed=named))
    assert chance_of_habit(found, "back_along_the_stem").p < 0.3
    assert chance_of_habit(found, "straight_down").p > 0.5


def test_where_none_is_named_the_habit_is_blamed_that_other_letters_show_weak() -> None:
    found = estimated(Written("l", "+" * 10), Written("n", "-" * 10), Written("h", "-" * 10))
    weak = chance_of_habit(found, "back_along_the_stem")
    assert weak.p < 0.4
    assert weak.p < chance_of_habit(found, "straight_down").p


def test_old_evidence_fades() -> None:
    written = Written("n", "+" * 12)
    now, later = (chance_of(estimated(written, day=day), "n") for day in (11.0, 300.0))
    assert later.p < now.p
    assert later.low < now.low
    assert later.pause_days < now.pause_days


def test_the_order_in_which_evidence_comes_changes_nothing() -> None:
    parts = [Written("n", "+-++-+"), Written("h", "-+-", from_day=2), Written("h", "+", from_day=2)]
    found = evidence(parts)
    shuffled = found.at(np.random.default_rng(3).permutation(len(found)))
    assert list(estimate_all(found, 9.0)) == list(estimate_all(shuffled, 9.0))


def test_what_was_written_after_the_day_that_is_asked_for_counts_for_nothing() -> None:
    both = p("n", Written("n", "++++"), Written("n", "----", from_day=10), day=5.0)
    assert both == p("n", Written("n", "++++"), day=5.0)


def test_a_word_that_is_taught_as_one_is_a_letter_without_habits() -> None:
    found = estimated(Written("the", "+" * 10))
    assert chance_of(found, "the").state is LetterState.SECURE
    assert found.habits == ()


def test_evidence_that_shows_nothing_leaves_a_letter_unknown() -> None:
    found = evidence([Written("n", "+")])
    found.seen[:, 0] = -1
    ((_, estimates),) = estimate_all(found, 0.0)
    direction = estimates.letters[0]
    assert direction.chance.rests_on == 0
    assert direction.last is None
    assert direction.chance.state is LetterState.UNKNOWN
