"""A hand learnt from a steady pen: what is the base's stays so, what is the school's own is drawn
again as it was written, and what is no good sample is named."""

from collections.abc import Sequence
from dataclasses import replace

import numpy as np
import pytest

from firstloop.core.checking.check import check
from firstloop.core.contract import Verdict
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.pupils import Pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.geometry import polyline
from firstloop.core.letters import HANDS, PLAIN, Hand, draw
from firstloop.core.letters.hands import FLICK, JOINED_HAND, LetterJoins, joins_of
from firstloop.core.letters.moves import Level, MoveKind, Script, parse
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.core.own_hand.learn import Learnt, learn, manner_of
from firstloop.core.own_hand.middle import apart, look_apart, middle
from firstloop.core.own_hand.redrawn import lines_of
from firstloop.core.own_hand.sample import Sample, sampled
from firstloop.core.own_hand.screening import ProblemCode
from firstloop.core.own_hand.understood import Manner, understood
from firstloop.core.text.words import compose

PAPER = Ruling(top=2.0, drop=-1.0)

OWN = {
    "k": "0,top; drop 0,base // .55,mid; slope .05,.45; wheel@20 .5,.2,S .2,base,W",
    "f": ".7,1.7; round@120 .45,top,W .2,1.5,S; drop .2,-.6; hook 0,drop,W -.2,-.7,130 // "
    "0,mid; cross .5,mid",
    "4": ".6,base; rise .6,top; slope 0,.6; cross .95,.6",
    "w": "0,mid; slope .3,base; slope .55,.6; slope .8,base; slope 1.1,mid",
    "y": "0,mid; slope .4,base // .8,mid; slope .3,-.6; hook .1,drop,W -.1,-.7,130",
    "G": "1.1,1.5; round@120 .6,top,W 0,.95,S .6,base,E 1.1,.7,N; rise 1.1,.9; drop 1.1,base",
}


def grown_up(rng: np.random.Generator) -> Pupil:
    return Pupil(
        size=float(rng.normal(1, 0.02)),
        width=float(rng.normal(1, 0.025)),
        lean_deg=float(rng.normal(0, 1.2)),
        sway=0.018,
        tremor=0.003,
        rate_hz=float(rng.choice([60.0, 120.0, 240.0])),
    )


def written(script: Script, hand: Hand, seed: int, name: str = "") -> Sample:
    rng = np.random.default_rng(seed)
    pupil = replace(
        grown_up(rng), branch=hand.proportions.branch, fullness=hand.proportions.fullness
    )
    ink = write(script, hand, PAPER, pupil, rng)
    return sampled(script.letter, name or f"{script.letter}{seed}", ink, PAPER)


def three(letters: Sequence[str], hand: Hand) -> list[Sample]:
    return [written(hand.scripts[x], hand, 3 * ord(x) + k) for x in letters for k in range(3)]


def one(learnt: Sequence[Learnt], letter: str) -> Learnt:
    return next(it for it in learnt if it.letter == letter)


def with_own(base: Hand, **proportions: float) -> Hand:
    scripts = base.scripts | {x: parse(x, text) for x, text in OWN.items()}
    return replace(base, scripts=scripts, proportions=replace(base.proportions, **proportions))


@pytest.mark.parametrize("name", HANDS)
def test_a_letter_that_is_written_as_the_base_writes_it_keeps_the_bases_script(name: str) -> None:
    hand = HANDS[name]
    found = learn(three([*hand.scripts][:62], hand), hand, "ours")
    others = [it.letter for it in found.letters if it.form != "base"]
    assert len(others) <= 3, others
    assert not [it.letter for it in found.letters if it.problems]


def test_what_letters_share_is_said_once_as_the_hands_proportions() -> None:
    shape = replace(FLICK.proportions, slant_deg=9.0, width=1.15)
    hand = replace(FLICK, proportions=shape)
    found = learn(three("abdehilmnoprtu", hand), FLICK, "ours").hand.proportions
    assert found.slant_deg == pytest.approx(9.0, abs=0.8)
    assert found.width == pytest.approx(1.15, abs=0.04)


def test_a_form_of_its_own_is_drawn_again_as_it_was_written() -> None:
    hand = with_own(PLAIN, slant_deg=6.0)
    letters = [*"aehlnotHET", *OWN]
    samples = three(letters, hand)
    found = learn(samples, PLAIN, "ours")
    for letter in OWN:
        it = one(found.letters, letter)
        lines = middle([s.lines for s in samples if s.letter == letter])
        off = apart(lines_of(it.script, found.hand.proportions), lines)
        assert it.form == "own", letter
        assert off.mean < 0.05, letter
        assert off.most < 0.14, letter
        assert len(it.script.strokes) == len(hand.scripts[letter].strokes)


