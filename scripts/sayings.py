"""Writes every sentence that can be said of a letter into docs/sayings.md, to be read aloud: each
code, glyph, sign, hand and paper. The glyph itself stands as "…"."""

import re
from collections import defaultdict
from collections.abc import Iterator
from pathlib import Path
from typing import NamedTuple

from firstloop.core.checking.measure.branching import WITH_A_BRANCH
from firstloop.core.checking.measure.closures import closures
from firstloop.core.checking.measure.measures import Against, Measure
from firstloop.core.checking.say.catalogue import CATALOGUE
from firstloop.core.checking.say.said import Said
from firstloop.core.checking.texts.catalogue import END_MARKS, TEXT_CATALOGUE, TextSaid
from firstloop.core.checking.texts.measures import TextMeasure
from firstloop.core.contract import Code
from firstloop.core.letters import HANDS, Letter, draw
from firstloop.core.letters.hands import GROUPS, group_of
from firstloop.core.letters.moves import Level, MoveKind
from firstloop.core.letters.ruling import Ruling, RulingKind

DOCUMENT = Path(__file__).parents[1] / "docs" / "sayings.md"
OF_A_WHOLE = (Code.MIRRORED, Code.TURNED, Code.WOBBLE, Code.SHAPE_OFF)
EITHER_WAY = (Code.OFF_BASE, Code.WIDTH, Code.SLANT)
MADE_OF = (MoveKind.ARCH, MoveKind.ARM, MoveKind.WHEEL, MoveKind.ROUND, MoveKind.SLOPE,
           MoveKind.CROSS, MoveKind.SCOOP)  # fmt: skip
MATCHING = (MoveKind.ARCH, MoveKind.SCOOP, MoveKind.SLOPE, MoveKind.CROSS)
WITH_A_LENGTH = (MoveKind.ARM, MoveKind.CROSS, MoveKind.SLOPE, MoveKind.ROUND, MoveKind.WHEEL)


HEAD = """# What is said of a letter

Every sentence that a child can hear of a letter, made by `python -m scripts.sayings` from the
records of `core/checking/say/catalogue.py`: by code, of which letters, on which papers. `…` is the
letter itself. A test holds it to what the program says, and that no sentence names a part that the
letter has not, or a line that is not on its paper.
"""


class Saying(NamedTuple):
    """A sentence that may be said of a glyph, and where."""

    code: Code
    letter: Letter
    paper: RulingKind
    note: str
    say: str


def sayings(hand: str, paper: RulingKind) -> Iterator[Saying]:
    """Everything that can be said of a hand's glyphs on a paper."""
    own = HANDS[hand]
    for script in own.scripts.values():
        letter = draw(script, own.proportions, Ruling.of(paper, 1.9, -0.95))
        for measure in _measures(letter):
            kind, said = CATALOGUE[measure.code], Said(measure, letter, letter.ruling)
            yield Saying(measure.code, letter, paper, kind.note(said), kind.say(said))


def _measures(letter: Letter) -> Iterator[Measure]:
    yield from _of_the_making(letter)
    yield from _of_the_parts(letter)
    yield from _of_the_whole(letter)


def _of_the_making(letter: Letter) -> Iterator[Measure]:
    for value in (-0.5, 0.5):
        yield Measure(Code.START_PLACE, value, 0, 0)
    for at, stroke in enumerate(letter.strokes):
        yield Measure(Code.STROKE_DIRECTION, 1.0, at, 0)
        if at:
            yield Measure(Code.STROKE_ORDER, 1.0, at, 0)
            yield Measure(Code.MISSING_PART, 1.0, at, 0)
        for move in stroke[1:]:
            yield Measure(Code.EXTRA_LIFT, 1.0, at, move.index)


def _of_the_parts(letter: Letter) -> Iterator[Measure]:
    for closure in closures(letter):
        yield Measure(Code.OPEN_GAP, 0.4, closure.stroke, closure.move)
    kinds = [move.move.kind for move in letter.moves]
    for move in letter.moves:
        at, kind = (move.stroke, move.index), move.move.kind
        if kind in MADE_OF:
            yield Measure(Code.MISSING_PART, 1.0, *at)
        if kind is MoveKind.BACK:
            yield Measure(Code.RETRACE_GAP, 0.3, *at)
        if kind is MoveKind.DOT:
            yield Measure(Code.DOT_PLACE, 0.8, *at)
        if kind is MoveKind.LOOP:
            yield from (Measure(Code.LOOP_CROSS, value, *at) for value in (-0.5, 0.5))
        if kind is MoveKind.LEAD_IN:
            yield Measure(Code.ENTRY_MISSING, 1.0, *at)
        if kind is MoveKind.FLICK and MoveKind.LEAD_IN in kinds:
            yield Measure(Code.EXIT_MISSING, 1.0, *at)
        if kind in MATCHING and kinds.count(kind) > 1:
            yield Measure(Code.UNEVEN_PARTS, 0.8, *at)
        if kind in WITH_A_LENGTH:
            yield from (Measure(Code.PART_LENGTH, value, *at) for value in (-0.6, 0.9))
        if letter.name in WITH_A_BRANCH and kind in MADE_OF and kind is not MoveKind.SLOPE:
            yield from (Measure(Code.BRANCH_PLACE, value, *at) for value in (-0.3, 0.3))
    if letter.name in "cuv":
        yield Measure(Code.PART_LENGTH, 1.0, 0, len(letter.strokes[0]) - 1, against=Against.MOUTH)
    last = letter.moves[-1]
    yield Measure(Code.EXTRA_PART, 1.0, last.stroke, last.index)


