"""How often a wrong password or code may be tried. Who guesses is held up, nobody else: a class
that is being taught, and a teacher who signs in from where she did before, go on."""

from collections import defaultdict
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from threading import Lock

from firstloop.core.errors import FirstLoopError
from firstloop.core.teaching.roster import key_of

WITHIN = timedelta(minutes=5)
FROM_ONE_PLACE, OF_ONE_NAME = 5, 20
"""Wrong ones within that time: from one address, and for one name from wherever. OWASP ASVS 2.2.1
allows no more than 100 an hour for one account."""

CODES_FROM_ONE_PLACE, CODES_IN_ALL = 10, 100
"""Wrong codes of lessons within that time: a child mistypes two words, and does so again. With
90,000 codes, 100 guesses in five minutes meet one lesson's in a school day once in ten times, and
then the pad stands on the teacher's list."""

MOST_PLACES = 10_000
"""Addresses and names that are remembered at once."""


class TooManyTriesError(FirstLoopError):
    """Too many wrong ones lately. `wait` is after how many seconds another may be tried."""

    def __init__(self, wait: int, what: str, besides: str) -> None:
        self.wait = wait
        super().__init__(
            f"too many wrong {what}; wait {-(-wait // 60)} min, then try again. {besides}"
        )


def of_codes() -> "Tries":
    """For the codes of lessons, which have no names: all count together."""
    return Tries(
        CODES_FROM_ONE_PLACE,
        CODES_IN_ALL,
        "codes",
        "The square on the board needs no typing; a pad that was here before may ask to come in",
    )


@dataclass(slots=True)
class Tries:
    """The wrong ones of the last minutes, and from where each name signed in rightly. How many may
    come from one place and of one name, what they are, and what to do besides waiting."""

    from_one_place: int = FROM_ONE_PLACE
    of_one_name: int = OF_ONE_NAME
    what: str = "passwords"
    besides: str = (
        "Who is signed in is not held up, and at the machine itself the password can be set anew"
    )
    _failed: dict[str, list[datetime]] = field(default_factory=lambda: defaultdict(list))
    _known: set[tuple[str, str]] = field(default_factory=set)
    _lock: Lock = field(default_factory=Lock)

    def count(self, address: str, name: str, now: datetime) -> None:
        """Counts a try before it is looked at, so that many at once are no way around; raises
        TooManyTriesError where another one may not be made yet."""
        places = {
            f"from {address}": self.from_one_place,
            f"of {key_of(name)}": self.of_one_name,
        }
        with self._lock:
            lately = {
                place: [one for one in self._failed.get(place, ()) if one > now - WITHIN]
                for place in places
            }
            is_known = (address, key_of(name)) in self._known
            for place, most in places.items():
                if len(lately[place]) >= most and not (is_known and place.startswith("of ")):
                    free_at = lately[place][-most] + WITHIN
                    wait = max(1, round((free_at - now).total_seconds()))
                    raise TooManyTriesError(wait, self.what, self.besides)
            for place, moments in lately.items():
                self._failed[place] = [*moments, now]
            if len(self._failed) > MOST_PLACES:
                self._forget_the_old(now)

    def succeeded(self, address: str, name: str) -> None:
        """Forgets the tries from here and this one of the name, which signs in from here."""
        with self._lock:
            self._failed.pop(f"from {address}", None)
            if of_name := self._failed.get(f"of {key_of(name)}"):
                of_name.pop()
            self._known.add((address, key_of(name)))

    def _forget_the_old(self, now: datetime) -> None:
        for place, moments in list(self._failed.items()):
            if not moments or moments[-1] <= now - WITHIN or len(self._failed) > MOST_PLACES:
                del self._failed[place]