def test_its_moves_are_those_of_the_pen() -> None:
    hand = with_own(PLAIN)
    found = learn(three([*"aehlnotHET", *OWN], hand), PLAIN, "ours")
    kinds = {
        x: [[str(move.kind) for move in stroke.moves] for stroke in found.hand.scripts[x].strokes]
        for x in OWN
    }
    assert kinds["f"] == [["round", "drop", "hook"], ["cross"]]
    assert kinds["w"] == [["slope", "slope", "slope", "slope"]]
    assert kinds["4"] == [["rise", "slope", "cross"]]
    f = found.hand.scripts["f"]
    assert f.strokes[1].start.y is Level.MID
    assert f.strokes[1].moves[0].end.y is Level.MID


@pytest.mark.parametrize("name", HANDS)
def test_what_we_draw_ourselves_is_understood_as_the_moves_that_it_is(name: str) -> None:
    hand = HANDS[name]
    alike = 0
    for letter, script in hand.scripts.items():
        manner = manner_of(hand) if letter.islower() else Manner()
        again = understood(letter, lines_of(script, PLAIN.proportions), manner)
        alike += [m.kind for m in again.moves] == [m.kind for m in script.moves]
    assert alike >= 57


def test_an_arm_that_another_stroke_goes_beyond_is_no_way_out() -> None:
    k = parse("k", "-.42,base; lead-in@30 0,1.02,85 0,top; drop 0,base; back 0,.5; slope .5,mid // "
                   ".1,.6; slope .5,.1,-50 .66,base,E; slope .9,.3")  # fmt: skip
    hand = replace(JOINED_HAND, scripts=JOINED_HAND.scripts | {"k": k})
    it = one(learn(three("aehklnou", hand), JOINED_HAND, "ours").letters, "k")
    kinds = [move.kind for move in it.script.strokes[0].moves]
    assert kinds == [MoveKind.LEAD_IN, MoveKind.DROP, MoveKind.BACK, MoveKind.SLOPE]


def test_going_back_along_a_stem_is_no_second_line() -> None:
    own = parse("n", "0,mid; drop 0,base; back 0,branch; arch .3,mid,E .5,.7,S .5,base")
    hand = replace(PLAIN, scripts=PLAIN.scripts | {"n": own})
    found = learn(three("alnotHETe", hand), PLAIN, "ours")
    n = one(found.letters, "n")
    assert n.form == "own"
    assert [move.kind for move in n.script.moves] == [MoveKind.DROP, MoveKind.BACK, MoveKind.ARCH]
    assert n.script.moves[1].end.y is Level.BRANCH


def test_the_most_frequent_form_is_taken_and_the_other_named() -> None:
    other = parse("t", "0,mid; cross .48,mid // .22,1.5; drop .22,base")
    samples = [*three("t", PLAIN), written(other, PLAIN, 5, "bar first")]
    it = one(learn(samples, PLAIN, "ours").letters, "t")
    assert it.form == "base"
    assert [(p.code, p.sample) for p in it.problems] == [
        (ProblemCode.SAMPLES_DISAGREE, "bar first")
    ]


def test_of_one_against_one_that_which_is_like_the_base_is_taken() -> None:
    own = parse("k", OWN["k"])
    samples = [written(own, PLAIN, 1, "own"), written(PLAIN.scripts["k"], PLAIN, 2, "base")]
    it = one(learn(samples, PLAIN, "ours").letters, "k")
    assert it.form == "base"
    assert [problem.sample for problem in it.problems] == ["own"]


def ink_of(lines: Sequence[np.ndarray]) -> Ink:
    return Ink(tuple(Stroke.of(line) for line in lines))


def paths(letter: str) -> list[np.ndarray]:
    drawn = draw(PLAIN.scripts[letter], PLAIN.proportions, PAPER)
    return [polyline.respace(path, 0.02) for path in drawn.paths()]


