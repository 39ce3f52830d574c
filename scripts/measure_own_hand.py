"""How well a school's hand is learnt from its teacher's pen, and how its pupils fare by it.

Two prints that share nothing with our scripts (`other_print`), and a joined hand whose letters are
ours bent, cut and exchanged; written three times a letter by steady grown-ups, with bad samples
among them. `--seed 9` is never tuned on.
"""

import argparse
import time
from collections import Counter
from collections.abc import Callable, Collection, Iterator
from dataclasses import dataclass, replace

import numpy as np
from scripts.other_print import glyphs, makes, pupils
from scripts.other_print.glyphs import Points, Shape, T, arc, bar, on, stem, sticks

from firstloop.core.checking.check import check
from firstloop.core.contract import Verdict
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import Lines
from firstloop.core.letters import HANDS, Hand, draw
from firstloop.core.letters.moves import parse
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS
from firstloop.core.letters.slips import Slip as CoreSlip
from firstloop.core.letters.style import Style
from firstloop.core.own_hand.learn import BASE_MEAN, BASE_MOST, LearntHand, learn
from firstloop.core.own_hand.middle import apart, middle
from firstloop.core.own_hand.redrawn import lines_of
from firstloop.core.own_hand.sample import Sample, sampled

Rng = np.random.Generator
PAPER = Ruling(top=2.0, drop=-1.0)


@dataclass(frozen=True)
class School:
    """A school's hand: its letters as shapes on PAPER, and the hand that lends the rest."""

    name: str
    base: str
    shapes: dict[str, Shape]


def schools() -> list[School]:
    return [
        School("upright", "plain", {x: ways[0] for x, ways in glyphs.SHAPES.items()}),
        School("leaning", "plain", _leaning()),
        School("joined", "joined", _joined()),
    ]


def _leaning() -> dict[str, Shape]:
    lean = np.array([[1.0, 0.0], [np.tan(np.radians(8.0)), 1.0]])
    shapes = {x: ways[-1] for x, ways in glyphs.SHAPES.items()}
    shapes |= {digit: makes.DIGITS[digit][1] for digit in "1245679"}
    shapes |= {
        "f": [on(arc(0.45, T - 0.3, 0.25, 0.3, 40, 180), sticks((0.2, 1.7), (0.2, -0.6)),
                 arc(0.0, -0.6, 0.2, 0.35, 0, -150)), bar(0, 0.5, 1)],
        "k": [stem(0, T), on(sticks((0.55, 1), (0.04, 0.45)), arc(0.15, 0.2, 0.35, 0.25, 90, -60))],
        "g": [on(glyphs.ring(0.42, 0.42, 40), sticks((0.74, 0.85), (0.84, 1), (0.84, -0.4)),
                 arc(0.42, -0.5, 0.42, 0.5, 0, -200))],
        "z": [sticks((0, 1), (0.66, 1), (0, 0), (0.7, 0)), bar(0.1, 0.55, 0.5)],
    }  # fmt: skip
    return {x: [stroke * [0.92, 1.0] @ lean for stroke in shape] for x, shape in shapes.items()}


def joined_hand() -> Hand:
    hand = HANDS["joined"]
    own = {
        "f": ".62,1.7; round@120 .44,top,W .2,1.5,S; drop .2,-.6; hook .0,drop,W -.2,-.7,130 // "
        "0,mid; cross .5,mid",
        "k": "-.42,base; lead-in@30 0,1.02,85 0,top; drop 0,base; back 0,.5; slope .5,mid // "
        ".1,.6; slope .5,.1,-50 .66,base,E; flick .86,.28,50",
        "r": "-.42,base; lead-in@38 0,mid,62; scoop .12,.8,-60 .4,.8,50; flick .6,mid,20",
        "s": "-.3,base; lead-in@40 .4,mid,70; drop .42,.3; wheel .2,base,W .02,.12,140",
        "z": "-.42,base; lead-in@38 0,mid,58; cross .6,mid; slope .1,.1; wheel@20 .45,-.2,S "
        ".2,drop,W .1,-.6,N; slope .7,.1",
    }
    scripts = hand.scripts | {x: parse(x, text) for x, text in own.items()}
    shape = replace(hand.proportions, slant_deg=7.0, width=1.08)
    return replace(hand, proportions=shape, scripts=scripts)


def _joined() -> dict[str, Shape]:
    hand = joined_hand()
    return {
        x: [np.array(path) for path in draw(script, hand.proportions, PAPER).paths()]
        for x, script in hand.scripts.items()
    }


