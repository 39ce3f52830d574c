"""Which letters two who judge blind are given: those that can tell something, fair over letters and
children."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from firstloop.core.errors import FirstLoopError

SMALLEST_SET, LARGEST_SET = 20, 60
"""[count] Fewer tell nothing, more are not judged with care."""


class TooFewLettersError(FirstLoopError):
    """There is too little to choose from."""


@dataclass(frozen=True, slots=True)
class Candidate:
    """A letter that could be in a set; `telling` is how many of its dimensions are not plainly
    secure, by the checker: of letters that are all secure nobody learns anything."""

    id: int
    pupil_id: int
    letter: str
    telling: int


def chosen(candidates: Sequence[Candidate], size: int, seed: int) -> list[int]:
    """So many of the candidates in an order of chance: one by one the one whose letter and child
    are the rarest in the set so far, and of those by turns the most telling and any. Raises
    TooFewLettersError.

    >>> some = [Candidate(at, at % 5, "nmhr"[at % 4], at % 2) for at in range(40)]
    >>> ids = chosen(some, 20, seed=1)
    >>> len(set(ids)), ids == chosen(some, 20, seed=1)
    (20, True)
    """
    if not SMALLEST_SET <= size <= LARGEST_SET:
        raise TooFewLettersError(f"a set has {SMALLEST_SET} to {LARGEST_SET} letters")
    if len(candidates) < size:
        raise TooFewLettersError(
            f"there are {len(candidates)} letters to choose from, and {size} are wanted; take more "
            "days or a smaller set"
        )
    rng = np.random.default_rng(seed)
    left = [candidates[at] for at in rng.permutation(len(candidates))]
    letters, pupils = Counter[str](), Counter[int]()
    found: list[int] = []
    for turn in range(size):
        is_telling = turn % 2 == 0
        best = min(
            range(len(left)),
            key=lambda at: (
                letters[left[at].letter] + pupils[left[at].pupil_id],
                -left[at].telling if is_telling else 0,
                at,
            ),
        )
        one = left.pop(best)
        letters[one.letter] += 1
        pupils[one.pupil_id] += 1
        found.append(one.id)
    return [found[at] for at in rng.permutation(size)]
