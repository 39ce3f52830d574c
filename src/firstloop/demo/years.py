"""A large class over years: what a school's record looks like when it has been used for long.

Its letters are drawn from a bank: for every letter some good ones and some with its slips, each
really written by a made-up child and really checked, once. Which child writes which when follows
habits that are mended with time, and lost and found again. `checker` says so in the data; the
record is filled in bulk. Once a week a word is written; its teacher says a word of some letters.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import UTC, date, datetime, time, timedelta

import numpy as np

from firstloop.core.checking.check import check
from firstloop.core.checking.say.findings import CHECKER_VERSION
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Handedness, Help, Source, Task
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import PLAIN, Hand
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS
from firstloop.core.letters.style import Style
from firstloop.core.teaching.schemes import by_movement
from firstloop.demo.made_up import CHILDREN, MORE_NAMES
from firstloop.demo.years_besides import texts_of_years, words_of_hers
from firstloop.services import lessons
from firstloop.services.classes import begin
from firstloop.services.clock import day_of
from firstloop.services.rechecking import rebuild
from firstloop.store import accounts, attempts, school
from firstloop.store.database import Database
from firstloop.store.records import Checked, ClassRecord, NewAttempt

SEED = 20260908
MADE_UP = f"{CHECKER_VERSION}, of made-up ink"
"""What the data says of who checked it: the checker, but not this child's own ink."""

GOOD, SLIPPED = 6, 6
"""Of every letter in the bank."""

SCHOOL_WEEKS, SATURDAY = 40, 5
LETTER_LASTS = 6
"""School days until the next letter is taught."""

RATE_HZ = 60.0
"""Of the pen: enough to look at, and half a million letters do not fill the disk."""

AT_ONCE = 20_000


@dataclass(frozen=True, slots=True, eq=False)
class _Written:
    """A letter of the bank, and what the checker says of it."""

    ink: Ink
    checked: Checked


def load_years(
    record: Database, today: date, *, years: int, children: int, letters_a_day: int
) -> ClassRecord:
    """A class of so many children with the letters of so many years, up to `today`."""
    rng = np.random.default_rng(SEED)
    names = [child.name for child in CHILDREN] + list(MORE_NAMES)
    names += [f"Child {at}" for at in range(len(names), children)]
    hands = [Handedness.LEFT if rng.random() < 0.1 else Handedness.RIGHT for _ in names]
    with record.writing() as session:
        school.set_demo(session)
        nobody = accounts.unclaimed(session)
    made = begin(
        record,
        nobody,
        "Bittern class",
        style=Style(PLAIN.name),
        ruling=Ruling(),
        x_height_mm=8.0,
        children=list(zip(names, hands, strict=True))[:children],
    )
    with record.session() as session:
        zone = school.zone(session)
    order = by_movement(made.hand).order[: len(GROUPS["small"])]
    _teach(record, made, order, _school_days(today, years))
    bank = _bank(made.hand, made.ruling, order, rng)
    block: list[tuple[NewAttempt, Ink]] = []
    for moment, pupil_id, letter, written, help in _calendar(
        made, order, bank, today, years, letters_a_day, rng
    ):
        new = NewAttempt(
            pupil_id=pupil_id,
            task=Task(letter),
            source=Source.PEN,
            help=help,
            style=made.style,
            ruling=made.ruling,
            written_at=moment,
            day=day_of(moment, zone),
            checked=written.checked,
        )
        block.append((new, written.ink))
        if len(block) == AT_ONCE:
            _keep(record, made.id, block)
    _keep(record, made.id, block)
    texts_of_years(record, made, order, _school_days(today, years), rng)
    words_of_hers(record, made, nobody, datetime.combine(today, time(17), UTC))
    rebuild(record, datetime.combine(today, time(18), UTC))
    return made


def _keep(record: Database, class_id: int, block: list[tuple[NewAttempt, Ink]]) -> None:
    with record.writing() as session:
        attempts.add_many(session, class_id, block)
    block.clear()


