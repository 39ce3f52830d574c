"""Letters as movement scripts, hands that choose among them, and the one function that draws them.

A script is data. Everything else that is known of a letter (its picture, its phrase, its family,
how a child may get it wrong) is computed from it.
"""

from firstloop.core.letters.drawing import DrawnMove, Letter, Proportions, draw
from firstloop.core.letters.hands import HANDS, PLAIN, Hand, find_hand, find_script

__all__ = [
    "HANDS",
    "PLAIN",
    "DrawnMove",
    "Hand",
    "Letter",
    "Proportions",
    "draw",
    "find_hand",
    "find_script",
]
