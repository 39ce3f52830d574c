"""Measures the check of texts on pupils who write another print, and joined, and writes what was
found into docs/words.md. The seed is used for nothing else."""

from collections import defaultdict
from dataclasses import dataclass, field
from pathlib import Path

import numpy as np
from scripts.calibrate import BEGIN, END, Tally, put_into
from scripts.other_print.pages import Page
from scripts.other_print.text_faults import faulty
from scripts.other_print.texts import Case, good

from firstloop.core.checking.say.findings import Finding, TextResult
from firstloop.core.checking.texts.check import check_text
from firstloop.core.contract import Verdict
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style

DOCUMENT = Path(__file__).parents[1] / "docs" / "words.md"
SEED, GOOD, FAULTY = 80_001, 40, 12
ALIKE = str.maketrans("I1|0OCKPSUVWXZ", "llloockpsuvwxz")
"""The same ink, or as good as: nobody tells them apart without the word."""
OVERLAP = {"plain": 0.5, "joined": 0.35}
"""Of a letter's box with its own: from there on it is found where it is."""


RATES = {
    "faults seen": "all_seen",
    "said first": "first",
    "slips of one letter seen": "slips",
    "good texts nagged": "nagged",
    "good texts read without an error": "read",
    "letters of good texts read": "letters_read",
    "letters found where they are": "placed",
}


@dataclass
class Found:
    """What was found of one hand's texts."""

    seen: dict[str, Tally] = field(default_factory=lambda: defaultdict(Tally))
    first: Tally = field(default_factory=Tally)
    all_seen: Tally = field(default_factory=Tally)
    slips: Tally = field(default_factory=Tally)
    nagged: Tally = field(default_factory=Tally)
    read: Tally = field(default_factory=Tally)
    letters_read: Tally = field(default_factory=Tally)
    placed: Tally = field(default_factory=Tally)


def checked(case: Case, ruling: Ruling) -> TextResult:
    ink = Ink(tuple(Stroke.of(stroke) for stroke in case.strokes))
    return check_text(ink, Task(case.target, Kind(case.kind)), Style(case.hand), ruling)


def to_mend(result: TextResult) -> tuple[list[Finding], list[Finding]]:
    """What there is to mend: as it is told of the whole, and with all of its letters."""
    told = [f for f in result.findings if f.severity is Verdict.NOT_YET]
    letters = [f for letter in result.letters for f in letter.findings]
    return told, told + [f for f in letters if f.severity is Verdict.NOT_YET]


def is_right(finding: Finding, case: Case) -> bool:
    there = case.index is None or finding.index is None or finding.index in case.index
    return finding.code.value in case.expected and there


def measure(hand: str, *, other_pages: bool = False) -> Found:
    """What is found of a hand's texts: on the lines and with the pen that they were made for, or
    each on a page and with a digitiser of its own."""
    found, rng, pages = Found(), np.random.default_rng(SEED), np.random.default_rng(SEED + 1)

    def on_its_page(case: Case) -> tuple[Case, Ruling]:
        if not other_pages:
            return case, Ruling(2.0, -1.0)
        page = Page.drawn(pages)
        return page.holds(case, pages), page.ruling

    for case in good(rng, GOOD):
        if case.hand == hand:
            there, ruling = on_its_page(case)
            add_good(found, there, checked(there, ruling))
    for case in faulty(rng, FAULTY):
        if case.hand == hand:
            told, every = to_mend(checked(*on_its_page(case)))
            seen = any(is_right(finding, case) for finding in every)
            found.all_seen.add(seen)
            found.seen[case.fault or ""].add(seen)
            found.first.add(bool(told) and is_right(told[0], case))
            if case.family == "slip":
                found.slips.add(seen)
    return found


def add_good(found: Found, case: Case, result: TextResult) -> None:
    found.nagged.add(bool(to_mend(result)[1]))
    found.read.add(alike(result.reads_as) == alike(case.reads_as or ""))
    left = min(float(stroke[:, 0].min()) for stroke in case.strokes)
    for own in case.letters:
        if own.struck or own.letter == ".":
            continue
        x0, y0, x1, y1 = own.box
        answers = [one for one in result.letters if one.index == own.index and not one.struck]
        box = (x0 - left, y0, x1 - left, y1)
        found.placed.add(any(overlap(one.box, box) >= OVERLAP[case.hand] for one in answers))
        read = {alike(one.reads_as or "") for one in answers}
        found.letters_read.add(alike(own.letter) in read)


def alike(text: str) -> str:
    return text.translate(ALIKE)


Box = tuple[float, float, float, float]


def overlap(one: Box, other: Box) -> float:
    """What two boxes share of what they cover together, each grown by a tenth of a u."""
    ax, ay, a_x, a_y = one[0] - 0.1, one[1] - 0.1, one[2] + 0.1, one[3] + 0.1
    bx, by, b_x, b_y = other[0] - 0.1, other[1] - 0.1, other[2] + 0.1, other[3] + 0.1
    both = max(0.0, min(a_x, b_x) - max(ax, bx)) * max(0.0, min(a_y, b_y) - max(ay, by))
    return both / ((a_x - ax) * (a_y - ay) + (b_x - bx) * (b_y - by) - both)


def report() -> list[str]:
    by_hand = {hand: measure(hand) for hand in OVERLAP} | {
        f"{hand}, other pages": measure(hand, other_pages=True) for hand in OVERLAP
    }
    lines = [
        "| | " + " | ".join(by_hand) + " |",
        "|---" * (1 + len(by_hand)) + "|",
    ]
    for words, name in RATES.items():
        cells = [str(getattr(found, name)) for found in by_hand.values()]
        lines.append(f"| {words} | {' | '.join(cells)} |")
    lines += [
        "",
        "Faults seen, by what was done:",
        "",
        "| fault | " + " | ".join(by_hand) + " |",
        "|---" * (1 + len(by_hand)) + "|",
    ]
    names = sorted({name for found in by_hand.values() for name in found.seen})
    for name in names:
        cells = [_cell(found.seen[name]) for found in by_hand.values()]
        lines.append(f"| {name} | {' | '.join(cells)} |")
    return lines


def _cell(tally: Tally) -> str:
    return f"{tally.hits / tally.of:.2f} of {tally.of}" if tally.of else "–"


def main() -> None:
    put_into(DOCUMENT, BEGIN, END, report())


if __name__ == "__main__":
    main()
