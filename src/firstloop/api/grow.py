"""Grow: how each child's letters stand, on any day."""

from datetime import date

from fastapi import APIRouter, Response

from firstloop.api.answer import Answer
from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.deps import Class, Now, Record
from firstloop.core.checking.say.names import NAMES
from firstloop.core.contract import Dimension
from firstloop.core.judging.text_habits import NAMES as TEXT_HABITS
from firstloop.core.progress.estimates import Chance, LetterState
from firstloop.core.progress.in_words import InWords
from firstloop.core.progress.of_class import LetterOfChild
from firstloop.formats.class_summary import as_csv
from firstloop.services.class_map import (
    ChildRow,
    ClassMap,
    Common,
    FamilySpan,
    class_map,
    summary_rows,
)

router = APIRouter(prefix="/api/grow", tags=["grow"])


class MapFamily(Answer):
    """A family, and its letters in their order."""

    name: str
    letters: list[str]


class MapStates(Answer):
    """How letters stand, in the order of the map: in each dimension, and in the weakest of them."""

    weakest: list[LetterState]
    direction: list[LetterState]
    size: list[LetterState]
    shape: list[LetterState]


class MapChance(Answer):
    """Of 100 next times alone from memory, how often a letter will hold; and between how many that
    lies, as sure as an 80 % interval is."""

    likely: int
    low: int
    high: int


Chances = list[tuple[int, int, int] | None]


class MapChances(Answer):
    """How likely each letter holds, as a MapChance's `likely`, `low` and `high`; null where nothing
    is known."""

    direction: Chances
    size: Chances
    shape: Chances


class MapMoved(Answer):
    """A letter that stands otherwise than a week before."""

    letter: str
    before: LetterState
    now: LetterState


class MapRow(Answer):
    """A child, and its letters in the order of the map; `written` is how many say anything, and
    `in_words` how they do in words, where that is asked for."""

    pupil: PupilOut
    states: MapStates
    chances: MapChances
    written: list[int]
    moved: list[MapMoved]
    in_words: list[InWords]


class MapCommon(Answer):
    """What most children have in common: a letter that they cannot do yet, or a slip by name."""

    children: int
    letters: list[str]
    slip: str | None


class MapInTexts(Answer):
    """What of words and sentences fails rather than holds, in words; and in whose, by name."""

    what: str
    pupils: list[PupilOut]


class MapOut(Answer):
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
    in_texts: list[MapInTexts]


@router.get("/map")
def get_map(  # which map, of which day
    record: Record,
    school_class: Class,
    now: Now,
    day: date | None = None,
    *,
    alone: bool = False,
    words: bool = False,
) -> MapOut:
    """How the letters of a class stand at the end of a day; today's where none is asked for.
    `alone`: without who moved and what most have in common, while a day is still looked for;
    `words`: with how letters do in words."""
    return _map_out(class_map(record, school_class, day, now, alone=alone, words=words))


@router.get("/summary", response_class=Response)
def get_summary(record: Record, school_class: Class, now: Now) -> Response:
    """How the letters of the class stand today, as CSV; by name, in no order of merit."""
    table = as_csv(summary_rows(class_map(record, school_class, None, now)))
    named = {"Content-Disposition": 'attachment; filename="letters-of-the-class.csv"'}
    return Response(table, media_type="text/csv; charset=utf-8", headers=named)


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
        in_texts=[
            MapInTexts(what=TEXT_HABITS[one.aspect], pupils=[pupil_out(p) for p in one.pupils])
            for one in found.in_texts
        ],
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
                dimension.value: [
                    _in_hundred(letter.chances.get(dimension)) for letter in row.letters
                ]
                for dimension in Dimension
            }
        ),
        written=[letter.written for letter in row.letters],
        moved=[MapMoved(letter=m.key.glyph, before=m.before, now=m.now) for m in row.moved],
        in_words=list(row.in_words),
    )


def _state(letter: LetterOfChild, dimension: Dimension) -> LetterState:
    return letter.states.get(dimension, LetterState.UNKNOWN)


def chance_out(letter: LetterOfChild, dimension: Dimension) -> MapChance | None:
    """How likely a letter holds in a dimension; None where nothing is known."""
    chance = letter.chances.get(dimension)
    return chance and in_hundred(chance)


def in_hundred(chance: Chance) -> MapChance:
    """A chance of a hundred."""
    likely, low, high = (round(100 * value) for value in chance[:3])
    return MapChance(likely=likely, low=low, high=high)


def _in_hundred(chance: Chance | None) -> tuple[int, int, int] | None:
    if chance is None:
        return None
    return round(100 * chance.p), round(100 * chance.low), round(100 * chance.high)


def _common_out(common: Common | None) -> MapCommon | None:
    if common is None:
        return None
    slip = NAMES[common.code] if common.code else None
    return MapCommon(children=common.children, letters=list(common.letters), slip=slip)
