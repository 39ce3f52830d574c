"""Every number that decides something in geometry and checking, but for the limits of findings,
which stand with their codes in `checking/catalogue.py`. There are no others in the code:
what is left in a module says how finely it looks, not what it decides.

All in u (x-heights) unless the unit says otherwise.
"""

SAMPLES = 22
"""Points a path is thinned to for comparing: a letter m is 7 u long, so one each 0.32 u, and
CORNER_SEARCH finds the exact place again."""

INK_SPACING = 0.02
"""u between points of ink when it is measured; well under the limit of any finding."""

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
"""u²: what lies this well on a letter, made in the right way, is clearly that letter."""

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

A_LEAN = 22.0
"""Degrees: by so much a leaning letter is set up straight before it is looked at once more; what
leans by 12 to 32 degrees then stands within ten of upright, which no picture minds."""

NO_NEARER = 0.002
"""u²: a steady child's ink is at least this far from the letter that it is."""

NEAR, VERY_NEAR, NOT_FAR = 0.075, 0.02, 0.12
"""u²: ink is read as a letter only if it is near to it, whatever else is further off; what is very
near to another is that, before anything is said of how it was made; and what is near to none is
the letter asked for if it is not far from it. Of 1,200 letters written for another nine in ten lie
within 0.064 of what they are; of 300 scribbles one in ten within 0.074 of anything."""

ANOTHER_KIND = 0.012
"""u²: what a digit must be nearer by to be read where a letter was asked for, and so on."""

RING = 0.25
"""u from its start to its end, within which a letter of one line is a ring."""

BESIDE, ALONG = 0.3, 0.6
"""u from the letter's line, and cosine of the angle to it, within which ink runs along it."""

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

TOUCHING = 0.08
"""u: an end of the model this near to another part is meant to touch it."""

NEIGHBOURHOOD = 0.3
"""u along the stroke from its end: what is this near belongs to the end itself."""

MAX_STRETCH = 2.0
"""Ink is fitted to a model's box by at most this factor; more would make any line any letter."""

LEANS = (-32.0, -24.0, -16.0, 16.0, 24.0, 32.0)
"""Degrees: leans that are tried on a picture that does not lie well on the letter."""

CLEARLY_LEANS = 0.6
"""A letter leans if stood up its shape costs less than this share of what it costs as it is."""

REACHES, GENTLE = (0.45, 0.35, 0.25), 0.2
"""u: from how far the letter is drawn towards the ink, in turn; over which length it bends."""

BROKEN = 0.12
"""u: a step along the ink as wide as this, with nothing half way, is a break in the line."""

LEFT_OVER_COST = 0.05
"""u² for each u of ink that a form leaves over, when forms are compared."""

RETURN_BAND = (0.15, 0.6)
"""Of the body: the heights between which going back is compared with coming down. Below it the
pen is turning; above it an arch has begun to leave its stem (at 0.64)."""

TURNING = 0.15
"""u at either end of a way up: there the pen turns, and the two lines may part."""

A_LITTLE_ABOVE = 1.2
"""u: where a t is clearly taller than a short letter."""

ABOUT_AS_HIGH = 0.3
"""u: how far above or below the class's own a t may end; from half way to nearly as tall as l."""

NARROW, ROOMY = 0.45, 0.8
"""u: of narrower letters than the first, i and l, the width is that of a line; as wide as the
second are a, n, o."""

STRAIGHT = 0.97
"""Chord over length: a straight line, in the models."""

A_WRONG_FOOT = 0.3
"""u: feet that stand further apart in height are not a letter that slopes: one of them is wrong."""

A_LEG = 0.35
"""u: what comes to the base line from no higher is a bar, not a leg."""

SAME_LINE = 0.06
"""u: what a script draws up to one line is drawn no further apart."""

A_CURVES_END = 1.55
"""u: what a missing end of a curve counts against, so that six tenths of a body are missed and four
tenths are everyone's."""

