"""Every limit of the checker: name, unit, reason. There are no others in the code.

All in u (x-heights) unless the unit says otherwise. "Contract" is the section "what is not a
fault" of docs/checking.md: a start within about 0.2 u, a return within about 0.15 u and a height
within about 15 % are every hand's, so no `nearly` lies below these.
"""

from dataclasses import dataclass, replace
from enum import StrEnum
from functools import lru_cache

from firstloop.core.checking.findings import DIMENSION_OF, Code, Dimension, Verdict


@dataclass(frozen=True, slots=True)
class Limit:
    """From `nearly` on a thing is worth watching, from `not_yet` on worth correcting today."""

    nearly: float
    not_yet: float
    unit: str
    reason: str

    @property
    def is_counted(self) -> bool:
        """Whether a thing is there or not, and there is nothing to be lenient about."""
        return self.unit in ("count", "margin") or self.nearly == self.not_yet

    def severity(self, value: float) -> Verdict:
        """Where a measure stands, whatever its sign; of ratios, half as large counts as much as
        twice as large.

        >>> LIMITS[Code.START_PLACE].severity(-0.94).value
        'not_yet'
        >>> LIMITS[Code.START_PLACE].severity(0.1).value
        'secure'
        """
        size = abs(value)
        if self.unit == "ratio - 1":
            ratio = max(1.0 + value, 0.01)
            size = max(ratio, 1.0 / ratio) - 1.0
        if size >= self.not_yet:
            return Verdict.NOT_YET
        return Verdict.NEARLY if size >= self.nearly else Verdict.SECURE


class Stage(StrEnum):
    """How far a class or a child is; what is worth correcting today depends on it."""

    BEGINNING = "beginning"
    DEVELOPING = "developing"
    SECURE = "secure"


LENIENCE = {Stage.BEGINNING: 1.3, Stage.DEVELOPING: 1.0, Stage.SECURE: 0.85}
"""By what the limits of size and shape are multiplied. Size and shape grow steady with practice, so
that a beginner is not corrected for what the next months bring; a wrong direction is learnt by
every repetition, so that its limits are the same for all."""


@lru_cache(maxsize=3)
def limits_for(stage: Stage) -> dict[Code, Limit]:
    """The limits of a stage. What is everyone's (`nearly`) stays so.

    >>> [limits_for(stage)[Code.OFF_BASE].not_yet for stage in Stage]
    [0.325, 0.25, 0.2125]
    >>> limits_for(Stage.SECURE)[Code.START_PLACE] is LIMITS[Code.START_PLACE]
    True
    """
    lenience = LENIENCE[stage]
    return {
        code: limit
        if limit.is_counted or DIMENSION_OF[code] is Dimension.DIRECTION
        else replace(
            limit,
            nearly=max(limit.nearly, limit.nearly * lenience),
            not_yet=max(limit.nearly, limit.not_yet * lenience),
        )
        for code, limit in LIMITS.items()
    }


