"""The catalogue of findings: one record a code, in the order a teacher would talk about them.

Each says what the finding is about, from where on it is worth watching and worth correcting, and
why; what the teacher and the child are told; and what explains it away. "Contract" in a reason is
the section "what is not a fault" of docs/checking.md: a start within about 0.2 u, a return within
about 0.15 u and a height within about 15 % are every hand's, so no `nearly` lies below these.

What is said to a child is short, kind, about the next try, and never that the last one was bad.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache

from firstloop.core.checking.say import next_one
from firstloop.core.checking.say.limit import Limit
from firstloop.core.checking.say.said import Said, bodies, times
from firstloop.core.contract import Code, Dimension, Stage

Template = Callable[[Said], str]


@dataclass(frozen=True, slots=True)
class FindingKind:
    """All that is known of a code. `explained_by` are the codes that, found to mend, already
    explain it, whatever the letter; what depends on how a letter was made is in
    `consequences.py`."""

    code: Code
    dimension: Dimension
    limit: Limit
    note: Template
    say: Template
    explained_by: frozenset[Code] = frozenset()


_KINDS = (
    FindingKind(
        Code.START_PLACE,
        Dimension.DIRECTION,
        Limit(
            0.25,
            0.35,
            "u",
            "Contract: 0.2 u is everyone's. A third of the body is the wrong place.",
        ),
        note=lambda s: f"Started {s.begun}; {s.name} starts {s.start}.",
        say=lambda s: f"Start {s.start}: {s.first_moves}.",
        explained_by=frozenset({Code.STROKE_ORDER, Code.ENTRY_MISSING}),
    ),
    FindingKind(
        Code.STROKE_ORDER,
        Dimension.DIRECTION,
        Limit(1, 1, "count", "A stroke is in its turn or it is not."),
        note=lambda s: f"The {s.part} was made before its turn.",
        say=lambda s: f"First {s.first_move}; the {s.part} comes later.",
    ),
    FindingKind(
        Code.STROKE_DIRECTION,
        Dimension.DIRECTION,
        Limit(0.2, 0.3, "share", "Of the stroke's length: less is a hook where the pen landed."),
        note=lambda s: (
            f"{s.size:.0%} of the stroke ran against its direction, from the {s.part} on."
        ),
        say=lambda s: f"Begin {s.start}: {s.first_moves}.",
    ),
    FindingKind(
        Code.EXTRA_LIFT,
        Dimension.DIRECTION,
        Limit(1, 1, "count", "A lift is there or it is not."),
        note=lambda s: (
            f"The pen was lifted {times(s.size)} where {s.name} goes on, at the {s.part}."
        ),
        say=lambda _: "Keep your pen down and go on.",
        explained_by=frozenset({Code.START_PLACE, Code.STROKE_ORDER, Code.STROKE_DIRECTION}),
    ),
    FindingKind(
        Code.MIRRORED,
        Dimension.SHAPE,
        Limit(
            0.5,
            0.5,
            "share",
            "Of the evidence: more of it speaks for the mirror image than against.",
        ),
        note=lambda s: f"{s.name} is written mirrored, left and right exchanged.",
        say=lambda s: f"Begin {s.start} and go the other way: {s.first_words}.",
    ),
    FindingKind(
        Code.TURNED,
        Dimension.SHAPE,
        Limit(
            30, 45, "degrees", "Half way to lying on its side; less is a lean, which is `slant`'s."
        ),
        note=lambda s: f"{s.name} is turned by {s.size:.0f} degrees.",
        say=lambda s: f"Turn it the right way up: begin {s.start}, {s.first_words}.",
    ),
    FindingKind(
        Code.MISSING_PART,
        Dimension.SHAPE,
        Limit(1, 1, "count", "A part is there or it is not."),
        note=lambda s: f"The {s.part} (move {s.number}) is not there.",
        say=lambda s: f"One part is still to come: the {s.part}.",
    ),
    FindingKind(
        Code.EXTRA_PART,
        Dimension.SHAPE,
        Limit(
            0.35,
            0.55,
            "u",
            "Hooks where a pen lands are a fifth of the body; half of it is a part.",
        ),
        note=lambda s: (
            f"There is more than {s.name} has: about {bodies(s.size)} of line, at the {s.part}."
        ),
        say=lambda s: f"After the {s.last_part} {s.the} is done: lift your pen.",
    ),
    FindingKind(
        Code.OPEN_GAP,
        Dimension.SHAPE,
        Limit(
            0.2,
            0.28,
            "u",
            "Contract: a closure within 0.15 u is everyone's; a quarter of the body shows.",
        ),
        note=lambda s: f"The {s.part} does not close: a gap of {bodies(s.size)}.",
        say=lambda s: f"Close it: let the {s.part} touch.",
        explained_by=frozenset({Code.STROKE_DIRECTION, Code.MISSING_PART}),
    ),
    FindingKind(
        Code.RETRACE_GAP,
        Dimension.SHAPE,
        Limit(
            0.17,
            0.22,
            "u",
            "Contract: a return within 0.15 u is everyone's; nearly a quarter shows as a valley.",
        ),
        note=lambda s: f"Going back left its own line by {bodies(s.size)}.",
        say=lambda _: "Go back on your own line before you turn away.",
        explained_by=frozenset({Code.STROKE_DIRECTION, Code.EXTRA_LIFT, Code.WOBBLE}),
    ),
    FindingKind(
        Code.REACH_UP,
        Dimension.SIZE,
        Limit(
            0.22, 0.32, "u", "15 % of a tall part (1.9 u) is 0.28; n and h part at 0.45 u short."
        ),
        note=lambda s: (
            f"{s.tall_part} {'passes' if s.up else 'falls short of'} {s.top} by {bodies(s.size)}."
            if s.is_tall
            else f"{s.name} is {bodies(s.size)} too {'tall' if s.up else 'short'}."
        ),
        say=next_one.how_tall,
    ),
    FindingKind(
        Code.REACH_DOWN,
        Dimension.SIZE,
        Limit(
            0.25,
            0.38,
            "u",
            "Tails vary more than stems; a third of the body short and it stops being one.",
        ),
        note=lambda s: (
            f"The tail {'passes' if s.up else 'falls short of'} {s.drop} by {bodies(s.size)}."
        ),
        say=lambda s: next_one.shorter_tail(s) if s.up else f"Let the tail go down under {s.base}.",
    ),
    FindingKind(
        Code.DOT_PLACE,
        Dimension.SHAPE,
        Limit(
            0.4,
            0.6,
            "u",
            "A dot may stand anywhere in the upper space over its stem, not beyond it.",
        ),
        note=lambda s: f"The dot is {bodies(s.size)} away from its place.",
        say=lambda s: (
            "Put the dot right above the stem, not far."
            if s.name in "ij"
            else "Put the dot in its own place, not far."
        ),
    ),
    FindingKind(
        Code.READS_AS_OTHER,
        Dimension.SHAPE,
        Limit(
            0.0,
            0.012,
            "margin",
            "Difference of reading cost; by trial on pupils not used in tests.",
        ),
        note=lambda s: f"The shape would be read as {s.other}.",
        say=next_one.tell_apart,
        explained_by=frozenset(
            {
                Code.OPEN_GAP,
                Code.DOT_PLACE,
                Code.ENTRY_MISSING,
                Code.EXIT_MISSING,
                Code.WIDTH,
                Code.UNEVEN_PARTS,
            }
        ),
    ),
    FindingKind(
        Code.ENTRY_MISSING,
        Dimension.SHAPE,
        Limit(0.5, 0.7, "share", "Of the lead-in's length that is not there."),
        note=lambda s: f"{s.name} has no lead-in; {s.size:.0%} of it is missing.",
        say=lambda s: f"Set off at {s.base} and lead in.",
    ),
    FindingKind(
        Code.EXIT_MISSING,
        Dimension.SHAPE,
        Limit(0.5, 0.7, "share", "Of the flick's length that is not there."),
        note=lambda s: f"{s.name} is not led out; {s.size:.0%} of the flick is missing.",
        say=lambda _: "Finish with a flick, ready for the next letter.",
    ),
    FindingKind(
        Code.LOOP_CROSS,
        Dimension.SHAPE,
        Limit(
            0.25,
            0.4,
            "u",
            "A crossing a quarter off its line is noticed, nearly half is another loop.",
        ),
        note=lambda s: (
            f"The loop crosses {bodies(s.size)} {'above' if s.up else 'below'} its place."
        ),
        say=lambda s: f"Let the loop cross at {s.base}.",
    ),
    FindingKind(
        Code.OFF_BASE,
        Dimension.SIZE,
        Limit(
            0.16, 0.25, "u", "Letters a quarter of the body off the line are seen across the room."
        ),
        note=lambda s: f"Stands {bodies(s.size)} {'above' if s.up else 'below'} {s.base}.",
        say=lambda s: (
            f"Let {s.body} stand {s.on_the_base}; only its tail goes under."
            if s.has_a_tail
            else f"Let {s.the} stand {s.on_the_base}."
        ),
    ),
    FindingKind(
        Code.BODY_HEIGHT,
        Dimension.SIZE,
        Limit(
            0.17,
            0.3,
            "ratio - 1",
            "Contract: 15 % is everyone's; a third no longer fills the space.",
        ),
        note=lambda s: (
            f"The body is {s.size:.0%} {'taller' if s.up else 'smaller'} than from {s.base} "
            f"to {s.mid}."
        ),
        say=next_one.how_large,
    ),
    FindingKind(
        Code.UNEVEN_PARTS,
        Dimension.SHAPE,
        Limit(
            0.4, 0.6, "ratio - 1", "Two humps of which one is half as wide again no longer match."
        ),
        note=lambda s: f"{s.parts.capitalize()} that should match differ by {s.size:.0%}.",
        say=lambda s: f"Make the {s.parts} the same size.",
        explained_by=frozenset({Code.RETRACE_GAP}),
    ),
    FindingKind(
        Code.WIDTH,
        Dimension.SIZE,
        Limit(
            0.36,
            0.48,
            "ratio - 1",
            "Hands differ by a quarter; half as wide again fills its neighbour's place.",
        ),
        note=lambda s: (
            f"The letter is {s.size:.0%} {'wider' if s.up else 'narrower'} than the model."
        ),
        say=lambda s: f"Make {s.the} a little {'slimmer' if s.up else 'wider'}.",
        explained_by=frozenset(
            {
                Code.MISSING_PART,
                Code.RETRACE_GAP,
                Code.ENTRY_MISSING,
                Code.EXIT_MISSING,
                Code.UNEVEN_PARTS,
                Code.SLANT,
            }
        ),
    ),
    FindingKind(
        Code.PART_LENGTH,
        Dimension.SHAPE,
        Limit(0.5, 0.7, "ratio - 1", "Two thirds longer or shorter changes what a part is for."),
        note=lambda s: s.length,
        say=next_one.how_long,
        explained_by=frozenset({Code.WIDTH}),
    ),
    FindingKind(
        Code.SLANT,
        Dimension.SHAPE,
        Limit(14, 20, "degrees", "Contract: a lean within 12 degrees is everyone's."),
        note=lambda s: (
            f"Leans {s.size:.0f} degrees {'right' if s.up else 'left'} of the hand's own slant."
        ),
        say=lambda _: "Let it stand as the model stands.",
    ),
    FindingKind(
        Code.BRANCH_PLACE,
        Dimension.SHAPE,
        Limit(
            0.2,
            0.25,
            "u",
            "Contract: a quarter of the body from the class's branch, or at the very top.",
        ),
        note=lambda s: (
            f"The {s.part} {'meets' if s.meets else 'leaves'} its stem {bodies(s.size)} too "
            f"{'high' if s.up else 'low'}."
        ),
        say=next_one.where_it_branches,
        explained_by=frozenset(
            {
                Code.STROKE_DIRECTION,
                Code.EXTRA_LIFT,
                Code.MISSING_PART,
                Code.OPEN_GAP,
                Code.RETRACE_GAP,
                Code.READS_AS_OTHER,
                Code.BODY_HEIGHT,
                Code.UNEVEN_PARTS,
                Code.WOBBLE,
            }
        ),
    ),
    FindingKind(
        Code.WOBBLE,
        Dimension.SHAPE,
        Limit(
            0.015,
            0.018,
            "u",
            "By trial: beginners' tremor leaves up to 0.013, a line shaken by 0.05 leaves 0.025.",
        ),
        note=lambda s: f"The line shakes by {bodies(s.size)} where it should run smooth.",
        say=lambda _: "Slow and smooth: one steady line.",
    ),
    FindingKind(
        Code.SHAPE_OFF,
        Dimension.SHAPE,
        Limit(
            0.2,
            0.28,
            "u",
            "Mean distance from the model; a good letter of another hand stays under it.",
        ),
        note=lambda s: (
            f"The shape is off its model by {bodies(s.size)} on average; look at the {s.part}."
        ),
        say=lambda s: f"Say it while you write: {s.first_words}.",
    ),
)

CATALOGUE = {kind.code: kind for kind in _KINDS}
"""By code, the most important first."""

LENIENCE = {Stage.BEGINNING: 1.3, Stage.DEVELOPING: 1.0, Stage.SECURE: 0.85}
"""By what the limits of size and shape are multiplied. Size and shape grow steady with practice, so
that a beginner is not corrected for what the next months bring; a wrong direction is learnt by
every repetition, so that its limits are the same for all."""


@lru_cache(maxsize=3)
def limits_for(stage: Stage) -> dict[Code, Limit]:
    """The limits of a stage. What is everyone's (`nearly`) stays so.

    >>> [limits_for(stage)[Code.OFF_BASE].not_yet for stage in Stage]
    [0.325, 0.25, 0.2125]
    >>> limits_for(Stage.SECURE)[Code.START_PLACE] is CATALOGUE[Code.START_PLACE].limit
    True
    """
    return {code: _at_stage(kind, LENIENCE[stage]) for code, kind in CATALOGUE.items()}


def _at_stage(kind: FindingKind, lenience: float) -> Limit:
    limit = kind.limit
    if limit.is_counted or kind.dimension is Dimension.DIRECTION:
        return limit
    return replace(
        limit,
        nearly=max(limit.nearly, limit.nearly * lenience),
        not_yet=max(limit.nearly, limit.not_yet * lenience),
    )
