"""The same texts on other pages and devices: other lines, sampling, jitter and size."""

from dataclasses import dataclass, replace

import numpy as np
from scripts.other_print.glyphs import Points
from scripts.other_print.texts import Case
from scripts.other_print.words import Rng

from firstloop.core.letters.ruling import Ruling


@dataclass(frozen=True)
class Page:
    """Where a text is written: its lines, how far from its edge (u), how large, and by which
    digitiser: u between samples, and by how much it is off."""

    ruling: Ruling
    edge: float
    size: float
    apart: float
    jitter: float

    @classmethod
    def drawn(cls, rng: Rng) -> "Page":
        return cls(
            ruling=Ruling(float(rng.uniform(1.6, 2.4)), float(-rng.uniform(0.7, 1.3))),
            edge=float(rng.uniform(0, 400)),
            size=float(rng.uniform(0.96, 1.04)),
            apart=float(rng.uniform(0.02, 0.13)),
            jitter=float(rng.uniform(0.002, 0.01)),
        )

    def holds(self, case: Case, rng: Rng) -> Case:
        """The case as it is written there: tall letters and tails reach its lines."""
        return replace(
            case,
            strokes=[self._sampled(self._placed(stroke), rng) for stroke in case.strokes],
            letters=[letter.mapped(self._placed) for letter in case.letters],
        )

    def _placed(self, stroke: Points) -> Points:
        x, y = (stroke * self.size).T
        above, below = np.maximum(y - 1.0, 0.0), np.minimum(y, 0.0)
        y = np.clip(y, 0.0, 1.0) + above * (self.ruling.top - 1.0) + below * -self.ruling.drop
        return np.column_stack([x + self.edge, y])

    def _sampled(self, stroke: Points, rng: Rng) -> Points:
        along = np.concatenate([[0.0], np.cumsum(np.hypot(*np.diff(stroke, axis=0).T))])
        at = np.linspace(0.0, along[-1], max(2, round(along[-1] / self.apart) + 1))
        at[1:-1] += rng.uniform(-0.3, 0.3, len(at) - 2) * self.apart
        taken = np.column_stack([np.interp(at, along, axis) for axis in stroke.T])
        taken[1:-1] += rng.normal(0.0, self.jitter, (len(at) - 2, 2))
        return taken
