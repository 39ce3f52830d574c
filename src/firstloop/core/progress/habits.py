"""Habits: what letters have in common that a hand can or cannot do, by the moves they are made of.

A slip usually belongs to a movement, not to one letter. A *strand* is a habit seen in one
dimension: whether returns go the right way is another matter than whether they stay on the stem.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from functools import lru_cache

from firstloop.core.checking.texts.catalogue import DIMENSION_OF
from firstloop.core.contract import Code, Dimension
from firstloop.core.letters import HANDS, PLAIN
from firstloop.core.letters.moves import Level, MoveKind, Script
from firstloop.core.progress.evidence import DIMENSIONS, LetterKey


@dataclass(frozen=True, slots=True)
class Habit:
    """Something that letters share: `key` in files, `name` for the teacher. It shows in letters
    that begin with one of the moves in `begins`, or have one of its `moves`, or reach its `level`,
    or (with none of these) in all. `dimensions` are those that it shows in; `codes` are findings
    that speak of it whatever move they name."""

    key: str
    name: str
    dimensions: tuple[Dimension, ...]
    moves: frozenset[MoveKind] = frozenset()
    level: Level | None = None
    codes: frozenset[Code] = frozenset()
    begins: frozenset[MoveKind] = frozenset()

    def shows_in(self, script: Script) -> bool:
        """Whether a letter made so has it."""
        if self.begins:
            return script.moves[0].kind in self.begins
        if self.moves:
            return any(move.kind in self.moves for move in script.moves)
        return self.level is None or script.reaches(self.level)


def _movement(key: str, name: str, *moves: MoveKind, codes: Iterable[Code] = ()) -> Habit:
    """A habit of moving: whether it goes the right way, and what comes of it."""
    shows_in = (Dimension.DIRECTION, Dimension.SHAPE)
    return Habit(key, name, shows_in, frozenset(moves), codes=frozenset(codes))


HABITS = (
    Habit(
        "from_the_top",
        "starting at the top",
        (Dimension.DIRECTION,),
        codes=frozenset({Code.START_PLACE, Code.STROKE_DIRECTION}),
        begins=frozenset({MoveKind.DROP, MoveKind.SCOOP, MoveKind.SLOPE}),
    ),
    Habit(
        "straight_down",
        "straight down",
        (Dimension.SHAPE,),
        moves=frozenset({MoveKind.DROP}),
        codes=frozenset({Code.SLANT}),
    ),
    _movement(
        "back_along_the_stem",
        "back along the stem, then over",
        MoveKind.BACK,
        MoveKind.ARCH,
        MoveKind.ARM,
        codes=(Code.RETRACE_GAP, Code.BRANCH_PLACE),
    ),
    _movement("round_and_back", "round and back", MoveKind.ROUND, codes=(Code.OPEN_GAP,)),
    _movement("bowl_from_the_stem", "a bowl from the stem", MoveKind.WHEEL),
    _movement("under_and_up", "under and up", MoveKind.SCOOP, MoveKind.CURL),
    _movement("slants", "slants", MoveKind.SLOPE),
    _movement("bars", "bars", MoveKind.CROSS, codes=(Code.UNEVEN_PARTS,)),
    _movement("dots", "dots", MoveKind.DOT, codes=(Code.DOT_PLACE,)),
    _movement(
        "tail_turn",
        "the turn of a tail",
        MoveKind.HOOK,
        MoveKind.LOOP,
        codes=(Code.LOOP_CROSS,),
    ),
    _movement("lead_in", "leading in", MoveKind.LEAD_IN, codes=(Code.ENTRY_MISSING,)),
    _movement("lead_out", "leading out", MoveKind.FLICK, codes=(Code.EXIT_MISSING,)),
    Habit(
        "on_the_line",
        "standing on the line, filling the body",
        (Dimension.SIZE,),
        codes=frozenset({Code.OFF_BASE, Code.BODY_HEIGHT}),
    ),
    Habit(
        "tall_parts",
        "tall parts to their line",
        (Dimension.SIZE,),
        level=Level.TOP,
        codes=frozenset({Code.REACH_UP}),
    ),
    Habit(
        "tails",
        "tails under the line",
        (Dimension.SIZE,),
        level=Level.DROP,
        codes=frozenset({Code.REACH_DOWN}),
    ),
)


@dataclass(frozen=True, slots=True)
class Strand:
    """A habit in one dimension."""

    habit: Habit
    dimension: Dimension


STRANDS = tuple(Strand(habit, dimension) for habit in HABITS for dimension in habit.dimensions)
MOST_PARENTS = 8
"""[count] Strands of one letter in one dimension, at most: a joined f has seven moves."""

_STRAND_OF = {(s.habit.key, s.dimension): at for at, s in enumerate(STRANDS)}
_HABITS_OF_MOVE = {
    kind.value: [habit for habit in HABITS if kind in habit.moves] for kind in MoveKind
} | {habit.key: [habit] for habit in HABITS}
_HABITS_OF_CODE = {code: [habit for habit in HABITS if code in habit.codes] for code in Code}


def script_of(key: LetterKey) -> Script | None:
    """How a letter is made, as far as it matters here: in its hand, else in print; None for what is
    no letter of ours, as a word that is taught as one.

    >>> script_of(LetterKey("the")) is None, script_of(LetterKey("n", "her own")) is None
    (True, False)
    """
    hand = HANDS.get(key.hand or PLAIN.name, PLAIN)
    return hand.scripts.get(key.glyph) or PLAIN.scripts.get(key.glyph)


@lru_cache(maxsize=4096)
def strands_of(key: LetterKey) -> tuple[tuple[int, ...], ...]:
    """For each dimension the strands of a letter, by their place in STRANDS.

    >>> direction, size, shape = strands_of(LetterKey("n"))
    >>> [STRANDS[at].habit.key for at in shape]
    ['straight_down', 'back_along_the_stem']
    """
    script = script_of(key)
    if script is None:
        return tuple(() for _ in DIMENSIONS)
    there = [strand.habit.shows_in(script) for strand in STRANDS]
    return tuple(
        tuple(
            at for at, strand in enumerate(STRANDS) if there[at] and strand.dimension is dimension
        )
        for dimension in DIMENSIONS
    )


def blamed_by(code: Code, move: str | None = None) -> int:
    """The strands that a finding speaks of, a bit each: what is known by its code, and by the move
    that it names (a kind of move, or a habit's key); 0 where it names none. Of these those count
    that the letter has.

    >>> retrace = blamed_by(Code.RETRACE_GAP)
    >>> [STRANDS[at].habit.key for at in range(64) if retrace >> at & 1]
    ['back_along_the_stem']
    >>> blamed_by(Code.SHAPE_OFF), blamed_by(Code.SHAPE_OFF, "round") > 0
    (0, True)
    """
    dimension = DIMENSION_OF[code]
    habits = {*_HABITS_OF_CODE[code], *_HABITS_OF_MOVE.get(move or "", [])}
    places = (_STRAND_OF.get((habit.key, dimension)) for habit in habits)
    return sum(1 << at for at in places if at is not None)


def belongs_to_a_movement(code: Code) -> bool:
    """Whether some habit is known by a finding.

    >>> belongs_to_a_movement(Code.OPEN_GAP), belongs_to_a_movement(Code.MIRRORED)
    (True, False)
    """
    return bool(_HABITS_OF_CODE[code])


def move_named(script: Script | None, stroke: int, move: int) -> str | None:
    """The kind of a move that is told by its number, both from 0; None where there is none.

    >>> move_named(PLAIN.scripts["n"], 0, 1), move_named(PLAIN.scripts["n"], 0, 9)
    ('back', None)
    """
    if script is None or not 0 <= stroke < len(script.strokes):
        return None
    moves = script.strokes[stroke].moves
    return moves[move].kind.value if 0 <= move < len(moves) else None