def _school_days(today: date, years: int) -> list[date]:
    first = today - timedelta(days=365 * years)
    return [
        day
        for day in (first + timedelta(days=at) for at in range(365 * years))
        if day.weekday() < SATURDAY and (day - first).days % 365 < 7 * SCHOOL_WEEKS
    ]


def _teach(
    record: Database, made: ClassRecord, order: tuple[str, ...], school_days: list[date]
) -> None:
    """Each letter on its day, as `_calendar` has them written."""
    for place in range(len(order)):
        at = min(place * LETTER_LASTS, len(school_days) - 1)
        moment = datetime.combine(school_days[at], time(8), UTC)
        lessons.set_taught(record, made, set(order[: place + 1]), moment)


def _bank(
    hand: Hand, ruling: Ruling, letters: tuple[str, ...], rng: np.random.Generator
) -> dict[tuple[str, bool], list[_Written]]:
    """Letters by name and by whether they are good ones."""
    bank: dict[tuple[str, bool], list[_Written]] = {}
    for letter in letters:
        script = hand.scripts[letter]
        fitting = [slip for slip in SLIPS.values() if slip.fits(script)]
        for good, count in ((True, GOOD), (False, SLIPPED)):
            bank[letter, good] = []
            for _ in range(count):
                slips = [] if good else [fitting[int(rng.integers(len(fitting)))]]
                pupil = replace(draw_pupil(rng, steadiness=0.8), rate_hz=RATE_HZ)
                ink = write(script, hand, ruling, pupil, rng, slips=slips)
                result = Checked.of(check(ink, Task(letter), Style(hand.name), ruling))
                kept = Checked(
                    result.reads_as,
                    result.way,
                    result.verdicts,
                    result.findings,
                    result.say,
                    MADE_UP,
                )
                bank[letter, good].append(_Written(ink, kept))
    return bank


def _calendar(  # noqa: PLR0917  # one call; all of it is needed
    made: ClassRecord,
    order: tuple[str, ...],
    bank: dict[tuple[str, bool], list[_Written]],
    today: date,
    years: int,
    letters_a_day: int,
    rng: np.random.Generator,
) -> Iterator[tuple[datetime, int, str, _Written, Help]]:
    """Day by day, child by child: the letter of today and some earlier ones, which go wrong the
    less often the longer they have been known."""
    school_days = _school_days(today, years)
    habits = {pupil.id: _habit(len(school_days), rng) for pupil in made.pupils}
    helps = (Help.COPY, Help.RECALL)
    for at, day in enumerate(school_days):
        known = min(len(order), 1 + at // LETTER_LASTS)
        morning = datetime.combine(day, time(9, 5), UTC)
        for place, pupil in enumerate(made.pupils):
            picks = rng.integers(0, known, letters_a_day)
            picks[: letters_a_day // 2] = known - 1
            ages = (at - picks * LETTER_LASTS) / 120.0
            good = rng.random(letters_a_day) > habits[pupil.id][at] * np.exp(-ages)
            which = rng.integers(0, GOOD, letters_a_day)
            for turn, (pick, well, one) in enumerate(zip(picks, good, which, strict=True)):
                letter = order[int(pick)]
                moment = morning + timedelta(seconds=7 * turn, milliseconds=place)
                yield moment, pupil.id, letter, bank[letter, bool(well)][int(one)], helps[turn % 2]


def _habit(days: int, rng: np.random.Generator) -> FloatArray:
    """The share of new letters that go wrong on each day: a child's own, three times that between
    two days (holidays, a new pencil), and less than it ever was after a third."""
    share = np.full(days, rng.uniform(0.05, 0.5))
    lost, found, mended = np.sort(rng.integers(0, days, 3))
    share[lost:found] *= 3.0
    share[mended:] *= 0.4
    return share.clip(max=0.95)
