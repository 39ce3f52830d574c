"""When each pad was last heard of, and whether it keeps what is written on it; of this moment only,
and therefore in no record."""

import time
from collections.abc import Callable
from dataclasses import dataclass, field

SILENT_AFTER_S = 40.0
"""Seconds: a pad that is well asks for its task every 15; two that are lost are a lost network."""


@dataclass(slots=True)
class Heard:
    """The last sign of each pad, and those whose own store fails. A clock may be given in place of
    the machine's."""

    clock: Callable[[], float] = time.monotonic
    _last: dict[int, float] = field(default_factory=dict)
    _forgetful: set[int] = field(default_factory=set)

    def of(self, pad_id: int) -> None:
        """A pad was heard of."""
        self._last[pad_id] = self.clock()

    def keeps(self, pad_id: int, *, it_does: bool) -> None:
        """A pad said whether what is written on it outlives its page."""
        (self._forgetful.discard if it_does else self._forgetful.add)(pad_id)

    def is_forgetful(self, pad_id: int) -> bool:
        """Whether what waits on a pad is lost when its page is closed."""
        return pad_id in self._forgetful

    def is_silent(self, pad_id: int) -> bool:
        """Whether nothing has been heard of a pad for long, or since the server started."""
        last = self._last.get(pad_id)
        return last is None or self.clock() - last > SILENT_AFTER_S
