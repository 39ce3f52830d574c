"""What only the text as a whole shows: which letters there are, and how they stand together."""

from collections.abc import Iterator, Sequence
from itertools import pairwise

from firstloop.core.checking.texts import measures
from firstloop.core.checking.texts.joins import broken_joins
from firstloop.core.checking.texts.judged import Judged, another, is_all_of_a_size
from firstloop.core.checking.texts.measures import Stood, TextMeasure
from firstloop.core.checking.texts.text_setting import Asked
from firstloop.core.contract import Code
from firstloop.core.evidence.task import Kind


def of_the_text(
    letters: Sequence[Judged], missing: Sequence[int], asked: Asked
) -> Iterator[TextMeasure]:
    """Everything that can be measured of a text beside its letters, in no order; `missing` are
    places of letters without ink, spaces left out."""
    kind, target = asked.task.kind, asked.target
    counting = [one.stood for one in letters if one.counts]
    sized = [one.stood for one in letters if is_all_of_a_size(one)]
    yield from _which(letters, missing, asked)
    yield from measures.gaps(_neighbours(letters), kind, joins=asked.joined)
    yield from measures.sizes(sized)
    if not any(Code.REACH_DOWN in one.to_mend for one in letters):  # that says which, and how
        yield from measures.tails(counting, target)
    if not asked.stand_apart:
        yield from measures.doubles(sized)
    if kind is Kind.SENTENCE and target[-1] in measures.END_MARKS:
        yield from measures.stop(counting, target)
    if asked.joined and not asked.task.may_stand_open:
        counted = [(one.piece, one.stood) for one in letters if one.counts]
        yield from broken_joins(counted, asked.task.open_pairs)


def _neighbours(letters: Sequence[Judged]) -> list[tuple[Stood, Stood]]:
    """Letters with nothing between them: what was struck out is no neighbour."""
    return [
        (a.stood, b.stood)
        for a, b in pairwise(letters)
        if not a.piece.struck and not b.piece.struck
    ]


def _which(
    letters: Sequence[Judged], missing: Sequence[int], asked: Asked
) -> Iterator[TextMeasure]:
    """Letters that are left out, too many, another, or in the other case."""
    target, counted = asked.target, asked.counted
    for place in missing:
        if target[counted[place]] not in measures.MARKS:
            yield TextMeasure(Code.WRONG_LETTER, 1.0, counted[place], by="left out")
    for one in letters:
        if one.piece.struck:
            continue
        if one.piece.letter is None:
            yield TextMeasure(Code.WRONG_LETTER, 1.0, one.index, by="too many")
        elif one.piece.other_case:
            yield TextMeasure(Code.CAPITAL, 1.0, one.index, other=one.stood.letter)
        elif (other := another(one, asked.setting)) is not None:
            yield TextMeasure(Code.WRONG_LETTER, 1.0, one.index, other=other, by="another")
