"""What goes wrong in texts of the other print, and joined."""

from collections.abc import Iterator
from dataclasses import replace

import numpy as np
from scripts.other_print import words
from scripts.other_print.glyphs import SHAPES, Points
from scripts.other_print.pupils import SLIPS
from scripts.other_print.texts import (
    SENTENCES,
    WORDS,
    Case,
    case_of,
    letters_of,
    plain,
)
from scripts.other_print.words import Placed, Rng, Writer, Written, laid_out, letter_of, written


def faulty(rng: Rng, times: int) -> Iterator[Case]:
    for _ in range(times):
        for joined in (False, True):
            writer = words.draw_writer(rng, joined=joined)
            yield from _gaps(writer, rng)
            yield from _sizes(writer, rng)
            yield from _which(writer, rng)
            yield from _marks(writer, rng)
            if joined:
                yield from _joins(writer, rng)
            yield from _slips(writer, rng)


def _word(rng: Rng, least: int = 3, holding: str = "") -> str:
    fits = [w for w in WORDS if len(w) >= least and (not holding or set(holding) & set(w))]
    return str(rng.choice(fits))


def _gaps(writer: Writer, rng: Rng) -> Iterator[Case]:
    if not writer.joined:
        word = _word(rng)
        at = int(rng.integers(len(word) - 1))
        letters = letters_of(word, writer, rng)
        for name, by in (
            ("touching", -writer.gap - 0.22),
            ("too wide", float(rng.uniform(0.9, 1.4))),
        ):
            placed = laid_out(letters, writer, rng)
            placed = [p.moved(by) if k > at else p for k, p in enumerate(placed)]
            yield case_of(
                word,
                "word",
                writer,
                written(placed, writer, rng),
                f"spacing {name}",
                "spacing",
                (at,),
            )
        row = [letter_of(str(rng.choice(list("abehnou"))), at, writer, rng) for at in range(5)]
        row = [replace(row[0], index=k) for k in range(5)]
        at = int(rng.integers(4))
        placed = laid_out(row, replace(writer, gap=0.6), rng, {at: 2.6})
        yield case_of(
            row[0].letter,
            "row",
            writer,
            written(placed, writer, rng),
            "row too wide",
            "spacing",
            (at,),
        )
    text = str(rng.choice(SENTENCES))
    spaces = [at for at, c in enumerate(text) if c == " "]
    space = int(rng.choice(spaces))
    letters = letters_of(text, writer, rng)
    at = sum(c != " " for c in text[:space]) - 1
    for name, by in (("missing", -writer.space), ("huge", float(rng.uniform(2.2, 3.0)))):
        placed = laid_out(letters, writer, rng, {at: by})
        yield case_of(
            text,
            "sentence",
            writer,
            written(placed, writer, rng),
            f"word gap {name}",
            "word_gap",
            (space - 1, space, space + 1),
        )


