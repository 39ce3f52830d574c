"""What the record holds in words of an earlier version, brought up to the words of today.

A step or a finding that is renamed gets a line here, so that what was kept under its old name is
still found. What
has no name of today (it was taken out) is left out, and nothing else fails for it.
"""

from typing import Any

from firstloop.core.contract import Code
from firstloop.core.teaching.steps import StepKind

Data = dict[str, Any]

PLAN_VERSION = 2
"""Of a lesson as it is kept. 1 had no version."""

RENAMED_STEPS: dict[str, str] = {}
"""Names of steps of a lesson, the old one first."""

RENAMED_CODES: dict[str, str] = {}
"""Codes of findings, the old one first."""


def step_kind(name: str) -> StepKind | None:
    """The step of that name; None where there is none any more."""
    name = RENAMED_STEPS.get(name, name)
    return StepKind(name) if name in StepKind.__members__.values() else None


def code(name: str) -> Code | None:
    """The code of that name; None where there is none any more."""
    name = RENAMED_CODES.get(name, name)
    return Code(name) if name in Code.__members__.values() else None


def answer(data: Data) -> Data:
    """What the checker said of a text, with the codes of today; what has none is left out."""

    def known(findings: list[Data]) -> list[Data]:
        named = [(code(finding["code"]), finding) for finding in findings]
        return [{**finding, "code": found.value} for found, finding in named if found]

    letters = [{**one, "findings": known(one["findings"])} for one in data["letters"]]
    return {**data, "findings": known(data["findings"]), "letters": letters}


def plan(data: Data) -> Data:
    """A lesson as it would be kept today. Steps that have come since are there, skipped.

    >>> old = {"new": ["n"], "minutes": 10, "steps": [{"kind": "gone", "minutes": 1.0}]}
    >>> brought = plan(old)
    >>> len(brought["steps"]) == len(StepKind), {step["skipped"] for step in brought["steps"]}
    (True, {True})
    """
    known = [(step_kind(step["kind"]), step) for step in data["steps"]]
    steps = [{**step, "kind": kind.value} for kind, step in known if kind is not None]
    there = {step["kind"] for step in steps}
    steps += [
        {"kind": kind.value, "minutes": 0.5, "skipped": True}
        for kind in StepKind
        if kind.value not in there
    ]
    return {**data, "steps": steps, "version": PLAN_VERSION}