LIMITS = {
    Code.START_PLACE: Limit(
        0.25, 0.35, "u", "Contract: 0.2 u is everyone's. A third of the body is the wrong place."
    ),
    Code.STROKE_ORDER: Limit(1, 1, "count", "A stroke is in its turn or it is not."),
    Code.STROKE_DIRECTION: Limit(
        0.2, 0.3, "share", "Of the stroke's length: less is a hook where the pen landed."
    ),
    Code.EXTRA_LIFT: Limit(1, 1, "count", "A lift is there or it is not."),
    Code.MIRRORED: Limit(
        0.5, 0.5, "share", "Of the evidence: more of it speaks for the mirror image than against."
    ),
    Code.TURNED: Limit(
        30, 45, "degrees", "Half way to lying on its side; less is a lean, which is `slant`'s."
    ),
    Code.MISSING_PART: Limit(1, 1, "count", "A part is there or it is not."),
    Code.EXTRA_PART: Limit(
        0.35, 0.55, "u", "Hooks where a pen lands are a fifth of the body; half of it is a part."
    ),
    Code.OPEN_GAP: Limit(
        0.2,
        0.28,
        "u",
        "Contract: a closure within 0.15 u is everyone's; a quarter of the body shows.",
    ),
    Code.RETRACE_GAP: Limit(
        0.17,
        0.22,
        "u",
        "Contract: a return within 0.15 u is everyone's; nearly a quarter shows as a valley.",
    ),
    Code.READS_AS_OTHER: Limit(
        0.0, 0.012, "margin", "Difference of reading cost; by trial on pupils not used in tests."
    ),
    Code.DOT_PLACE: Limit(
        0.4, 0.6, "u", "A dot may stand anywhere in the upper space over its stem, not beyond it."
    ),
    Code.ENTRY_MISSING: Limit(0.5, 0.7, "share", "Of the lead-in's length that is not there."),
    Code.EXIT_MISSING: Limit(0.5, 0.7, "share", "Of the flick's length that is not there."),
    Code.LOOP_CROSS: Limit(
        0.25, 0.4, "u", "A crossing a quarter off its line is noticed, nearly half is another loop."
    ),
    Code.PART_LENGTH: Limit(
        0.5, 0.7, "ratio - 1", "Two thirds longer or shorter changes what a part is for."
    ),
    Code.UNEVEN_PARTS: Limit(
        0.4, 0.6, "ratio - 1", "Two humps of which one is half as wide again no longer match."
    ),
    Code.WIDTH: Limit(
        0.4,
        0.55,
        "ratio - 1",
        "Hands differ by a quarter; half as wide again fills its neighbour's place.",
    ),
    Code.SLANT: Limit(14, 20, "degrees", "Contract: a lean within 12 degrees is everyone's."),
    Code.WOBBLE: Limit(
        0.015,
        0.018,
        "u",
        "By trial: beginners' tremor leaves up to 0.013, a line that shakes by 0.05 leaves 0.025.",
    ),
    Code.SHAPE_OFF: Limit(
        0.2,
        0.28,
        "u",
        "Mean distance from the model; a good letter of another hand stays under it.",
    ),
    Code.OFF_BASE: Limit(
        0.16, 0.25, "u", "Letters a quarter of the body off the line are seen across the room."
    ),
    Code.BODY_HEIGHT: Limit(
        0.17, 0.3, "ratio - 1", "Contract: 15 % is everyone's; a third no longer fills the space."
    ),
    Code.REACH_UP: Limit(
        0.22, 0.32, "u", "15 % of a tall part (1.9 u) is 0.28; n and h part at 0.45 u short."
    ),
    Code.REACH_DOWN: Limit(
        0.25,
        0.38,
        "u",
        "Tails vary more than stems; a third of the body short and it stops being one.",
    ),
}

SAMPLES = 22
"""Points a path is thinned to for comparing: a letter m is 7 u long, so one each 0.32 u, and
CORNER_SEARCH finds the exact place again."""

INK_SPACING = 0.02
"""u between points of ink when it is measured; well under any limit above."""

MOST_POINTS = 4000
"""Of one stroke of ink when it is measured: 80 u of line are ten letters m, and no letter."""

MOST_LEAN = 60.0
"""Degrees: a stem that lies flatter than this does not lean, it is something else."""

INK_SMOOTHING = 2.0
"""Samples (of INK_SPACING) of the Gaussian that takes a digitiser's jitter out of the ink."""

STRAY_STROKE = 0.1
"""u: a stroke shorter than this, in a letter without a dot, is a tap, not writing."""

TURN_COST = 0.12
"""u²: cost of going at right angles to the model, as much as lying 0.35 u off it. By trial:
less, and a stroke pushed up passes for one drawn down; more, and tremor outweighs place."""

STRETCH_COST = 0.08
"""u² for each squared unit of log scale: a letter twice as wide costs as much as 0.2 u off."""

UNUSUAL_WAY = 0.02
"""u²: what a way must better the right way by; ink that fits both equally was written right."""

UNEXPLAINED = 0.16
"""u²: mean cost above which no way explains the ink (0.4 u off everywhere); its moves are then
not measured one by one. By trial: other letters cost 0.2 and more, the worst slips under 0.1."""

CORNER_SEARCH = 0.32
"""u of ink around a matched corner in which its true tip is looked for: a sample of the matching on
the longest letter."""