A_MOUTH = 0.4
"""u between the ends of a letter that stays open; the mouth of an e is narrower, and often shut."""

HALF_WAY_UP = 0.4
"""Of the body: below it a scoop turns, above it goes up where a stem will come down."""

SMALLEST_BODY = 0.1
"""u: a flatter body than this is no body; lengths are not blown up by dividing by less."""

NOTHING = 0.05
"""u: what is no wider has no width to be compared."""

PARTS_AT_A_LIFT = 1.5
"""Times UNUSUAL_WAY: what a way costs more that lifts the pen elsewhere than the child did."""

A_CORNER = -0.5
"""Cosine of the angle between arriving and leaving (120 degrees): a sharper turn has a tip."""

END_SHARE = 0.4
"""Of a line: no more of it belongs to its end, however short it is."""

LEAST_SCALE, MOST_SCALE = 0.5, 2.0
"""By what a part of the ink is drawn down or up at most, to be compared."""

A_DOT, DOT_BOX = 0.4, 0.3
"""u along and across: what is no longer and no wider is a dot, whatever else it is."""

NO_WRITING = 6
"""Traces a letter: of more ink no more than two are tried as one letter, for it is a scribble."""

MOST_TRACES = 5
"""Traces in a row that may be one letter: an E is made of four, and one may be lifted once more."""

BAND = 6
"""Letters by which the text may be ahead of or behind an even share of the ink."""

NO_ONE_LETTER, LEFT_OUT, ONE_TOO_MANY, ONE_MORE_TRACE = 0.13, 0.15, 0.14, 0.03
"""u²: what ink costs at most as the letter asked for, what a letter costs that is left out, and ink
that is a letter too many, with each trace of it after the first."""

A_STEM, A_LONG_BAR = 0.3, 0.75
"""u across: what is narrower is a stem, which one line does not strike out but crosses; and what is
shorter is a bar."""

JUMPS_BACK, JUMPED_BACK = 0.3, 0.12
"""u to the left of what is written, where the pen goes back for a bar or a dot; and u², summed,
that it costs to take what it writes there for the way."""

MORE_THAN_IT_HAS = 0.06
"""u²: what a letter costs more for each trace beyond those of any form of it."""

A_STRUCK_WORD = 1.4
"""u across: what a longer line goes right across is struck out, whatever it is."""

STRUCK_OUT = 0.05
"""u²: what a letter costs that is struck out; less than one that is no letter asked for."""

SPLIT, NOT_ONE = 0.12, 0.2
"""u² against two letters of which one lies over the other; and against traces being one letter,
from which it is cheaper to take them for two, of which one is too many."""

APART, HARDLY_APART, TOO_FAR_APART = 0.9, 0.12, 0.55
"""u² for each u between the traces of one letter, beyond the second (u); and u between them at
most: the arm of a k may stand off its stem, two letters do."""

ELSEWHERE, FURTHEST_OFF, ANOTHER_CASE, SURELY_A_CASE = 0.1, 1.0, 0.03, 0.1
"""u² for each u² that ink stands above or below a letter's place, up to the second; what its
capital costs more than a small letter, or the other way round, and what it costs at most."""

UNDER_THE_LINE = -0.12
"""u: what lies wholly below is no letter but a mark under the line."""

A_RING = 1.3
"""u across: what goes round a letter is larger than a letter's own round."""

STRIKE_SLOPE, STRIKE_STRAIGHT, STRIKES_ACROSS, STRIKES_OUT = 1.2, 0.85, 0.4, 0.65
"""A strike rises by less than the first for each u across, its chord is longer than the second of
it, it is wider than the third (u), and goes over the fourth of what it strikes out."""

STRIDE, LEADS = 6, 18
"""Points of ink (of INK_SPACING) to a step along a joined word: 0.12 u, a thirtieth of a letter;
and along what leads to one, which other joined hands draw otherwise."""

