"""Class lists as they come: typed, pasted, saved by other programs."""

from collections.abc import Sequence

import pytest
from hypothesis import given
from hypothesis import strategies as st

from firstloop.core.evidence.task import Handedness
from firstloop.core.teaching.roster import MOST_CHILDREN, Roster, read_roster
from firstloop.formats.class_list import rows_of

LEFT, RIGHT = Handedness.LEFT, Handedness.RIGHT


def read(text: str, known: Sequence[str] = ()) -> Roster:
    return read_roster(rows_of(text), known)


@pytest.mark.parametrize(
    ("text", "expected"),
    [
        ("Mila\nJori", [("Mila", RIGHT), ("Jori", RIGHT)]),
        ("  Mila  \r\n\r\nJori Anne\r\n", [("Mila", RIGHT), ("Jori Anne", RIGHT)]),
        ("Mila, left\nJori, R", [("Mila", LEFT), ("Jori", RIGHT)]),
        ("Mila,Kern,L\nJori,Lund", [("Mila", LEFT), ("Jori", RIGHT)]),
        ("\ufeffName;Hand\nMila;left", [("Mila", LEFT)]),
        ("Surname\tFirst name\tBorn\nKern\tMila\t2019", [("Mila", RIGHT)]),
        ('first name,last name\n"Mila, the second",Kern', [("Mila, the second", RIGHT)]),
        ("Zoë\nŁucja\n李娜", [("Zoë", RIGHT), ("Łucja", RIGHT), ("李娜", RIGHT)]),
        (
            "Mila;Kern\nMila;Kohl\nMila;",
            [("Mila Ke.", RIGHT), ("Mila Ko.", RIGHT), ("Mila", RIGHT)],
        ),
        ("Mila;Ko\nMila;Kohl", [("Mila Ko", RIGHT), ("Mila Koh.", RIGHT)]),
        ("", []),
    ],
)
def test_children_are_read_however_the_list_is_parted(
    text: str, expected: list[tuple[str, Handedness]]
) -> None:
    roster = read(text)
    assert [(one.name, one.handedness) for one in roster.entries] == expected
    assert roster.faults == ()


@pytest.mark.parametrize(
    ("text", "line", "what"),
    [
        ("Mila\nJori\nMila", 3, "Mila is there already"),
        ("Mila;Kern\nMila;Kern", 2, "Mila Kern is there already"),
        ("Zoe\u0308\nZoë", 2, "is there already"),
        ("name,hand\nMila,up", 2, '"up" is no hand'),
        ("name,hand\n,left", 2, "there is no name"),
        ("M" * 70, 1, "longer than 60"),
        ("Mila\u202eJori", 1, "cannot be shown"),
        ("Ada", 1, "Ada is there already"),
        ("\n".join(f"Child {at}" for at in range(61)), 61, "at most 60"),
    ],
)
def test_a_fault_is_named_by_its_line(text: str, line: int, what: str) -> None:
    faults = read(text, ["ada"]).faults
    assert [fault.line for fault in faults] == [line]
    assert what in faults[0].what


def test_a_name_of_the_class_is_told_apart_by_the_last_name() -> None:
    (entry,) = read("first;surname\nAda;Berg", ["ada"]).entries
    assert entry.name == "Ada B."


@given(st.text(max_size=400))
def test_whatever_is_pasted_is_read_or_named(text: str) -> None:
    roster = read(text)
    assert len(roster.entries) <= MOST_CHILDREN
    lines = len(text.splitlines()) + text.count("\r") + 1
    assert all(1 <= fault.line <= lines for fault in roster.faults)
    if not roster.faults:
        called = [one.name.casefold() for one in roster.entries]
        assert len(set(called)) == len(called)
        assert all(one.name.strip() for one in roster.entries)
