"""What is said of a letter: of its own parts and of lines that are on its paper alone."""

import re
from functools import cache
from typing import Any

import numpy as np
import pytest
from scripts import sayings

from firstloop.core.checking.check import check
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.checking.say import next_one
from firstloop.core.checking.say.findings import Finding
from firstloop.core.checking.say.said import PART_NAMES, Said
from firstloop.core.checking.say.told import told_to_the_child
from firstloop.core.checking.texts.catalogue import TEXT_CATALOGUE
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.task import Task
from firstloop.core.letters import HANDS, Letter, draw
from firstloop.core.letters.hands import group_of
from firstloop.core.letters.moves import Level
from firstloop.core.letters.phrases import WORDS, ours
from firstloop.core.letters.ruling import Line, LineLook, Ruling, RulingKind
from firstloop.core.letters.style import Style
from tests import letters

LINES = {Line.TOP: "top line", Line.MID: "mid line", Line.BASE: "base line", Line.DROP: "drop line"}
EVERY = [(hand, paper) for hand in HANDS for paper in RulingKind]
PARTS = {"stem", "arch", "arm", "scoop", "round", "bowl", "slope", "bar", "hook", "curl", "loop",
         "lead-in", "flick", "dot", "tail", "foot", "feet", "body"}  # fmt: skip
OF_THE_PAPER = re.compile(r"the (?:top|foot) of the \w+ square|the depth of a tail")


def own_parts(letter: Letter) -> set[str]:
    """The words for a letter's own parts, and for its shape in a phrase."""
    parts = {PART_NAMES[move.move.kind] for move in letter.moves}
    parts |= {"tail"} if letter.script.reaches(Level.DROP) else set()
    parts |= {"body"} if group_of(letter.name) == "small" else set()
    return parts


@cache
def phrases() -> re.Pattern[str]:
    """The words of moves on whatever paper, the longest first."""
    said = {ours(key, Ruling(kind=paper)) for key in WORDS for paper in RulingKind}
    longest_first = sorted(said, key=len, reverse=True)
    return re.compile(rf"\b(?:{'|'.join(map(re.escape, longest_first))})\b")


@cache  # many letters are told the same
def without_phrases(sentence: str) -> str:
    """A sentence without the words of moves, which say what is done and name no part."""
    return OF_THE_PAPER.sub("", phrases().sub("", sentence))


@cache
def sayings_of(hand: str, paper: RulingKind) -> tuple[sayings.Saying, ...]:
    return tuple(sayings.sayings(hand, paper))


@pytest.mark.parametrize(("hand", "paper"), EVERY)
def test_no_sentence_names_a_part_that_the_letter_has_not(hand: str, paper: RulingKind) -> None:
    for one in sayings_of(hand, paper):
        for sentence in (one.say, one.note):
            named = set(re.findall(r"[a-z-]+", without_phrases(sentence).lower())) & PARTS
            if one.code is Code.READS_AS_OTHER:
                named -= {"tail"}  # it may be said that it has none
            named -= {"body"} if "body height" in sentence else set()
            assert named <= own_parts(one.letter), (one.letter.name, one.code, sentence)


@pytest.mark.parametrize(("hand", "paper"), EVERY)
def test_no_sentence_names_a_line_that_is_not_on_the_paper(hand: str, paper: RulingKind) -> None:
    ruling = Ruling(kind=paper)
    squares = paper is RulingKind.SQUARES
    hidden = [
        name for line, name in LINES.items() if squares or ruling.look(line) is LineLook.HIDDEN
    ]
    for one in sayings_of(hand, paper):
        for sentence in (one.say, one.note):
            assert not [name for name in hidden if name in sentence], (one.letter.name, sentence)


def test_the_table_of_sentences_is_what_the_program_says() -> None:
    assert sayings.DOCUMENT.read_text(encoding="utf-8") == sayings.document(), (
        "run python -m scripts.sayings, and read aloud what is new"
    )


@pytest.mark.parametrize(
    ("letter", "other", "say"),
    [
        ("n", "h", "Keep it short, under the mid line."),
        ("h", "n", "Make it tall, up to the top line."),
        ("g", "a", "Let its tail go under the line."),
        ("a", "q", "It has no tail: stop on the line."),
        ("a", "u", "Close it all the way."),
        ("u", "a", "Leave the u open."),
        ("n", "r", "Look how the n ends: over and down."),
    ],
)
def test_of_what_reads_as_another_it_is_said_what_makes_it_this_one(
    letter: str, other: str, say: str
) -> None:
    own = HANDS["plain"]
    drawn = draw(own.scripts[letter], own.proportions, Ruling())
    said = Said(Measure(Code.READS_AS_OTHER, 0.1, 0, 0, other=other), drawn)
    assert next_one.tell_apart(said) == say


def told(*severities: Verdict) -> Any:
    return [
        Finding(Code.WIDTH, Dimension.SIZE, one, 0, 0, 0.5, 0.4, "u", "Wide.", "Make it slimmer.")
        for one in severities
    ]


def test_a_child_hears_what_is_to_mend_or_what_is_right_and_just_right_of_nothing_less() -> None:
    secure = dict.fromkeys(Dimension, Verdict.SECURE)
    watched = secure | {Dimension.DIRECTION: Verdict.NEARLY}
    assert told_to_the_child(told(), secure).startswith("Just right.")
    assert told_to_the_child(told(Verdict.NEARLY, Verdict.NOT_YET), secure) == "Make it slimmer."
    assert told_to_the_child(told(Verdict.NEARLY), secure).startswith("You began and went")
    assert told_to_the_child(told(Verdict.NEARLY), watched).startswith("It has the right size.")
    nothing_seen = dict.fromkeys(Dimension, Verdict.NEARLY)
    assert told_to_the_child(told(Verdict.NEARLY), nothing_seen) == "Now write the next one."


@pytest.mark.parametrize(
    ("paper", "say"),
    [
        (RulingKind.FOUR, "Keep the n under the mid line."),
        (RulingKind.BASE, "Make the n a little smaller."),
        (RulingKind.SQUARES, "Keep the n in its square."),
    ],
)
def test_the_check_speaks_of_the_paper_that_was_written_on(paper: RulingKind, say: str) -> None:
    large = letters.ink(*(np.array([1.4, 1.4]) * s.points for s in letters.good_n().strokes))
    ruling = Ruling.of(paper, 1.9, -0.95)
    assert check(large, Task("n"), Style("plain"), ruling).say == say


def test_each_way_that_a_text_is_told_is_a_sentence_of_its_own() -> None:
    told = list(sayings.text_sayings())
    assert {code for code, _, _ in told} == set(TEXT_CATALOGUE)
    for code, note, say in told:
        for sentence in (note, say):
            assert sentence[0].isupper() or code in (Code.SIZE_UNEVEN, Code.SPACING), sentence
            assert sentence[-1] in ".?", sentence
            assert "  " not in sentence, sentence
