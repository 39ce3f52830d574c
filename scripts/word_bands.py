"""How common the bundled words are, in bands: `python -m scripts.word_bands` writes
core/vocabulary/bands.py from the counts of English words that pyspellchecker ships (MIT licence).

The words are our own choice; which of them come first in a lesson follows from these bands, from
their sounds and their length. Only the band of our own words is kept, none of the counts.
"""

from pathlib import Path

from spellchecker import SpellChecker

from firstloop.core.vocabulary.sounds import bundled

DOCUMENT = Path(__file__).parents[1] / "src/firstloop/core/vocabulary/bands.py"

LEAST = (300_000, 30_000, 6_000, 1_000)
"""Counts from which a word is in the first, second, third, fourth band: each is met five to ten
times as often as the next. What is met less often, or not at all, is in the last."""

HEAD = '''"""How common the bundled words are: by `python -m scripts.word_bands`, not by hand."""

BANDS = (
'''


def band_of(count: int) -> int:
    """The band of a word by how often it was counted.

    >>> [band_of(count) for count in (10**6, 50_000, 7_000, 999, 0)]
    [0, 1, 2, 4, 4]
    """
    return next((at for at, least in enumerate(LEAST) if count >= least), len(LEAST))


def document() -> str:
    """The module as it should be."""
    counts = SpellChecker(language="en").word_frequency.dictionary
    bands: list[list[str]] = [[] for _ in range(len(LEAST) + 1)]
    for text in sorted({word.text.lower() for word in bundled()}):
        bands[band_of(counts.get(text, 0))].append(text)
    return HEAD + "".join(_lines(words) for words in bands) + ")\n" + TAIL


def _lines(words: list[str]) -> str:
    """A band as one text, in lines that fit."""
    lines, line = list[str](), ""
    for word in words:
        if len(line) + len(word) > 86:
            lines.append(line)
            line = ""
        line += f"{word} "
    lines.append(line)
    return "".join(f'    "{one}"\n' for one in lines[:-1]) + f'    "{lines[-1].rstrip()}",\n'


TAIL = '''"""The words of each band, the commonest first, with spaces between."""
'''


if __name__ == "__main__":
    DOCUMENT.write_text(document(), encoding="utf-8")
