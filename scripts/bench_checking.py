"""Measures the checker: letters a second, latency, memory, growth with points; and its reading
beside two general stroke matchers on the same ink in the same run."""

import resource
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

import numpy as np
from dollarpy import Point, Recognizer, Template
from dtaidistance import dtw_ndim

from firstloop.core.checking.check import check
from firstloop.core.checking.explain.forms import forms_of
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.geometry import polyline
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import HANDS, PLAIN
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS
from firstloop.core.letters.style import Style
from firstloop.formats import inkml
from firstloop.services.checking_files import Asked, InkSource, check_file

RULING = Ruling()
ROUNDS = 3
REFERENCE_EVERY = 10
READ_EACH = 4
MATCHER_POINTS = 32

Inks = list[tuple[str, Ink]]

PRINT = Style("plain")


def timed(action: Callable[[], object]) -> float:
    """ms that something takes."""
    begin = time.perf_counter()
    action()
    return 1000 * (time.perf_counter() - begin)


ROW, OTHER = np.linspace(0.0, 1.0, 50), np.linspace(1.0, 0.0, 50)


def reference_work() -> None:
    """What a check is made of, small calls of numpy and plain Python, in a fixed amount; by it a
    machine whose speed varies can be told from a checker that got slower."""
    for _ in range(1000):
        np.minimum(ROW, OTHER)
    sum(at for at in range(10_000))


def slipped_and_good() -> Inks:
    """Letters by simulated pupils: every letter clean, and with each of its slips."""
    rng = np.random.default_rng(11)
    return [
        (letter, write(script, PLAIN, RULING, draw_pupil(rng), rng, slips=slips))
        for letter, script in PLAIN.scripts.items()
        for slips in ([], *([slip] for slip in SLIPS.values() if slip.fits(script)))
        for _ in range(3)
    ]


def small_letters() -> Inks:
    """Good small letters, for reading."""
    rng = np.random.default_rng(12)
    return [
        (letter, write(PLAIN.scripts[letter], PLAIN, RULING, draw_pupil(rng), rng))
        for letter in GROUPS["small"]
        for _ in range(READ_EACH)
    ]


def bench_latency() -> None:
    given = slipped_and_good()
    for letter, ink in given:  # what is computed of a letter once is not of every check
        check(ink, Task(letter), PRINT, RULING)
    spent, reference = np.empty((ROUNDS, len(given))), []
    for of_round in spent:
        for at, (letter, ink) in enumerate(given):
            of_round[at] = timed(lambda: check(ink, Task(letter), PRINT, RULING))  # noqa: B023
            if at % REFERENCE_EVERY == 0:  # in between, as the machine changes its speed
                reference.append(timed(reference_work))
    p50, p95 = np.percentile(spent, [50, 95])
    good, bad = (np.percentile(spent.min(axis=0), q) for q in (50, 95))
    print(f"letters checked a second    {1000 / spent.mean():8.0f}   (bar: 400)")
    print(f"a check, p50 / p95          {p50:8.2f} / {p95:.2f} ms   (bar: 2 / 6 ms)")
    print(f"the same, best of {ROUNDS} each    {good:8.2f} / {bad:.2f} ms")
    fixed = float(np.mean(reference))
    share = spent.mean() / fixed
    print(f"a fixed piece of work       {fixed:8.2f} ms   (a check, on average: {share:.2f} of it)")


def bench_points() -> None:
    m = write(
        PLAIN.scripts["m"], PLAIN, RULING, draw_pupil(np.random.default_rng(1)),
        np.random.default_rng(2),
    )  # fmt: skip
    spent = {}
    for count in (200, 2_000, 20_000):
        finer = Ink(tuple(Stroke.of(polyline.resample(s.points, count)) for s in m.strokes))
        spent[count] = min(timed(lambda: check(finer, Task("m"), PRINT, RULING)) for _ in range(15))  # noqa: B023
    growth = (spent[20_000] - spent[2_000]) / (10 * max(spent[2_000] - spent[200], 0.1))
    print(f"2,000 / 20,000 points       {spent[2_000]:8.1f} / {spent[20_000]:.1f} ms")
    print(f"growth against linear       {growth:8.2f}   (bar: no more than 1)")


FOLDER = 1200


