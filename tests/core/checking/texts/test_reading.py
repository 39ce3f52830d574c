"""Which ink is which letter: in print and joined, whatever order dots come in, whatever is missing,
too many, another, or struck out."""

import numpy as np
import pytest

from firstloop.core.checking.say.findings import MarkKind
from firstloop.core.contract import Code
from firstloop.core.errors import InkError, UncheckedError, UnknownLetterError
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Kind
from firstloop.core.letters import HANDS, draw
from firstloop.core.text.words import compose
from tests.core.checking.texts.written import (
    RULING,
    Line,
    checked,
    ink_of,
    joined,
    printed,
    to_mend,
)

WORDS = ("ship", "jam", "queen", "fox", "kitten", "window", "bridge", "zebra", "puppy", "I")


@pytest.mark.parametrize("word", WORDS)
@pytest.mark.parametrize("hand", HANDS)
def test_every_letter_of_a_good_word_is_found_where_it_is(word: str, hand: str) -> None:
    ink = printed(word, hand).ink if not HANDS[hand].joins else ink_of(joined(word))
    result = checked(ink, word, Kind.WORD, hand if hand != "looped" else "joined")
    assert result.reads_as == word
    assert [letter.index for letter in result.letters] == list(range(len(word)))
    assert to_mend(result) == []


def test_a_sentence_counts_its_spaces() -> None:
    text = "The dog ran up."
    result = checked(printed(text).ink, text, Kind.SENTENCE)
    assert result.reads_as == text
    assert [letter.index for letter in result.letters] == [0, 1, 2, 4, 5, 6, 8, 9, 10, 12, 13, 14]
    assert to_mend(result) == []


def test_dots_and_bars_may_come_at_the_end_of_the_word() -> None:
    line = printed("little")
    late = [path for letter in line.letters for path in letter[1:]]
    first = [letter[0] for letter in line.letters]
    result = checked(ink_of([*first, *late]), "little")
    assert result.reads_as == "little"
    assert to_mend(result) == []
    assert result.letters[1].strokes == (1, 6)


def test_a_row_has_as_many_as_were_written() -> None:
    line = printed("nnnnn")
    result = checked(
        Line([[p + np.array([0.4 * k, 0]) for p in ps] for k, ps in enumerate(line.letters)]).ink,
        "n",
        Kind.ROW,
    )
    assert result.reads_as == "nnnnn"
    assert [letter.index for letter in result.letters] == [0, 1, 2, 3, 4]
    assert result.row is not None


def test_the_best_of_a_row_is_the_one_without_a_fault() -> None:
    line = printed("aaa").moved(1, 0.3).moved(2, 0.3)
    for at in (0, 2):
        line = line.changed(at, lambda path: path * np.array([1.0, 0.6]))
    result = checked(line.ink, "a", Kind.ROW)
    assert result.row is not None
    assert result.row.best == 1


def test_a_letter_left_out_is_named_with_its_place() -> None:
    line = printed("cloud").without(2).moved(2, -1.2)
    result = checked(line.ink, "cloud")
    assert to_mend(result)[0] == (Code.WRONG_LETTER, 2)
    assert [letter.target for letter in result.letters] == list("clud")


def test_a_letter_too_many_is_no_letter_asked_for() -> None:
    result = checked(printed("catt").ink, "cat")
    assert to_mend(result)[0][0] is Code.WRONG_LETTER
    assert [letter.target for letter in result.letters].count(None) == 1


def test_another_letter_is_read_as_what_it_is() -> None:
    result = checked(printed("cat").ink, "cot")
    assert result.reads_as == "cat"
    assert to_mend(checked(printed("ckt").ink, "cot"))[0] == (Code.WRONG_LETTER, 1)


@pytest.mark.parametrize(
    ("written", "asked", "kind", "index"),
    [
        ("the dog.", "The dog.", Kind.SENTENCE, 0),
        ("Dad and i.", "Dad and I.", Kind.SENTENCE, 8),
        ("riVer", "river", Kind.WORD, 2),
    ],
)
def test_the_other_case_is_told(written: str, asked: str, kind: Kind, index: int) -> None:
    found = to_mend(checked(printed(written).ink, asked, kind))
    assert found == [(Code.CAPITAL, index)]


