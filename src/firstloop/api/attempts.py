"""Answers about what children wrote: the children, attempts, findings, verdicts."""

from collections.abc import Collection, Mapping
from datetime import date, datetime

from firstloop.api.answer import Answer
from firstloop.api.ink import InkStroke, strokes_out
from firstloop.api.words_said import JudgementOut, judgement_out
from firstloop.core.checking.say.findings import Finding
from firstloop.core.contract import Code, Dimension, Stage, Verdict
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Handedness, Help, Kind, Source
from firstloop.core.judging.told_here import told_here
from firstloop.core.judging.trust import by_trust
from firstloop.core.teaching.gets import LineSize, Side
from firstloop.core.teaching.roster import Presence
from firstloop.store.records import AttemptRecord, PupilRecord


class GetsOut(Answer):
    """What a child gets otherwise than its class. `model_on` is where its model stands: as it is
    said, or where its hand does not cover it."""

    lines: LineSize
    fewer: bool
    more_help: bool
    model_side: Side | None
    model_on: Side
    stage: Stage | None


class PupilOut(Answer):
    """A child."""

    id: int
    name: str
    handedness: Handedness
    gets: GetsOut
    tile: str | None
    presence: Presence
    since: date | None


class Verdicts(Answer):
    """The three verdicts."""

    direction: Verdict
    size: Verdict
    shape: Verdict


class FindingOut(Answer):
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
    other: str | None = None


class AttemptOut(Answer):
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
    gets = pupil.gets
    return PupilOut(
        id=pupil.id,
        name=pupil.name,
        handedness=pupil.handedness,
        gets=GetsOut(
            lines=gets.lines,
            fewer=gets.fewer,
            more_help=gets.more_help,
            model_side=gets.model_side,
            model_on=gets.side_for(pupil.handedness),
            stage=gets.stage,
        ),
        tile=pupil.tile,
        presence=pupil.presence,
        since=pupil.since,
    )


def verdicts_out(verdicts: Mapping[Dimension, Verdict]) -> Verdicts:
    """Verdicts as an answer."""
    return Verdicts(**{dimension.value: verdicts[dimension] for dimension in Dimension})


def attempt_out(record: AttemptRecord, ink: Ink, doubts: Collection[Code]) -> AttemptOut:
    """A kept attempt as an answer; what is doubted in the class is told after the rest."""
    attempt, checked = record.attempt, record.attempt.checked
    word = record.judgement.word if record.judgement else None
    say = told_here(checked.findings, checked.verdicts, doubts, word)
    return AttemptOut(
        id=record.id,
        pupil=pupil_out(record.pupil),
        letter=attempt.task.target,
        kind=attempt.task.kind,
        source=attempt.source,
        help=attempt.help,
        written_at=attempt.written_at,
        strokes=strokes_out(ink),
        reads_as=checked.reads_as,
        checked=verdicts_out(checked.verdicts),
        held=verdicts_out(record.held),
        findings=[_finding_out(finding) for finding in by_trust(checked.findings, doubts)],
        say=say if checked.is_judged else checked.say,
        judged=checked.is_judged,
        text_id=attempt.within.text_id if attempt.within else None,
        judgement=judgement_out(record.judgement),
    )


def _finding_out(finding: Finding) -> FindingOut:
    return FindingOut.model_validate(finding, from_attributes=True)
