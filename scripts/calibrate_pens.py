"""Measures the check on difficult pens and on what is struck out, and writes what was found into
docs/checking.md. The seeds are used for nothing else."""

from collections.abc import Iterator
from pathlib import Path

import numpy as np
from scripts.calibrate import PRINT, RULING, Tally, put_into, to_mend
from scripts.calibrate_texts import to_mend as to_mend_in_text
from scripts.other_print import pupils, words
from scripts.other_print.glyphs import Points
from scripts.other_print.pens import PENS, Pen, shaken
from scripts.other_print.strikes import STRIKES, letter_struck, word_struck
from scripts.other_print.texts import WORDS, good
from scripts.other_print.words import Written

from firstloop.core.checking.check import check
from firstloop.core.checking.say.findings import TextResult
from firstloop.core.checking.texts.check import check_text
from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.letters.style import Style

DOCUMENT = Path(__file__).parents[1] / "docs" / "checking.md"
BEGIN, END = "<!-- pens: begin -->", "<!-- pens: end -->"
SEED, LETTERS, TEXTS, SLIPPED, STRUCK = 90_001, 4, 12, 2, 100


def ink_of(strokes: list[Points]) -> Ink:
    return Ink(tuple(Stroke.of(stroke) for stroke in strokes))


def checked(strokes: list[Points], target: str, kind: Kind, hand: str) -> TextResult:
    return check_text(ink_of(strokes), Task(target, kind), Style(hand), RULING)


def on(pen: Pen) -> list[Tally]:
    """Of a pen: good letters nagged, good texts in print and joined nagged, slips seen and said
    first, lines that shake told."""
    rng, reports = np.random.default_rng(SEED), np.random.default_rng(SEED + 1)
    letters, printed, joined, seen, first, shakes = (Tally() for _ in range(6))
    for letter, shape in pupils.good(rng, LETTERS):
        written = ink_of(pen.reports(shape, reports))
        letters.add(bool(to_mend(check(written, Task(letter), PRINT, RULING))))
        if letter not in ".,":
            shaking = ink_of(pen.reports([shaken(stroke) for stroke in shape], reports))
            shakes.add(Code.WOBBLE in to_mend(check(shaking, Task(letter), PRINT, RULING)))
    for slip, letter, shape in pupils.slipped(rng, SLIPPED):
        written = ink_of(pen.reports(shape, reports))
        codes = frozenset(map(Code, slip.expected))
        mend = to_mend(check(written, Task(letter), PRINT, RULING))
        seen.add(bool(codes & set(mend)))
        first.add(bool(codes & set(mend[:1])))
    for case in good(rng, TEXTS):
        strokes = pen.reports(case.strokes, reports)
        result = checked(strokes, case.target, Kind(case.kind), case.hand)
        (joined if case.hand == "joined" else printed).add(bool(to_mend_in_text(result)[1]))
    return [letters, printed, joined, seen, first, shakes]


def struck(how: str, *, whole: bool) -> Tally:
    """How often a word is nagged in which a letter, or which as a whole, is struck out and written
    again."""
    rng, nagged = np.random.default_rng(SEED + 2), Tally()
    for _ in range(STRUCK):
        writer = words.draw_writer(rng, joined=False)
        word = str(rng.choice([one for one in WORDS if len(one) > 2]))
        ink: Written = (
            word_struck(word, how, writer, rng)
            if whole
            else letter_struck(word, int(rng.integers(len(word))), how, writer, rng)
        )
        nagged.add(bool(to_mend_in_text(checked(ink.strokes, word, Kind.WORD, "plain"))[1]))
    return nagged


def report() -> Iterator[str]:
    heads = (
        "pen",
        "good letters nagged",
        "good texts, print",
        "good texts, joined",
        "slips seen",
        "said first",
        "a line that shakes, told",
    )
    yield f"| {' | '.join(heads)} |"
    yield "|---" * len(heads) + "|"
    for name, pen in PENS.items():
        yield f"| {name} | {' | '.join(map(str, on(pen)))} |"
    yield ""
    yield "Words nagged in which a letter, or which as a whole, is struck out and written again:"
    yield ""
    yield "| struck out by | a letter | the word |"
    yield "|---|---|---|"
    for how in STRIKES:
        yield f"| {how} | {struck(how, whole=False)} | {struck(how, whole=True)} |"


def main() -> None:
    put_into(DOCUMENT, BEGIN, END, report())


if __name__ == "__main__":
    main()
