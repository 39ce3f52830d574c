"""Places to watch: what is pointed out in a word, and that it is there."""

import numpy as np
import pytest

from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.to_watch import WatchKind, places_to_watch
from firstloop.core.text.words import compose

RULING = Ruling()


@pytest.mark.parametrize(
    ("word", "hand", "found"),
    [
        ("hen", "plain", []),
        ("apple", "plain", [("double", "pp"), ("tail", "p"), ("tail", "p")]),
        ("van", "joined", [("join", "va")]),
        ("gate", "joined", [("tail", "g"), ("lift", "ga")]),
        ("gate", "looped", [("tail", "g")]),
    ],
)
def test_what_is_to_be_watched_in_a_word(
    word: str, hand: str, found: list[tuple[str, str]]
) -> None:
    places = places_to_watch(word, HANDS[hand], RULING)
    assert sorted((p.kind.value, p.letters) for p in places) == sorted(found)


def test_a_join_that_is_not_made_is_not_watched() -> None:
    assert places_to_watch("van", HANDS["joined"], RULING, lambda _: False) == ()


@pytest.mark.parametrize("hand", HANDS)
def test_its_box_holds_the_letters_and_not_the_whole_word(hand: str) -> None:
    word = "balloon"
    drawn = draw(compose(word, HANDS[hand]).script, HANDS[hand].proportions, RULING)
    every = np.vstack(drawn.paths())
    doubles = [p for p in places_to_watch(word, HANDS[hand], RULING) if p.kind is WatchKind.DOUBLE]
    assert [p.letters for p in doubles] == ["ll", "oo"]
    (l0, _, l1, top), (o0, _, o1, low) = (p.box for p in doubles)
    assert every[:, 0].min() < l0 < l1 < o1 < every[:, 0].max()
    assert l0 < o0
    assert top > 1.5 > low
