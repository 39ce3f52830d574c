"""How long who guessed wrongly waits before the next guess: longer with each, never for good."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

WITHIN = timedelta(hours=1)
"""So long a wrong guess counts. OWASP ASVS 2.2.1 reckons by the hour too."""

FREE = 5
"""Wrong ones from one place that cost nothing: who mistypes is not who guesses."""

FIRST, LONGEST = timedelta(seconds=4), timedelta(seconds=60)
"""The first wait of one place and the longest: with it, some seventy guesses an hour."""

FREE_UNDER_ATTACK, LONGEST_UNDER_ATTACK = 2, timedelta(minutes=15)
"""The same while one thing is guessed at from many places: some fifteen an hour from each. A place
that has guessed nothing wrong is never held up, however many others do."""

AN_ATTACK = 30
"""Wrong guesses at one name, from wherever, within that time."""


@dataclass(frozen=True, slots=True)
class Patience:
    """How many wrong guesses from one place are free, and how many at one thing from wherever are
    an attack on it."""

    free: int = FREE
    an_attack: int = AN_ATTACK

    def wait(
        self, from_here: Sequence[datetime], at_this: Sequence[datetime], now: datetime
    ) -> timedelta:
        """How long is to be waited before another guess, by when wrong ones were made from one
        place and at one thing, each the oldest first. The wait doubles with each.

        >>> noon = datetime(2026, 9, 7, 12)
        >>> [Patience().wait([noon] * count, [], noon).seconds for count in (4, 5, 6, 9, 30)]
        [0, 4, 8, 60, 60]
        >>> [Patience().wait([noon] * count, [noon] * 30, noon).seconds for count in (0, 1, 2, 30)]
        [0, 0, 4, 900]
        """
        here = [one for one in from_here if one > now - WITHIN]
        is_attack = sum(one > now - WITHIN for one in at_this) >= self.an_attack
        free = min(self.free, FREE_UNDER_ATTACK) if is_attack else self.free
        if len(here) < free:
            return timedelta(0)
        longest = LONGEST_UNDER_ATTACK if is_attack else LONGEST
        doubled = FIRST * (1 << min(len(here) - free, 20))
        return max(timedelta(0), here[-1] + min(doubled, longest) - now)
