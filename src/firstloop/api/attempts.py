"""Answers about what children wrote: the children, attempts, findings, verdicts."""

from collections.abc import Mapping
from datetime import date, datetime

from pydantic import BaseModel

from firstloop.api.ink import InkStroke, strokes_out
from firstloop.core.checking.say.findings import Finding
from firstloop.core.contract import Code, Dimension, Stage, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Handedness, Help, Kind, Source
from firstloop.core.teaching.roster import Presence
from firstloop.store.records import AttemptRecord, JudgementRecord, PupilRecord


class PupilOut(BaseModel):
    """A child."""

    id: int
    name: str
    handedness: Handedness
    stage: Stage | None
    tile: str | None
    presence: Presence
    since: date | None


class Verdicts(BaseModel):
    """The three verdicts."""

    direction: Verdict
    size: Verdict
    shape: Verdict


class FindingOut(BaseModel):
    """One thing seen. `note` is for the teacher, `say` for the child."""

    code: Code
    dimension: Dimension
    severity: Verdict
    stroke: int
    move: int
    measure: float
    limit: float
    unit: str
    note: str
    say: str
    other: str | None


class JudgementOut(BaseModel):
    """The teacher's word. A dimension she does not name stands as the checker found it."""

    made_at: datetime
    direction: Verdict | None
    size: Verdict | None
    shape: Verdict | None
    note: str


class AttemptOut(BaseModel):
    """A kept attempt: its ink, what the checker says, and the teacher's word. `judged` false: the
    checker failed on it, and a later version will judge it."""

    id: int
    pupil: PupilOut
    letter: str
    kind: Kind
    source: Source
    help: Help
    written_at: datetime
    strokes: list[InkStroke]
    reads_as: str | None
    checked: Verdicts
    held: Verdicts
    findings: list[FindingOut]
    say: str
    judged: bool
    text_id: int | None
    """The text that it stands in, of a letter in one."""
    judgement: JudgementOut | None


def pupil_out(pupil: PupilRecord) -> PupilOut:
    """A child as an answer."""
    return PupilOut.model_validate(pupil, from_attributes=True)


def verdicts_out(verdicts: Mapping[Dimension, Verdict]) -> Verdicts:
    """Verdicts as an answer."""
    return Verdicts(**{dimension.value: verdicts[dimension] for dimension in Dimension})


def attempt_out(record: AttemptRecord, ink: Ink) -> AttemptOut:
    """A kept attempt as an answer."""
    attempt = record.attempt
    return AttemptOut(
        id=record.id,
        pupil=pupil_out(record.pupil),
        letter=attempt.task.target,
        kind=attempt.task.kind,
        source=attempt.source,
        help=attempt.help,
        written_at=attempt.written_at,
        strokes=strokes_out(ink),
        reads_as=attempt.checked.reads_as,
        checked=verdicts_out(attempt.checked.verdicts),
        held=verdicts_out(record.held),
        findings=[_finding_out(finding) for finding in attempt.checked.findings],
        say=attempt.checked.say,
        judged=attempt.checked.is_judged,
        text_id=attempt.within.text_id if attempt.within else None,
        judgement=judgement_out(record.judgement),
    )


def judgement_out(judgement: JudgementRecord | None) -> JudgementOut | None:
    """The teacher's word as an answer."""
    if judgement is None:
        return None
    return JudgementOut(
        made_at=judgement.made_at,
        note=judgement.note,
        **{d.value: judgement.verdicts.get(d) for d in Dimension},
    )


def _finding_out(finding: Finding) -> FindingOut:
    return FindingOut.model_validate(finding, from_attributes=True)
