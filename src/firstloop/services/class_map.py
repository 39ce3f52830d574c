"""The class map: how every letter of every child stands at the end of a day, who moved since a week
before, and what most have in common."""

from collections import Counter, defaultdict
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import date, datetime, timedelta

from firstloop.core.contract import Code
from firstloop.core.judging.text_habits import NEWEST, text_habits
from firstloop.core.judging.word import Aspect
from firstloop.core.letters.hands import GROUPS
from firstloop.core.progress.estimates import LetterState
from firstloop.core.progress.evidence import LetterKey, letter_key
from firstloop.core.progress.in_words import Compared, InWords
from firstloop.core.progress.of_class import LetterOfChild, Moved, letters_of, moved
from firstloop.core.teaching.habits import LOOKED_AT_DAYS
from firstloop.formats.class_summary import SummaryRow
from firstloop.services import progress, schemes
from firstloop.services.clock import day_of
from firstloop.services.trusting import doubted_in
from firstloop.store import attempts, school, slipped, stories, taught_letters
from firstloop.store.database import Database, Session
from firstloop.store.records import ClassRecord, PupilRecord

A_WEEK = timedelta(days=7)
COMPARED = timedelta(days=56)
"""So long words are held against letters alone: eight weeks, for words are few."""
NOTHING_KNOWN = LetterOfChild({})


@dataclass(frozen=True, slots=True)
class FamilySpan:
    """A family's letters, as they stand next to each other on the map."""

    name: str
    letters: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class ChildRow:
    """A child's row: how each letter of the map stands, which stand otherwise than a week before;
    and how each does in words, where that is asked for."""

    pupil: PupilRecord
    letters: tuple[LetterOfChild, ...]
    moved: tuple[Moved, ...]
    in_words: tuple[InWords, ...]


@dataclass(frozen=True, slots=True)
class Common:
    """What most have in common: of how many children, and in which letters most of all."""

    children: int
    letters: tuple[str, ...]
    code: Code | None = None


@dataclass(frozen=True, slots=True)
class WeakInTexts:
    """What of texts fails rather than holds, and in whose, by name."""

    aspect: Aspect
    pupils: tuple[PupilRecord, ...]


@dataclass(frozen=True, slots=True)
class ClassMap:
    """The map of a day: the days that it can be asked for, the letters by family, which of them
    were taught by then, the children by name, the commonest weak letter and slip, and what is weak
    in whose texts."""

    day: date
    first: date
    today: date
    families: tuple[FamilySpan, ...]
    taught: frozenset[str]
    rows: tuple[ChildRow, ...]
    weakest: Common | None
    slip: Common | None
    in_texts: tuple[WeakInTexts, ...]


def class_map(  # which map of which class, of when
    record: Database,
    school_class: ClassRecord,
    day: date | None,
    now: datetime,
    *,
    alone: bool = False,
    words: bool = False,
) -> ClassMap:
    """The map at the end of a day, today's where none is asked for; `alone` without who moved and
    what most have in common, `words` with how letters do in words. Marks that the class lacks are
    made first."""
    with record.session() as session:
        today = day_of(now, school.zone(session))
    progress.keep_marks(record, school_class.id, today)
    with record.session() as session:
        first = min([today, *attempts.first_days(session, school_class.id).values()])
        asked = min(max(day or today, first), today)
        families = families_of(session, school_class)
        names = [letter for family in families for letter in family.letters]
        days = [asked] if alone else [asked - A_WEEK, asked]
        *before, stand = progress.stand(session, school_class, *days)
        in_words = _in_words(session, school_class.id, asked) if words else {}
        joins = school_class.hand.joins
        keys = [letter_key(name, joins=joins) for name in names]
        rows = tuple(
            _row(
                pupil,
                letters_of(stand.get(pupil.id, ())),
                letters_of(before[0].get(pupil.id, ())) if before else {},
                keys,
                tuple(in_words[pupil.id, name].comes_to for name in names) if words else (),
            )
            for pupil in school_class.pupils
        )
        taught = taught_letters.of_class(session, school_class.id, joined=joins, as_of=asked)
        return ClassMap(
            day=asked,
            first=first,
            today=today,
            families=families,
            taught=frozenset(taught),
            rows=rows,
            weakest=None if alone else _weakest(rows, names),
            slip=None if alone else _slip(session, school_class, asked),
            in_texts=() if alone else _in_texts(session, school_class, asked),
        )