MOST_STEPS = 120
"""Steps a letter: of more ink the steps are longer, for it is a scribble."""

HEADING_WEIGHT, WORST_SAMPLE = 0.25, 0.6
"""u²: what going at right angles costs a step, and what a step costs at most."""

LIFTED_AT_A_JOIN, UNLIFTED = 0.4, 1.2
LEFT_OUT_OF_A_WORD, COMES_TWICE = 2.4, 2.0
"""u², summed over steps: what a join costs that is left out, how much more where the pen is not
lifted, what a letter costs that is left out, and one that comes twice. A letter is some thirty
steps, and as another costs 0.15 and more each."""

MAY_LIE_BESIDE, BESIDE_THE_PATH, BAR_COMES_LATER = 1.6, 0.12, 0.3
"""u: a longer trace is part of the path; u², summed: what a trace costs that lies beside it, and a
capital whose bar does."""

AS_IN_PRINT, CASE_ON_THE_WAY, ANOTHER_ON_THE_WAY, DOUBTED = 0.3, 0.8, 2.6, 2.0
"""u², summed: what a joined word costs more with a letter as in print, in its other case, or with
another in its place; that is looked for only where a letter costs more than the last."""

WINDOW, FAR = 4, 1000.0
"""Letters by which a joined text may be ahead of or behind an even share of the ink; and u² that no
way through it costs."""

NEAR_ITS_DOT, STOP_IS_LOW = 1.3, 0.35
"""u along the line from a letter to its dot at most; u above the line, below which a dot is a stop.
"""

FOOT_BAND, LEAST_FEET, LEAST_RUN, MOST_FEET, STEEPEST_LINE = 0.12, 4, 1.8, 100, 0.27
"""u by which feet on one line may differ; feet, and u of line, from which a slope can be told; feet
that lines are tried on; and the slope (15 degrees) beyond which it is no line of writing."""

LEVEL_COUNTS, HANGS_BELOW, IS_A_TAIL = 4.0, 0.5, 0.7
"""Feet that a line must have more for each u that it climbs in one; what a foot that hangs below it
takes from it; and u below it from which that is a tail. Bars of an e that seem to climb have the
feet of all letters below them."""

MOSTLY_LEVEL, MORE_FEET = 0.75, 1.0
"""Share of the feet: where as many stand level, no other line is looked for; and by how many more
must stand on it."""

CLOSE_ENOUGH, FAR_ENOUGH, ROW_FAR_ENOUGH = 0.1, 0.75, 2.4
"""u of white between letters that stand well: between the first and the second in a word, the first
and the third in a row."""

BARS_MAY_MEET = 0.2
"""u by which the bar of a t or an f may run into its neighbour."""

WORD_NEAR_ENOUGH, WORD_FAR_ENOUGH, WIDER_THAN_INSIDE = 0.6, 2.4, 0.2
"""u of white between words that stand well; and by how much more than inside them it is then."""

DRIFTS_BY, SHARED_BY, A_LIFT = 0.3, 1 / 3, 0.25
"""u from end to end, from which a line of feet may drift; share of its letters from which what they
have in common is the text's; and u that a lift at a join counts for at least."""

ALIKE, CLEARLY_ANOTHER, IS_ANOTHER = 0.36, 0.08, 0.04
"""How easily two letters are confused (0 to 1), above which one may be the other's slip: n for h,
a for d. Where another is read that is less alike, and by more than the second (u²), it was another
letter that was written; what cannot be read is looked at once more, and is another if it is as near
to it as the third."""

MOST_LETTERS = 120
"""Letters of a text that are checked at once: a page of writing at this age has fewer."""

GOES_ON = 0.3
"""u of ink after a letter that the hand does not join, from which a join was begun."""

LANDING = 0.15
"""Share of a joined letter's ink, from its beginning, in which the join lands."""
