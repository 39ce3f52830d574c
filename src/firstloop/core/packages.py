"""Hands and schemes as plain data, to be kept and handed on; and back, with every fault named.

What the data looks like is in `formats/schemas`, which is published; here is what a schema cannot
say: that a script can be drawn, that no letter is twice in a scheme.
"""

from collections import Counter
from collections.abc import Iterator
from typing import Any

from firstloop.core.errors import FirstLoopError, ScriptError
from firstloop.core.families import LETTERS, Family, Scheme
from firstloop.core.letterforms import Hand
from firstloop.core.letterforms.drawing import Proportions
from firstloop.core.letterforms.hands import GROUPS, HANDS
from firstloop.core.moves import Script, ScriptStroke, nominal_height, notate_stroke, parse_stroke

HAND, SCHEME, VERSION = "first-loop-hand", "first-loop-scheme", 1

WIDEST, HIGHEST, LOWEST = 4.0, 2.4, -1.4
"""u: no node of a letter lies further from its start, above or below its base line."""

Data = dict[str, Any]
Fault = tuple[str, str]
"""Where in the data, and what is wrong there."""


class PackageError(FirstLoopError):
    """A file of a hand or a scheme is faulty. `faults` are all of them: where, and what."""

    def __init__(self, faults: list[Fault]) -> None:
        self.faults = tuple(faults)
        super().__init__("; ".join(f"{where}: {what}" for where, what in faults))


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
    }


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
    )


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


def scheme_data(scheme: Scheme) -> Data:
    """A scheme with all its families."""
    return {
        "kind": SCHEME,
        "version": VERSION,
        "name": scheme.name,
        "families": [
            {
                "name": family.name,
                "why": family.why,
                "letters": list(family.letters),
                "exceptions": dict(family.exceptions),
            }
            for family in scheme.families
        ],
    }


def scheme_from(data: Data) -> Scheme:
    """The scheme of such data; raises PackageError with every fault. The data fits its schema.

    A letter that is in no family is no fault here: a scheme may be kept unfinished.
    """
    families = tuple(
        Family(
            family["name"],
            tuple(family["letters"]),
            family.get("why", ""),
            tuple(family.get("exceptions", {}).items()),
        )
        for family in data["families"]
    )
    faults = list(_scheme_faults(families))
    if faults:
        raise PackageError(faults)
    return Scheme(data["name"], families)


def _scheme_faults(families: tuple[Family, ...]) -> Iterator[Fault]:
    seen: Counter[str] = Counter()
    for at, family in enumerate(families):
        for place, letter in enumerate(family.letters):
            where = f"families/{at}/letters/{place}"
            if letter not in LETTERS:
                yield where, f'"{letter}" is no small letter'
            elif seen[letter]:
                yield where, f"{letter} is in the scheme already"
            seen[letter] += 1
        for letter, _ in family.exceptions:
            if letter not in family.letters:
                yield f"families/{at}/exceptions/{letter}", f"{letter} is not in this family"
