"""A joined letter by itself: its own ink without what leads in and out, which other joined hands
draw otherwise, is judged as inside a word; the lead-in and the way out by themselves."""

from collections.abc import Iterator
from dataclasses import replace

from firstloop.core.checking.letters.judge import Judgement, finding_of, judge
from firstloop.core.checking.letters.setting import Setting
from firstloop.core.checking.measure.lines import STANDARD
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.checking.say.findings import Finding
from firstloop.core.checking.texts.forms import forms_within, is_led
from firstloop.core.checking.texts.joined_pieces import joined_pieces
from firstloop.core.checking.texts.pieces import Piece
from firstloop.core.checking.texts.traces import Trace
from firstloop.core.contract import Code, Verdict
from firstloop.core.geometry.even import Lines
from firstloop.core.letters import Letter, draw, find_script

Findings = tuple[Finding, ...]

OF_ITS_LEADS = frozenset(
    {
        Code.READS_AS_OTHER,
        Code.BODY_HEIGHT,
        Code.WIDTH,
        Code.SHAPE_OFF,
        Code.PART_LENGTH,
        Code.UNEVEN_PARTS,
    }
)
"""What a lead-in of another hand may be taken for, where the letter is looked at with it."""

SEEN_WITHOUT = frozenset({Code.OPEN_GAP, Code.RETRACE_GAP})
"""What only shows where nothing leads over it."""


def as_joined(
    lines: Lines, letter: Letter, setting: Setting, whole: Findings, reads_as: str | None
) -> tuple[Findings, str | None]:
    """What is found in a letter of a joined hand, and what it reads as: as a whole, or where that
    may be its leads' doing, by its own ink. A letter that is not led stays as it is."""
    if not is_led(letter.script):
        return whole, reads_as
    to_mend = _to_mend(whole)
    if to_mend - OF_ITS_LEADS:
        return whole, reads_as
    own = _by_its_own_ink(lines, letter, setting)
    if own is None:
        return whole, reads_as
    mends = _to_mend(own.findings)
    if to_mend or mends & SEEN_WITHOUT:
        return own.findings, own.reads_as
    return whole, reads_as


def _to_mend(findings: Findings) -> frozenset[Code]:
    return frozenset(f.code for f in findings if f.severity is Verdict.NOT_YET)


def _by_its_own_ink(lines: Lines, letter: Letter, setting: Setting) -> Judgement | None:
    traces = tuple(Trace.of(at, line) for at, line in enumerate(lines))
    pieces = joined_pieces(traces, letter.name, setting.hand).pieces
    if len(pieces) != 1 or pieces[0].other_case or len(pieces[0].traces) != len(lines):
        return None
    return judged_on_its_way(pieces[0], letter.name, setting)


def judged_on_its_way(piece: Piece, letter: str, setting: Setting) -> Judgement:
    """A letter found on the way through a joined word: by its own ink, and its lead-in and flick
    where it is the first or the last."""
    forms = forms_within(letter, setting.hand, on_a_way=piece.on_a_way)
    result = judge(piece.lines, forms, setting)
    if not piece.on_a_way or not is_led(setting.hand.scripts[letter]):
        return result
    # The lead-in that was left out is a move of the class's own script.
    found = (replace(f, move=f.move + 1) if f.stroke == 0 else f for f in result.findings)
    return replace(result, findings=(*found, *_leads(piece, letter, setting)))


def _leads(piece: Piece, letter: str, setting: Setting) -> Iterator[Finding]:
    own = draw(find_script(letter, setting.hand), setting.hand.proportions, STANDARD)
    last = len(own.strokes[0]) - 1
    for code, share, move in (
        (Code.ENTRY_MISSING, piece.led_in, 0),
        (Code.EXIT_MISSING, piece.led_out, last),
    ):
        if share is not None:
            measure = Measure(code, max(0.0, 1.0 - share), 0, move)
            found = finding_of(measure, own, setting)
            if found is not None:
                yield found
