"""Who guesses passwords and codes is slowed down, and nobody else: neither a device that is known,
nor an address from which nothing wrong has come."""

import ipaddress
from dataclasses import dataclass
from datetime import datetime
from math import ceil

from firstloop.core.errors import FirstLoopError
from firstloop.core.names import key_of
from firstloop.core.patience import Patience
from firstloop.services.digests import digest_of
from firstloop.store import wrong_guesses
from firstloop.store.database import Session

PASSWORDS = Patience()

CODES = Patience(free=10, an_attack=100)
"""Codes of lessons, at which all guess together: a child mistypes two words, and does so again.
With 90,000 codes, 100 guesses meet one lesson's once in 900 times, and then the pad stands on the
teacher's list."""


class TooManyTriesError(FirstLoopError):
    """Too many wrong ones lately. `wait` is after how many seconds another may be tried."""

    def __init__(self, wait: int, what: str, besides: str) -> None:
        self.wait = wait
        span = f"{wait} s" if wait < 120 else f"{ceil(wait / 60)} min"
        super().__init__(f"too many wrong {what} from here; wait {span}, then try again. {besides}")


@dataclass(frozen=True, slots=True)
class Guess:
    """A guess that may be wrong: from which place, at what, by which measure; and in words what is
    guessed, and what to do besides waiting."""

    place: str
    thing: str
    by: Patience
    what: str
    besides: str

    def require_patience(self, session: Session, now: datetime) -> None:
        """Raises TooManyTriesError where it may not be made yet."""
        wait = self.by.wait(
            wrong_guesses.from_place(session, self.place),
            wrong_guesses.at_thing(session, self.thing),
            now,
        )
        if wait:
            raise TooManyTriesError(ceil(wait.total_seconds()), self.what, self.besides)

    def was_wrong(self, session: Session, now: datetime) -> None:
        """Counts it. A right one takes nothing back: who knows one guesses no more for it."""
        wrong_guesses.add(session, self.place, self.thing, now)


def at_a_password(name: str, place: str) -> Guess:
    """A password for a name, from a device that is known or from an address."""
    return Guess(
        _digest("password from", place),
        _digest("password of", key_of(name)),
        PASSWORDS,
        "passwords",
        "Who is signed in is not held up, and at the machine itself the password can be set anew",
    )


def at_her_own_password(account_id: int) -> Guess:
    """The password that somebody has now, by who sits at a browser where she is signed in."""
    place = _digest("change of", str(account_id))
    return Guess(place, place, PASSWORDS, "passwords", "At the machine itself it can be set anew")


def at_a_code(place: str) -> Guess:
    """The words by which pads come into a lesson."""
    return Guess(
        _digest("code from", place),
        _digest("code of", "all"),
        CODES,
        "codes",
        "The square on the board needs no typing; a pad that was here before may ask to come in",
    )


def place_of(address: str, device: str | None = None) -> str:
    """From where somebody guesses: a device that is known, else the address; of IPv6 the network,
    for who has one address of it has all.

    >>> place_of("192.168.1.20"), place_of("fe80::1:2:3:4%eth0"), place_of("fd00::5", "d")
    ('at 192.168.1.20', 'at fe80::/64', 'on d')
    """
    if device is not None:
        return f"on {device}"
    try:
        found = ipaddress.ip_address(address.partition("%")[0])
    except ValueError:
        return f"at {address}"
    if found.version == 4:
        return f"at {found}"
    return f"at {ipaddress.ip_network((found, 64), strict=False)}"


def _digest(what: str, whose: str) -> str:
    return digest_of(f"{what} {whose}")
