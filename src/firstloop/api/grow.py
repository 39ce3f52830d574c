"""Grow: how each child's letters stand, on any day."""

from datetime import date

from fastapi import APIRouter
from pydantic import BaseModel

from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.deps import Class, Now, Record
from firstloop.core.checking.say.names import NAMES
from firstloop.core.contract import Dimension
from firstloop.core.progress.estimates import LetterState
from firstloop.core.progress.of_class import LetterOfChild
from firstloop.services.class_map import ChildRow, ClassMap, Common, FamilySpan, class_map

router = APIRouter(prefix="/api/grow", tags=["grow"])


class MapFamily(BaseModel):
    """A family, and its letters in their order."""

    name: str
    letters: list[str]


class MapStates(BaseModel):
    """How letters stand, in the order of the map: in each dimension, and in the weakest of them."""

    weakest: list[LetterState]
    direction: list[LetterState]
    size: list[LetterState]
    shape: list[LetterState]


class MapChance(BaseModel):
    """Of 100 next times alone from memory, how often a letter will hold; and between how many that
    lies, as sure as an 80 % interval is."""

    likely: int
    low: int
    high: int


class MapChances(BaseModel):
    """How likely each letter holds; null where nothing is known."""

    direction: list[MapChance | None]
    size: list[MapChance | None]
    shape: list[MapChance | None]


class MapMoved(BaseModel):
    """A letter that stands otherwise than a week before."""

    letter: str
    before: LetterState
    now: LetterState


class MapRow(BaseModel):
    """A child, and its letters in the order of the map; `written` is how many say anything."""

    pupil: PupilOut
    states: MapStates
    chances: MapChances
    written: list[int]
    moved: list[MapMoved]


class MapCommon(BaseModel):
    """What most children have in common: a letter that they cannot do yet, or a slip by name."""

    children: int
    letters: list[str]
    slip: str | None


class MapOut(BaseModel):
    """The class map of a day: children by name, letters by family. `taught` are places of letters;
    `first` and `today` are the days between which it can be asked for."""

    day: date
    first: date
    today: date
    families: list[MapFamily]
    taught: list[int]
    rows: list[MapRow]
    weakest: MapCommon | None
    slip: MapCommon | None


@router.get("/map")
def get_map(record: Record, school_class: Class, now: Now, day: date | None = None) -> MapOut:
    """How the letters of a class stand at the end of a day; today's where none is asked for."""
    return _map_out(class_map(record, school_class, day, now))


def _map_out(found: ClassMap) -> MapOut:
    letters = [letter for family in found.families for letter in family.letters]
    return MapOut(
        day=found.day,
        first=found.first,
        today=found.today,
        families=[_family_out(family) for family in found.families],
        taught=[at for at, letter in enumerate(letters) if letter in found.taught],
        rows=[_row_out(row) for row in found.rows],
        weakest=_common_out(found.weakest),
        slip=_common_out(found.slip),
    )


def _family_out(family: FamilySpan) -> MapFamily:
    return MapFamily(name=family.name, letters=list(family.letters))


def _row_out(row: ChildRow) -> MapRow:
    by_dimension = {
        dimension.value: [_state(letter, dimension) for letter in row.letters]
        for dimension in Dimension
    }
    return MapRow(
        pupil=pupil_out(row.pupil),
        states=MapStates(weakest=[letter.state for letter in row.letters], **by_dimension),
        chances=MapChances(
            **{
                dimension.value: [_chance(letter, dimension) for letter in row.letters]
                for dimension in Dimension
            }
        ),
        written=[letter.written for letter in row.letters],
        moved=[MapMoved(letter=m.key.glyph, before=m.before, now=m.now) for m in row.moved],
    )


def _state(letter: LetterOfChild, dimension: Dimension) -> LetterState:
    return letter.states.get(dimension, LetterState.UNKNOWN)


def _chance(letter: LetterOfChild, dimension: Dimension) -> MapChance | None:
    known = letter.chances.get(dimension)
    if known is None:
        return None
    likely, low, high = (round(100 * value) for value in (known.p, known.low, known.high))
    return MapChance(likely=likely, low=low, high=high)


def _common_out(common: Common | None) -> MapCommon | None:
    if common is None:
        return None
    slip = NAMES[common.code] if common.code else None
    return MapCommon(children=common.children, letters=list(common.letters), slip=slip)
