"""Word games on sounds: chains that change one sound at a time, and puzzles with a pair missing.

Two words are neighbours when they have as many sounds and differ in one of them: ship and shop,
chip and ship. A chain is a path in that graph.
"""

from collections import defaultdict, deque
from collections.abc import Iterable
from dataclasses import dataclass
from functools import lru_cache

from firstloop.core.vocabulary.sounds import Word, bundled

Sounds = tuple[str, ...]

MOST_STEPS = 5_000
"""Words looked at for a chain of a given length, before it is given up: by trial, chains that are
there at all are found within a tenth of this."""


@dataclass(frozen=True, slots=True, eq=False)
class _Graph:
    """Words by their text, and for each the texts of those that differ from it in one sound."""

    words: dict[str, Word]
    near: dict[str, tuple[str, ...]]


def neighbours(words: Iterable[Word]) -> dict[str, tuple[str, ...]]:
    """For each word, by its text, those that differ from it in one sound.

    >>> from firstloop.core.vocabulary.sounds import word
    >>> neighbours(map(word, ("ship", "shop", "chip", "dog")))["ship"]
    ('chip', 'shop')
    """
    sounds = {word.text: _sounds(word) for word in words}
    alike: dict[tuple[int, Sounds, Sounds], list[str]] = defaultdict(list)
    for text, parts in sounds.items():
        for at in range(len(parts)):
            alike[at, parts[:at], parts[at + 1 :]].append(text)
    found: dict[str, set[str]] = {text: set() for text in sounds}
    for group in alike.values():
        for text in group:
            found[text].update(group)
    return {text: tuple(sorted(near - {text})) for text, near in found.items()}


@lru_cache(maxsize=64)
def _graph(letters: frozenset[str], own: tuple[Word, ...]) -> _Graph:
    words = {
        word.text: word
        for word in (*bundled(), *own)
        if word.text.islower() and letters.issuperset(word.text)
    }
    return _Graph(words, neighbours(words.values()))


def between(
    start: str, end: str, letters: Iterable[str], own: tuple[Word, ...] = ()
) -> tuple[Word, ...]:
    """The shortest chain from one word to another of taught letters; empty where there is none.

    >>> [word.text for word in between("cat", "dog", "abcdefghijklmnopqrstuvwxyz")]
    ['cat', 'cot', 'cog', 'dog']
    >>> between("cat", "elephant", "abcdefghijklmnopqrstuvwxyz")
    ()
    """
    graph = _graph(frozenset(letters), own)
    if start not in graph.words or end not in graph.words:
        return ()
    came_from: dict[str, str | None] = {start: None}
    queue = deque([start])
    while queue:
        text = queue.popleft()
        if text == end:
            return tuple(graph.words[one] for one in _back(text, came_from))
        for other in graph.near[text]:
            if other not in came_from:
                came_from[other] = text
                queue.append(other)
    return ()


def _back(text: str, came_from: dict[str, str | None]) -> list[str]:
    chain = [text]
    while (before := came_from[chain[-1]]) is not None:
        chain.append(before)
    return chain[::-1]


def of_length(
    start: str,
    length: int,
    letters: Iterable[str],
    own: tuple[Word, ...] = (),
    *,
    back: bool = False,
) -> tuple[Word, ...]:
    """A chain of so many words that begins with a word and has none twice; empty where there is
    none. Each change is in another place than the one before, where that can be had. One that
    comes `back` has its first word once more at the end.

    >>> chain = of_length("pin", 5, "pinatsecklm")
    >>> len(chain), len({word.text for word in chain})
    (5, 5)
    >>> [word.text for word in of_length("pin", 3, "pintab", back=True)]
    ['pin', 'bin', 'tin', 'pin']
    """
    graph = _graph(frozenset(letters), own)
    if start not in graph.words:
        return ()
    looked_at = 0

    def onwards(chain: list[str]) -> list[str]:
        nonlocal looked_at
        looked_at += 1
        if len(chain) == length and not back:
            return chain
        if len(chain) == length:
            return [*chain, start] if start in graph.near[chain[-1]] else []
        free = [text for text in graph.near[chain[-1]] if text not in chain]
        # A change elsewhere first; and what goes on nowhere last.
        free.sort(key=lambda text: (_same_place(graph, chain, text), len(graph.near[text]) < 2))
        for text in free if looked_at < MOST_STEPS else []:
            if found := onwards([*chain, text]):
                return found
        return []

    return tuple(graph.words[text] for text in onwards([start]))


def anywhere(
    length: int, letters: Iterable[str], own: tuple[Word, ...] = (), *, back: bool = False
) -> tuple[Word, ...]:
    """A chain of so many words from wherever there is one; words with more neighbours are tried
    first. Empty where there is none.

    >>> [word.text for word in anywhere(3, "cat")], len(anywhere(3, "catmpb"))
    ([], 3)
    """
    graph = _graph(frozenset(letters), own)
    for text in sorted(graph.words, key=lambda text: (-len(graph.near[text]), text)):
        if len(graph.near[text]) == 0:
            break
        if chain := of_length(text, length, letters, own, back=back):
            return chain
    return ()


def _same_place(graph: _Graph, chain: list[str], text: str) -> bool:
    """Whether the sound is changed in the place where the last one was."""
    if len(chain) < 2:
        return False
    before, last, now = (_sounds(graph.words[one]) for one in (chain[-2], chain[-1], text))
    return _place(before, last) == _place(last, now)


def _place(one: Sounds, other: Sounds) -> int:
    return next(at for at, (a, b) in enumerate(zip(one, other, strict=True)) if a != b)


def _sounds(word: Word) -> Sounds:
    """The letters of its sounds; of a split one with its gap, so that it is told from a pair."""
    return tuple(g.letters + ("_" if g.split else "") for g in word.graphemes)


@dataclass(frozen=True, slots=True)
class Puzzle:
    """A word with a pair missing: what is left of it, `None` for the pair, and every pair of the
    list that makes a word of it."""

    word: Word
    left: tuple[str | None, ...]
    answers: tuple[str, ...]


def missing_pairs(letters: Iterable[str], own: tuple[Word, ...] = ()) -> tuple[Puzzle, ...]:
    """A puzzle for each gap that some word of taught letters leaves where one sound of it is
    written with several letters and these are taken out.

    >>> [p.answers for p in missing_pairs("shicpwk") if p.left == (None, "i", "p")]
    [('ch', 'sh')]
    """
    taught = frozenset(letters)
    words = [
        word
        for word in {w.text: w for w in (*own, *bundled())}.values()
        if word.letters <= taught and word.text.islower()
    ]
    fits: dict[tuple[str | None, ...], set[str]] = defaultdict(set)
    asked: dict[tuple[str | None, ...], Word] = {}
    for word in words:
        pairs = [at for at, g in enumerate(word.graphemes) if len(g.letters) > 1 and not g.split]
        if any(g.split for g in word.graphemes):
            continue
        for at in pairs:
            left = tuple(None if k == at else g.letters for k, g in enumerate(word.graphemes))
            fits[left].add(word.graphemes[at].letters)
        if len(pairs) == 1 and len(word.graphemes) > 1:
            gap = pairs[0]
            left = tuple(None if k == gap else g.letters for k, g in enumerate(word.graphemes))
            asked.setdefault(left, word)
    return tuple(Puzzle(word, left, tuple(sorted(fits[left]))) for left, word in asked.items())