LIFT_SEARCH = 0.6
"""u of ink around a matched pen-up in which the ink's own is looked for: a pen-up is never
mistaken for another, so the search is wider than for corners."""

SMALLEST_BOX = 0.3
"""u: a box side below this is taken as this, so that a straight stem is not stretched."""

COVERED, COVERED_DOT = 0.22, 0.35
"""u: ink this near a part of the letter was written for it; a dot may stand further off."""

ACROSS = 0.25
"""u by which ink that crosses a part at right angles is as good as further off: a stem does not
stand for the bar that crosses it."""

MOSTLY_COVERED = 0.7
"""Share of a stroke: with less ink than this it is not there."""

ON_TOP, GONE_OVER, NOT_OF_THE_LETTER = 0.15, 0.85, 0.3
"""u from other ink within which a stroke goes over it; share of the stroke that must; u, on
average, at which a stroke stands beside the letter."""

CLOSES_A_GAP = 2.5 * COVERED
"""u: a longer stroke does more than close a gap that counts as covered from both its sides."""

SPARE = 1
"""Of the points a stroke is compared by: one without which the letter lacks no more than this does
not belong to it."""

IN_ORDER, CLEARLY_IN_ORDER = 0.15, 0.4
"""u, on average: strokes that lie so near to the letter's own, point by point, are in order; and
those that lie within the second, if they are much further off any other way."""

TURNED_ROUND = 0.65
"""A stroke was written from its end if it lies this much nearer to the model that way round."""

CLEARLY = 0.05
"""u²: ink that lies this well on the class's own form is looked at as no other."""

SURELY = 0.02
"""u²: what lies this well on the letter, made in the right way, is not read as another. Of 33,000
letters of pupils written for another, and 7,000 with slips, those that were lay 0.028 off at least.
"""

LEFT_OVER = (0.1, 0.2, 0.3, 0.4)
"""Shares of the ink's length that may be left over when the letter is done: a curl, a hump."""

CLEARLY_LEFT_OVER = 0.5
"""Something is left over if without it the ink costs less than this share of its cost whole."""

DOUBTFUL = 0.015
"""u² from the letter's picture, above which the ink is tried in the mirror and turned round too."""

POORLY_EXPLAINED = 0.06
"""u²: above this it is looked whether something comes after the letter is done."""

TURNED_SHAPE, TURNED_WAY = (0.5, 0.75), (0.9, 0.6)
"""Ink is mirrored or turned if that way up its shape costs less than a share of what it costs as it
stands, and so does the way it was made: clearly less of the one asks for less of the other."""

LOOKS_LIKE, AS_GOOD = 0.06, 1.5
"""u²: above the first a shape is not the letter whichever way up. Ways up whose costs differ by
less than the second factor are as good; how it was made decides between them."""

NO_NEARER = 0.002
"""u²: a steady child's ink is at least this far from the letter that it is."""

ANOTHER_KIND = 0.012
"""u²: what a digit must be nearer by to be read where a letter was asked for, and so on."""

ROUND_START = 0.45
"""u along a curve: a round may begin this late; a c begun at its crown is still a good c."""

THERE_AT_ALL = 0.25
"""Share of a part's length: with less ink than this it was left out."""

SLACK, SLACK_AT_LEAST = 0.15, 0.2
"""Share of the last part's length, and u, by which it may be longer before it counts as more."""

UPRIGHT_ENOUGH = 0.5
"""u of stem in all, from which a lean can be told."""

SMOOTH_RUN = 0.12
"""u: the Gaussian that gives the smooth course of a line; swings shorter than this are a shake."""

MOST_OF_IT, SHORTEST, LONGEST_DETOUR = 0.65, 12, 3.0
"""Share of the line over which it must shake; points, below which a stroke shows no shake; how much
longer than its course a shaking line is taken to be at most."""

SAME_OTHER_WAY_UP, SAME_ON_ITS_SIDE = 0.0115, 0.06
"""u²: a letter that differs from its mirror image by less than the first (n, T) is not seen to be
mirrored, nor one turned that differs by less than the second from itself on its side (x)."""
