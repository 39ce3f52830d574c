"""The letters of a text, each judged by the check of letters."""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from firstloop.core.checking.letters.judge import Judgement
from firstloop.core.checking.letters.setting import Setting
from firstloop.core.checking.texts.alphabet import whole_alphabet
from firstloop.core.checking.texts.measures import MARKS, Stood
from firstloop.core.checking.texts.pieces import Laid, Piece
from firstloop.core.checking.texts.text_setting import Asked
from firstloop.core.checking.texts.traces import Trace, box_of
from firstloop.core.contract import Code, Verdict
from firstloop.core.geometry.even import Lines
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.likeness import confusable

ALIKE, CLEARLY_ANOTHER, IS_ANOTHER = 0.36, 0.08, 0.04
"""[0 to 1, u², u²] How easily two letters are confused (0 to 1), above which one may be the other's
slip: n for h, a for d. Where another is read that is less alike, and by more than the second (u²),
it was another letter that was written; what cannot be read is looked at once more, and is another
if it is as near to it as the third."""


@dataclass(frozen=True, slots=True, eq=False)
class Judged:
    """A piece of a text, where it stands on its line of feet, its ink (n, 2) on the page, and what
    the check of letters says of it; nothing of a mark, of what is struck out or too many."""

    piece: Piece
    stood: Stood
    page: Lines
    result: Judgement | None

    @property
    def index(self) -> int:
        """Its place in the text, spaces counted; in a row, which one written it is."""
        return self.stood.index

    @property
    def to_mend(self) -> frozenset[Code]:
        """The codes of what there is to mend in it."""
        found = self.result.findings if self.result is not None else ()
        return frozenset(f.code for f in found if f.severity is Verdict.NOT_YET)

    @property
    def counts(self) -> bool:
        """Whether it is a letter that was asked for."""
        return not self.piece.struck and self.piece.letter is not None


Judges = Callable[[Piece, str, Setting], Judgement]
"""What judges a piece as a letter."""


def judged(laid: Laid, asked: Asked, left: float, slope: float, judge: Judges) -> list[Judged]:
    """All pieces of a text, judged; `left` is the left edge of all the ink, `slope` that of the
    line that was levelled."""
    places = _places(laid, asked)
    return [
        _judged(piece, index, asked.setting, (left, slope), judge)
        for piece, index in zip(laid.pieces, places, strict=True)
    ]


def _places(laid: Laid, asked: Asked) -> list[int]:
    if not asked.is_row:
        counted = asked.counted
        return [counted[min(piece.place, len(counted) - 1)] for piece in laid.pieces]
    written = np.cumsum([0, *(not piece.struck for piece in laid.pieces)])
    return [int(at) for at in written[:-1]]


def _judged(
    piece: Piece, index: int, setting: Setting, placed: tuple[float, float], judge: Judges
) -> Judged:
    left, slope = placed
    lines = tuple(setting.onto.back(line) - np.array([left, 0.0]) for line in piece.lines)
    letter = piece.letter or ""
    if piece.other_case:
        letter = letter.swapcase()
    stood = Stood(index, letter, box_of(np.vstack(lines)), lines, lines[0][0], lines[-1][-1])
    climbs = np.array([[1.0, slope], [0.0, 1.0]])
    page = tuple(line @ climbs for line in lines) if slope else lines
    if piece.struck or not letter or letter in MARKS:
        return Judged(piece, stood, page, None)
    return Judged(piece, stood, page, judge(piece, letter, setting))


_PARTS = frozenset(
    {
        Code.REACH_UP,
        Code.PART_LENGTH,
        Code.READS_AS_OTHER,
        Code.MISSING_PART,
        Code.EXTRA_PART,
        Code.SLANT,
        Code.SHAPE_OFF,
    }
)


def is_all_of_a_size(one: Judged) -> bool:
    """Whether its height tells its size: not where one part of it is too long or is not there, or
    where it is another letter."""
    if one.result is None or not one.counts or one.piece.other_case:
        return False
    return Code.BODY_HEIGHT in one.to_mend or not one.to_mend & _PARTS


def another(one: Judged, setting: Setting) -> str | None:
    """The letter that was written in place of the one asked for, if it clearly is another, and not
    what a slip makes of it."""
    result = one.result
    if result is None or one.piece.other_case or Code.MIRRORED in one.to_mend:
        return None
    asked, read = one.stood.letter, result.reads_as
    if read is None or Code.SHAPE_OFF in one.to_mend:
        read = _looks_like(one, setting)
        clearly = read is not None
    else:
        # A u turned round is an n; and what goes along another's way and reads as it is that.
        as_other = Code.TURNED in one.to_mend or one.piece.another == read
        clearly = as_other or any(
            f.code is Code.READS_AS_OTHER and f.measure >= CLEARLY_ANOTHER for f in result.findings
        )
    if read is None or not clearly or read.lower() == asked.lower():
        return None
    slipped = confusable(setting.hand, asked, read) > ALIKE and Code.TURNED not in one.to_mend
    return None if slipped else read


def _looks_like(one: Judged, setting: Setting) -> str | None:
    """The small letter that ink looks like which is not what was asked for; None if it is like none
    much more than like that."""
    alphabet = whole_alphabet(setting.hand)
    traces = [Trace.of(at, line) for at, line in enumerate(one.piece.lines)]
    costs = dict(zip(alphabet.names, alphabet.costs([traces])[0].tolist(), strict=True))
    best = min(GROUPS["small"], key=lambda letter: costs[letter])
    clearly = costs[best] < IS_ANOTHER and costs[one.stood.letter] - costs[best] > CLEARLY_ANOTHER
    return best if clearly else None
