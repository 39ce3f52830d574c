"""From print to joined: every letter once, no join before its letters, the easiest first."""

import pytest

from firstloop.core.letters import HANDS
from firstloop.core.letters.hands import GROUPS
from firstloop.core.teaching.joined_plan import (
    A_STAGE,
    MOST_STAGES,
    JoiningError,
    Stage,
    checked,
    fitting,
    is_done,
    plan,
)
from firstloop.core.teaching.schemes import BUILT_IN
from firstloop.core.text.joins import JoinKind, join_of

JOINED = HANDS["joined"]


@pytest.fixture(
    params=[(h, k) for h in ("joined", "looped") for k in ("movement", "size", "sound")]
)
def stages(request: pytest.FixtureRequest) -> tuple[str, tuple[Stage, ...]]:
    hand, scheme = request.param
    return hand, plan(BUILT_IN[scheme](HANDS[hand], 5), HANDS[hand])


def test_every_small_letter_comes_over_once(stages: tuple[str, tuple[Stage, ...]]) -> None:
    alone = [part for stage in stages[1] if not stage.joins for part in stage.parts]
    assert sorted(alone) == sorted(GROUPS["small"])


def test_no_pair_comes_before_its_letters_nor_twice(stages: tuple[str, tuple[Stage, ...]]) -> None:
    over: set[str] = set()
    met: set[str] = set()
    for stage in stages[1]:
        if not stage.joins:
            over |= set(stage.parts)
            continue
        assert len(stage.parts) <= A_STAGE
        assert not met & set(stage.parts)
        assert set("".join(stage.parts)) <= over
        met |= set(stage.parts)


def test_a_new_join_is_one_movement_and_is_new_once(stages: tuple[str, tuple[Stage, ...]]) -> None:
    hand = HANDS[stages[0]]
    known: set[JoinKind] = set()
    for stage in stages[1]:
        joins = [join for part in stage.parts if len(part) > 1 and (join := join_of(part, hand))]
        kinds = {join.kind for join in joins}
        if stage.why.startswith("a new join"):
            (kind,) = kinds
            assert kind not in known
            assert kind.words in stage.why
        else:
            assert kinds <= known
        known |= kinds
    assert len(known) >= 8


def test_of_joins_that_are_new_together_the_easier_comes_first() -> None:
    computed = plan(BUILT_IN["movement"](JOINED, 5), JOINED)
    at = [stage.parts[0] for stage in computed].index("ee")  # with d q e o
    efforts = [
        join.effort for one in computed[at : at + 2] if (join := join_of(one.parts[0], JOINED))
    ]
    assert efforts == sorted(efforts)


def test_a_stage_is_done_when_all_of_it_is_taught() -> None:
    stage = Stage(("ca", "ad"))
    assert not is_done(stage, {"c", "a"}, {"ca"})
    assert is_done(stage, set(), {"ca", "ad"})


@pytest.mark.parametrize(
    ("stages", "what"),
    [
        ([["ga"]], "the pen is lifted after g"),
        ([["c", "ca"]], "not both in one lesson"),
        ([["c"], []], "stage 2: a lesson is on one to 7"),
        ([["A"]], '"A" is no small letter'),
        ([["cat"]], '"cat" is no small letter and no pair'),
        ([["c"]] * (MOST_STAGES + 1), "at most 60 stages"),
    ],
)
def test_a_plan_that_cannot_be_followed_says_where(stages: list[list[str]], what: str) -> None:
    with pytest.raises(JoiningError, match=what):
        checked(stages, JOINED)


def test_what_is_kept_of_the_computed_plan_keeps_its_reason() -> None:
    computed = plan(BUILT_IN["movement"](JOINED, 5), JOINED)
    own = fitting([computed[1].parts, ["in"]], JOINED, computed)
    assert own[0] == computed[1]
    assert own[1].why == ""