def spoilt(code: ProblemCode) -> Ink:
    rng = np.random.default_rng(8)
    match code:
        case ProblemCode.FAR_FROM_ANY:
            return ink_of([np.cumsum(rng.normal(0, 0.1, (300, 2)), axis=0)])
        case ProblemCode.ANOTHER_LETTER:
            return ink_of(paths("g"))
        case ProblemCode.NOT_ON_LINES:
            return ink_of([line + np.array([0.0, 0.5]) for line in paths("n")])
        case ProblemCode.TOO_SHAKY:
            shaken = [
                line + 0.06 * np.sin(np.arange(len(line)) * 0.9)[:, None] for line in paths("n")
            ]
            return ink_of(shaken)
        case ProblemCode.SAMPLES_DISAGREE:
            return ink_of([line[::-1] for line in paths("n")])


@pytest.mark.parametrize("code", ProblemCode)
def test_a_sample_that_is_no_good_is_named_and_left_out(code: ProblemCode) -> None:
    bad = sampled("n", "bad", spoilt(code), PAPER)
    it = one(learn([*three("n", PLAIN), bad], PLAIN, "ours").letters, "n")
    assert [(problem.code, problem.sample) for problem in it.problems] == [(code, "bad")]
    assert (it.samples, it.left_out, it.form) == (4, 1, "base")


def test_where_no_sample_is_good_the_bases_letter_stays() -> None:
    bad = sampled("n", "bad", spoilt(ProblemCode.FAR_FROM_ANY), PAPER)
    it = one(learn([bad], PLAIN, "ours").letters, "n")
    assert (it.form, it.off, it.script) == ("base", None, PLAIN.scripts["n"])


def test_pupils_of_the_school_are_not_nagged_at_its_own_letters() -> None:
    hand = with_own(PLAIN, slant_deg=5.0)
    learnt = learn(three([*"aehlnotHET", *OWN], hand), PLAIN, "ours").hand
    nagged = []
    for letter in OWN:
        for seed in range(8):
            rng = np.random.default_rng(seed)
            ink = write(hand.scripts[letter], hand, PAPER, grown_up(rng), rng)
            findings = check(ink, Task(letter), Style("ours", own=learnt), PAPER).findings
            nagged += [letter for f in findings if f.severity is Verdict.NOT_YET][:1]
    assert len(nagged) <= 1, nagged


def test_which_letters_join_is_learnt_from_words() -> None:
    alone = parse(
        "f", ".64,1.7; round@120 .44,top,W .2,1.55,S; drop .2,base // 0,mid; cross .5,mid"
    )
    truth = replace(
        JOINED_HAND,
        scripts=JOINED_HAND.scripts | {"f": alone},
        joined={"s": LetterJoins(Level.BASE, None)},
    )
    words = [
        written(compose(x, truth).script, truth, 7) for x in ("so", "us", "is", "as", "of", "sun")
    ]
    learnt = learn([*three("aeinofsu", truth), *words], JOINED_HAND, "ours").hand
    assert learnt.joined == {"s": LetterJoins(Level.BASE, None)}
    assert joins_of(learnt, "f") == LetterJoins(None, None)
    assert joins_of(learnt, "o").out is Level.MID
    for word in ("so", "of", "sun", "ask"):
        assert len(compose(word, learnt).script.strokes) == len(compose(word, truth).script.strokes)


def test_a_letter_without_a_lead_in_may_still_go_on() -> None:
    bare = parse("a", ".88,.8; round@125 .46,mid,W 0,.49,S .44,base,E .88,.42,N; rise .88,mid; "
                 "drop .88,.22 1.04,base,E; flick 1.26,.3,52")  # fmt: skip
    hand = replace(JOINED_HAND, scripts=JOINED_HAND.scripts | {"a": bare})
    assert joins_of(hand, "a") == LetterJoins(None, Level.BASE)
    assert len(compose("nan", hand).script.strokes) == 2  # lifted before the a, not after it


def test_dots_are_dots_however_the_pen_turned_in_them() -> None:
    rng = np.random.default_rng(3)
    samples = []
    for k in range(3):
        stem, _ = paths("i")
        dot = np.array([0.0, 1.55]) + 0.02 * rng.normal(size=(30, 2))
        samples.append(sampled("i", f"i{k}", ink_of([stem, dot]), PAPER))
    it = one(learn(samples, PLAIN, "ours").letters, "i")
    assert not it.problems
    assert [move.kind for move in it.script.moves] == [MoveKind.DROP, MoveKind.DOT]


def test_pictures_are_compared_whatever_the_way_they_were_made() -> None:
    n = lines_of(PLAIN.scripts["n"], PLAIN.proportions)
    assert look_apart(n, tuple(line[::-1] for line in n)) < 0.01
    assert look_apart(n, lines_of(PLAIN.scripts["o"], PLAIN.proportions)) > 0.05
