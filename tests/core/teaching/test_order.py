"""The order of teaching: what it costs, words early, and a proposal that is never worse."""

import pytest

from firstloop.core.letters import HANDS, PLAIN, Hand
from firstloop.core.letters.hands import GROUPS
from firstloop.core.teaching.families import Family, Scheme
from firstloop.core.teaching.order import (
    APART,
    LATE_WORDS,
    cost,
    propose,
    sets_of,
    steps,
    unlocked,
    words_after,
    words_soonest,
    writable,
)
from firstloop.core.teaching.schemes import BUILT_IN

ALPHABET = Scheme("a to z", (Family("all", GROUPS["small"], ""),))


@pytest.mark.parametrize("hand", HANDS.values(), ids=list(HANDS))
@pytest.mark.parametrize("key", ["movement", "sound", "size"])
def test_twenty_five_words_can_be_written_after_the_eighth_letter(hand: Hand, key: str) -> None:
    assert words_after(BUILT_IN[key](hand, 5).order)[7] >= 25


def test_words_are_counted_by_the_letters_they_need() -> None:
    counts = words_after("tac")
    assert counts == [len(writable("tac"[: at + 1])) for at in range(3)]
    assert {word.text for word in unlocked("c", "ta")} == {"act", "cat"} & {
        word.text for word in writable("act")
    }


def test_no_order_that_differs_by_one_exchange_has_its_words_sooner() -> None:
    best = words_soonest(GROUPS["small"])
    least = sum(words_after(best))
    for at in range(len(best) - 1):
        other = [*best[:at], best[at + 1], best[at], *best[at + 2 :]]
        assert sum(words_after(other)) <= least


def test_a_step_says_what_a_letter_brings() -> None:
    down, up = steps("ln", PLAIN)
    assert [kind.value for kind in down.new_moves] == ["drop"]
    assert [kind.value for kind in up.new_moves] == ["back", "arch"]
    assert down.words == 0


def test_confusable_letters_cost_the_more_the_closer_they_are() -> None:
    costs = [cost(order, PLAIN).close for order in ("bdx", "bxd", "bxvd")]
    assert costs == [APART - 1, APART - 2, 0]
    assert cost("nhm", PLAIN).close == 0  # of one movement: they belong together


def test_a_proposal_costs_less_and_no_letter_changes_its_family() -> None:
    families = tuple(Family(name, tuple(name), "") for name in ("qvxz", "bdpq"[:2], "aeinst"))
    given = Scheme("mine", families)
    better = propose(given, PLAIN)
    assert cost(better.order, PLAIN).total < cost(given.order, PLAIN).total
    assert sorted("".join(sorted(f.letters)) for f in better.families) == sorted(
        "".join(sorted(f.letters)) for f in families
    )


def test_a_proposal_for_nothing_is_nothing() -> None:
    empty = Scheme("empty", ())
    assert propose(empty, PLAIN) is empty


def test_sets_are_as_even_as_they_can_be() -> None:
    assert [len(part) for part in sets_of("abcdefghijk", 5)] == [4, 4, 3]


def test_what_an_order_costs_is_what_its_steps_say() -> None:
    order = BUILT_IN["size"](PLAIN, 5).order
    brought = steps(order, PLAIN)
    found = cost(order, PLAIN)
    # The first letter has to bring its moves together; each later one may bring one new move.
    assert found.crowded == sum(max(0, len(step.new_moves) - 1) for step in brought[1:])
    assert found.close == sum(APART - back for step in brought for _, back in step.too_close)
    assert found.total == pytest.approx(found.crowded + found.close + LATE_WORDS * found.late)


def test_a_move_that_is_known_crowds_no_letter() -> None:
    assert cost("nmh", PLAIN).crowded == 0
    assert cost("lnm", PLAIN).crowded == 1  # n brings going back and the arch at once


def test_words_are_the_later_the_rarer_the_letters_that_come_first() -> None:
    late = [cost(order, PLAIN).late for order in ("satpin", "qzxjvk")]
    assert late[0] < late[1] == 1.0


def test_families_that_are_told_to_stay_stay() -> None:
    families = tuple(Family(name, tuple(name), "") for name in ("qvxz", "bd", "aeinst"))
    given = Scheme("mine", families)
    names = [family.name for family in propose(given, PLAIN, families_stay=True).families]
    assert names == [family.name for family in families]
    assert [family.name for family in propose(given, PLAIN).families] != names


def test_no_exchange_betters_what_is_proposed() -> None:
    better = propose(BUILT_IN["size"](PLAIN, 5), PLAIN)
    assert propose(better, PLAIN) is better
