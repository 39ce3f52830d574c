"""What follows from what: one cause is one finding."""

from collections.abc import Sequence

from firstloop.core.checking.explain.explanation import Explanation
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.checking.measure.size import stands_on_its_tail
from firstloop.core.checking.say.catalogue import CATALOGUE
from firstloop.core.contract import Code, Verdict
from firstloop.core.letters.moves import MoveKind

OF_A_TAIL_ON_THE_LINE = frozenset(
    {
        Code.START_PLACE,
        Code.READS_AS_OTHER,
        Code.OFF_BASE,
        Code.BODY_HEIGHT,
        Code.UNEVEN_PARTS,
        Code.BRANCH_PLACE,
        Code.WIDTH,
    }
)
"""What a letter pushed up or squeezed for its tail's sake is as well."""

OF_A_BAR = frozenset(
    {
        Code.READS_AS_OTHER,
        Code.PART_LENGTH,
        Code.OPEN_GAP,
        Code.OFF_BASE,
        Code.BODY_HEIGHT,
        Code.WIDTH,
    }
)
"""What a letter is as well whose bar, and all that goes round it, was begun too high or too low."""

A_PLAIN_SHAKE = 0.025
"""[u] What shakes more shakes in a small letter too; by trial, as the limit of `wobble`."""

Judged = tuple[Measure, Verdict]
"""A measure and where it stands against its limit."""


def without_consequences(found: Sequence[Judged], explanation: Explanation) -> list[Judged]:
    """What remains when what another finding already explains is left out."""
    to_mend = {measure.code: measure for measure, severity in found if severity is Verdict.NOT_YET}
    explained = _in_this_letter(to_mend, explanation)
    for code in CATALOGUE:  # the more important first; what is explained itself explains nothing
        if code in to_mend and code not in explained:
            explained |= {kind.code for kind in CATALOGUE.values() if code in kind.explained_by}
    return [judged for judged in found if judged[0].code not in explained]


def _in_this_letter(codes: dict[Code, Measure], explanation: Explanation) -> set[Code]:
    """What is explained by how this letter was made."""
    explained = _by_its_bar(codes) | _by_its_tail(codes, explanation)
    codes = {code: measure for code, measure in codes.items() if code not in explained}
    for rule in (_by_its_start, _by_its_line, _by_its_lengths, _by_what_it_reads_as):
        explained |= rule(codes, explanation)
    if set(codes) - {Code.SHAPE_OFF}:
        explained.add(Code.SHAPE_OFF)  # it is for what no other code says
    return explained


def _by_its_bar(codes: dict[Code, Measure]) -> set[Code]:
    start = codes.get(Code.START_PLACE)
    return set(OF_A_BAR) if start is not None and start.of_limit < 1.0 else set()


def _by_its_tail(codes: dict[Code, Measure], explanation: Explanation) -> set[Code]:
    on_the_line = Code.REACH_DOWN in codes and stands_on_its_tail(explanation)
    return set(OF_A_TAIL_ON_THE_LINE) if on_the_line else set()


def _by_its_start(codes: dict[Code, Measure], explanation: Explanation) -> set[Code]:
    explained: set[Code] = set()
    first = explanation.written[0].piece.drawn.stroke
    flipped, faults = explanation.settled.flipped, explanation.way.faults
    begun_wrong = any(fault.code is Code.START_PLACE for fault in faults) or first in flipped
    if Code.START_PLACE in codes and begun_wrong:
        # Begun at the foot, the stem is pushed up: a round the other way is a thing of its own.
        explained.add(Code.STROKE_DIRECTION)
    if Code.WIDTH in codes and not flipped and not faults:
        explained.add(Code.START_PLACE)  # a letter too wide begins further off
    return explained


def _by_its_line(codes: dict[Code, Measure], explanation: Explanation) -> set[Code]:
    explained: set[Code] = set()
    wobble, body = codes.get(Code.WOBBLE), codes.get(Code.BODY_HEIGHT)
    if wobble is None:
        return explained
    if not explanation.settled.extra:
        explained.add(Code.EXTRA_PART)  # a line that shakes is longer than it is meant to be
    if body is not None and body.value < 0.0 and wobble.value < A_PLAIN_SHAKE:
        explained.add(Code.WOBBLE)  # the smaller the letter, the more a steady hand's line bends
    return explained


def _by_its_lengths(codes: dict[Code, Measure], explanation: Explanation) -> set[Code]:
    explained: set[Code] = set()
    gap, length = codes.get(Code.OPEN_GAP), codes.get(Code.PART_LENGTH)
    if length is None:
        return explained
    if gap is not None and gap.stroke == length.stroke:
        explained.add(Code.OPEN_GAP)  # a bar of another length ends elsewhere
    if Code.READS_AS_OTHER in codes:
        drawn = explanation.letter.strokes[length.stroke][length.move]
        # A stubby E is no I, for every part is there; but an n without its leg is an r.
        is_a_bar = drawn.move.kind in (MoveKind.CROSS, MoveKind.ARM)
        explained.add(Code.READS_AS_OTHER if is_a_bar else Code.PART_LENGTH)
    return explained


def _by_what_it_reads_as(codes: dict[Code, Measure], explanation: Explanation) -> set[Code]:
    explained: set[Code] = set()
    if Code.READS_AS_OTHER not in codes:
        return explained
    ends = {written.piece.drawn.move.kind for written in explanation.written[-2:]}
    if MoveKind.ARM in ends:  # r with a leg: it is the n that matters
        explained |= {Code.EXTRA_PART, Code.EXIT_MISSING}
    other = codes[Code.READS_AS_OTHER].other or ""
    if Code.BODY_HEIGHT in codes and other.lower() == explanation.letter.name.lower():
        explained.add(Code.READS_AS_OTHER)  # a v that is too tall is no capital
    if Code.START_PLACE in codes and codes[Code.START_PLACE].value > 0:
        explained.add(Code.START_PLACE)  # n with the stem of an h: it is the h that matters
    return explained
