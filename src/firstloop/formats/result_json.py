"""What a check says, as the contract of the check has it in JSON."""

from collections.abc import Mapping
from typing import Any

from firstloop.core.checking.say.findings import Finding, LetterResult, Mark, Result, TextResult
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.task import Task

Answer = dict[str, object]


def as_json(result: Result | TextResult) -> Answer:
    """The fields of an answer, in the order of the contract."""
    common: Answer = {
        "target": result.target,
        "kind": result.kind,
        "hand": result.hand,
        "reads_as": result.reads_as,
        "verdict": result.verdict,
        "findings": [_finding(finding) for finding in result.findings],
        "say": result.say,
    }
    if isinstance(result, TextResult):
        common["letters"] = [_letter(letter) for letter in result.letters]
        common["marks"] = [_mark(mark) for mark in result.marks]
        if result.row is not None:
            common["row"] = {"best": result.row.best, "change": result.row.change}
    return common | {"checker": result.checker}


def unjudged_json(task: Task, hand: str) -> Answer:
    """The answer of a text of which nothing could be seen, for the check failed on it."""
    return {
        "target": task.target,
        "kind": task.kind,
        "hand": hand,
        "reads_as": "",
        "verdict": dict.fromkeys(Dimension, Verdict.UNSEEN),
        "findings": [],
        "say": "",
        "letters": [],
        "marks": [],
    }


def finding_from(data: Mapping[str, Any]) -> Finding:
    """A finding of an answer that was kept."""
    typed = {
        "code": Code(data["code"]),
        "dimension": Dimension(data["dimension"]),
        "severity": Verdict(data["severity"]),
    }
    return Finding(**{**data, **typed})


def verdicts_of_answer(data: Mapping[str, Any]) -> dict[Dimension, Verdict]:
    """The verdicts of an answer that was kept."""
    return {dimension: Verdict(data["verdict"][dimension.value]) for dimension in Dimension}


def _letter(letter: LetterResult) -> Answer:
    return {
        "index": letter.index,
        "target": letter.target,
        "reads_as": letter.reads_as,
        "strokes": letter.strokes,
        "box": letter.box,
        "verdict": letter.verdict,
        "findings": [_finding(finding) for finding in letter.findings],
        "struck": letter.struck,
    }


def _mark(mark: Mark) -> Answer:
    return {"kind": mark.kind, "strokes": mark.strokes, "index": mark.index}


def _finding(finding: Finding) -> Answer:
    fields: Answer = {
        "code": finding.code,
        "dimension": finding.dimension,
        "severity": finding.severity,
        "stroke": finding.stroke,
        "move": finding.move,
        "measure": finding.measure,
        "limit": finding.limit,
        "unit": finding.unit,
        "note": finding.note,
        "say": finding.say,
    }
    if finding.other:
        fields["other"] = finding.other
    if finding.index is not None:
        fields["index"] = finding.index
    return fields
