"""A colleague without a screen: she judges the letters of the sets that wait for her, as a second
pair of eyes. She sees what the checker sees, and some of it otherwise; which, the seed says."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

import numpy as np

from firstloop.core.checking.check import check
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.task import Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.demo.pad_client import PadClient
from firstloop.formats.ink_json import ink_from


@dataclass(frozen=True, slots=True)
class Eyes:
    """How she looks: at letters of which hand, and at what share of them otherwise than the
    checker, by one grade of one dimension."""

    style: Style
    otherwise: float
    seed: int


@dataclass(frozen=True, slots=True)
class JudgedSet:
    """A set that waited for her: how many of its letters she judged now."""

    name: str
    letters: int


def judge_sets(colleague: PadClient, eyes: Eyes) -> Iterator[JudgedSet]:
    """Judges what is left of each set that waits for who is signed in. Raises NoAnswerError, and
    FirstLoopError where she is not let in."""
    rng = np.random.default_rng(eyes.seed)
    for one in _asked(colleague, "GET", "/api/blind/sets"):
        place = f"/api/blind/sets/{one['id']}"
        left = [x for x in _asked(colleague, "GET", place) if x["said"] is None]
        for letter in left:
            seen = _seen(letter, eyes, rng)
            _asked(colleague, "PUT", f"{place}/letters/{letter['attempt_id']}", seen)
        yield JudgedSet(one["name"], len(left))


def _asked(colleague: PadClient, method: str, place: str, body: Any = None) -> Any:
    status, answer = colleague.ask(method, place, body)
    if status >= 400:
        raise FirstLoopError(f"the sets cannot be judged: {answer['detail']}")
    return answer


def _seen(letter: dict[str, Any], eyes: Eyes, rng: np.random.Generator) -> dict[str, Any]:
    """What she sees in a letter, as the server takes it."""
    verdicts, codes = _by_the_checker(letter, eyes.style)
    if rng.random() < eyes.otherwise:
        dimension = list(Dimension)[rng.integers(len(Dimension))]
        verdicts[dimension] = _a_grade_off(verdicts[dimension], rng)
    return {**{one.value: verdict.value for one, verdict in verdicts.items()}, "codes": codes}


def _by_the_checker(
    letter: dict[str, Any], style: Style
) -> tuple[dict[Dimension, Verdict], list[Code]]:
    try:
        result = check(ink_from(letter["strokes"]), Task(letter["letter"]), style, Ruling())
    except FirstLoopError:  # nothing that a letter could be seen in
        return dict.fromkeys(Dimension, Verdict.NOT_YET), []
    worst = [one.code for one in result.findings if one.severity is Verdict.NOT_YET]
    return dict(result.verdict), worst[:1]


def _a_grade_off(verdict: Verdict, rng: np.random.Generator) -> Verdict:
    """The grade beside it, of two either."""
    if verdict is not Verdict.NEARLY:
        return Verdict.NEARLY
    return Verdict.SECURE if rng.random() < 0.5 else Verdict.NOT_YET