def grown_up(shape: Shape, rng: Rng) -> Shape:
    """A shape in a steady hand."""
    size, width = rng.normal(1, 0.025), rng.normal(1, 0.03)
    lean, base = np.tan(np.radians(rng.normal(0, 1.5))), rng.normal(0, 0.02)
    rate, written = rng.choice([0.012, 0.025, 0.045]), []
    for stroke in shape:
        path = pupils.evenly(stroke, 0.02)
        path = path * [size * width, size] + np.column_stack(
            [lean * path[:, 1], np.full(len(path), base)]
        )
        if len(path) > 8:
            path = path + pupils.noise(path, 0.8, 0.02, rng) + pupils.noise(path, 0.2, 0.004, rng)
            path = polyline.respace(polyline.smooth(path, 1.5), rate)
        written.append(path + rng.normal(0, 0.002, path.shape))
    return written


def _scribble(_: Shape, rng: Rng) -> Shape:
    return [np.cumsum(rng.normal(0, 0.35, (40, 2)), axis=0) * 0.3 + [0.4, 0.6]]


def _other(school: School, letter: str) -> Shape:
    """Another letter of the same kind."""
    kinds = (("m", "g"), ("H", "S"), ("8", "3"))
    first, second = next(kind for kind in kinds if _kind_of(kind[0]) == _kind_of(letter))
    return school.shapes[second if letter == first else first]


def _kind_of(letter: str) -> tuple[bool, bool]:
    return letter.islower(), letter.isdigit()


def bad_ones(school: School, letter: str) -> dict[str, Callable[[Shape, Rng], Shape]]:
    return {
        "far_from_any": _scribble,
        "another_letter": lambda _, rng: grown_up(_other(school, letter), rng),
        "not_on_lines": lambda shape, rng: [s + np.array([0, 0.45]) for s in grown_up(shape, rng)],
        "too_shaky": lambda shape, rng: [
            s + pupils.noise(s, 0.12, 0.06, rng) for s in (pupils.evenly(t, 0.02) for t in shape)
        ],
        "samples_disagree": lambda shape, rng: grown_up([s[::-1] for s in shape[::-1]], rng),
    }


def ink_of(shape: Shape) -> Ink:
    return Ink(tuple(Stroke.of(stroke) for stroke in shape))


def samples_of(school: School, rng: Rng, bad_share: float) -> Iterator[tuple[Sample, str | None]]:
    for letter, shape in school.shapes.items():
        wrong = rng.integers(3) if rng.uniform() < bad_share else -1
        for at in range(3):
            kind = None
            if at == wrong and letter not in ".,-'!?":
                kinds = bad_ones(school, letter)
                kind = str(rng.choice(list(kinds)))
                written = kinds[kind](shape, rng)
            else:
                written = grown_up(shape, rng)
            yield sampled(letter, f"{letter}{at}", ink_of(written), PAPER), kind


def true_lines(shape: Shape) -> tuple[Points, ...]:
    sample = sampled("x", "", ink_of([pupils.evenly(s, 0.02) for s in shape]), PAPER)
    return sample.lines


def expected_form(letter: str, school: School, hand: Hand) -> str:
    """What a letter's form is by the contract, told by the letter as it is meant."""
    base, true = HANDS[school.base], true_lines(school.shapes[letter])
    own = base.scripts[letter]
    others = {
        f"alternative:{name}": way
        for name, way in base.alternatives.get(letter, {}).items()
        if way is not own
    }
    for form, way in ({"base": own} | others).items():
        off = apart(lines_of(way, hand.proportions), true, sized=True)
        if off.mean <= BASE_MEAN and off.most <= BASE_MOST:
            return form
    return "own"


