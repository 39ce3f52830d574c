"""Measures the checker on made-up pupils and writes what was found into docs/checking.md.

The seeds are used for nothing else: limits were chosen by trial on others. Each rate stands with
its 95 % interval (Wilson's).
"""

from collections import Counter, defaultdict
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, field
from itertools import combinations
from math import sqrt
from pathlib import Path

import numpy as np
from scripts.other_print import pupils as other_print
from scripts.other_print.makes import PRINTED, digits, hershey
from scripts.slip_pictures import write_slip_pictures

from firstloop.core.checking.check import check
from firstloop.core.checking.say.findings import Result
from firstloop.core.contract import Code, Dimension, Stage, Verdict
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import HANDS, PLAIN, Hand
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS, Slip
from firstloop.core.letters.style import Style

DOCUMENT = Path(__file__).parents[1] / "docs" / "checking.md"
BEGIN, END = "<!-- measured: begin -->", "<!-- measured: end -->"
RULING = Ruling(top=2.0, drop=-1.0)
SEED, CLEAN, SLIPPED, TWICE, PAIRS, DIGITS = 70_001, 8, 4, 3, 300, 40
SAME_SHAPE = {"0": "0O", "O": "0O", "1": "1lI", "l": "1lI", "I": "1lI"}
BEFORE = {
    "single-line print, plain hand": (1.000, 0.097),
    "single-line print, flick hand": (0.903, 0.097),
    "digits of many makes": (0.950, 0.178),
}
"""What version 4 of the checker, which asked only which letter is nearer, made of the same ink."""


@dataclass
class Tally:
    """How often something was so, of how many."""

    hits: int = 0
    of: int = 0

    def add(self, hit: bool) -> None:
        self.hits += hit
        self.of += 1

    def __str__(self) -> str:
        if not self.of:
            return "–"
        low, high = wilson(self.hits, self.of)
        return f"{self.hits / self.of:.3f} ({low:.3f}–{high:.3f})"


PRINT = Style("plain")


def wilson(hits: int, of: int) -> tuple[float, float]:
    """The 95 % interval of a rate (Wilson 1927)."""
    z, share = 1.96, hits / of
    middle = (share + z * z / (2 * of)) / (1 + z * z / of)
    half = z / (1 + z * z / of) * sqrt(share * (1 - share) / of + z * z / (4 * of * of))
    return max(0.0, middle - half), min(1.0, middle + half)


@dataclass
class Measured:
    """What was found of one kind of ink."""

    seen: dict[Code, Tally] = field(default_factory=lambda: defaultdict(Tally))
    false: Counter[Code] = field(default_factory=Counter)
    taken_for: Counter[tuple[Code, str]] = field(default_factory=Counter)
    first: Tally = field(default_factory=Tally)
    all_seen: Tally = field(default_factory=Tally)
    nagged: Tally = field(default_factory=Tally)
    read: Tally = field(default_factory=Tally)

    def add_good(self, result: Result, reads_as: Iterable[str]) -> None:
        mend = to_mend(result)
        self.nagged.add(bool(mend))
        self.false.update(mend)
        self.read.add((result.reads_as or "?") in reads_as)

    def add_slip(self, result: Result, codes: frozenset[Code], name: Code) -> None:
        mend = to_mend(result)
        self.seen[name].add(bool(codes & set(mend)))
        self.all_seen.add(bool(codes & set(mend)))
        self.first.add(bool(codes & set(mend[:1])))
        if not codes & set(mend[:1]):
            self.taken_for[name, mend[0].value if mend else "nothing"] += 1


def to_mend(result: Result) -> list[Code]:
    return [f.code for f in result.findings if f.severity is Verdict.NOT_YET]


def written(hand: Hand, letter: str, rng: np.random.Generator, *slips: Slip) -> Ink:
    pupil = draw_pupil(rng, steadiness=rng.uniform())
    return write(hand.scripts[letter], hand, RULING, pupil, rng, slips=slips)