def _of_the_whole(letter: Letter) -> Iterator[Measure]:
    yield from (Measure(code, 0.5, 0, 0) for code in OF_A_WHOLE)
    both = list(EITHER_WAY)
    small = group_of(letter.name) == "small"
    both += [Code.BODY_HEIGHT] if small else []
    both += [Code.REACH_UP] if letter.script.reaches(Level.TOP) or letter.name == "t" else []
    both += [Code.REACH_DOWN] if letter.script.reaches(Level.DROP) else []
    yield from (Measure(code, value, 0, 0) for code in both for value in (-0.5, 0.5))
    for other in GROUPS[group_of(letter.name)]:
        if other != letter.name:
            yield Measure(Code.READS_AS_OTHER, 0.1, 0, 0, other=other)


def nameless(sentence: str, name: str) -> str:
    """A sentence with the glyph as "…", so that what is said of many stands once.

    >>> nameless("Make n a little wider.", "n")
    'Make … a little wider.'
    """
    if name == "a":
        return sentence.replace("the a ", "the … ").replace("the a.", "the ….")
    return re.sub(rf"(?<![\w']){re.escape(name)}(?![\w'])", "…", sentence)


def document() -> str:
    """The whole table."""
    lines = [HEAD]
    found: dict[Code, dict[str, dict[str, set[str]]]] = defaultdict(
        lambda: defaultdict(lambda: defaultdict(set))
    )
    for paper in RulingKind:
        for hand in HANDS:
            for one in sayings(hand, paper):
                name = one.letter.name
                found[one.code][nameless(one.say, name)][name].add(paper)
    for code in CATALOGUE:
        lines += [f"## `{code}`", "", "| said | of | on |", "|---|---|---|"]
        for said, letters in sorted(found[code].items()):
            papers = set.union(*letters.values())
            on = "all papers" if len(papers) == len(RulingKind) else ", ".join(sorted(papers))
            lines.append(f"| {said} | {_glyphs(letters)} | {on} |")
        lines.append("")
    return "\n".join([*lines, *_texts()])


OF_A_TEXT = (
    TextMeasure(Code.WRONG_LETTER, 1.0, 1, by="left out"),
    TextMeasure(Code.WRONG_LETTER, 1.0, 1, other="m", by="too many"),
    TextMeasure(Code.WRONG_LETTER, 1.0, 1, other="m", by="another"),
    TextMeasure(Code.CAPITAL, 1.0, 0, other="a"),
    TextMeasure(Code.CAPITAL, 1.0, 1, other="N"),
    *(TextMeasure(Code.STOP, 1.0, 9, other=mark, by=by)
      for mark in END_MARKS for by in ("missing", "floats")),
    *(TextMeasure(Code.JOIN_BROKEN, 0.4, 3, by=by)
      for by in ("lifted", "gap", "lands over", "lands under")),
    *(TextMeasure(code, value, at, by=by)
      for code, at in ((Code.WORD_GAP, 2), (Code.SPACING, 3))
      for value, by in ((-0.3, "close"), (0.5, "wide"))),
    TextMeasure(Code.DOUBLES_DIFFER, 0.4, 4),
    *(TextMeasure(Code.SIZE_UNEVEN, value, 1, by=by)
      for value, by in ((0.4, "larger"), (-0.4, "smaller"))),
    TextMeasure(Code.TAILS_UNEVEN, 0.5, None),
    *(TextMeasure(Code.LINE_DRIFT, value, None) for value in (5.0, -5.0)),
)  # fmt: skip
"""Everything that can be measured of a text, each way that it is told."""

EXAMPLE = "An egg puff"
"""The text that it is said of in the table."""


def text_sayings() -> Iterator[tuple[Code, str, str]]:
    """Everything that can be said of a text: the code, to the teacher, to the child."""
    for measure in OF_A_TEXT:
        kind, said = TEXT_CATALOGUE[measure.code], TextSaid(measure, EXAMPLE)
        yield measure.code, kind.note(said), kind.say(said)


def _texts() -> list[str]:
    lines = [f"## Of a text, such as “{EXAMPLE}”", "", "| code | to the teacher | said |"]
    lines.append("|---|---|---|")
    lines += [f"| `{code}` | {note} | {say} |" for code, note, say in text_sayings()]
    return [*lines, ""]


def _glyphs(letters: dict[str, set[str]]) -> str:
    order = [name for group in GROUPS.values() for name in group]
    names = sorted(letters, key=order.index)
    return " ".join(f"`{name}`" if name != "|" else "`\\|`" for name in names)


if __name__ == "__main__":
    DOCUMENT.write_text(document(), encoding="utf-8")
