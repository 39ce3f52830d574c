"""Judged attempts as lines of JSON, in; estimates as lines of JSON, out: the words of the contract
(docs/progress.md)."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from functools import lru_cache
from typing import Annotated, Any, Literal, TypeVar

import msgspec
import numpy as np
import numpy.typing as npt

from firstloop.core.contract import Code, Dimension
from firstloop.core.errors import FirstLoopError
from firstloop.core.progress.estimates import Chance, ChildEstimates, HabitEstimate, LetterEstimate
from firstloop.core.progress.evidence import (
    HELPS,
    SEEN_OF,
    Evidence,
    Indices,
    LetterKey,
)
from firstloop.core.progress.habits import blamed_by, move_named, script_of
from firstloop.core.progress.likelihood import doubts_at_large

BEGINNING = datetime(1970, 1, 1, tzinfo=UTC)
A_DAY_S = 86_400
_BEGINNING_AT_HOME = BEGINNING.replace(tzinfo=None)


class EvidenceError(FirstLoopError):
    """A line that is no judged attempt."""


Said = Literal["secure", "nearly", "not_yet", "unseen"]


class VerdictLine(msgspec.Struct, gc=False, forbid_unknown_fields=True):
    """What was said of each dimension."""

    direction: Said = "unseen"
    size: Said = "unseen"
    shape: Said = "unseen"


class FindingLine(msgspec.Struct, gc=False):
    """What was found: a code, and the move it is about, by its kind or by its number in a stroke.
    A code of a later version is none of ours, and says nothing of a move."""

    code: str
    move: str | int | None = None
    stroke: int = 0
    severity: Said = "not_yet"


class AttemptLine(msgspec.Struct, gc=False):
    """One judged attempt."""

    pupil: int
    letter: Annotated[str, msgspec.Meta(min_length=1, max_length=40)]
    at: datetime
    source: Literal["pen", "scan", "eye"]
    help: Literal["trace", "finish", "copy", "recall", "word"]
    verdict: VerdictLine
    hand: str | None = None
    findings: tuple[FindingLine, ...] = ()
    judged: bool = False


@dataclass(frozen=True, slots=True)
class Part:
    """What some lines say, as columns; how many lines they were, and what is wrong with some, by
    their numbers among these."""

    pupils: tuple[int, ...]
    letters: tuple[LetterKey, ...]
    columns: dict[str, npt.NDArray[Any]]
    lines: int
    faults: tuple[tuple[int, str], ...]


def read_part(lines: bytes) -> Part:
    """All that can be read of some lines; empty ones say nothing.

    >>> read_part(b"{}").faults
    ((1, 'Object missing required field `pupil`'),)
    """
    decode = msgspec.json.Decoder(AttemptLine).decode
    attempts, faults, number = list[AttemptLine](), list[tuple[int, str]](), 0
    for number, line in enumerate(lines.split(b"\n"), 1):  # how many there were
        try:
            attempts.append(decode(line))
        except (msgspec.DecodeError, UnicodeDecodeError) as error:
            if line and not line.isspace():
                faults.append((number, str(error)))
    ends_a_line = lines.endswith(b"\n")
    return _as_part(attempts, number - ends_a_line, tuple(faults))


def _as_part(lines: Sequence[AttemptLine], count: int, faults: tuple[tuple[int, str], ...]) -> Part:
    pupils, letters = dict[int, int](), dict[tuple[str, str], int]()
    keys = [(line.letter, line.hand or "") for line in lines]
    directions = [  # a scan never shows which way a pen went
        "unseen" if line.source == "scan" else line.verdict.direction for line in lines
    ]
    seen = [
        [_SEEN[said] for said in directions],
        [_SEEN[line.verdict.size] for line in lines],
        [_SEEN[line.verdict.shape] for line in lines],
    ]
    columns = {
        "pupil": np.array([pupils.setdefault(x.pupil, len(pupils)) for x in lines], np.intp),
        "letter": np.array([letters.setdefault(key, len(letters)) for key in keys], np.intp),
        "days": np.array([days_of(line.at) for line in lines]),
        "help": np.array([_HELP_NUMBERS[line.help] for line in lines], np.int8),
        "judged": np.array([line.judged for line in lines], np.bool_),
        "seen": np.array(seen, np.int8).T,
        "blamed": np.array([_blamed(x) if x.findings else 0 for x in lines], np.uint64),
    }
    found = tuple(LetterKey(glyph, hand) for glyph, hand in letters)
    return Part(tuple(pupils), found, columns, count, faults)


def joined(parts: Sequence[Part]) -> tuple[Evidence, list[str]]:
    """The parts of a file as evidence, in no order, children and letters in an order that does not
    go by how they came; and what is wrong with its lines, each told by its number."""
    pupils = tuple(sorted({name for part in parts for name in part.pupils}))
    letters = tuple(sorted({name for part in parts for name in part.letters}))
    faults, before = list[str](), 0
    for part in parts:
        faults += [f"line {before + number}: {fault}" for number, fault in part.faults]
        before += part.lines
    columns = {
        name: np.concatenate([part.columns[name] for part in parts]) for name in parts[0].columns
    }
    columns["pupil"] = np.concatenate(
        [_placed(p.pupils, pupils)[p.columns["pupil"]] for p in parts]
    )
    columns["letter"] = np.concatenate(
        [_placed(p.letters, letters)[p.columns["letter"]] for p in parts]
    )
    doubt = doubts_at_large(len(columns["days"]))
    return Evidence(pupils, letters, **columns, doubt=doubt), faults


def read_lines(lines: bytes) -> tuple[Evidence, list[str]]:
    """All that can be read of a file, as `joined`."""
    return joined([read_part(lines)])


Name = TypeVar("Name", int, LetterKey)


def _placed(names: tuple[Name, ...], order: tuple[Name, ...]) -> Indices:
    """Where each name stands in an order of all."""
    places = {name: place for place, name in enumerate(order)}
    return np.array([places[name] for name in names], np.intp)


_HELP_NUMBERS = {help_.value: number for number, help_ in enumerate(HELPS)}
_SEEN = {verdict.value: int(seen) for verdict, seen in SEEN_OF.items()}
_CODES = {code.value: code for code in Code}


def _blamed(line: AttemptLine) -> int:
    blamed = 0
    for finding in line.findings:
        if finding.severity == "not_yet":
            move = finding.move
            if isinstance(move, int):
                script = script_of(LetterKey(line.letter, line.hand or ""))
                move = move_named(script, finding.stroke, move)
            blamed |= _named(finding.code, move)
    return blamed


@lru_cache(maxsize=4096)
def _named(code: str, move: str | None) -> int:
    """The strands that a finding names; none by a code of a later version."""
    return blamed_by(_CODES[code], move) if code in _CODES else 0


def parsed_moment(text: str) -> datetime:
    """A moment as it is written in these lines; raises EvidenceError."""
    try:
        return datetime.fromisoformat(text)
    except ValueError as error:
        raise EvidenceError(f'"{text}" is no moment; write it as 2026-03-01T12:00:00') from error


def days_of(moment: datetime) -> float:
    """A moment in days since 1970; one that says no zone is taken to be in UTC."""
    since = moment - (BEGINNING if moment.tzinfo else _BEGINNING_AT_HOME)
    return since.days + (since.seconds + since.microseconds / 1e6) / A_DAY_S


def write_lines(pupil: int, found: ChildEstimates) -> Iterator[bytes]:
    """A child's estimates, each as a line."""
    encode = msgspec.json.Encoder().encode
    for letter in found.letters:
        yield encode({"pupil": pupil, **_letter_as_json(letter)})
    for habit in found.habits:
        yield encode({"pupil": pupil, **_habit_as_json(habit)})


