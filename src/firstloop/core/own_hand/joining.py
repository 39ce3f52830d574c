"""Which letters of a joined hand join, learnt from pairs and words: where the pen was lifted."""

from collections import defaultdict
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field
from itertools import pairwise, product

from firstloop.core.geometry.even import Lines
from firstloop.core.letters import Hand
from firstloop.core.letters.hands import GROUPS, LetterJoins, joins_of
from firstloop.core.own_hand.middle import apart, coarse
from firstloop.core.own_hand.redrawn import lines_of
from firstloop.core.own_hand.sample import Sample
from firstloop.core.text.words import compose

MOST_LIFTS = 6
"""[pairs] In longer words lifts are not looked for: a few short ones say as much."""

LIKE_THE_WORD = 0.25
"""[u] A word that is further from what the hand makes of it says nothing of its joins."""


@dataclass(slots=True)
class _Votes:
    """How often a letter was joined on one of its sides, and how often not, and with what."""

    joined: int = 0
    lifted: int = 0
    beside: set[str] = field(default_factory=set)

    @property
    def never(self) -> bool:
        """Whether the pen is always lifted there."""
        return self.lifted > 0 and not self.joined


def joins_learnt(words: Iterable[Sample], hand: Hand) -> dict[str, LetterJoins]:
    """Of small letters that join otherwise than their moves say, how they do, by these words."""
    out: defaultdict[str, _Votes] = defaultdict(_Votes)
    into: defaultdict[str, _Votes] = defaultdict(_Votes)
    for word in words:
        for (first, second), joined in _joins_in(word, hand):
            for votes, beside in ((out[first], second), (into[second], first)):
                votes.joined += joined
                votes.lifted += not joined
                votes.beside.add(beside)
    found: dict[str, LetterJoins] = {}
    for letter in GROUPS["small"]:
        said = joins_of(hand, letter)
        # A lift is the letter's doing only if it lifts whatever stands beside it, or nothing else
        # is known to: of two that never join, the one that would have nothing to go on by.
        lifts_after = out[letter].never and not _others_do(into, out[letter].beside)
        lifts_before = into[letter].never and not _others_do(out, into[letter].beside)
        learnt = LetterJoins(None if lifts_before else said.into, None if lifts_after else said.out)
        if learnt != said:
            found[letter] = learnt
    return found


def _others_do(votes: dict[str, _Votes], letters: Iterable[str]) -> bool:
    """Whether each of the letters beside is lifted from always, by others too."""
    return all(votes[one].never and len(votes[one].beside) > 1 for one in letters)


def _joins_in(word: Sample, hand: Hand) -> list[tuple[tuple[str, str], bool]]:
    """For each two neighbours whether they were joined: as in that making of the word which is
    nearest to it."""
    pairs = list(dict.fromkeys(pairwise(word.letter)))
    small = set(GROUPS["small"])
    if not pairs or len(pairs) > MOST_LIFTS or not set(word.letter) <= small:
        return []
    nearest, found = LIKE_THE_WORD, list[tuple[tuple[str, str], bool]]()
    for made_so in product((True, False), repeat=len(pairs)):
        joined = dict(zip(pairs, made_so, strict=True))
        made = _made(word.letter, hand, joined)
        if len(made) != len(word.lines):
            continue
        off = min(apart(coarse(one), word.coarse).mean for one in _orders(made))
        if off < nearest:
            nearest, found = off, list(joined.items())
    return found


def _made(word: str, hand: Hand, joined: Mapping[tuple[str, str], bool]) -> Lines:
    """The word with the joins that are said, every other pair apart."""
    script = compose(word, hand, lambda pair: len(pair) < 2 or joined[pair[0], pair[1]]).script
    return lines_of(script, hand.proportions)


def _orders(made: Lines) -> Iterator[Lines]:
    """The word's strokes as they are, and with the waiting ones right after their letters."""
    yield made
    ordered = sorted(range(len(made)), key=lambda at: float(made[at][0, 0]))
    if ordered != list(range(len(made))):
        yield tuple(made[at] for at in ordered)
