"""What a teacher sees in a child besides its letters, and what is to be done about it. The program
only remembers it for her: it concludes nothing, and compares no child with another."""

from dataclasses import dataclass
from datetime import date, timedelta
from enum import StrEnum


class Care(StrEnum):
    """What can be seen."""

    HURTS = "hurts"
    TIRES = "tires"
    PRESSES = "presses"
    SHAKES = "shakes"
    AVOIDS = "avoids"
    STANDS_STILL = "stands_still"


@dataclass(frozen=True, slots=True)
class CareInfo:
    """What it is called, in the teacher's words, and what is to be done about it: at once, and if
    it stays."""

    name: str
    now: str
    if_it_stays: str


_SPECIALISTS = (
    "tell the family and the school's own specialists (occupational therapist, special-needs lead)"
)

CARE = {
    Care.HURTS: CareInfo(
        "hand hurts",
        "Stop writing for today. Short and often is better than long.",
        f"Pain or cramp that comes again: {_SPECIALISTS}.",
    ),
    Care.TIRES: CareInfo(
        "tires early",
        "Fewer letters, and a pause between rows; move the page up instead of the arm down.",
        f"If less does not help: {_SPECIALISTS}.",
    ),
    Care.PRESSES: CareInfo(
        "presses hard",
        "A reminder, now and then: pencil near the point, neither tight nor loose. A soft pencil.",
        f"If the hand is tired or hurts by it: {_SPECIALISTS}.",
    ),
    Care.SHAKES: CareInfo(
        "hand shakes",
        "Larger lines, big movements first. Whether letters wobble is not what counts now.",
        f"Shaking that lasts: {_SPECIALISTS}.",
    ),
    Care.AVOIDS: CareInfo(
        "avoids writing",
        "Little at a time, something it can do first; let it choose its best one.",
        f"Marked avoidance that lasts: {_SPECIALISTS}.",
    ),
    Care.STANDS_STILL: CareInfo(
        "no progress despite teaching",
        "One movement only, big, then small, a few minutes each day.",
        f"If a few weeks of that change nothing: {_SPECIALISTS}.",
    ),
}

LOOK_AGAIN_AFTER = timedelta(days=14)
"""Our choice: two weeks of lessons, so that nothing stands for a term unseen."""

MOST_NOTES, LONGEST_NOTE = 200, 500
"""Of one child; characters of one."""


def look_again_on(today: date) -> date:
    """When a flag that is set on a day is to be looked at again, unless another day is chosen.

    >>> look_again_on(date(2026, 3, 2)).isoformat()
    '2026-03-16'
    """
    return today + LOOK_AGAIN_AFTER
