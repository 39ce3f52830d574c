"""What the estimates of all children come to."""

import pytest

from firstloop.core.contract import Dimension
from firstloop.core.progress.estimates import Chance, LetterState
from firstloop.core.progress.evidence import LetterKey
from firstloop.core.progress.of_class import LetterOfChild, Moved, class_of, moved

SURE, FAILS, THIN = (
    Chance(0.95, 0.91, 0.98, 20),
    Chance(0.2, 0.1, 0.4, 20),
    Chance(0.4, 0.1, 0.8, 1),
)


def letter(*chances: Chance) -> LetterOfChild:
    return LetterOfChild(dict(zip(Dimension, chances, strict=False)))


@pytest.mark.parametrize(("children", "due"), [(3, 1), (4, 2), (10, 3), (30, 9)])
def test_a_letter_is_due_for_the_class_when_it_is_for_three_in_ten(children: int, due: int) -> None:
    for soon, pause in ((due - 1, 28), (due, 1)):
        stands = class_of([letter(FAILS)] * soon + [letter(SURE)] * (children - soon))
        assert stands.pause_days == pause


def test_the_share_counts_children_not_dimensions_however_little_is_known() -> None:
    stands = class_of([letter(SURE, SURE), letter(SURE, FAILS), letter(FAILS, FAILS), letter(THIN)])
    assert stands.shaky == 0.75


def test_a_letter_stands_as_its_weakest_dimension_and_is_not_secure_where_one_is_hardly_known() -> (
    None
):
    assert letter(SURE, THIN).state is LetterState.UNKNOWN
    assert letter(FAILS, THIN).state is LetterState.NOT_YET
    assert letter(SURE, FAILS).state is LetterState.NOT_YET
    assert letter(SURE, FAILS).pause_days == 1
    assert letter().state is LetterState.UNKNOWN


def test_moved_is_what_was_known_before_and_is_another_now() -> None:
    n, o, r = (LetterKey(glyph) for glyph in "nor")
    before = {n: letter(FAILS), o: letter(SURE), r: letter(THIN)}
    now = {n: letter(SURE), o: letter(SURE), r: letter(SURE)}
    assert moved(before, now) == (Moved(n, LetterState.NOT_YET, LetterState.SECURE),)
