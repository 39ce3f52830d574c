"""When each pad was last heard of; of this moment only, and therefore in no record."""

import time
from collections.abc import Callable
from dataclasses import dataclass, field

SILENT_AFTER_S = 40.0
"""Seconds: a pad that is well asks for its task every 15; two that are lost are a lost network."""


@dataclass(slots=True)
class Heard:
    """The last sign of each pad. A clock may be given in place of the machine's."""

    clock: Callable[[], float] = time.monotonic
    _last: dict[int, float] = field(default_factory=dict)

    def of(self, pad_id: int) -> None:
        """A pad was heard of."""
        self._last[pad_id] = self.clock()

    def is_silent(self, pad_id: int) -> bool:
        """Whether nothing has been heard of a pad for long, or since the server started."""
        last = self._last.get(pad_id)
        return last is None or self.clock() - last > SILENT_AFTER_S
