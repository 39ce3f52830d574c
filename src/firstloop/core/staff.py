"""The people of a school who teach: what each may do with a class, what passwords must be like."""

from enum import StrEnum

from firstloop.core.errors import FirstLoopError

SHORTEST_PASSWORD, LONGEST_PASSWORD = 8, 128
"""Characters: no less than NIST SP 800-63B (5.1.1.2) asks for, and room for a whole sentence."""

FEWEST_DIFFERENT = 4
"""Different characters in a password: "aaaaaaaa" is guessed first."""


class Role(StrEnum):
    """What somebody is to a class. A helper sees it and hands in what children write, but judges,
    changes and deletes nothing."""

    TEACHER = "teacher"
    HELPER = "helper"


class PasswordError(FirstLoopError):
    """A password that would be guessed."""


def require_good_password(password: str, name: str) -> None:
    """Raises PasswordError for one that is too short, too long, all of one sign, or the name.

    >>> require_good_password("a hen on a wall", "Ms Reed")
    >>> require_good_password("Ms Reed", "Ms Reed")
    Traceback (most recent call last):
    firstloop.core.staff.PasswordError: a password has at least 8 characters; take a short sentence
    """
    if len(password) < SHORTEST_PASSWORD:
        raise PasswordError(
            f"a password has at least {SHORTEST_PASSWORD} characters; take a short sentence"
        )
    if len(password) > LONGEST_PASSWORD:
        raise PasswordError(f"a password has at most {LONGEST_PASSWORD} characters")
    if len(set(password)) < FEWEST_DIFFERENT or password.casefold() == name.casefold():
        raise PasswordError("this would be guessed first; take a short sentence of your own")
