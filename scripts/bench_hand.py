"""Speed of learning a hand: a letter as the pen is lifted, an alphabet of 62 by the command; beside
the bare reading and pairing of the same ink. And a hand as a font."""

import subprocess
import sys
import tempfile
from pathlib import Path

import numpy as np
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


if __name__ == "__main__":
    bench_hand()