def struck(word: str, at: int, strikes: int) -> Ink:
    """A word with one letter written, struck out and written again."""
    line = printed(word[: at + 1] + word[at:])
    every = np.vstack(line.letters[at])
    (x0, _), (x1, _) = every.min(axis=0), every.max(axis=0)
    for k in range(strikes):
        y = 0.45 + 0.2 * k
        line.letters[at].append(np.linspace((x0 - 0.1, y), (x1 + 0.1, y + 0.1), 30))
    return line.ink


@pytest.mark.parametrize("strikes", [1, 2])
@pytest.mark.parametrize(("word", "at"), [("jam", 2), ("ship", 1), ("goat", 0), ("dog", 1)])
def test_what_is_struck_out_and_written_again_is_no_fault(word: str, at: int, strikes: int) -> None:
    result = checked(struck(word, at, strikes), word)
    assert result.reads_as == word
    assert to_mend(result) == []
    (gone,) = (letter for letter in result.letters if letter.struck)
    assert gone.index == at
    assert gone.findings == ()
    assert [(mark.kind, mark.index) for mark in result.marks] == [(MarkKind.STRIKE, at)]


@pytest.mark.parametrize("hand", ["plain", "joined"])
def test_a_whole_word_struck_out_and_written_again_is_no_fault(hand: str) -> None:
    word = (
        list(joined("hen"))
        if hand == "joined"
        else [p for ps in printed("hen").letters for p in ps]
    )
    every = np.vstack(word)
    left, right = float(every[:, 0].min()), float(every[:, 0].max())
    line = np.linspace((left - 0.1, 0.5), (right + 0.1, 0.6), 40)
    again = [path + np.array([right - left + 1.0, 0.0]) for path in word]
    result = checked(ink_of([*word, line, *again]), "hen", hand=hand)
    assert result.reads_as == "hen"
    assert to_mend(result) == []
    assert [letter.struck for letter in result.letters] == [True, False, False, False]
    assert [(mark.kind, mark.index) for mark in result.marks] == [(MarkKind.STRIKE, 0)]


def test_marks_are_set_aside_and_told() -> None:
    line = printed("ship").ink
    bow = Stroke.of([[x, -0.3 - 0.1 * np.sin(x * 2)] for x in np.linspace(0, 1.6, 40)])
    result = checked(Ink((*line.strokes, bow)), "ship")
    assert result.reads_as == "ship"
    assert [mark.kind for mark in result.marks] == [MarkKind.UNDER]
    assert to_mend(result) == []


def test_a_ring_round_the_best_of_a_row() -> None:
    line = printed("aaa").moved(1, 1.0).moved(2, 1.0)
    middle = np.vstack(line.letters[1]).mean(axis=0)
    turn = np.linspace(0, 2 * np.pi, 80)
    ring = Stroke.of(middle + np.column_stack([0.95 * np.cos(turn), 0.95 * np.sin(turn)]))
    result = checked(Ink((*line.ink.strokes, ring)), "a", Kind.ROW)
    assert result.reads_as == "aaa"
    assert [(mark.kind, mark.index) for mark in result.marks] == [(MarkKind.RING, 1)]


def test_a_joined_word_is_cut_at_its_joins() -> None:
    result = checked(ink_of(joined("lemon")), "lemon", hand="joined")
    boxes = [letter.box for letter in result.letters]
    middles = [(x0 + x1) / 2 for x0, _, x1, _ in boxes]
    assert middles == sorted(middles)
    assert all(letter.strokes == (0,) for letter in result.letters)


def test_a_first_letter_without_its_lead_in_is_told() -> None:
    main, *rest = joined("nine")
    bare = main[main[:, 1].argmax() :]
    assert (Code.ENTRY_MISSING, 0) in to_mend(checked(ink_of([bare, *rest]), "nine", hand="joined"))
    assert to_mend(checked(ink_of([main, *rest]), "nine", hand="joined")) == []


def test_a_joined_letter_left_out_or_twice_is_told() -> None:
    for written in ("summr", "summeer"):
        found = to_mend(checked(ink_of(joined(written)), "summer", hand="joined"))
        assert found[0][0] is Code.WRONG_LETTER, written


