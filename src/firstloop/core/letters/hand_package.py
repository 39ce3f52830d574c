"""Hands as plain data, to be kept and handed on; and back, with every fault named.

What the data looks like is in `formats/schemas`, which is published; here is what a schema cannot
say: that every letter is there, and that its script can be drawn.
"""

from collections.abc import Iterator, Sequence

from firstloop.core.errors import Data, Fault, PackageError, ScriptError
from firstloop.core.letters import Hand
from firstloop.core.letters.drawing import Proportions
from firstloop.core.letters.hands import GROUPS, HANDS, LetterJoins
from firstloop.core.letters.moves import (
    Level,
    Script,
    ScriptStroke,
    nominal_height,
    notate_stroke,
    parse_stroke,
)

HAND, VERSION = "first-loop-hand", 1

WIDEST, HIGHEST, LOWEST = 4.0, 2.4, -1.4
"""u: no node of a letter lies further from its start, above or below its base line."""


def hand_data(hand: Hand) -> Data:
    """A hand with all its scripts, alternatives and proportions."""
    shape = hand.proportions
    return {
        "kind": HAND,
        "version": VERSION,
        "name": hand.name,
        "proportions": {
            "width": shape.width,
            "slant_deg": shape.slant_deg,
            "branch": shape.branch,
            "fullness": shape.fullness,
            "exit": shape.exit,
        },
        "letters": {
            letter: [
                {"name": name, "strokes": [notate_stroke(stroke) for stroke in way.strokes]}
                for name, way in _ways(hand, letter)
            ]
            for letter in hand.scripts
        },
        **({"joins": joins} if (joins := _joins_data(hand)) else {}),
    }


def _joins_data(hand: Hand) -> Data:
    return {
        letter: {"in": joins.into and joins.into.value, "out": joins.out and joins.out.value}
        for letter, joins in hand.joined.items()
    }


def _joins_from(data: Data) -> LetterJoins:
    return LetterJoins(*(Level(data[way]) if data[way] else None for way in ("in", "out")))


def _ways(hand: Hand, letter: str) -> Iterator[tuple[str, Script]]:
    """The ways to write a letter, the one that the hand uses first."""
    own, ways = hand.scripts[letter], hand.alternatives.get(letter, {})
    yield next((name for name, way in ways.items() if way is own), "usual"), own
    yield from ((name, way) for name, way in ways.items() if way is not own)


def hand_from(data: Data) -> Hand:
    """The hand of such data; raises PackageError with every fault. The data fits its schema."""
    faults: list[Fault] = []
    if data["name"] in HANDS:
        faults.append(("name", f'"{data["name"]}" is built in; give the hand a name of its own'))
    faults += [
        (f"joins/{x}", "is no small letter: only they join")
        for x in data.get("joins", {})
        if x not in GROUPS["small"]
    ]
    known = [letter for letters in GROUPS.values() for letter in letters]
    faults += [("letters", f'"{x}" is missing') for x in known if x not in data["letters"]]
    faults += [
        (f"letters/{x}", "is no letter, digit or mark of ours")
        for x in data["letters"]
        if x not in known
    ]
    ways = {x: _read_ways(x, data["letters"][x], faults) for x in known if x in data["letters"]}
    if faults:
        raise PackageError(faults)
    return Hand(
        data["name"],
        Proportions(**data["proportions"]),
        {x: next(iter(by_name.values())) for x, by_name in ways.items()},
        {x: by_name for x, by_name in ways.items() if len(by_name) > 1},
        {x: _joins_from(joins) for x, joins in data.get("joins", {}).items()},
    )


def script_from(letter: str, strokes: Sequence[str]) -> Script:
    """The script of a letter from the notation of its strokes; raises PackageError with every
    fault."""
    faults: list[Fault] = []
    way = {"name": "", "strokes": list(strokes)}
    script = _read_ways(letter, [way], faults)[""]
    if faults:
        raise PackageError([(where.partition("/0/")[2], what) for where, what in faults])
    return script


def _read_ways(letter: str, ways: list[Data], faults: list[Fault]) -> dict[str, Script]:
    """The ways to write a letter by name; what is wrong is added to `faults`."""
    read: dict[str, Script] = {}
    for at, way in enumerate(ways):
        where = f"letters/{letter}/{at}"
        if way["name"] in read:
            faults.append((f"{where}/name", f'"{way["name"]}" is already another way'))
        strokes = []
        for number, text in enumerate(way["strokes"]):
            try:
                stroke = parse_stroke(text, "")
            except ScriptError as error:
                faults.append((f"{where}/strokes/{number}", str(error).removeprefix(", ")))
                continue
            faults += [
                (f"{where}/strokes/{number}", f"{place} is off every sheet")
                for place in _off_the_sheet(stroke)
            ]
            strokes.append(stroke)
        read[way["name"]] = Script(letter, tuple(strokes))
    return read


def _off_the_sheet(stroke: ScriptStroke) -> Iterator[str]:
    for node in (stroke.start, *(node for move in stroke.moves for node in move.nodes)):
        y = nominal_height(node.y)
        if abs(node.x) > WIDEST or not LOWEST <= y <= HIGHEST:
            yield f"({node.x:g}, {y:g})"
