"""Habits: slips that children make in letters that are taught, for a lesson that mends one."""

from collections import defaultdict
from collections.abc import Collection, Iterable
from dataclasses import dataclass

from firstloop.core.contract import Code

HABITS = {
    Code.START_PLACE: "start where the letter starts",
    Code.STROKE_DIRECTION: "go the way the letter goes",
    Code.EXTRA_LIFT: "keep the pencil on the paper until it is done",
    Code.RETRACE_GAP: "go back along your own line",
    Code.BRANCH_PLACE: "leave the stem, and come back to it, at the right height",
    Code.OPEN_GAP: "close it all the way",
    Code.MIRRORED: "face it the right way",
    Code.OFF_BASE: "let it stand on the line",
    Code.REACH_UP: "let it reach up to its line",
    Code.REACH_DOWN: "let the tail go under the line",
    Code.BODY_HEIGHT: "fill the space between the lines",
}
"""What a lesson can mend, and what the class is told to watch."""

LETTERS_OF_A_HABIT = 5
"""Letters in which it is mended, at most: those that have it most often."""

LOOKED_AT_DAYS = 28
"""Days back that are looked at: what was so before is mended, or will be seen again."""


@dataclass(frozen=True, slots=True)
class Slipped:
    """A child's letter that had something to mend lately."""

    code: Code
    letter: str
    pupil_id: int


@dataclass(frozen=True, slots=True)
class Habit:
    """A slip that children have a habit of: what they are to watch, in which letters, how many."""

    code: Code
    what: str
    letters: tuple[str, ...]
    children: int


def habits(slipped: Iterable[Slipped], taught: Collection[str]) -> tuple[Habit, ...]:
    """The habits that show in taught letters, those of most children first.

    >>> seen = [Slipped(Code.OPEN_GAP, "a", 1), Slipped(Code.OPEN_GAP, "o", 2)]
    >>> seen += [Slipped(Code.OPEN_GAP, "o", 1), Slipped(Code.WIDTH, "n", 1)]
    >>> [(one.what, one.letters, one.children) for one in habits(seen, "aon")]
    [('close it all the way', ('o', 'a'), 2)]
    """
    children: dict[Code, dict[str, set[int]]] = defaultdict(lambda: defaultdict(set))
    for one in slipped:
        if one.code in HABITS and one.letter in taught:
            children[one.code][one.letter].add(one.pupil_id)
    found = [
        Habit(
            code=code,
            what=HABITS[code],
            letters=tuple(sorted(of, key=lambda letter: (-len(of[letter]), letter)))[
                :LETTERS_OF_A_HABIT
            ],
            children=len(set[int]().union(*of.values())),
        )
        for code, of in children.items()
    ]
    order = list(HABITS)
    return tuple(sorted(found, key=lambda one: (-one.children, order.index(one.code))))
