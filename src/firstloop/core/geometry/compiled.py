"""Loops over plain numbers, as machine code.

What is worked out cell after cell, each from the one before, is no work for whole arrays. Such a
function is written as a plain loop over numbers and arrays; numba makes machine code of it when it
is first called, and keeps that beside the source for the next time.
"""

from collections.abc import Callable
from typing import TypeVar, cast

from numba import njit

Function = TypeVar("Function", bound=Callable[..., object])


def compiled(function: Function) -> Function:
    """The function as machine code. It may use numbers, arrays, named tuples of these, and other
    compiled functions of its file. Whatever else it names, a limit say, would stay as it was when
    the code was made: it is to be passed."""
    return cast(
        Function,
        njit(cache=True, nogil=True, error_model="numpy")(function),
    )
