"""Speed of learning a hand: a letter as the pen is lifted, an alphabet of 62 by the command; beside
the bare reading and pairing of the same ink. And a hand as a font."""

import subprocess
import sys
import tempfile
import time
from pathlib import Path

import numpy as np
from playwright.sync_api import Browser
from scripts.bench_checking import timed

from firstloop.core.letters import PLAIN
from firstloop.core.letters.ruling import Ruling
from firstloop.core.own_hand.learn import learn_letter
from firstloop.core.own_hand.middle import paired
from firstloop.core.own_hand.sample import Sample, sampled
from firstloop.demo.teachers_pen import written
from firstloop.formats import inkml

COMMAND = Path(sys.executable).with_name("firstloop")
LETTERS = "".join(PLAIN.scripts)[:62]
TIMES, TRIES = 3, 3


def samples_of(letter: str) -> list[Sample]:
    return [
        sampled(letter, str(one.time), one.ink, Ruling())
        for one in written(letter, TIMES, 3, Ruling())
    ]


def bench_hand() -> None:
    """Prints what a teacher waits for."""
    samples = {letter: samples_of(letter) for letter in LETTERS}
    learn_letter("k", samples["k"], PLAIN, PLAIN.proportions)  # what is made once is made
    spent = [
        timed(lambda: learn_letter(letter, ones, PLAIN, PLAIN.proportions))  # noqa: B023
        for letter, ones in samples.items()
    ]
    bare = [
        timed(lambda: [paired(ones[0].lines[0], one.lines[0]) for one in ones])  # noqa: B023
        for ones in samples.values()
    ]
    print(
        f"a letter understood, p50 / worst{np.median(spent):5.0f} / {max(spent):.0f} ms   "
        f"(bar: 150 ms; its samples only paired: {np.median(bare):.1f} ms)"
    )
    with tempfile.TemporaryDirectory() as folder:
        inks = Path(folder) / "ink"
        inks.mkdir()
        for one in written(LETTERS, TIMES, 3, Ruling()):
            file = inkml.InkFile(one.ink, Ruling(), target=one.letter)
            (inks / f"{ord(one.letter)}-{one.time}.inkml").write_bytes(inkml.write(file))
        learn: list[str | Path] = [
            COMMAND,
            "hand",
            "learn",
            inks,
            "--name",
            "Bench",
            "--out",
            f"{folder}/hand.json",
        ]
        font: list[str | Path] = [
            COMMAND,
            "hand",
            "font",
            "joined",
            "--out",
            f"{folder}/joined.otf",
        ]
        for name, call, bar in (
            ("an alphabet of 62, three samples a letter", learn, "8 s"),
            ("a joined hand as a font", font, "none"),
        ):
            took = [
                timed(lambda: subprocess.run(call, check=True, capture_output=True))  # noqa: B023
                for _ in range(TRIES)
            ]
            print(f"{name}{np.median(took) / 1000:5.1f} s   (bar: {bar})")


def bench_lift(browser: Browser, address: str) -> None:
    """ms from the pen's lift to the answer that says how the letter is understood."""
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    spent = []
    for letter in "wvzxqpsWMZA":
        page.goto(f"{address}/plan/hand/ours/Meadow%20Lane/{letter}", wait_until="networkidle")
        pad = page.get_by_role("application").bounding_box()
        assert pad is not None
        x, y, side = pad["x"] + pad["width"] / 4, pad["y"] + pad["height"] * 0.4, pad["height"] / 4
        page.mouse.move(x, y)
        page.mouse.down()
        for at in range(1, 97):
            place, valley = at / 96, abs((at / 24) % 2 - 1)
            page.mouse.move(x + place * side, y + (1 - valley) * side)
        with page.expect_response("**/tried"):
            lifted = time.perf_counter()
            page.mouse.up()
        spent.append(1000 * (time.perf_counter() - lifted))
    page.close()
    print(
        f"from the pen's lift to how it is understood, p50 / worst{np.median(spent):5.0f} / "
        f"{max(spent):.0f} ms   (bar: 150 ms)"
    )


if __name__ == "__main__":
    bench_hand()