@pytest.mark.parametrize(
    ("written", "asked", "at", "other"),
    [("bost", "boat", 2, "s"), ("shwp", "shop", 2, "w"), ("bell", "ball", 1, "e")],
)
def test_another_letter_in_a_joined_word_is_read_as_what_it_is(
    written: str, asked: str, at: int, other: str
) -> None:
    result = checked(ink_of(joined(written)), asked, hand="joined")
    assert result.reads_as == written
    first = result.findings[0]
    assert first.code in {Code.WRONG_LETTER, Code.READS_AS_OTHER}
    assert (first.index, first.other) == (at, other)
    assert {index for _, index in to_mend(result)} == {at}


@pytest.mark.parametrize("at_once", [True, False], ids=["bars at once", "bars last"])
@pytest.mark.parametrize("word", ["title", "zebra", "jazz", "fox"])
def test_a_joined_word_written_letter_by_letter_is_read(word: str, at_once: bool) -> None:
    hand = HANDS["joined"]
    composed = compose(word, hand, lambda pair: False)
    paths = draw(composed.script, hand.proportions, RULING).paths()
    by_letter = [origins[0].letter for origins in composed.origins]
    order = sorted(range(len(paths)), key=lambda at: by_letter[at] if at_once else at)
    result = checked(ink_of([paths[at] for at in order]), word, hand="joined")
    assert result.reads_as == word
    assert {code for code, _ in to_mend(result)} <= {Code.JOIN_BROKEN}


@pytest.mark.parametrize("text", ["a hen ran home", "We had jam"])
def test_free_writing_is_read_and_judged_never_by_spelling(text: str) -> None:
    result = checked(printed(text).ink, "", Kind.FREE)
    assert result.reads_as == text
    assert to_mend(result) == []
    flat = printed(text).changed(3, lambda path: path * np.array([1.0, 0.6])).ink
    assert to_mend(checked(flat, "", Kind.FREE)) != []


def test_free_writing_in_a_joined_hand_says_what_to_do() -> None:
    with pytest.raises(UncheckedError, match="say what was to be written"):
        checked(ink_of(joined("hen")), "", Kind.FREE, "joined")


def test_what_cannot_be_read_says_why() -> None:
    with pytest.raises(UnknownLetterError, match="ß"):
        checked(printed("cat").ink, "caß")
    with pytest.raises(InkError, match="no ink"):
        checked(Ink(()), "cat")
    with pytest.raises(UncheckedError, match="no letter"):
        checked(printed("cat").ink, "  ", Kind.PHRASE)
    with pytest.raises(UncheckedError, match="no letter"):
        checked(printed("cat").ink, ".", Kind.WORD, "joined")
    with pytest.raises(UncheckedError, match="200 letters"):
        checked(printed("cat").ink, "c" * 200)


@pytest.mark.parametrize("hand", ["plain", "joined"])
@pytest.mark.parametrize("kind", [Kind.WORD, Kind.ROW, Kind.SENTENCE])
def test_a_scribble_with_a_mark_under_it_is_answered(hand: str, kind: Kind) -> None:
    bow = np.column_stack([np.linspace(0, 1.6, 40), np.full(40, -0.4)])
    strokes = [np.linspace((0.0, 0.5), (0.05, 0.55), 4), bow]
    assert checked(ink_of(strokes), "n" if kind is Kind.ROW else "he", kind, hand).marks is not None


@pytest.mark.parametrize("hand", ["plain", "joined"])
@pytest.mark.parametrize("kind", [Kind.WORD, Kind.ROW, Kind.SENTENCE])
def test_scribbles_are_answered(hand: str, kind: Kind) -> None:
    rng = np.random.default_rng(7)
    for count in (1, 4, 200):
        strokes = [
            np.cumsum(rng.normal(0, 0.15, (40, 2)), axis=0) + np.array([0.2 * k, 0.5])
            for k in range(count)
        ]
        target = "n" if kind is Kind.ROW else "some words"
        assert checked(ink_of(strokes), target, kind, hand).letters is not None
