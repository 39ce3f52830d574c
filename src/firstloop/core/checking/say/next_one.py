"""What is said of how the next one is to be, where that depends on the letter and on its paper."""

from functools import lru_cache

from firstloop.core.checking.measure.closures import closures
from firstloop.core.checking.say.said import Said
from firstloop.core.letters import PLAIN, Letter, draw
from firstloop.core.letters.moves import Level, MoveKind
from firstloop.core.letters.phrases import OURS, move_words
from firstloop.core.letters.places import is_there
from firstloop.core.letters.ruling import Line, Ruling, RulingKind


def where_it_branches(s: Said) -> str:
    """Where the next one is to leave its stem, or to meet it."""
    if s.meets:
        return "Come to the stem a little lower." if s.up else "Curve up before you reach the stem."
    return (
        "Leave the stem a little below its top."
        if s.up
        else "Go further back up your stem before you turn away."
    )


def how_long(s: Said) -> str:
    """How long the part of the next one is to be; of what goes round, how far round."""
    if s.mouth:
        return f"Leave {s.the} open: the ends do not meet."
    if s.kind in (MoveKind.ROUND, MoveKind.WHEEL, MoveKind.CURL, MoveKind.HOOK):
        return (
            f"Stop the {s.part} a little sooner."
            if s.up
            else f"Take the {s.part} a little further."
        )
    return f"Make the {s.part} a little {'shorter' if s.up else 'longer'}."


def how_large(s: Said) -> str:
    """How large the body of the next one is to be."""
    up = s.up
    if s.ruling.kind is RulingKind.SQUARES:
        return f"Keep {s.body} in its square." if up else f"Let {s.body} fill its square."
    if not is_there(Line.MID, s.ruling):
        return f"Make {s.body} a little {'smaller' if up else 'larger'}."
    return f"Keep {s.body} under {s.mid}." if up else f"Let {s.body} reach {s.mid}."


def how_tall(s: Said) -> str:
    """How tall the next one is to be; a t that ends half way has no line to reach."""
    if not s.is_tall:
        return f"Make {s.the} a little {'shorter' if s.up else 'taller'}."
    if s.starts_at_the_top:
        return f"Start at {s.top}, not above it." if s.up else f"Make it tall: start at {s.top}."
    return f"Go up to {s.top}, no higher." if s.up else f"Go all the way up to {s.top}."


def shorter_tail(s: Said) -> str:
    """How deep the tail of the next one is to go."""
    if is_there(Line.DROP, s.ruling):
        return f"Let the tail stop at {s.drop}."
    return "Make the tail a little shorter."


def tell_apart(s: Said) -> str:
    """What keeps a letter from being the other one: its height, its tail, its closing, its end."""
    letter, other = s.letter, s.other
    own, like = (_in_print(name, letter.ruling) for name in (letter.name, other))
    if letter.name.islower() and other.islower() and own is not None and like is not None:
        for level, if_it_has, if_not in (
            (Level.TOP, f"Make it tall, up to {s.top}.", _short(s)),
            (Level.DROP, "Let its tail go under the line.", "It has no tail: stop on the line."),
        ):
            has = own.script.reaches(level)
            if has is not like.script.reaches(level):
                return if_it_has if has else if_not
        closes = _closes(own)
        if closes is not _closes(like) and (closes or _has(own, CURVED)):
            return "Close it all the way." if closes else f"Leave {s.the} open."
    return f"Look how {s.the} ends: {move_words(letter.script, OURS, s.ruling)[-1][-1]}."


def _short(s: Said) -> str:
    if s.ruling.kind is RulingKind.SQUARES or not is_there(Line.MID, s.ruling):
        return "Keep it short."
    return f"Keep it short, under {s.mid}."


CURVED = (MoveKind.ROUND, MoveKind.WHEEL, MoveKind.SCOOP)


@lru_cache(maxsize=256)
def _in_print(name: str, ruling: Ruling) -> Letter | None:
    """A glyph without leads, which hide what it is."""
    script = PLAIN.scripts.get(name)
    return draw(script, PLAIN.proportions, ruling) if script is not None else None


def _has(letter: Letter, kinds: tuple[MoveKind, ...]) -> bool:
    return any(move.move.kind in kinds for move in letter.moves)


def _closes(letter: Letter) -> bool:
    """Whether a round of it comes back to where something is."""
    return any(letter.strokes[one.stroke][one.move].move.kind in CURVED for one in closures(letter))