def _letter_as_json(estimate: LetterEstimate) -> dict[str, object]:
    last = None if estimate.last is None else _day(estimate.last)
    pause = timedelta(days=estimate.chance.pause_days)
    return {
        **_key_as_json(estimate.key),
        "dimension": estimate.dimension,
        **_chance_as_json(estimate.chance),
        "state": estimate.chance.state,
        "last": last,
        "due": last and last + pause,
    }


def _habit_as_json(estimate: HabitEstimate) -> dict[str, object]:
    return {
        "habit": estimate.strand.habit.key,
        "dimension": estimate.strand.dimension,
        **_chance_as_json(estimate.chance),
        "state": estimate.chance.state,
        "letters": list(dict.fromkeys(key.glyph for key in estimate.letters)),
    }


def _key_as_json(key: LetterKey) -> dict[str, str]:
    hand = {"hand": key.hand} if key.hand else {}
    return {"letter": key.glyph, **hand}


def _chance_as_json(chance: Chance) -> dict[str, float]:
    return {"p": chance.p, "low": chance.low, "high": chance.high, "rests_on": chance.rests_on}


def _day(days: float) -> date:
    return (BEGINNING + timedelta(days=days)).date()


def in_words(pupil: int, found: ChildEstimates) -> Iterator[bytes]:
    """A child's estimates, each as a line to be read."""
    for letter in found.letters:
        name = " ".join([letter.key.glyph, *([letter.key.hand] if letter.key.hand else [])])
        yield _in_words(pupil, name, letter.dimension, letter.chance)
    for habit in found.habits:
        yield _in_words(pupil, habit.strand.habit.name, habit.strand.dimension, habit.chance)


def _in_words(pupil: int, name: str, dimension: Dimension, chance: Chance) -> bytes:
    state = chance.state.replace("_", " ")
    how_sure = f"{chance.p:.0%} ({chance.low:.0%} to {chance.high:.0%}) of {chance.rests_on}"
    return f"{pupil}: {name}, {dimension}: {state}, {how_sure}".encode()
