"""A script as even lines, to be laid over what was written."""

from dataclasses import replace

from firstloop.core.geometry import polyline
from firstloop.core.geometry.even import INK_SPACING, Lines
from firstloop.core.letters.drawing import Proportions, drawn
from firstloop.core.letters.moves import Script
from firstloop.core.letters.ruling import Ruling


def lines_of(script: Script, shape: Proportions) -> Lines:
    """The script drawn in proportions on the nominal grid, evenly spaced."""
    paths = drawn(script, shape, Ruling()).paths()
    return tuple(polyline.respace(path, INK_SPACING) for path in paths)


def upright(shape: Proportions) -> Proportions:
    """The shape without its lean."""
    return replace(shape, slant_deg=0.0)
