"""What one attempt says of the chance that a letter holds when it is written alone from memory.

The chance is looked at in steps, evenly apart in its logit: what is near certain is told apart as
finely as what is near even.
"""

from functools import lru_cache

import numpy as np

from firstloop.core.contract import Dimension
from firstloop.core.evidence.task import Help
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.progress.evidence import DIMENSIONS

LOGITS: FloatArray = np.linspace(-4.0, 4.0, 13)
LOGITS.setflags(write=False)
CHANCES: FloatArray = 1.0 / (1.0 + np.exp(-LOGITS))
CHANCES.setflags(write=False)
"""(13,) from 0.018 to 0.982: nobody is surer of a letter than that."""

HOLDS_AT_FIRST, AT_FIRST_SPREAD = 0.8, 1.7
"""[logit] Where a letter is taken to be before anything is known, and how widely: it holds in two
of three, and may as well hold in one of four or nearly always. By trial on made-up pupils."""

OWN_SPREAD = 0.7
"""[logit] How far a letter is from what its habits say. By trial on made-up pupils; less and more
change little."""

EASIER = {Help.TRACE: 2.0, Help.FINISH: 1.1, Help.COPY: 0.5, Help.RECALL: 0.0, Help.WORD: -0.3}
"""[logit] How much easier a letter is with help; in a word the others ask for attention too. By
trial on made-up pupils who are helped by anything from half to twice as much."""

TELLS = {Help.TRACE: 0.35, Help.FINISH: 0.65, Help.COPY: 0.95, Help.RECALL: 1.0, Help.WORD: 1.0}
"""[share] How much of an attempt is the child's own: the rest is the dotted line. By trial on
made-up pupils."""

HOLDS_ON_DOTS = 0.9
"""[share] How often a letter holds in what is not the child's own."""

FALSE_FAULTS = {Dimension.DIRECTION: 0.02, Dimension.SIZE: 0.03, Dimension.SHAPE: 0.03}
"""[share] Of the faults that the checker finds, how many are none, where nothing better is known.
Measured in docs/checking.md: 0.4 % of good letters in print, up to 2.5 % on other pens."""

MISSED, MISSED_BY_HER = 0.04, 0.005
"""[share] Faults that the checker does not see, and that the teacher does not. Measured in
docs/checking.md on ink of others (2 to 5 %)."""


def doubts_at_large(count: int) -> FloatArray:
    """How likely a fault is none, for attempts of which nothing better is known; (count, 3)."""
    return np.tile([FALSE_FAULTS[dimension] for dimension in DIMENSIONS], (count, 1))


def normal(spread: float) -> FloatArray:
    """How what is at one step lies after a spread in logit; (13, 13), rows add up to 1."""
    apart = (LOGITS[:, None] - LOGITS[None, :]) / spread
    shares: FloatArray = np.exp(-0.5 * apart**2)
    parts: FloatArray = shares / shares.sum(axis=1, keepdims=True)
    return parts


@lru_cache(maxsize=1)
def at_first() -> FloatArray:
    """What is held of a letter before anything is known; (13,), adds up to 1."""
    shares: FloatArray = np.exp(-0.5 * ((LOGITS - HOLDS_AT_FIRST) / AT_FIRST_SPREAD) ** 2)
    parts: FloatArray = shares / shares.sum()
    return parts


@lru_cache(maxsize=1)
def likelihoods() -> FloatArray:
    """How likely what is seen is, at each step: (help, judged or not, fault or holds, 13)."""
    found = np.empty((len(Help), 2, 2, len(LOGITS)))
    for at, help_ in enumerate(Help):
        alone = 1.0 / (1.0 + np.exp(-(LOGITS + EASIER[help_])))
        for judged, missed in enumerate((MISSED, MISSED_BY_HER)):
            holds = TELLS[help_] * (alone + (1.0 - alone) * missed)
            holds += (1.0 - TELLS[help_]) * HOLDS_ON_DOTS
            found[at, judged, 0], found[at, judged, 1] = 1.0 - holds, holds
    return found
