"""`firstloop hand`: a hand learnt from its teacher's pen; a hand as a font."""

import argparse
import sys
from pathlib import Path

from firstloop.cli.options import HAND_HELP, Commands, hand_named

# What a command needs is fetched when it runs: `firstloop check` stays quick to start.

WIDTHS = (0.02, 0.4)
"""u: between these a pen draws letters."""


def add_to(commands: Commands) -> None:
    """Adds the commands."""
    hand = commands.add_parser("hand", help="a hand of one's own, and hands as fonts")
    which = hand.add_subparsers(required=True, metavar="WHAT")

    learn = which.add_parser("learn", help="learn a hand from ink files of its teacher")
    learn.add_argument("inks", type=Path, nargs="+", metavar="INK", help=".inkml or a folder")
    learn.add_argument("--base", default="plain", help="the built-in hand that lends the rest")
    learn.add_argument("--name", required=True, help="what the hand is called")
    learn.add_argument("--out", type=Path, required=True, metavar="HAND.json")
    learn.add_argument("--json", action="store_true", help="one JSON object a letter")
    learn.set_defaults(run=_learn)

    pen = which.add_parser("pen", help="play a teacher's pen: ink of a made-up school's letters")
    pen.add_argument("--out", type=Path, required=True, metavar="FOLDER", help="for the ink files")
    pen.add_argument("--letters", help="which; all that there are if left out")
    pen.add_argument("--times", type=int, default=3, help="how often each is written")
    pen.add_argument("--spoilt", type=float, default=0.1, help="share that is no good")
    pen.add_argument("--seed", type=int, default=1)
    pen.set_defaults(run=_pen)

    font = which.add_parser("font", help="a hand as an OpenType font")
    font.add_argument("hand", nargs="?", default="plain", metavar="HAND", help=HAND_HELP)
    font.add_argument("--out", type=Path, required=True, metavar="FILE.otf")
    font.add_argument("--style", choices=["solid", "dotted", "arrows"], default="solid")
    font.add_argument("--pen", type=float, default=0.12, help="how wide the line is, x-heights")
    font.add_argument("--family", help="what the font is called; the hand's name if left out")
    font.add_argument("--licence", default="", help="what may be done with it")
    font.set_defaults(run=_font)


def _learn(options: argparse.Namespace) -> int:
    import json  # noqa: PLC0415

    from firstloop.cli.ink_files import ink_files, ink_source  # noqa: PLC0415
    from firstloop.core.geometry.compiled import from_now_on  # noqa: PLC0415
    from firstloop.core.letters import find_hand  # noqa: PLC0415
    from firstloop.formats.packages import checked_name, write_hand  # noqa: PLC0415
    from firstloop.services.learning_hand import as_data, learn_from  # noqa: PLC0415

    from_now_on()
    name = checked_name(options.name)
    sources = map(ink_source, ink_files(options.inks))
    found = learn_from(sources, find_hand(options.base), name)
    options.out.write_text(write_hand(found.learnt.hand), encoding="utf-8")
    for one in found.learnt.letters:
        data = as_data(one)
        print(
            json.dumps(data, ensure_ascii=False) if options.json else _in_a_line(data), flush=True
        )
    for file, why in found.unread:
        print(f"firstloop: {file}: {why}", file=sys.stderr)
    if not options.json:
        print(f"The hand is in {options.out}.")
    return 1 if found.unread else 0


def _in_a_line(data: dict[str, object]) -> str:
    """A letter in a line, for people."""
    problems = data["problems"]
    assert isinstance(problems, list)
    said = "".join(f" {one['file']}: {one['say']}" for one in problems)
    form = str(data["form"]).replace("alternative:", "the other way: ")
    return f"{data['letter']}: {form}.{said}"


def _pen(options: argparse.Namespace) -> int:
    from firstloop.core.errors import FirstLoopError  # noqa: PLC0415
    from firstloop.core.letters import PLAIN  # noqa: PLC0415
    from firstloop.core.letters.ruling import Ruling  # noqa: PLC0415
    from firstloop.demo.teachers_pen import NAME, written  # noqa: PLC0415
    from firstloop.formats import inkml  # noqa: PLC0415

    letters = options.letters or "".join(PLAIN.scripts)
    if unknown := [x for x in letters if x not in PLAIN.scripts]:
        raise FirstLoopError(f"there is no letter {unknown[0]}; leave --letters out for all")
    options.out.mkdir(parents=True, exist_ok=True)
    made = list(written(letters, options.times, options.seed, Ruling(), options.spoilt))
    for one in made:
        file = inkml.InkFile(one.ink, Ruling(), target=one.letter)
        name = f"{ord(one.letter):03}-{one.time + 1}.inkml"
        (options.out / name).write_bytes(inkml.write(file))
    print(f"{len(made)} letters of the {NAME} hand are in {options.out}.")
    return 0


def _font(options: argparse.Namespace) -> int:
    from firstloop.core.errors import FirstLoopError  # noqa: PLC0415
    from firstloop.formats.font import FontWish, font_of  # noqa: PLC0415

    low, high = WIDTHS
    if not low <= options.pen <= high:
        raise FirstLoopError(
            f"a pen {options.pen:g} x-heights wide draws no letters; {low:g} to {high:g} do"
        )
    hand = hand_named(options.hand)
    wish = FontWish(options.family or hand.name, options.style, options.pen, options.licence)
    options.out.write_bytes(font_of(hand, wish))
    print(f"The {hand.name} hand is a font in {options.out}.")
    return 0