def _sizes(writer: Writer, rng: Rng) -> Iterator[Case]:
    word = _word(rng, 4, "acemnorsuvwxz")
    letters = letters_of(word, writer, rng)
    at = int(rng.choice([k for k, c in enumerate(word) if c in "acemnorsuvwxz"]))
    if sum(c in "acemnorsuvwxz" for c in word) >= 2:
        for name, by in (
            ("big", float(rng.uniform(1.4, 1.6))),
            ("small", float(rng.uniform(0.55, 0.68))),
        ):
            changed = [_larger(p, (by, by)) if k == at else p for k, p in enumerate(letters)]
            ink = written(laid_out(changed, writer, rng), writer, rng)
            yield case_of(
                word, "word", writer, ink, f"size {name}", "size_uneven body_height", (at,)
            )
    word = _word(rng, 5)
    slope = float(np.tan(np.radians(rng.choice([-1, 1]) * rng.uniform(6, 9))))
    ink = plain(word, writer, rng)
    drifted = [s + np.column_stack([0 * s[:, 0], slope * s[:, 0]]) for s in ink.strokes]
    moved = [
        one.mapped(lambda s: s + np.column_stack([0 * s[:, 0], slope * s[:, 0]]))
        for one in ink.letters
    ]
    yield case_of(word, "word", writer, Written(drifted, moved), "line drift", "line_drift")
    word = str(
        rng.choice(
            ["puppy", "happy", "jelly", "piggy", "groggy", "gypsy"]
            if not writer.joined
            else ["puppy", "happy", "jumpy"]
        )
    )
    tails = [k for k, c in enumerate(word) if c in "gjpqy"]
    at = int(rng.choice(tails))
    by = float(rng.uniform(0.25, 0.5))
    changed = [
        p.mapped(lambda s: np.column_stack([s[:, 0], np.where(s[:, 1] < 0, by * s[:, 1], s[:, 1])]))
        if k == at
        else p
        for k, p in enumerate(letters_of(word, writer, rng))
    ]
    yield case_of(
        word,
        "word",
        writer,
        written(laid_out(changed, writer, rng), writer, rng),
        "tails uneven",
        "tails_uneven reach_down",
        (at,),
    )
    word = str(
        rng.choice(
            [
                "rabbit",
                "button",
                "summer",
                "yellow",
                "apple",
                "book",
                "feet",
                "moon",
                "kitten",
                "dinner",
            ]
        )
    )
    at = next(k for k in range(len(word)) if word[k] == word[k + 1])
    by = float(rng.choice([0.6, 0.65, 1.45, 1.5]))
    wide = bool(rng.uniform() < 0.4 and word[at] not in "tl")
    changed = [
        _larger(p, (by, 1.0) if wide else (1.0, by)) if k == at + 1 else p
        for k, p in enumerate(letters_of(word, writer, rng))
    ]
    yield case_of(
        word,
        "word",
        writer,
        written(laid_out(changed, writer, rng), writer, rng),
        "doubles " + ("width" if wide else "height"),
        "doubles_differ size_uneven body_height reach_up" if not wide else "doubles_differ width",
        (at, at + 1),
    )


def _larger(one: Placed, by: tuple[float, float]) -> Placed:
    return one.mapped(lambda path: path * np.array(by))


def _which(writer: Writer, rng: Rng) -> Iterator[Case]:
    word = _word(rng, 4)
    at = int(rng.integers(1, len(word)))
    other = str(
        rng.choice(
            [
                c
                for c in "abcdehkmnorstuvw"
                if c != word[at] and {c, word[at]} not in ({"v", "u"}, {"n", "h"}, {"v", "r"})
            ]
        )
    )
    letters = letters_of(word, writer, rng)
    swapped = [*letters[:at], letter_of(other, at, writer, rng), *letters[at + 1 :]]
    yield _which_case(word, writer, swapped, "substituted", (at,), rng)
    short = [p for k, p in enumerate(letters) if k != at]
    yield _which_case(word, writer, short, "left out", (at - 1, at, at + 1), rng)
    twice = [*letters[: at + 1], letter_of(word[at], at, writer, rng), *letters[at + 1 :]]
    yield _which_case(word, writer, twice, "doubled", (at - 1, at, at + 1), rng)


def _which_case(
    word: str, writer: Writer, letters: list[Placed], name: str, index: tuple[int, ...], rng: Rng
) -> Case:
    placed = laid_out(letters, writer, rng, {-1: 0.0})
    ink = written([replace(p, index=k) for k, p in enumerate(placed)], writer, rng)
    expected = "wrong_letter reads_as_other" if name == "substituted" else "wrong_letter"
    return case_of(
        word, "word", writer, ink, f"wrong letter: {name}", expected, index, family="wrong_letter"
    )