def summary_rows(found: ClassMap) -> Iterator[SummaryRow]:
    """The map, letter by letter and dimension by dimension, of which anything is known."""
    families = {letter: family.name for family in found.families for letter in family.letters}
    for row in found.rows:
        for (letter, family), stands in zip(families.items(), row.letters, strict=True):
            for dimension, chance in stands.chances.items():
                yield SummaryRow(
                    child=row.pupil.name,
                    letter=letter,
                    family=family,
                    taught=letter in found.taught,
                    dimension=dimension.value,
                    state=stands.states[dimension].value,
                    likely=round(100 * chance.p),
                    low=round(100 * chance.low),
                    high=round(100 * chance.high),
                    rests_on=chance.rests_on,
                )


def families_of(session: Session, school_class: ClassRecord) -> tuple[FamilySpan, ...]:
    """The class's families; then what its scheme leaves out, by kind."""
    scheme = schemes.find(session, school_class, school_class.scheme)
    spans = [FamilySpan(family.name, family.letters) for family in scheme.families]
    there = {letter for span in spans for letter in span.letters}
    for kind, name in (("small", "Small"), ("capital", "Capitals"), ("digit", "Digits")):
        left = tuple(letter for letter in GROUPS[kind] if letter not in there)
        if left:
            spans.append(FamilySpan(name, left))
    return tuple(spans)


def _in_words(session: Session, class_id: int, day: date) -> defaultdict[tuple[int, str], Compared]:
    found = stories.in_words(session, class_id, day - COMPARED, day)
    return defaultdict(Compared, found)


def _row(
    pupil: PupilRecord,
    now: Mapping[LetterKey, LetterOfChild],
    before: Mapping[LetterKey, LetterOfChild],
    keys: list[LetterKey],
    in_words: tuple[InWords, ...],
) -> ChildRow:
    on_the_map = set(keys)
    return ChildRow(
        pupil,
        tuple(now.get(key, NOTHING_KNOWN) for key in keys),
        tuple(one for one in moved(before, now) if one.key in on_the_map),
        in_words,
    )


def _weakest(rows: tuple[ChildRow, ...], names: list[str]) -> Common | None:
    """The letter that most children cannot do yet."""
    weak = Counter(
        name
        for row in rows
        for name, letter in zip(names, row.letters, strict=True)
        if letter.state is LetterState.NOT_YET
    )
    if not weak:
        return None
    most = max(weak.values())
    return Common(most, tuple(name for name in names if weak[name] == most))


def _slip(session: Session, school_class: ClassRecord, day: date) -> Common | None:
    """The slip that most children had in the four weeks until a day, and the letters it was seen in
    most."""
    begin = day - timedelta(days=LOOKED_AT_DAYS - 1)
    doubts = doubted_in(session, school_class.id)
    of = dict[Code, dict[str, set[int]]]()
    for one in slipped.between(session, school_class.id, begin, day):
        if one.pupil_id in school_class.here and one.code not in doubts:
            of.setdefault(one.code, {}).setdefault(one.letter, set()).add(one.pupil_id)
    if not of:
        return None
    code = min(of, key=lambda code: (-_children(of[code]), list(Code).index(code)))
    letters = sorted(of[code], key=lambda letter: (-len(of[code][letter]), letter))
    return Common(_children(of[code]), tuple(letters[:5]), code)


def _in_texts(session: Session, school_class: ClassRecord, day: date) -> tuple[WeakInTexts, ...]:
    """What fails in the texts of the eight weeks until a day, and in whose; first what fails in
    most children's."""
    said = stories.of_texts(session, school_class.id, (day - COMPARED, day), NEWEST)
    weak = defaultdict[Aspect, list[PupilRecord]](list)
    for pupil in school_class.pupils:
        for habit in text_habits(said[pupil.id]):
            if habit.is_weak:
                weak[habit.aspect].append(pupil)
    found = [WeakInTexts(aspect, tuple(weak[aspect])) for aspect in Aspect if weak[aspect]]
    return tuple(sorted(found, key=lambda one: -len(one.pupils)))


def _children(by_letter: Mapping[str, set[int]]) -> int:
    return len(set[int]().union(*by_letter.values()))
