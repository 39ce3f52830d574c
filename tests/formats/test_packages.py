"""Hands and schemes as files: out and in again the same; a faulty file named fault by fault."""

import json
from dataclasses import replace
from typing import Any

import pytest

from firstloop.core.errors import PackageError
from firstloop.core.letters import HANDS, Hand, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.teaching.schemes import by_movement
from firstloop.formats import packages


def hand_text(**changes: Any) -> bytes:
    data = json.loads(packages.write_hand(replace(HANDS["plain"], name="ours")))
    return json.dumps(data | changes).encode()


def faults_of(read: Any, content: bytes) -> dict[str, str]:
    with pytest.raises(PackageError) as raised:
        read(content)
    return dict(raised.value.faults)


@pytest.mark.parametrize("hand", HANDS.values(), ids=list(HANDS))
def test_a_hand_comes_back_from_its_file_as_it_was(hand: Hand) -> None:
    back = packages.read_hand(packages.write_hand(replace(hand, name="ours")).encode())
    assert back.proportions == hand.proportions
    for letter, script in hand.scripts.items():
        given, again = (draw(s, hand.proportions, Ruling()) for s in (script, back.scripts[letter]))
        for one, other in zip(given.paths(), again.paths(), strict=True):
            assert abs(one - other).max() < 0.001
    assert {x: set(ways) for x, ways in back.alternatives.items()} == {
        x: set(ways) for x, ways in hand.alternatives.items()
    }


def test_a_scheme_comes_back_from_its_file_as_it_was() -> None:
    scheme = by_movement(HANDS["plain"])
    assert packages.read_scheme(packages.write_scheme(scheme).encode()) == scheme


def test_every_fault_of_a_scheme_is_named_by_its_place() -> None:
    family = {"name": "one", "letters": ["a", "b", "a", "ß"], "exceptions": {"z": "late"}}
    data = {"kind": "first-loop-scheme", "version": 1, "name": "mine", "families": [family]}
    assert faults_of(packages.read_scheme, json.dumps(data).encode()) == {
        "families/0/letters/2": "a is in it twice",
        "families/0/letters/3": '"ß" is no letter of this hand',
        "families/0/exceptions/z": "z is not in this family",
    }


def test_every_fault_of_a_form_is_named_by_its_place() -> None:
    data = {"kind": "first-loop-scheme", "version": 1, "families": [{"name": "", "letters": 3}]}
    places = faults_of(packages.read_scheme, json.dumps(data).encode())
    assert set(places) == {"file", "families/0/name", "families/0/letters"}


def test_every_fault_of_a_hands_scripts_is_named_by_its_place() -> None:
    letters = json.loads(hand_text())["letters"]
    letters["a"][0]["strokes"] = ["0,mid; drip 0,base"]
    letters["b"][0]["strokes"] = ["0,top; drop 0,base", "0,9; dot 0,9"]
    letters["k"][1]["name"] = letters["k"][0]["name"]
    del letters["z"]
    assert faults_of(packages.read_hand, hand_text(letters=letters)) == {
        "letters": '"z" is missing',
        "letters/a/0/strokes/0": 'move 1: "drip" is no move',
        "letters/b/0/strokes/1": "(0, 9) is off every sheet",
        "letters/k/1/name": '"straight legs" is already another way',
    }


def test_a_hand_may_not_take_the_name_of_one_that_is_built_in() -> None:
    assert "name" in faults_of(packages.read_hand, hand_text(name="plain"))


@pytest.mark.parametrize("content", [b"", b"[1, 2", b"\xff\xfe", b"3", b"[" * 100_000])
def test_what_is_no_package_is_said_to_be_none(content: Any) -> None:
    assert "file" in faults_of(packages.read_scheme, content)


def test_the_schemas_are_the_published_ones() -> None:
    for name in ("hand", "scheme"):
        assert packages.schema(name)["$schema"].startswith("https://json-schema.org/")


@pytest.mark.parametrize(
    "families",
    [
        [{"name": 1}] * 8_000,
        [{"name": "a" * 300, "letters": ["ab"] * 900}] * 20,
        [[[[[]]]]] * 20_000,
        ["\u0000"] * 5_000,
    ],
)
def test_of_many_faults_some_are_told_and_each_in_short(families: list[Any]) -> None:
    content = json.dumps({"kind": "first-loop-scheme", "version": 1, "name": "a",
                          "families": families}).encode()  # fmt: skip
    with pytest.raises(PackageError) as raised:
        packages.read_scheme(content)
    assert 1 <= len(raised.value.faults) <= packages.MOST_FAULTS
    assert len(str(raised.value)) < 10_000


def test_a_file_that_is_too_large_is_not_read() -> None:
    for read, largest in (
        (packages.read_scheme, packages.LARGEST_OF["scheme"]),
        (packages.read_hand, packages.LARGEST_OF["hand"]),
    ):
        with pytest.raises(PackageError, match="is larger than"):
            read(b"[" * (largest + 1))