def _varied(name: Path, rng: np.random.Generator) -> None:
    """A file on a page of its own: ruling, scale, place, sampling and jitter; good or slipped."""
    hand = list(HANDS.values())[rng.choice(4, p=(0.55, 0.2, 0.15, 0.1))]
    letter = str(rng.choice(list(hand.scripts)))
    ruling = Ruling(rng.uniform(1.7, 2.3), -rng.uniform(0.8, 1.2))
    fitting = [slip for slip in SLIPS.values() if slip.fits(hand.scripts[letter])]
    slips = [fitting[rng.integers(len(fitting))]] if rng.uniform() < 0.5 and fitting else []
    pupil = draw_pupil(rng, steadiness=rng.uniform())
    written = write(hand.scripts[letter], hand, ruling, pupil, rng, slips=slips)
    every = int(rng.integers(1, 3))
    ink = Ink(
        tuple(
            Stroke.of(s.points[::every] + rng.normal(0, 0.004, (len(s.points[::every]), 2)))
            for s in written.strokes
        )
    )
    file = inkml.InkFile(ink, ruling, letter, Kind.LETTER, hand.name)
    name.write_bytes(inkml.write(file, x_height_mm=rng.uniform(3.0, 90.0)))


def bench_folder() -> None:
    """The command on a folder of files, each on lines of its own; and on one file, from a start."""
    rng = np.random.default_rng(13)
    command = Path(sys.executable).with_name("firstloop")
    with tempfile.TemporaryDirectory() as folder:
        files = [Path(folder) / f"{at:04}.inkml" for at in range(FOLDER)]
        for file in files:
            _varied(file, rng)

        def run(*paths: Path) -> float:
            call: list[str | Path] = [command, "check", *paths, "--json"]
            return timed(lambda: subprocess.run(call, check=True, capture_output=True))

        whole, first = run(Path(folder)), min(run(files[0]) for _ in range(3))
        sources = [InkSource(file.name, file.read_bytes()) for file in files]
    each = [timed(lambda: check_file(source, Asked())) for source in sources]  # noqa: B023
    p50, p95 = np.percentile(each, [50, 95])
    print(f"{FOLDER} files, start included {1000 * FOLDER / whole:8.0f} a second   (bar: 200)")
    print(f"one of them, p50 / p95      {p50:8.2f} / {p95:.2f} ms   (bar: 4 / 10 ms)")
    print(f"the first answer            {first:8.0f} ms   (bar: 800 ms)")


def bench_memory() -> None:
    peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    print(f"memory, at most             {peak:8.0f} MB   (bar: under 300 MB)")


def _line(ink: Ink) -> FloatArray:
    """The ink as one line in its own box, as a general matcher wants it."""
    points = polyline.resample(ink.points, MATCHER_POINTS)
    return np.asarray((points - points.mean(axis=0)) / max(float(np.ptp(points[:, 1])), 0.1))


def _cloud(ink: Ink) -> list[Point]:
    return [Point(x, -y, at) for at, s in enumerate(ink.strokes, 1) for x, y in s.points]


def bench_reading() -> None:
    """Whose reading is right, and how long it takes. All have one template for each form."""
    inks = small_letters()
    forms = [
        (letter, Ink(tuple(Stroke.of(path) for path in form.paths())))
        for letter in GROUPS["small"]
        for form in forms_of(letter, PLAIN, RULING)
    ]
    cloud = Recognizer([Template(letter, _cloud(ink)) for letter, ink in forms])
    lines = [(letter, _line(ink)) for letter, ink in forms]

    def by_check(letter: str, ink: Ink) -> str:
        return check(ink, Task(letter), PRINT, RULING).reads_as or "?"

    def by_cloud(_: str, ink: Ink) -> str:
        return str(cloud.recognize(_cloud(ink))[0])

    def by_warping(_: str, ink: Ink) -> str:
        line = _line(ink)
        return min(lines, key=lambda one: dtw_ndim.distance_fast(line, one[1]))[0]

    own_right, own_ms = _read(by_check, inks)
    print(f"reading right, check        {own_right:8.3f} in {own_ms:.2f} ms")
    for name, reader in (("point cloud", by_cloud), ("warping", by_warping)):
        right, ms = _read(reader, inks)
        print(
            f"reading right, {name:12s} {right:8.3f} in {ms:.2f} ms"
            f"   (ours: {own_ms / ms:.2f} times its time, and all findings)"
        )


def _read(reader: Callable[[str, Ink], str], inks: Inks) -> tuple[float, float]:
    for letter, ink in inks[:5]:
        reader(letter, ink)
    begin = time.perf_counter()
    right = sum(reader(letter, ink) == letter for letter, ink in inks)
    return right / len(inks), 1000 * (time.perf_counter() - begin) / len(inks)


def bench_checking() -> None:
    """All of it."""
    bench_latency()
    bench_points()
    bench_folder()
    bench_memory()
    bench_reading()


if __name__ == "__main__":
    bench_checking()