def report(school: School, seed: int, verbose: bool) -> None:
    rng = np.random.default_rng(seed)
    made = list(samples_of(school, rng, 0.35))
    begun = time.perf_counter()
    learnt = learn([sample for sample, _ in made], HANDS[school.base], "ours")
    took = time.perf_counter() - begun
    shape = learnt.hand.proportions
    close, truly, ordered, longest = [], [], [], 0
    good: dict[str, list[Lines]] = {s.letter: [] for s, _ in made}
    for sample, kind in made:
        if kind is None:
            good[sample.letter].append(sample.lines)
    for one in learnt.letters:
        drawn = lines_of(one.script, shape)
        mid = apart(drawn, middle(good[one.letter]))
        true = apart(drawn, true_lines(school.shapes[one.letter]))
        fits = mid.mean <= 0.05 and mid.most <= 0.14
        close.append(fits)
        truly.append(true.mean <= 0.05 and true.most <= 0.15)
        ordered.append(true.mean < 0.12)
        longest = max(longest, sum(len(s.moves) for s in one.script.strokes))
        if verbose and (not fits or not ordered[-1]):
            print(
                f"  {one.letter} {one.form} mid {mid.mean:.3f} {mid.most:.3f} true {true.mean:.3f} "
                f"{true.most:.3f} {[p.code.value for p in one.problems]}"
            )
            print(
                "    ", " // ".join(" ".join(m.kind for m in s.moves) for s in one.script.strokes)
            )
    forms_right = [
        one.form == expected_form(one.letter, school, learnt.hand) for one in learnt.letters
    ]
    named = {p.sample: p.code for one in learnt.letters for p in one.problems}
    bad = {s.name: kind for s, kind in made if kind}
    wrongly = [name for name in named if name not in bad]
    right = Counter((kind, named[n].value if n in named else "-") for n, kind in bad.items())
    forms = Counter(one.form.partition(":")[0] for one in learnt.letters)
    print(f"{school.name}: {shape}")
    print(f"  form right {np.mean(forms_right):.3f} (bar .95)")
    print(f"  {len(made)} samples in {took:.1f} s; forms {dict(forms)}")
    print(
        f"  near their middle {np.mean(close):.3f} (bar .95), the truth {np.mean(truly):.3f}, "
        f"order {np.mean(ordered):.3f} (bar .98)"
    )
    print(
        f"  bad ones named {np.mean([n in named for n in bad]):.3f} (bar .90), "
        f"good ones named {len(wrongly)} {wrongly}"
    )
    if verbose:
        for (kind, said), count in sorted(right.items()):
            print(f"    {kind} -> {said}: {count}")
    pupils_of(school, learnt, seed, verbose)


def pupils_of(school: School, learnt: LearntHand, seed: int, verbose: bool) -> None:
    rng = np.random.default_rng(seed + 100)
    style = Style("ours", own=learnt.hand)
    nagged, why = [], Counter[tuple[str, str]]()
    for letter, shape in school.shapes.items():
        for _ in range(6):
            written = pupils.write(shape, rng, shake=0.8)
            if letter in ".,-'!?":
                continue
            result = check(ink_of(written), Task(letter), style, PAPER)
            codes = [f.code.value for f in result.findings if f.severity is Verdict.NOT_YET]
            nagged.append(bool(codes))
            if codes:
                why[letter, codes[0]] += 1
    print(f"  good letters nagged {np.mean(nagged):.3f} (bar .02) of {len(nagged)}")
    if verbose:
        print("    ", why.most_common(25))
    found, first, missed = [], [], Counter[str]()

    def judged(slip: str, letter: str, ink: Ink, expected: Collection[str]) -> None:
        result = check(ink, Task(letter), style, PAPER)
        codes = [f.code.value for f in result.findings if f.severity is Verdict.NOT_YET]
        found.append(bool(set(codes) & set(expected)))
        first.append(bool(codes) and codes[0] in expected)
        if not found[-1]:
            missed[f"{slip}: {letter}"] += 1

    for one, letter in _slips_of_joined() if school.base == "joined" else ():
        truth = joined_hand()
        pupil = draw_pupil(rng, steadiness=0.8)
        ink = write(truth.scripts[letter], truth, PAPER, pupil, rng, slips=[one])
        judged(one.name, letter, ink, {code.value for code in one.codes})
    for slip, letter in pupils.slips() if school.base == "plain" else ():
        for _ in range(2):
            if slip.name.startswith(("a round", "stick of d", "n as", "r ", "arm")) and (
                school.name != "upright"
            ):
                continue
            try:
                written = pupils.write(slip.change(school.shapes[letter], rng), rng, shake=0.8)
            except (IndexError, ValueError):
                continue
            judged(slip.name, letter, ink_of(written), slip.expected)
    print(
        f"  faults found {np.mean(found):.3f} (bar .95), first {np.mean(first):.3f} (bar .90) "
        f"of {len(found)}"
    )
    if verbose:
        print("    ", missed.most_common(25))


def _slips_of_joined() -> Iterator[tuple[CoreSlip, str]]:
    """Each of our slips with each small letter that has it as the joined school writes it."""
    for slip in SLIPS.values():
        for letter, script in joined_hand().scripts.items():
            if letter.islower() and slip.fits(script):
                yield slip, letter


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--verbose", action="store_true")
    options = parser.parse_args()
    for school in schools():
        report(school, options.seed, options.verbose)


if __name__ == "__main__":
    main()
