"""`firstloop letters` and `firstloop draw`: a hand, a letter or a word as a picture."""

import argparse
from pathlib import Path

from firstloop.cli.options import HAND_HELP, Commands, hand_named
from firstloop.core.errors import FirstLoopError
from firstloop.core.letters import draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.text.words import compose

LONGEST_TEXT = 120
"""Letters: as many as a line of a screen can show."""


def add_to(commands: Commands) -> None:
    """Adds the commands."""
    letters = commands.add_parser("letters", help="draw a hand on one sheet")
    letters.add_argument("--hand", default="plain", help=HAND_HELP)
    letters.add_argument("--out", type=Path, required=True, metavar="FILE.svg|FILE.png")
    letters.set_defaults(run=_letters)

    word = commands.add_parser("draw", help="draw a letter or a word")
    word.add_argument("text", help="a letter or a word")
    word.add_argument("--hand", default="plain", help=HAND_HELP)
    word.add_argument("--animated", action="store_true", help="as it is written, move by move")
    word.add_argument("--out", type=Path, required=True, metavar="FILE.svg")
    word.set_defaults(run=_draw)


def _letters(options: argparse.Namespace) -> int:
    from firstloop.formats import png, svg  # noqa: PLC0415

    hand, out = hand_named(options.hand), options.out
    if out.suffix == ".svg":
        out.write_text(svg.specimen_sheet(hand, Ruling()), encoding="utf-8")
    elif out.suffix == ".png":
        out.write_bytes(png.specimen_sheet(hand, Ruling()))
    else:
        raise FirstLoopError(f'"{out}" is neither .svg nor .png; name the file one of these')
    print(f"The {hand.name} hand is in {out}.")
    return 0


def _draw(options: argparse.Namespace) -> int:
    from firstloop.formats import svg  # noqa: PLC0415

    if options.out.suffix != ".svg":
        raise FirstLoopError(f'"{options.out}" is not .svg; name the file so')
    if len(options.text) > LONGEST_TEXT:
        raise FirstLoopError(f"at most {LONGEST_TEXT} letters can be drawn at once; draw less")
    hand = hand_named(options.hand)
    drawn = draw(compose(options.text, hand).script, hand.proportions, Ruling())
    options.out.write_text(svg.written(drawn, animated=options.animated), encoding="utf-8")
    print(f'"{options.text}" is in {options.out}.')
    return 0
