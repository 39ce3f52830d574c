"""What a letter looks like: its paths as pictures to be compared with."""

from firstloop.core.geometry.matching import Path
from firstloop.core.letters import Letter
from firstloop.core.letters.drawing import path_of
from firstloop.core.letters.moves import MoveKind


def looks_of(letter: Letter) -> list[Path]:
    """A letter's path, to be looked at; of a joined letter also without its lead-in, and
    without lead-in and flick, as which it is read all the same."""
    looks = [letter.paths()]
    main, *others = letter.strokes
    kinds = [move.move.kind for move in main]
    if kinds[0] is MoveKind.LEAD_IN:
        rest = tuple(path_of(stroke) for stroke in others)
        looks.append((path_of(main[1:]), *rest))
        if kinds[-1] is MoveKind.FLICK:
            looks.append((path_of(main[1:-1]), *rest))
    return [Path.of(paths) for paths in looks]
