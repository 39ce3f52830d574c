"""Measures the check of texts: words of six letters, sentences of twenty, growth from 2 to 60
letters, and what is no writing at all; each text on lines of its own, by another writer."""

from collections.abc import Callable, Sequence

import numpy as np
from scripts.bench_checking import reference_work, timed
from scripts.other_print import words
from scripts.other_print.texts import plain

from firstloop.core.checking.check import prepare
from firstloop.core.checking.texts.check import check_text
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.core.vocabulary.sounds import bundled

SIX = tuple(word.text for word in bundled() if len(word.text) == 6)
"""Every word of six letters that there is: most are met once, and their joins with them."""
TWENTY = (
    "The quick fox jumps on me.",
    "We went to see the big moon.",
    "I can see a red hen in it.",
)
GROWTH = (2, 4, 8, 16, 32, 60)
EACH = 60
Rng = np.random.Generator


def bench_texts() -> None:
    """All of it, in print and joined."""
    for joined in (False, True):
        hand = "joined" if joined else "plain"
        _measured(f"a word of six, {hand}, nothing prepared", SIX, Kind.WORD, joined=joined)
        prepare(Style(hand))  # as it is before anybody is answered
        _measured(f"a word of six, {hand}", SIX, Kind.WORD, joined=joined, bar="12 / 30")
        twenty = f"a sentence of twenty, {hand}"
        _measured(twenty, TWENTY, Kind.SENTENCE, joined=joined, bar="– / 90")
        _growth(hand, joined=joined)
    _scribbles()
    print(f"the same work of numpy and Python as ever{timed(reference_work):6.1f} ms")


def _measured(
    what: str, texts: Sequence[str], kind: Kind, *, joined: bool, bar: str | None = None
) -> None:
    rng = np.random.default_rng(31)
    spent = [
        _spent(str(rng.choice(list(texts))), kind, joined=joined, rng=rng) for _ in range(EACH)
    ]
    low, high = np.percentile(spent, [50, 95])
    aim = f"   (bar: {bar} ms)" if bar else ""
    print(f"{what}, p50 / p95{low:6.1f} / {high:.1f} ms{aim}")


def _growth(hand: str, *, joined: bool) -> None:
    rng = np.random.default_rng(32)
    a_letter = []
    for count in GROWTH:
        every = [
            _spent(_text(count, rng), Kind.PHRASE, joined=joined, rng=rng) / count for _ in range(9)
        ]
        a_letter.append(float(np.median(every)))
    by_count = ", ".join(f"{n}: {ms:.2f}" for n, ms in zip(GROWTH, a_letter, strict=True))
    print(
        f"ms a letter, by how many there are, {hand}: {by_count}   (bar: no more at 60 than at 8)"
    )


def _text(count: int, rng: Rng) -> str:
    """Words of four letters and fewer, so many letters in all."""
    letters = "".join(str(rng.choice(list("abcdehiklmnorstuw"))) for _ in range(count))
    return " ".join(letters[at : at + 4] for at in range(0, count, 4))


def _spent(text: str, kind: Kind, *, joined: bool, rng: Rng) -> float:
    writer = words.draw_writer(rng, joined=joined)
    ink = Ink(tuple(Stroke.of(stroke) for stroke in plain(text, writer, rng).strokes))
    ruling = Ruling(float(rng.uniform(1.7, 2.3)), float(-rng.uniform(0.8, 1.2)))
    style = Style("joined" if joined else "plain")
    return timed(lambda: check_text(ink, Task(text, kind), style, ruling))


def _scribbles() -> None:
    rng = np.random.default_rng(33)

    def scribble(strokes: int, points: int) -> Callable[[], object]:
        ink = Ink(
            tuple(
                Stroke.of(
                    np.cumsum(rng.normal(0, 0.1, (points, 2)), axis=0) + np.array([0.1 * at, 0.5])
                )
                for at in range(strokes)
            )
        )
        task = Task("some words of it", Kind.PHRASE)
        return lambda: [check_text(ink, task, Style(h), Ruling()) for h in ("plain", "joined")]

    worst = max(timed(scribble(strokes, points)) for strokes, points in ((1, 9000), (200, 90)))
    print(
        f"a scribble, and 200 strokes, in both hands{worst:6.0f} ms at most   (bar: under 1000 ms)"
    )
