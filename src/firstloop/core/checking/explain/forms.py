"""The accepted forms of a letter: what is well written even if the class is taught another."""

from dataclasses import replace
from functools import lru_cache

from firstloop.core.letters import Hand, Letter, draw, find_script
from firstloop.core.letters.alternatives import accepted_with
from firstloop.core.letters.hands import unflicked
from firstloop.core.letters.moves import Level, Move, MoveKind, Script, ScriptStroke
from firstloop.core.letters.ruling import Ruling


@lru_cache(maxsize=1024)
def forms_of(target: str, hand: Hand, ruling: Ruling) -> tuple[Letter, ...]:
    """The letter as the hand has it first, then every other accepted form; raises
    UnknownLetterError."""
    own = find_script(target, hand)
    ways = hand.alternatives.get(target, {})
    chosen = next((name for name, way in ways.items() if way is own), "")
    others = [ways[name] for name in accepted_with(target, chosen, ways) if ways[name] is not own]
    scripts = [own, *others]
    scripts += [bare for script in scripts if (bare := unflicked(script)) is not script]
    scripts += [again for script in scripts for again in _returning(script)]
    return tuple(draw(script, hand.proportions, ruling) for script in scripts)


def _returning(script: Script) -> list[Script]:
    """Where a stroke begins on top of the stem, the pen may also go back up it: B D P R M N."""
    if len(script.strokes) < 2:
        return []
    stem, next_stroke, *rest = script.strokes
    goes_down = [move.kind for move in stem.moves] == [MoveKind.DROP]
    if not goes_down or next_stroke.start != stem.start or stem.start.y is not Level.TOP:
        return []
    if next_stroke.moves[0].kind is MoveKind.CROSS:  # bars of E and F are made one by one
        return []
    back = Move(MoveKind.BACK, (replace(stem.start, heading_deg=None),))
    leave = next_stroke.moves[0].leave_deg
    onwards = replace(next_stroke.moves[0], leave_deg=0.0 if leave is None else leave)
    if next_stroke.moves[0].kind is MoveKind.SLOPE:
        onwards = next_stroke.moves[0]
    merged = ScriptStroke(stem.start, (*stem.moves, back, onwards, *next_stroke.moves[1:]))
    return [replace(script, strokes=(merged, *rest))]
