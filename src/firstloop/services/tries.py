"""How often a wrong password may be tried. Who guesses is held up, nobody else: a class that is
being taught, and a teacher who signs in from where she did before, go on."""

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

MOST_PLACES = 10_000
"""Addresses and names that are remembered at once."""


class TooManyTriesError(FirstLoopError):
    """Too many wrong passwords lately. `wait` is after how many seconds another may be tried."""

    def __init__(self, wait: int) -> None:
        self.wait = wait
        minutes = -(-wait // 60)
        super().__init__(
            f"too many wrong passwords; wait {minutes} min, then try again. Who is signed in is "
            "not held up, and at the machine itself the password can be set anew"
        )


@dataclass(slots=True)
class Tries:
    """The wrong ones of the last minutes, and from where each name signed in rightly."""

    _failed: dict[str, list[datetime]] = field(default_factory=lambda: defaultdict(list))
    _known: set[tuple[str, str]] = field(default_factory=set)
    _lock: Lock = field(default_factory=Lock)

    def count(self, address: str, name: str, now: datetime) -> None:
        """Counts a try before it is looked at, so that many at once are no way around; raises
        TooManyTriesError where another one may not be made yet."""
        places = {f"from {address}": FROM_ONE_PLACE, f"of {key_of(name)}": OF_ONE_NAME}
        with self._lock:
            lately = {
                place: [one for one in self._failed.get(place, ()) if one > now - WITHIN]
                for place in places
            }
            is_known = (address, key_of(name)) in self._known
            for place, most in places.items():
                if len(lately[place]) >= most and not (is_known and place.startswith("of ")):
                    free_at = lately[place][-most] + WITHIN
                    raise TooManyTriesError(max(1, round((free_at - now).total_seconds())))
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
