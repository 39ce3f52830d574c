"""Loops over plain numbers, as machine code.

What is worked out cell after cell, each from the one before, is no work for whole arrays, and for a
short line they take longer to set up than to run. Such a function is written as a plain loop over
numbers and arrays; numba makes machine code of it, and keeps that beside the source for the next
time. Where numba is not installed the loops run as they stand: slower, with the same answers.

To load numba takes longer than to check a letter without it. So the first calls of a process run as
they stand: a command that checks one file makes no others. A server has it loaded beside its first
calls (`load_aside`, `begin_loading`); only when there is much to do they wait for what is not there
yet, for a thread that loads it while forty others check comes to nothing.

A compiled function may use numbers, arrays, named tuples of these, and compiled functions of its
file. Whatever else it names, a limit say, would stay as it was when the code was made: it is to be
passed.
"""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from functools import update_wrapper
from importlib.util import find_spec
from threading import Lock, Thread, local
from types import FunctionType
from typing import Any, TypeVar, cast

Function = TypeVar("Function", bound=Callable[..., object])

POINTS, NUMBERS, COUNT, NUMBER = "points", "numbers", "count", "number"
"""What is passed: an array of points or of numbers, laid out as it may be and not written to; one
number."""

FEW = 300
"""[calls] Calls that run as they stand: what a few letters take, some 80 each where they are
met first."""


def compiled(function: Function) -> Function:
    """The function as machine code, made for what it is called with when that is first met."""
    return cast(Function, _Loop(function, ()))


def compiled_at_once(function: Function) -> Function:
    """The same for what would take longer as it stands than to load numba: never so."""
    return cast(Function, _Loop(function, (), at_once=True))


def compiled_for(*passed: str) -> Callable[[Function], Function]:
    """The function as machine code for what is passed, whoever calls it first."""

    def made(function: Function) -> Function:
        return cast(Function, _Loop(function, passed))

    return made


def from_now_on() -> None:
    """What is called from now on is machine code: there will be much of it."""
    _STATE.calls = FEW


def load_aside() -> None:
    """From now on the first calls wait for no machine code, whatever they are."""
    _STATE.aside = True


@contextmanager
def as_they_stand() -> Iterator[None]:
    """What this thread calls meanwhile, and is not made yet, runs as it stands and counts for
    nothing."""
    before = _running_as_it_stands()
    _THREAD.as_it_stands = True
    try:
        yield
    finally:
        _THREAD.as_it_stands = before


@dataclass(slots=True)
class _State:
    """How many calls ran as they stand; whether machine code is made aside, and what makes it, once
    it was begun."""

    calls: int = 0
    aside: bool = False
    loader: Thread | None = None
    lock: Lock = field(default_factory=Lock)


_STATE = _State()
_THREAD = local()
_EVERY: list["_Loop"] = []


def _running_as_it_stands() -> bool:
    return getattr(_THREAD, "as_it_stands", False)


class _Loop:
    """A loop, as it stands or as machine code."""

    def __init__(
        self, function: Callable[..., object], passed: tuple[str, ...], *, at_once: bool = False
    ) -> None:
        self._function, self._passed, self._at_once = function, passed, at_once
        self._made: Callable[..., object] | None = None
        update_wrapper(self, function)
        _EVERY.append(self)

    def __call__(self, *args: Any) -> object:
        if self._made is not None:
            return self._made(*args)
        if _running_as_it_stands():
            return self._function(*args)
        if _STATE.calls >= FEW or (self._at_once and not _STATE.aside):
            if _STATE.aside:
                begin_loading().join()
            return self.machine_code()(*args)
        _STATE.calls += 1
        with as_they_stand():
            return self._function(*args)

    def machine_code(self) -> Callable[..., object]:
        """The same, made or taken from where it is kept; as it stands where there is no numba."""
        if self._made is None:
            has_numba = find_spec("numba") is not None
            self._made = _made(self._for_numba(), self._passed) if has_numba else self._function
        return self._made

    def _for_numba(self) -> Callable[..., object]:
        """The function with the machine code of what it calls in place of that."""
        function = cast(FunctionType, self._function)
        named = {name: function.__globals__.get(name) for name in function.__code__.co_names}
        code = {name: one.machine_code() for name, one in named.items() if isinstance(one, _Loop)}
        if not code:
            return function
        return update_wrapper(
            FunctionType(function.__code__, {**function.__globals__, **code}, function.__name__),
            function,
        )


def begin_loading() -> Thread:
    """Makes all machine code in a thread of its own, if that was not begun yet: that thread."""
    with _STATE.lock:
        if _STATE.loader is None:
            _STATE.loader = Thread(target=_load_every, daemon=True, name="machine code")
            _STATE.loader.start()
        return _STATE.loader


def _load_every() -> None:
    for loop in _EVERY:
        loop.machine_code()


def _made(function: Callable[..., object], passed: tuple[str, ...]) -> Callable[..., object]:
    from numba import njit, types  # noqa: PLC0415  # slow to load

    kinds = {
        POINTS: types.Array(types.float64, 2, "A", readonly=True),
        NUMBERS: types.Array(types.float64, 1, "A", readonly=True),
        COUNT: types.intp,
        NUMBER: types.float64,
    }
    signature = tuple(kinds[one] for one in passed) or None
    try:
        made = njit(signature, cache=True, nogil=True, error_model="numpy")(function)
    except RuntimeError:  # there is nowhere that it may be kept: it is made at each start
        made = njit(signature, nogil=True, error_model="numpy")(function)
    return cast(Callable[..., object], made)
