"""Judged attempts as lines of JSON, and estimates as lines of JSON."""

import json
from typing import Any

import pytest

from firstloop.core.contract import Code
from firstloop.core.progress.evidence import HELPS, LetterKey
from firstloop.core.progress.habits import blamed_by
from firstloop.formats.evidence_lines import (
    days_of,
    joined,
    parsed_moment,
    read_lines,
    read_part,
    write_lines,
)
from firstloop.services.estimating import estimate_all

CONTRACT: dict[str, Any] = {
    "pupil": 3,
    "hand": "plain",
    "letter": "n",
    "at": "2026-01-12T09:14:00",
    "source": "pen",
    "help": "copy",
    "verdict": {"direction": "not_yet", "size": "secure", "shape": "nearly"},
    "findings": [{"code": "start_place", "move": "drop"}],
    "judged": False,
}


def lines(*changes: dict[str, Any]) -> bytes:
    """The line of the contract, each time with something else in it."""
    return b"".join(json.dumps(CONTRACT | change).encode() + b"\n" for change in changes)


def test_a_line_of_the_contract_is_read_in_full() -> None:
    evidence, faults = read_lines(lines({}))
    assert faults == []
    assert evidence.pupils == (3,)
    assert evidence.letters == (LetterKey("n", "plain"),)
    assert evidence.days[0] == pytest.approx(20465 + (9 * 60 + 14) / 1440)
    assert HELPS[evidence.help[0]] == "copy"
    assert not evidence.judged[0]
    assert evidence.seen[0].tolist() == [0, 1, 1]  # nearly holds
    assert evidence.blamed[0] == blamed_by(Code.START_PLACE, "drop") > 0


FAULTY = [
    ({"help": "alone"}, "$.help"),
    ({"at": "yesterday"}, "$.at"),
    ({"verdict": {"direction": "fine"}}, "$.verdict.direction"),
    ({"verdict": {"directon": "secure"}}, "directon"),
    ({"letter": ""}, "$.letter"),
    ({"pupil": "Ada"}, "$.pupil"),
]


@pytest.mark.parametrize(("change", "where"), FAULTY)
def test_a_faulty_line_is_named_by_its_number_and_place_and_the_others_count(
    change: dict[str, Any], where: str
) -> None:
    evidence, faults = read_lines(lines({}, change, {"pupil": 4}))
    assert len(evidence) == 2
    assert evidence.pupils == (3, 4)
    (fault,) = faults
    assert fault.startswith("line 2: ")
    assert where in fault


def test_what_is_no_json_or_no_text_is_named_too_and_empty_lines_say_nothing() -> None:
    evidence, faults = read_lines(b"\n" + lines({}) + b"  \nnot json\n" + b'{"pupil": "\xff"}')
    assert len(evidence) == 1
    assert [fault.split(":")[0] for fault in faults] == ["line 4", "line 5"]


def test_numbers_of_lines_go_on_over_the_parts_of_a_file() -> None:
    parts = [read_part(lines({}, {"help": "?"})), read_part(lines({"letter": "h"}) + b"?\n")]
    evidence, faults = joined(parts)
    assert [fault.split(":")[0] for fault in faults] == ["line 2", "line 4"]
    assert evidence.letters == (LetterKey("h", "plain"), LetterKey("n", "plain"))
    assert evidence.letter.tolist() == [1, 0]


def test_a_scan_never_shows_direction() -> None:
    evidence, _ = read_lines(lines({"source": "scan"}, {"source": "eye"}))
    assert evidence.seen[:, 0].tolist() == [-1, 0]


def test_a_move_may_be_told_by_its_number_and_a_code_of_tomorrow_says_nothing() -> None:
    number = {"findings": [{"code": "retrace_gap", "stroke": 0, "move": 1}]}
    start = {"findings": [{"code": "start_place", "stroke": 0, "move": 0}]}
    tomorrow = {"findings": [{"code": "too_blue", "move": "drop"}]}
    watched = {"findings": [{"code": "retrace_gap", "severity": "nearly"}]}
    evidence, faults = read_lines(lines(number, start, tomorrow, watched))
    assert faults == []
    assert evidence.blamed.tolist() == [
        blamed_by(Code.RETRACE_GAP),
        blamed_by(Code.START_PLACE, "drop"),
        0,
        0,
    ]


def test_moments_of_any_zone_are_one_moment() -> None:
    same = [
        days_of(parsed_moment(text)) for text in ("2026-03-01T12:00:00", "2026-03-01T13:00+01:00")
    ]
    assert same[0] == same[1]
    evidence, _ = read_lines(lines({"at": "2026-01-12T10:14:00+01:00"}, {}))
    assert evidence.days[0] == evidence.days[1]


def test_estimates_are_written_in_the_words_of_the_contract() -> None:
    many = [{"at": f"2026-01-{day:02}T09:00:00"} for day in range(1, 29)]
    evidence, _ = read_lines(lines(*many, {"letter": "the", "hand": None}))
    ((pupil, found),) = estimate_all(evidence, float(evidence.days.max()))
    written = [json.loads(line) for line in write_lines(pupil, found)]
    letter = next(line for line in written if line.get("letter") == "n")
    assert list(letter) == [
        "pupil", "letter", "hand", "dimension",
        "p", "low", "high", "rests_on", "state", "last", "due",
    ]  # fmt: skip
    assert letter["dimension"] == "direction"
    assert letter["state"] == "not_yet"
    assert (letter["rests_on"], letter["last"], letter["due"]) == (28, "2026-01-28", "2026-01-29")
    habit = next(line for line in written if line.get("habit") == "back_along_the_stem")
    assert habit["letters"] == ["n"]
    assert habit["low"] <= habit["p"] <= habit["high"]
    assert "hand" not in next(line for line in written if line.get("letter") == "the")
