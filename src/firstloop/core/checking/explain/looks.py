"""What a letter looks like: its paths as pictures to be compared with."""

from firstloop.core.geometry.matching import Path
from firstloop.core.letters import Letter
from firstloop.core.letters.drawing import path_of
from firstloop.core.letters.moves import MoveKind


def looks_of(letter: Letter) -> list[Path]:
    """A letter's path, to be looked at; of a joined letter also without its lead-in, and
    without lead-in and flick, as which it is read all the same."""
    main, *others = letter.strokes
    kinds = [move.move.kind for move in main]
    mains = [main]
    if kinds[0] is MoveKind.LEAD_IN:
        mains.append(main[1:])
        if kinds[-1] is MoveKind.FLICK:
            mains.append(main[1:-1])
    rest = tuple(path_of(stroke) for stroke in others)
    # A letter of one's own may be made of lead-in and flick alone.
    return [Path.of((path_of(stroke), *rest)) for stroke in mains if stroke]