def measure(hand: Hand) -> Measured:
    rng, found = np.random.default_rng(SEED), Measured()
    for letter, script in hand.scripts.items():
        for _ in range(CLEAN):
            found.add_good(
                check(written(hand, letter, rng), Task(letter), Style(hand.name), RULING), letter
            )
        for slip in SLIPS.values():
            for _ in range(SLIPPED if slip.fits(script) else 0):
                result = check(
                    written(hand, letter, rng, slip), Task(letter), Style(hand.name), RULING
                )
                found.add_slip(result, slip.codes, slip.code)
    return found


def measure_other_print() -> Measured:
    rng, found = np.random.default_rng(SEED + 1), Measured()
    for letter, shape in other_print.good(rng, CLEAN):
        found.add_good(
            check(_ink(shape), Task(letter), PRINT, RULING), SAME_SHAPE.get(letter, letter)
        )
    for slip, letter, shape in other_print.slipped(rng, SLIPPED):
        codes = frozenset(map(Code, slip.expected))
        name = next(code for code in Code if code in codes)
        found.add_slip(check(_ink(shape), Task(letter), PRINT, RULING), codes, name)
    return found


def made_by_others() -> Iterator[str]:
    """Good letters of makes that are not ours: how often they are read as what they are, and how
    often it is said first that they are off in their shape or turned."""
    alphabets = [
        (f"single-line print, {hand} hand", Style(hand), hershey(font))
        for hand in ("plain", "flick")
        for font in PRINTED
    ]
    given = [
        (name, style, ruling, letter, shape)
        for name, style, (ruling, alphabet) in alphabets
        for letter, shape in alphabet.items()
    ]
    makes = digits(np.random.default_rng(SEED + 5), DIGITS)
    given += [("digits of many makes", PRINT, RULING, *make) for make in makes]
    read: dict[str, Tally] = defaultdict(Tally)
    off: dict[str, Tally] = defaultdict(Tally)
    for name, style, ruling, letter, shape in given:
        result = check(_ink(shape), Task(letter), style, ruling)
        read[name].add((result.reads_as or "?") in SAME_SHAPE.get(letter, letter))
        off[name].add(bool({Code.SHAPE_OFF, Code.TURNED} & set(to_mend(result)[:1])))
    yield "| good, as others make them | read right | before | shape or turned first | before |"
    yield "|---|---|---|---|---|"
    for name, (was_read, was_off) in BEFORE.items():
        yield f"| {name} | {read[name]} | {was_read:.3f} | {off[name]} | {was_off:.3f} |"


def _ink(shape: Sequence[FloatArray]) -> Ink:
    return Ink(tuple(Stroke.of(stroke) for stroke in shape))


def pairs_of_slips() -> tuple[Tally, Tally]:
    """Two slips of different codes at once that one letter can have: how often one at least is
    among what is to be mended, and how often both are."""
    rng, one_at_least, both = np.random.default_rng(SEED + 2), Tally(), Tally()
    possible = [
        (letter, one, other)
        for letter, script in PLAIN.scripts.items()
        for one, other in combinations([s for s in SLIPS.values() if s.fits(script)], 2)
        if not one.codes & other.codes and other.fits(one.reshape(script))
    ]
    for at in rng.choice(len(possible), PAIRS, replace=False):
        letter, one, other = possible[at]
        mend = set(
            to_mend(check(written(PLAIN, letter, rng, one, other), Task(letter), PRINT, RULING))
        )
        told = [bool(slip.codes & mend) for slip in (one, other)]
        one_at_least.add(any(told))
        both.add(all(told))
    return one_at_least, both