def _marks(writer: Writer, rng: Rng) -> Iterator[Case]:
    text = str(rng.choice([s for s in SENTENCES if s[0].lower() not in "cosvwxzit"]))
    small = [letter_of(text[0].lower(), 0, writer, rng), *letters_of(text, writer, rng)[1:]]
    yield case_of(
        text,
        "sentence",
        writer,
        written(laid_out(small, writer, rng), writer, rng),
        "small at the start",
        "capital",
        (0,),
    )
    text = "Tom and I dig."
    letters = letters_of(text, writer, rng)
    small = [
        replace(letter_of("i", 8, writer, rng), index=8) if p.letter == "I" else p for p in letters
    ]
    yield case_of(
        text,
        "sentence",
        writer,
        written(laid_out(small, writer, rng), writer, rng),
        "small i",
        "capital",
        (8,),
    )
    word = _word(rng, 4, "abdefghmnqrt")
    at = (
        int(rng.choice([k for k, c in enumerate(word) if c in "abdefghmnqrt" and k]))
        if set(word[1:]) & set("abdefghmnqrt")
        else 1
    )
    letters = [
        letter_of(p.letter.upper(), p.index, writer, rng) if k == at else p
        for k, p in enumerate(letters_of(word, writer, rng))
    ]
    if word[at] in "abdefghmnqrt":
        yield case_of(
            word,
            "word",
            writer,
            written(laid_out(letters, writer, rng), writer, rng),
            "capital inside",
            "capital",
            (at,),
        )
    text = str(rng.choice(SENTENCES))
    letters = letters_of(text, writer, rng)
    yield case_of(
        text,
        "sentence",
        writer,
        written(laid_out(letters[:-1], writer, rng), writer, rng),
        "no stop",
        "stop",
        (len(text) - 1, len(text) - 2),
    )
    placed = laid_out(letters, writer, rng)
    high = [*placed[:-1], placed[-1].moved(0, float(rng.uniform(0.5, 0.9)))]
    yield case_of(
        text,
        "sentence",
        writer,
        written(high, writer, rng),
        "stop floats",
        "stop",
        (len(text) - 1,),
    )


def _joins(writer: Writer, rng: Rng) -> Iterator[Case]:
    fits = [w for w in WORDS if len(w) >= 3 and not set(w[:-1]) & set(words.AFTER_A_TAIL)]
    word = str(rng.choice(fits))
    letters = letters_of(word, writer, rng)
    broken = int(rng.integers(len(word) - 1))

    def lifted(at: int, join: Points) -> list[Points]:
        if at != broken:
            return [join]
        middle = len(join) // 2
        return [join[: max(2, middle - 1)], join[middle + 1 :]]

    yield case_of(
        word,
        "word",
        writer,
        written(laid_out(letters, writer, rng), writer, rng, lifted),
        "join lifted",
        "join_broken",
        (broken,),
    )

    def gaping(at: int, join: Points) -> list[Points]:
        return [join] if at != broken else [join[:2], join[-2:]]

    ink = written(laid_out(letters, writer, rng, {broken: 0.35}), writer, rng, gaping)
    yield case_of(word, "word", writer, ink, "join gap", "join_broken", (broken,))


_SLIPS_JOINED = (
    "dot or bar forgotten", "tail too short", "left open at the top", "tall part short",
)  # fmt: skip
_SLIPS_PRINTED = (
    *_SLIPS_JOINED, "from the foot", "off its stem", "a round clockwise", "left open", "floating",
    "mirrored", "leaning right", "stick pushed up",
)  # fmt: skip


def _slips(writer: Writer, rng: Rng) -> Iterator[Case]:
    """One letter of a word with a slip that it also has alone."""
    wanted = _SLIPS_JOINED if writer.joined else _SLIPS_PRINTED
    slips = [s for s in SLIPS if any(s.name.endswith(w) for w in wanted)]
    for _ in range(3):
        slip = slips[int(rng.integers(len(slips)))]
        fits = [
            (w, k)
            for w in WORDS
            for k, c in enumerate(w)
            if c in slip.letters and len(w) > 2 and (k or not writer.joined)
        ]
        if not fits:
            continue
        word, at = fits[int(rng.integers(len(fits)))]
        letters = letters_of(word, writer, rng)
        good_one = letters[at]
        shape = slip.change(
            SHAPES[word[at]][0]
            if "round" in slip.name or "open" in slip.name
            else [*good_one.strokes, *good_one.late],
            rng,
        )
        first = shape[: len(good_one.strokes)] if good_one.late else shape
        letters[at] = replace(good_one, strokes=first, late=shape[len(first) :])
        ink = written(laid_out(letters, writer, rng), writer, rng)
        yield case_of(
            word,
            "word",
            writer,
            ink,
            f"slip: {slip.name}",
            " ".join(slip.expected),
            (at,),
            family="slip",
        )
