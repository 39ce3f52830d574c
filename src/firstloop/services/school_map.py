"""The map over all classes that somebody teaches or helps in: by letter and by movement, no child
named."""

from collections import defaultdict
from dataclasses import dataclass
from datetime import datetime

from firstloop.core.letters.hands import GROUPS
from firstloop.core.progress.estimates import ChildEstimates, LetterState
from firstloop.core.progress.evidence import letter_key
from firstloop.core.progress.habits import STRANDS, Strand
from firstloop.core.progress.of_class import Shares, letters_of, shares_of
from firstloop.services import progress
from firstloop.services.clock import day_of
from firstloop.store import classes, school, staff
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord

LETTERS = tuple(letter for letters in GROUPS.values() for letter in letters)


@dataclass(frozen=True, slots=True)
class ClassShares:
    """A class: how many children it has, and in how many each of LETTERS and of STRANDS stands how;
    None where that is known of too few."""

    class_id: int
    name: str
    children: int
    letters: tuple[Shares | None, ...]
    strands: tuple[Shares | None, ...]


def school_map(record: Database, account_id: int, now: datetime) -> tuple[ClassShares, ...]:
    """How the classes of somebody stand today, by the names of the classes."""
    with record.session() as session:
        today = day_of(now, school.zone(session))
        hers = [one.id for one in staff.classes_of(session, account_id)]
    for class_id in hers:
        progress.keep_marks(record, class_id, today)
    with record.session() as session:
        found = [classes.get(session, class_id) for class_id in hers]
        return tuple(
            _class_shares(one, list(progress.children(session, one, today).values()))
            for one in found
        )


def _class_shares(school_class: ClassRecord, children: list[ChildEstimates]) -> ClassShares:
    letters = [letters_of(child.letters) for child in children]
    keys = [letter_key(name, joins=school_class.hand.joins) for name in LETTERS]
    strands = defaultdict[Strand, list[LetterState]](list)
    for child in children:
        for habit in child.habits:
            strands[habit.strand].append(habit.chance.state)
    return ClassShares(
        school_class.id,
        school_class.name,
        len(school_class.pupils),
        tuple(shares_of(one[key].state for one in letters if key in one) for key in keys),
        tuple(shares_of(strands[strand]) for strand in STRANDS),
    )
