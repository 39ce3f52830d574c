"""From print to joined: which letters are brought over when, and which joins are practised.

Letters come over family by family, first alone with lead-in and lead-out; then the joins that they
make possible, a movement at a time, the easiest first. Everything is computed from the scheme and
the joins' movements; a teacher may order it otherwise.
"""

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import lru_cache

from firstloop.core.errors import FirstLoopError
from firstloop.core.letters import Hand
from firstloop.core.letters.hands import GROUPS
from firstloop.core.teaching.families import Scheme
from firstloop.core.teaching.lesson import MOST_NEW
from firstloop.core.text.joins import Join, JoinKind, join_of
from firstloop.core.vocabulary.sounds import bundled

A_STAGE = 5
"""Pairs of a stage: enough to feel that the movement is one, few enough for a lesson."""

COMMON = 5
"""Of the bundled words, one in 500: pairs that are in fewer are met when a word needs them."""

MOST_STAGES = 60
"""Of a plan: all that can be told apart on one page; the longest that is computed has 27."""


class JoiningError(FirstLoopError):
    """A plan that cannot be followed."""


@dataclass(frozen=True, slots=True)
class Stage:
    """One lesson's worth: letters alone, or pairs to be joined; and why it stands here."""

    parts: tuple[str, ...]
    why: str = ""

    @property
    def joins(self) -> bool:
        """Whether it is about joins, and not about letters alone."""
        return any(len(part) > 1 for part in self.parts)


@lru_cache(maxsize=16)
def plan(scheme: Scheme, hand: Hand) -> tuple[Stage, ...]:
    """The stages for a hand that joins: each family's letters alone, then every movement of joining
    that is new with them, the easiest first; then the commonest new pairs of known movements.

    >>> from firstloop.core.letters import HANDS
    >>> from firstloop.core.teaching.families import Family
    >>> two = Scheme("s", (Family("Under", ("i", "u"), ""), Family("Round", ("a", "t"), "")))
    >>> for stage in plan(two, HANDS["joined"]):
    ...     print(*stage.parts, "-", stage.why)
    i u - Under, with lead-in and lead-out
    ui - a new join, from the base line up to a short letter
    a t - Round, with lead-in and lead-out
    at it ut tt - a new join, from the base line all the way up a tall letter
    ta ua - a new join, from the base line up and over a round letter
    ai ti tu au - joins you know, with the new letters
    """
    stages: list[Stage] = []
    over: set[str] = set()
    known: set[JoinKind] = set()
    done: set[str] = set()
    for family in scheme.families:
        letters = tuple(x for x in family.letters if x in GROUPS["small"])
        if not letters:
            continue
        over |= set(letters)
        stages.append(Stage(letters, f"{family.name}, with lead-in and lead-out"))
        possible = [pair for pair in _pairs(hand) if set(pair) <= over and pair not in done]
        for kind in _easiest_first(possible, hand, known):
            some = [pair for pair in possible if _kind(pair, hand) == kind][:A_STAGE]
            stages.append(Stage(tuple(some), f"a new join, {kind.words}"))
            known.add(kind)
            done |= set(some)
        again = [pair for pair in possible if pair not in done and set(pair) & set(letters)]
        if again:
            some = again[:A_STAGE]
            stages.append(Stage(tuple(some), "joins you know, with the new letters"))
            done |= set(some)
    return tuple(stages)


def checked(stages: Iterable[Sequence[str]], hand: Hand) -> tuple[Stage, ...]:
    """A teacher's own plan; raises JoiningError with what is wrong and where.

    >>> from firstloop.core.letters import HANDS
    >>> checked([["c", "a"], ["ca", "xg", "ga"]], HANDS["joined"])
    Traceback (most recent call last):
    firstloop.core.teaching.joined_plan.JoiningError: stage 2: the pen is lifted after g in "ga"
    """
    found = [tuple(stage) for stage in stages]
    if len(found) > MOST_STAGES:
        raise JoiningError(f"a plan has at most {MOST_STAGES} stages; put some together")
    for at, parts in enumerate(found, start=1):
        if not 1 <= len(parts) <= MOST_NEW:
            raise JoiningError(f"stage {at}: a lesson is on one to {MOST_NEW} letters or pairs")
        if len({len(part) for part in parts}) > 1:
            raise JoiningError(f"stage {at}: letters alone, or pairs; not both in one lesson")
        for part in parts:
            if len(part) > 2 or not set(part) <= set(GROUPS["small"]):
                raise JoiningError(f'stage {at}: "{part}" is no small letter and no pair of them')
            if len(part) == 2 and join_of(part, hand) is None:
                raise JoiningError(f'stage {at}: the pen is lifted after {part[0]} in "{part}"')
    return tuple(map(Stage, found))


def fitting(
    stages: Iterable[Sequence[str]], hand: Hand, computed: Iterable[Stage] = ()
) -> tuple[Stage, ...]:
    """A plan of the teacher's, as far as the hand joins what is in it: it may have been made for
    another. What she has kept of the computed one keeps its reason.

    >>> from firstloop.core.letters import HANDS
    >>> [stage.parts for stage in fitting([["g"], ["ga", "in"], ["go"]], HANDS["joined"])]
    [('g',), ('in',)]
    """
    found = [
        tuple(part for part in stage if len(part) == 1 or join_of(part, hand)) for stage in stages
    ]
    why = {stage.parts: stage.why for stage in computed}
    return tuple(Stage(parts, why.get(parts, "")) for parts in found if parts)


def is_done(stage: Stage, letters: Iterable[str], pairs: Iterable[str]) -> bool:
    """Whether all of a stage is taught."""
    return set(stage.parts) <= {*letters, *pairs}


def _easiest_first(pairs: list[str], hand: Hand, known: set[JoinKind]) -> list[JoinKind]:
    """The movements among these pairs that are not known yet, by their mean effort."""
    efforts: dict[JoinKind, list[float]] = {}
    for pair in pairs:
        join = _join(pair, hand)
        if join.kind not in known:
            efforts.setdefault(join.kind, []).append(join.effort)
    return sorted(efforts, key=lambda kind: sum(efforts[kind]) / len(efforts[kind]))


@lru_cache(maxsize=16)
def _pairs(hand: Hand) -> tuple[str, ...]:
    """The pairs of neighbours in the bundled words that the hand joins, the commonest first."""
    common = (pair for pair, times in _neighbours().most_common() if times >= COMMON)
    return tuple(pair for pair in common if join_of(pair, hand))


@lru_cache(maxsize=1)
def _neighbours() -> Counter[str]:
    small = set(GROUPS["small"])
    texts = [word.text for word in bundled()]
    pairs = (text[at : at + 2] for text in texts for at in range(len(text) - 1))
    return Counter(pair for pair in pairs if set(pair) <= small)


def _join(pair: str, hand: Hand) -> Join:
    join = join_of(pair, hand)
    assert join is not None  # only pairs that the hand joins are asked for
    return join


def _kind(pair: str, hand: Hand) -> JoinKind:
    return _join(pair, hand).kind
