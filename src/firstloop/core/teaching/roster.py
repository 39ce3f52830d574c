"""A class list as a teacher has it: names one a line, or a table out of another program."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from enum import StrEnum

from firstloop.core.evidence.task import Handedness
from firstloop.core.names import cleaned, key_of
from firstloop.core.plain_text import is_plain

MOST_CHILDREN, LONGEST_NAME = 60, 60
"""Children of one class, and characters of what one is called."""

FIRST, LAST, HAND = "first", "last", "hand"
HEADINGS = {
    "name": FIRST, "first name": FIRST, "firstname": FIRST, "first": FIRST, "forename": FIRST,
    "given name": FIRST, "child": FIRST, "pupil": FIRST, "known as": FIRST,
    "last name": LAST, "lastname": LAST, "last": LAST, "surname": LAST, "family name": LAST,
    "hand": HAND, "handedness": HAND, "writes with": HAND, "left or right": HAND,
}  # fmt: skip
"""What columns are called, in small letters."""

HANDS = {
    "left": Handedness.LEFT, "l": Handedness.LEFT, "left-handed": Handedness.LEFT,
    "right": Handedness.RIGHT, "r": Handedness.RIGHT, "right-handed": Handedness.RIGHT,
    "": Handedness.RIGHT,
}  # fmt: skip


class Presence(StrEnum):
    """Whether a child is taught with the class. Who is apart stays on the list, but the class's
    plans do not reckon with them; who has left is on no list. Both keep their letters."""

    HERE = "here"
    APART = "apart"
    LEFT = "left"


@dataclass(frozen=True, slots=True)
class Row:
    """A line of a list, and its cells without the space around them."""

    line: int
    cells: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Entry:
    """A child on a list: on which line, what to call them, and the hand they write with."""

    line: int
    name: str
    handedness: Handedness


@dataclass(frozen=True, slots=True)
class RosterFault:
    """What is wrong on a line of a list, and what to do."""

    line: int
    what: str


@dataclass(frozen=True, slots=True)
class Roster:
    """A list as it was read. With faults it is not to be taken over."""

    entries: tuple[Entry, ...]
    faults: tuple[RosterFault, ...]


def read_roster(rows: Sequence[Row], known: Iterable[str] = ()) -> Roster:
    """The children on a list; `known` are those who are in the class already.

    Children of one first name are told apart by their last names, as far as is needed.

    >>> table = [("first name", "surname", "hand"), ("Mila", "Kern", "left"), ("Mila", "Kohl", "")]
    >>> roster = read_roster([Row(at, cells) for at, cells in enumerate(table, 1)])
    >>> [(one.name, one.handedness.value) for one in roster.entries]
    [('Mila Ke.', 'left'), ('Mila Ko.', 'right')]
    >>> read_roster([Row(1, ("Ada",))], known=["ADA"]).faults[0].what
    'Ada is there already; add a letter to tell them apart'
    >>> read_roster([])
    Roster(entries=(), faults=())
    """
    rows = [row for row in rows if any(row.cells)]
    columns = _headings(rows[0].cells) if rows else None
    if columns:
        rows = rows[1:]
    read = [_child(row, columns) for row in rows[:MOST_CHILDREN]]
    there = [key_of(name) for name in known]
    entries = _told_apart([one for one in read if isinstance(one, _Child)], there)
    faults = [one for one in read if isinstance(one, RosterFault)]
    faults += _repeated(entries, there)
    if len(rows) > MOST_CHILDREN:
        faults.append(RosterFault(rows[MOST_CHILDREN].line, _TOO_MANY))
    return Roster(tuple(entries), tuple(sorted(faults, key=lambda fault: fault.line)))


_TOO_MANY = f"a class has at most {MOST_CHILDREN} children; make two classes of the list"


@dataclass(frozen=True, slots=True)
class _Child:
    line: int
    first: str
    last: str
    handedness: Handedness


def _headings(cells: Sequence[str]) -> list[str | None] | None:
    """What each column holds, where the first line says so; else None."""
    named = [HEADINGS.get(cell.lower()) for cell in cells]
    return named if FIRST in named else None


def _child(row: Row, columns: list[str | None] | None) -> _Child | RosterFault:
    cells = dict.fromkeys((FIRST, LAST, HAND), "")
    for at, cell in enumerate(row.cells):
        column = columns[at] if columns and at < len(columns) else None
        if columns is None:
            is_hand = at > 0 and cell.lower() in HANDS
            column = FIRST if at == 0 else HAND if is_hand else LAST
        if column and cell:
            cells[column] = cleaned(cell) if is_plain(cell) else cell
    if not cells[FIRST]:
        return RosterFault(row.line, "there is no name; write one, or leave the line out")
    if not is_plain(cells[FIRST] + cells[LAST]):
        return RosterFault(row.line, "the name holds a sign that cannot be shown; type it anew")
    if len(cells[FIRST]) + len(cells[LAST]) >= LONGEST_NAME:
        return RosterFault(row.line, f"the name is longer than {LONGEST_NAME} letters; shorten it")
    hand = HANDS.get(cells[HAND].lower())
    if hand is None:
        return RosterFault(row.line, f'"{cells[HAND]}" is no hand; write left or right')
    return _Child(row.line, cells[FIRST], cells[LAST], hand)


def _told_apart(children: list[_Child], there: list[str]) -> list[Entry]:
    """Children by what they are called: more of the last name where the first is not enough."""
    names: dict[int, str] = {}
    for child in children:
        same = [one for one in children if key_of(one.first) == key_of(child.first)]
        others = [key_of(one.last) for one in same if one is not child]
        others += [""] if key_of(child.first) in there else []
        names[child.line] = f"{child.first} {_enough(child.last, others)}".strip()
    return [Entry(one.line, names[one.line], one.handedness) for one in children]


def _enough(last: str, others: list[str]) -> str:
    """As much of a last name as parts it from others: none of it where there are no others."""
    if not others or not last:
        return ""
    for count in range(1, len(last)):
        if not any(other.startswith(key_of(last[:count])) for other in others):
            return f"{last[:count]}."
    return last


def _repeated(entries: list[Entry], there: list[str]) -> list[RosterFault]:
    seen = set(there)
    faults = []
    for one in entries:
        if key_of(one.name) in seen:
            what = f"{one.name} is there already; add a letter to tell them apart"
            faults.append(RosterFault(one.line, what))
        seen.add(key_of(one.name))
    return faults
