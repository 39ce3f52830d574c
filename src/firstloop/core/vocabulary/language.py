"""What differs between the ways English is written: dates, and what the dot is called."""

from dataclasses import dataclass
from datetime import date
from enum import StrEnum

WEEKDAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
MONTHS = (
    *("January", "February", "March", "April", "May", "June", "July", "August", "September"),
    *("October", "November", "December"),
)


class Variety(StrEnum):
    """Where the school is."""

    BRITISH = "british"
    AMERICAN = "american"


@dataclass(frozen=True, slots=True)
class Language:
    """A class's settings: its variety, whether the day is written with its ending (25th), and
    whether the date ends like a sentence."""

    variety: Variety = Variety.BRITISH
    ordinal: bool = True
    stop: bool = False

    @property
    def stop_name(self) -> str:
        """What the dot at the end of a sentence is called."""
        return "full stop" if self.variety is Variety.BRITISH else "period"


def long_date(day: date, language: Language) -> str:
    """The long date for the warm-up, as the class writes it.

    >>> long_date(date(2026, 11, 25), Language())
    'Wednesday 25th November 2026'
    >>> long_date(date(2026, 9, 2), Language(Variety.AMERICAN, ordinal=False, stop=True))
    'Wednesday, September 2, 2026.'
    """
    weekday, month = WEEKDAYS[day.weekday()], MONTHS[day.month - 1]
    number = f"{day.day}{_ending(day.day)}" if language.ordinal else str(day.day)
    if language.variety is Variety.BRITISH:
        text = f"{weekday} {number} {month} {day.year}"
    else:
        text = f"{weekday}, {month} {number}, {day.year}"
    return text + ("." if language.stop else "")


def _ending(number: int) -> str:
    """
    >>> [f"{n}{_ending(n)}" for n in (1, 2, 3, 4, 11, 12, 13, 21, 22, 23, 31)]
    ['1st', '2nd', '3rd', '4th', '11th', '12th', '13th', '21st', '22nd', '23rd', '31st']
    """
    if number % 100 in (11, 12, 13):
        return "th"
    return {1: "st", 2: "nd", 3: "rd"}.get(number % 10, "th")
