"""Marks by which a photographed page is found again: one in each corner, and five that say which
sheet, page and pupil it is. Never a name."""

from collections.abc import Sequence
from dataclasses import dataclass
from hashlib import sha256

CORNER_MM, CODE_MM, CODE_APART_MM = 9.0, 8.0, 2.0
"""Sides of a mark, and between two of the code: seven squares across each, so that in a photograph
of 1,600 points a square is six of them."""

CORNERS = (0, 1, 2, 3)
"""The numbers of the marks in the corners: top left, top right, bottom left, bottom right."""

FIRST, BASE, DIGITS = 10, 900, 5
"""The code's marks have numbers from FIRST on, BASE many: its digits, the highest first."""

PAGE_BITS, PUPIL_BITS, CHECK_BITS = 6, 16, 7
SHEET_SIGNS = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ"
"""Of a sheet's name: 32, without those that are taken for another (0 O, 1 I)."""

SHEET_LENGTH = 4
LARGEST_PUPIL = 2**PUPIL_BITS - 1


@dataclass(frozen=True, slots=True)
class PageCode:
    """Which page of which sheet, and whose: None is nobody's."""

    sheet: str
    page: int
    pupil: int | None


def sheet_name(content: bytes) -> str:
    """The name of a sheet, by what it holds: the same sheet has the same.

    >>> sheet_name(b"a row of m"), sheet_name(b"a row of m") == sheet_name(b"a row of n")
    ('96MP', False)
    """
    number = int.from_bytes(sha256(content).digest()[:4])
    return "".join(SHEET_SIGNS[number >> 5 * at & 31] for at in reversed(range(SHEET_LENGTH)))


def marks_of(code: PageCode) -> tuple[int, ...]:
    """The numbers of the marks that say it.

    >>> code = PageCode("7Q3K", 2, 31)
    >>> code_of(marks_of(code)) == code
    True
    """
    number = 0
    for sign in code.sheet:
        number = number << 5 | SHEET_SIGNS.index(sign)
    number = number << PAGE_BITS | code.page
    number = number << PUPIL_BITS | (0 if code.pupil is None else code.pupil)
    number = number << CHECK_BITS | _check(number)
    digits = []
    for _ in range(DIGITS):
        number, digit = divmod(number, BASE)
        digits.append(FIRST + digit)
    return tuple(reversed(digits))


def code_of(marks: Sequence[int]) -> PageCode | None:
    """What marks say, from left to right; None where they are not a code.

    >>> code_of(CORNERS), code_of((10, 10, 10, 10, 11))
    (None, None)
    """
    if len(marks) != DIGITS or not all(FIRST <= one < FIRST + BASE for one in marks):
        return None
    number = 0
    for one in marks:
        number = number * BASE + one - FIRST
    number, check = number >> CHECK_BITS, number & 2**CHECK_BITS - 1
    sheet = number >> PAGE_BITS + PUPIL_BITS
    if check != _check(number) or sheet >= 32**SHEET_LENGTH:
        return None
    pupil, page = number & LARGEST_PUPIL, number >> PUPIL_BITS & 2**PAGE_BITS - 1
    signs = (SHEET_SIGNS[sheet >> 5 * at & 31] for at in reversed(range(SHEET_LENGTH)))
    return PageCode("".join(signs), page, pupil or None)


def _check(number: int) -> int:
    """The rest by a prime: one wrong digit changes it."""
    return number % 127
