"""Texts in the other print and joined, each with what should be found in it: the good ones."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from scripts.other_print import words
from scripts.other_print.glyphs import Points, sticks
from scripts.other_print.words import Placed, Rng, Writer, Written, laid_out, letter_of, written

WORDS = (  # noqa: SIM905  # a list is read more easily as a text
    "sun hat pig bed mug fox jam web kit van log dot rain boat feet moon star fish duck shop ring "
    "lamp frog hand nest milk tent drum crab wind queen green happy zebra puppy yellow garden "
    "window basket rabbit button winter planet finger market kitten jumper bridge quick jelly of "
    "we go up in an by next box hug view exit very wave love five"
).split()
SENTENCES = (
    "The dog ran up.", "I can see a fox.", "We had jam and milk.", "My hat is red.",
    "Tom and I dig.", "A big frog sat on a log.", "It is a wet day.", "She has six pens.",
)  # fmt: skip
ROWS = "abcdeghklmnopqrsuwyijtf"


@dataclass(frozen=True)
class Case:
    """A text in ink, what it was to be, and what is wrong with it, if anything: the codes any of
    which is right, those that may be there as well, and the places that are right."""

    target: str
    kind: str
    hand: str
    strokes: list[Points]
    letters: list[Placed]
    fault: str | None = None
    family: str | None = None
    expected: frozenset[str] = frozenset()
    also: frozenset[str] = frozenset()
    index: tuple[int, ...] | None = None
    reads_as: str | None = None


_NAGS = frozenset(
    [
        "reach_up",
        "reach_down",
        "body_height",
        "size_uneven",
        "width",
        "part_length",
        "shape_off",
        "start_place",
        "off_base",
        "reads_as_other",
        "wrong_letter",
        "doubles_differ",
        "tails_uneven",
        "dot_place",
        "spacing",
        "extra_part",
        "missing_part",
        "uneven_parts",
        "retrace_gap",
        "stroke_direction",
        "slant",
        "stroke_order",
        "extra_lift",
        "open_gap",
        "entry_missing",
        "exit_missing",
    ]
)


def letters_of(text: str, writer: Writer, rng: Rng) -> list[Placed]:
    return [letter_of(c, at, writer, rng) for at, c in enumerate(text) if c != " "]


def good(rng: Rng, times: int) -> Iterator[Case]:
    for _ in range(times):
        for joined in (False, True):
            writer = words.draw_writer(rng, joined=joined)
            for word in rng.choice(WORDS, 4, replace=False).tolist():
                yield case_of(word, "word", writer, plain(word, writer, rng), reads_as=word)
            text = str(rng.choice(SENTENCES))
            yield case_of(text, "sentence", writer, plain(text, writer, rng), reads_as=text)
            if not joined:
                letter = str(rng.choice(list(ROWS)))
                ink = _row(letter, int(rng.integers(3, 9)), writer, rng)
                yield case_of(letter, "row", writer, ink, reads_as=letter * len(ink.letters))
            word = str(rng.choice([w for w in WORDS if len(w) > 2]))
            if not joined:
                yield case_of(word, "word", writer, struck_out(word, writer, rng), reads_as=word)


def plain(text: str, writer: Writer, rng: Rng) -> Written:
    return written(laid_out(letters_of(text, writer, rng), writer, rng), writer, rng)


def _row(letter: str, count: int, writer: Writer, rng: Rng) -> Written:
    writer = replace(writer, gap=float(rng.uniform(0.4, 1.2)), late=False)
    row = [letter_of(letter, at, writer, rng) for at in range(count)]
    return written(laid_out(row, writer, rng), writer, rng)


def struck_out(word: str, writer: Writer, rng: Rng) -> Written:
    """One letter is begun badly or is another, has a line or two through it, and comes again."""
    at = int(rng.integers(0, len(word)))
    writer = replace(writer, late=False)
    letters = letters_of(word, writer, rng)
    wrong = letters[at].letter if rng.uniform() < 0.5 else str(rng.choice(list("abdeghnu")))
    bad = replace(letter_of(wrong, at, writer, rng), struck=True)
    placed = laid_out([*letters[:at], bad, *letters[at:]], writer, rng)
    x0, y0, x1, y1 = placed[at].box
    middle = (y0 + y1) / 2
    lines = [
        sticks(
            (x0 - 0.1, middle + by + float(rng.normal(0, 0.1))), (x1 + 0.1, middle + by + float(rng.normal(0, 0.15)))
        )
        for by in ((0.0,) if rng.uniform() < 0.5 else (0.12, -0.15))
    ]  # fmt: skip
    placed[at] = replace(placed[at], strokes=[*placed[at].strokes, *lines])
    return written(placed, writer, rng)


def case_of(
    target: str,
    kind: str,
    writer: Writer,
    ink: Written,
    fault: str | None = None,
    expected: str = "",
    index: tuple[int, ...] | None = None,
    **more: object,
) -> Case:
    hand = "joined" if writer.joined else "plain"
    also = _NAGS if fault else frozenset[str]()
    case = Case(
        target,
        kind,
        hand,
        ink.strokes,
        ink.letters,
        fault,
        fault,
        frozenset(expected.split()),
        also,
        index,
    )
    return replace(case, **more)  # type: ignore[arg-type]  # the names are Case's own
