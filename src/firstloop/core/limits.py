"""Every limit of the checker: name, unit, reason. There are no others in the code.

All in u (x-heights) unless the unit says otherwise. "Contract" is the section "what is not a
fault" of docs/checking.md: a start within about 0.2 u, a return within about 0.15 u and a height
within about 15 % are every hand's, so no `nearly` lies below these.
"""

from dataclasses import dataclass

from firstloop.core.checking.findings import Code, Verdict


@dataclass(frozen=True, slots=True)
class Limit:
    """From `nearly` on a thing is worth watching, from `not_yet` on worth correcting today."""

    nearly: float
    not_yet: float
    unit: str
    reason: str

    def severity(self, value: float) -> Verdict:
        """Where a measure stands, whatever its sign.

        >>> LIMITS[Code.START_PLACE].severity(-0.94).value
        'not_yet'
        >>> LIMITS[Code.START_PLACE].severity(0.1).value
        'secure'
        """
        size = abs(value)
        if size >= self.not_yet:
            return Verdict.NOT_YET
        return Verdict.NEARLY if size >= self.nearly else Verdict.SECURE


LIMITS = {
    Code.START_PLACE: Limit(
        0.25, 0.35, "u", "Contract: 0.2 u is everyone's. A third of the body is the wrong place."
    ),
    Code.STROKE_DIRECTION: Limit(
        0.2, 0.3, "share", "Of the stroke's length: less is a hook where the pen landed."
    ),
    Code.EXTRA_LIFT: Limit(1, 1, "count", "A lift is there or it is not."),
    Code.MISSING_PART: Limit(1, 1, "count", "A part is there or it is not."),
    Code.RETRACE_GAP: Limit(
        0.17,
        0.24,
        "u",
        "Contract: a return within 0.15 u is everyone's; a gap of a quarter shows as a valley.",
    ),
    Code.READS_AS_OTHER: Limit(
        0.0, 0.012, "margin", "Difference of reading cost; by trial on pupils not used in tests."
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
}

SAMPLES = 40
"""Points a path is thinned to for matching: a letter m is 7 u long, so one each 0.18 u, and
CORNER_SEARCH finds the exact place again."""

INK_SPACING = 0.02
"""u between points of ink when it is measured; well under any limit above."""

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

CORNER_SEARCH = 0.3
"""u of ink around a matched corner in which its true tip is looked for: three samples of the
matching on the longest letter."""

LIFT_SEARCH = 0.6
"""u of ink around a matched pen-up in which the ink's own is looked for: a pen-up is never
mistaken for another, so the search is wider than for corners."""
