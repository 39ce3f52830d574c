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

    def require_free(self, address: str, name: str, now: datetime) -> None:
        """Raises TooManyTriesError where another one may not be tried yet."""
        with self._lock:
            places = [(f"from {address}", FROM_ONE_PLACE)]
            if (address, key_of(name)) not in self._known:
                places.append((f"of {key_of(name)}", OF_ONE_NAME))
            for place, most in places:
                lately = [one for one in self._failed.get(place, ()) if one > now - WITHIN]
                if len(lately) >= most:
                    free_at = lately[-most] + WITHIN
                    raise TooManyTriesError(max(1, round((free_at - now).total_seconds())))

    def failed(self, address: str, name: str, now: datetime) -> None:
        """Remembers a wrong one."""
        with self._lock:
            for place in (f"from {address}", f"of {key_of(name)}"):
                lately = [one for one in self._failed[place] if one > now - WITHIN]
                self._failed[place] = [*lately, now]
            if len(self._failed) > MOST_PLACES:
                self._forget_the_old(now)

    def succeeded(self, address: str, name: str) -> None:
        """Forgets the wrong ones from here, and remembers that this name signs in from here."""
        with self._lock:
            self._failed.pop(f"from {address}", None)
            self._known.add((address, key_of(name)))

    def _forget_the_old(self, now: datetime) -> None:
        for place, moments in list(self._failed.items()):
            if moments[-1] <= now - WITHIN or len(self._failed) > MOST_PLACES:
                del self._failed[place]