def agreement() -> dict[Dimension, Tally]:
    """The same child writes the same letter twice: how often a verdict is the same."""
    rng = np.random.default_rng(SEED + 3)
    same: dict[Dimension, Tally] = defaultdict(Tally)
    for letter, script in PLAIN.scripts.items():
        fitting = [slip for slip in SLIPS.values() if slip.fits(script)]
        for slips in [[], *([slip] for slip in fitting[:TWICE])]:
            pupil = draw_pupil(rng, steadiness=rng.uniform())
            first, second = (
                check(
                    write(script, PLAIN, RULING, pupil, rng, slips=slips),
                    Task(letter),
                    PRINT,
                    RULING,
                )
                for _ in range(2)
            )
            for dimension in Dimension:
                same[dimension].add(first.verdict[dimension] is second.verdict[dimension])
    return same


def stages() -> dict[Stage, Tally]:
    """How often a beginner's good letter has something to mend, by stage."""
    nagged: dict[Stage, Tally] = defaultdict(Tally)
    for stage in Stage:
        rng = np.random.default_rng(SEED + 4)
        for letter, script in PLAIN.scripts.items():
            for _ in range(CLEAN):
                pupil = draw_pupil(rng, steadiness=0.1)
                ink = write(script, PLAIN, RULING, pupil, rng)
                nagged[stage].add(
                    bool(to_mend(check(ink, Task(letter, stage=stage), PRINT, RULING)))
                )
    return nagged


def report() -> Iterator[str]:
    by_ink = {hand.name: measure(hand) for hand in HANDS.values()}
    by_ink["another print"] = measure_other_print()
    yield "| ink | slips seen | said first | good letters nagged | good letters read |"
    yield "|---|---|---|---|---|"
    for name, found in by_ink.items():
        yield f"| {name} | {found.all_seen} | {found.first} | {found.nagged} | {found.read} |"
    yield ""
    yield "Slips seen, by code (false alarms on good letters in brackets):"
    yield ""
    yield f"| code | {' | '.join(by_ink)} |"
    yield "|---" * (1 + len(by_ink)) + "|"
    for code in Code:
        cells = [_cell(found, code) for found in by_ink.values()]
        if any(found.seen[code].of for found in by_ink.values()):
            yield f"| `{code}` | {' | '.join(cells)} |"
    yield ""
    yield "What was said first in place of the slip, all ink together:"
    yield ""
    yield "| slip | said in its place |"
    yield "|---|---|"
    together: Counter[tuple[Code, str]] = Counter()
    for found in by_ink.values():
        together.update(found.taken_for)
    for code in Code:
        others = Counter({other: n for (slip, other), n in together.items() if slip is code})
        if others:
            said = ", ".join(f"{other} {count}" for other, count in others.most_common(5))
            yield f"| `{code}` | {said} |"
    yield ""
    yield from made_by_others()
    yield ""
    one_at_least, both = pairs_of_slips()
    yield f"Of two slips at once, one at least is told: {one_at_least}; both: {both}."
    yield ""
    same = agreement()
    yield "The same child writes the same letter twice, and the verdict is the same:"
    yield ", ".join(f"{dimension} {same[dimension]}" for dimension in Dimension) + "."
    yield ""
    by_stage = stages()
    yield "An unsteady beginner's good letters that have something to mend, by stage:"
    yield ", ".join(f"{stage} {by_stage[stage]}" for stage in Stage) + "."


def _cell(found: Measured, code: Code) -> str:
    tally, false = found.seen[code], found.false[code]
    if not tally.of:
        return "–"
    return f"{tally.hits / tally.of:.2f} of {tally.of}" + (f" ({false})" if false else "")


def put_into(document: Path, begin: str, end: str, lines: Iterable[str]) -> None:
    """Puts what was measured between two marks of a document, in place of what stood there."""
    before, _, rest = document.read_text(encoding="utf-8").partition(begin)
    _, _, after = rest.partition(end)
    measured = "\n".join(lines)
    document.write_text(f"{before}{begin}\n\n{measured}\n\n{end}{after}", encoding="utf-8")
    print(measured)


def main() -> None:
    put_into(DOCUMENT, BEGIN, END, report())
    write_slip_pictures(DOCUMENT.parent / "checking")


if __name__ == "__main__":
    main()
