"""Answers that more than one station gives: lines, letters, attempts."""

from collections.abc import Iterable
from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, Field

from firstloop.core import phrases, polyline, progress
from firstloop.core.checking.findings import Code, Dimension, Finding, Verdict
from firstloop.core.errors import InkError
from firstloop.core.ink import MAX_POINTS, Ink, Stroke
from firstloop.core.letterforms import Letter
from firstloop.core.limits import Stage
from firstloop.core.moves import MoveKind
from firstloop.core.polyline import FloatArray
from firstloop.core.ruling import Line, LineLook, Ruling
from firstloop.core.spaces import Space, spaces_filled
from firstloop.store.records import AttemptRecord, Handedness, Help, PupilRecord

Point = tuple[float, float]

PICTURE_SPACING = 0.05
"""u between the points of a picture: a tenth of a pencil's line would not be seen."""


class RulingLine(BaseModel):
    """A ruled line, its height above the base line in u, and how it is drawn."""

    name: Line
    y: float
    look: LineLook


class MoveDrawing(BaseModel):
    """A move to draw and to say. Points in u, y up."""

    kind: MoveKind
    words: str
    points: list[Point]


class LetterDrawing(BaseModel):
    """A letter or word to draw move by move, on its lines; `spaces` are those that it fills."""

    letter: str
    lines: list[RulingLine]
    phrase: str
    spaces: list[Space]
    strokes: list[list[MoveDrawing]]


class Picture(BaseModel):
    """A letter or word to look at: strokes of points in u."""

    text: str
    strokes: list[list[Point]]


class PupilOut(BaseModel):
    """A child."""

    id: int
    name: str
    handedness: Handedness
    stage: Stage | None


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


class InkStroke(BaseModel):
    """One pen-down. Points in u, y up; times in seconds where there are any."""

    points: list[Point]
    times: list[float] | None


Samples = Annotated[list[float], Field(max_length=MAX_POINTS)]


class StrokeIn(BaseModel):
    """One pen-down, as columns: x and y in u (y up, base line 0), t in seconds, f 0 to 1."""

    x: Samples
    y: Samples
    t: Samples | None = None
    f: Samples | None = None


StrokesIn = Annotated[list[StrokeIn], Field(max_length=200)]


class AttemptOut(BaseModel):
    """A kept attempt: its ink, what the checker says, and the teacher's word."""

    id: int
    pupil: PupilOut
    letter: str
    help: Help
    written_at: datetime
    strokes: list[InkStroke]
    reads_as: str
    checked: Verdicts
    held: Verdicts
    findings: list[FindingOut]
    say: str
    judgement: JudgementOut | None


def ruling_lines(ruling: Ruling) -> list[RulingLine]:
    """The four lines, from above."""
    return [RulingLine(name=line, y=ruling.height(line), look=ruling.look(line)) for line in Line]


def letter_drawing(letter: Letter, wording: phrases.Wording) -> LetterDrawing:
    """A letter as an answer, in the teacher's words."""
    words = phrases.move_words(letter.script, wording)
    return LetterDrawing(
        letter=letter.name,
        lines=ruling_lines(letter.ruling),
        phrase=phrases.phrase(letter.script, wording),
        spaces=list(spaces_filled(letter)),
        strokes=[
            [
                MoveDrawing(
                    kind=drawn.move.kind,
                    words=words[drawn.stroke][drawn.index],
                    points=drawn.points.round(4).tolist(),
                )
                for drawn in stroke
            ]
            for stroke in letter.strokes
        ],
    )


def picture(text: str, strokes: Iterable[FloatArray]) -> Picture:
    """Strokes as an answer, no finer than is seen."""
    spaced = [polyline.respace(stroke, PICTURE_SPACING).round(3).tolist() for stroke in strokes]
    return Picture(text=text, strokes=spaced)


def ink_from(strokes: Iterable[StrokeIn]) -> Ink:
    """Ink as it was sent; raises InkError where it is none."""
    return Ink(tuple(_stroke(stroke) for stroke in strokes))


def _stroke(sent: StrokeIn) -> Stroke:
    if len(sent.x) != len(sent.y):
        raise InkError(f"a stroke has {len(sent.x)} x but {len(sent.y)} y; every point needs both")
    return Stroke.of(list(zip(sent.x, sent.y, strict=True)), sent.t, sent.f)


def columns_of(ink: Ink) -> list[StrokeIn]:
    """Ink as it would be sent."""
    return [
        StrokeIn(
            x=stroke.points[:, 0].tolist(),
            y=stroke.points[:, 1].tolist(),
            t=None if stroke.times is None else stroke.times.tolist(),
            f=None if stroke.force is None else stroke.force.tolist(),
        )
        for stroke in ink.strokes
    ]


def pupil_out(pupil: PupilRecord) -> PupilOut:
    """A child as an answer."""
    return PupilOut(id=pupil.id, name=pupil.name, handedness=pupil.handedness, stage=pupil.stage)


def verdicts_out(verdicts: progress.Verdicts) -> Verdicts:
    """Verdicts as an answer."""
    return Verdicts(**{dimension.value: verdicts[dimension] for dimension in Dimension})


def held(record: AttemptRecord) -> progress.Verdicts:
    """The verdicts that count for an attempt."""
    judged = None if record.judgement is None else record.judgement.verdicts
    return progress.held_verdicts(record.attempt.checked.verdicts, judged)


def attempt_out(record: AttemptRecord) -> AttemptOut:
    """A kept attempt as an answer."""
    attempt, judgement = record.attempt, record.judgement
    return AttemptOut(
        id=record.id,
        pupil=pupil_out(record.pupil),
        letter=attempt.letter,
        help=attempt.help,
        written_at=attempt.written_at,
        strokes=[
            InkStroke(
                points=stroke.points.tolist(),
                times=None if stroke.times is None else stroke.times.tolist(),
            )
            for stroke in attempt.ink.strokes
        ],
        reads_as=attempt.checked.reads_as,
        checked=verdicts_out(attempt.checked.verdicts),
        held=verdicts_out(held(record)),
        findings=[_finding_out(finding) for finding in attempt.checked.findings],
        say=attempt.checked.say,
        judgement=None
        if judgement is None
        else JudgementOut(
            made_at=judgement.made_at,
            note=judgement.note,
            **{d.value: judgement.verdicts.get(d) for d in Dimension},
        ),
    )


def _finding_out(finding: Finding) -> FindingOut:
    return FindingOut.model_validate(finding, from_attributes=True)
