"""Loops over plain numbers, as machine code.

What is worked out cell after cell, each from the one before, is no work for whole arrays, and for a
short line they take longer to set up than to run. Such a function is written as a plain loop over
numbers and arrays; numba makes machine code of it, and keeps that beside the source for the next
time.

A compiled function may use numbers, arrays, named tuples of these, and compiled functions of its
file. Whatever else it names, a limit say, would stay as it was when the code was made: it is to be
passed.
"""

from collections.abc import Callable
from typing import TypeVar, cast

from numba import njit, types

Function = TypeVar("Function", bound=Callable[..., object])

POINTS = types.Array(types.float64, 2, "A", readonly=True)
NUMBERS = types.Array(types.float64, 1, "A", readonly=True)
COUNT, NUMBER = types.intp, types.float64
"""What is passed: an array of points or of numbers, laid out as it may be and not written to; one
number."""


def compiled(function: Function) -> Function:
    """The function as machine code, made for what it is called with when that is first met."""
    return _made(function, None)


def compiled_for(*passed: types.Type) -> Callable[[Function], Function]:
    """The function as machine code for what is passed, whoever calls it first."""
    return lambda function: _made(function, passed)


def _made(function: Function, passed: tuple[types.Type, ...] | None) -> Function:
    try:
        made = njit(passed, cache=True, nogil=True, error_model="numpy")(function)
    except RuntimeError:  # there is nowhere that it may be kept: it is made at each start
        made = njit(passed, nogil=True, error_model="numpy")(function)
    return cast(Function, made)
