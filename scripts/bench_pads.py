"""Measures a class of thirty at its pads, a letter every three seconds for two minutes, with a
teacher who looks on: how soon each is answered, how soon she is told and her page is there, what is
lost or doubled; and the same with the server killed twice and started again, and beside one who
means harm."""

import subprocess
import sys
import tempfile
import threading
import time
from collections import Counter
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path

import numpy as np
from scripts.bench_checking import reference_work, timed
from scripts.harm import KINDS
from scripts.listening import Listener
from scripts.pad_class import claimed, kept, make_class, opened
from scripts.served import Application, free_port

from firstloop.api.deps import COOKIE
from firstloop.core.geometry.compiled import begin_loading
from firstloop.demo.pad_client import NoAnswerError, PadClient
from firstloop.demo.playing import Play, Played, play

PADS, SECONDS, EVERY_S = 30, 120.0, 3.0
LOOKED_AT_EVERY_S = 0.5


@dataclass
class Watched:
    """What a play came to: what the pads met with, the ids that the teacher was told of and how
    long after their answers (s), what is in the record, how long her page took (s); how long the
    machine took for a fixed piece of work before and after (ms)."""

    played: Played
    told: Counter[str]
    delays: list[float]
    kept: Counter[str]
    pages: list[float]
    fixed: tuple[float, float]

    def report(self, name: str) -> None:
        lost = set(self.played.stored) - set(self.kept)
        doubled = sum(self.kept[one] - 1 for one in self.played.stored if one in self.kept)
        print(
            f"{name:28}p50 {self.played.quantile_ms(0.5):5.0f} ms, "
            f"p95 {self.played.quantile_ms(0.95):5.0f} ms   (bar: p95 under 150 ms; a fixed piece "
            f"of work took {self.fixed[0]:.1f} and {self.fixed[1]:.1f} ms)"
        )
        print(
            f"  {len(self.played.stored)} handed in, {self.played.statuses[200]} again; lost "
            f"{len(lost)}, doubled {doubled}, waiting {self.played.left}, refused "
            f"{len(self.played.refused)}   (bar: none)"
        )
        missed = set(self.played.stored) - set(self.told)
        print(
            f"  the teacher is told after p50 {1000 * np.median(self.delays):.0f} ms, worst "
            f"{1000 * max(self.delays):.0f} ms; not told {len(missed)}   (bar: within 1000 ms)"
        )
        print(
            f"  her page of the room: p50 {1000 * np.median(self.pages):.0f} ms, p95 "
            f"{1000 * np.quantile(self.pages, 0.95):.0f} ms   (bar: under 300 ms)"
        )


def watch(
    *,
    kills: int = 0,
    seconds: float = SECONDS,
    joined: bool = False,
    seed: int = 1,
    harm: str | None = None,
) -> Watched:
    """Plays a class; one of a joined hand has another ruling and other letters; beside one who does
    harm of a kind, who sits at the pad of a child of his own."""
    begin_loading().join()  # the children of this process: no tablet waits for another's
    before = _fixed_ms()
    with tempfile.TemporaryDirectory() as folder:
        record = Path(folder) / "class.db"
        children = PADS + (harm is not None)
        make_class(record, [f"Child {at}" for at in range(children)], joined=joined)
        token = claimed(record)
        application = Application(record, free_port())
        application.start()
        ended = threading.Event()
        killer = threading.Thread(target=_kill, args=(application, kills, seconds))
        pages: list[float] = []
        looks = threading.Thread(target=_look, args=(application.address, token, ended, pages))
        code = opened(application.address, token)
        hears = Listener(application.port, cookie=f"{COOKIE}={token}")
        with hears as teacher, _harming(harm, application.address, code):
            killer.start()
            looks.start()
            how = Play(count=PADS, seconds=seconds, every_s=EVERY_S, seed=seed)
            played = play(application.address, code, how)
            killer.join()
            until = time.monotonic() + 5
            while len(teacher.of("attempt")) < len(played.stored) and time.monotonic() < until:
                time.sleep(0.05)
            heard = teacher.of("attempt")
        ended.set()
        looks.join()
        application.stop()
        told = Counter(one.data["id"] for one in heard)
        delays = [
            one.at - played.stored[one.data["id"]]
            for one in heard
            if one.data["id"] in played.stored
        ]
        fixed = before, _fixed_ms()
        return Watched(played, told, delays, kept(record), pages, fixed)


def _fixed_ms() -> float:
    return min(timed(reference_work) for _ in range(20))


@contextmanager
def _harming(kind: str | None, address: str, code: str) -> Iterator[None]:
    """One who means harm, in a process of his own."""
    if kind is None:
        yield
        return
    harm = subprocess.Popen([sys.executable, "-m", "scripts.harm", kind, address, code])
    try:
        yield
    finally:
        harm.kill()
        harm.wait()


def _kill(application: Application, kills: int, seconds: float) -> None:
    for _ in range(kills):
        time.sleep(seconds / (kills + 1))
        application.kill()
        application.start()


def _look(address: str, token: str, ended: threading.Event, pages: list[float]) -> None:
    """The teacher's screen, which looks at the room as letters come."""
    screen = PadClient(address, cookies={COOKIE: token})
    while not ended.wait(LOOKED_AT_EVERY_S):
        began = time.monotonic()
        try:
            screen.ask("GET", "/api/write/room")
        except NoAnswerError:
            continue
        pages.append(time.monotonic() - began)
    screen.drop()


def bench_pads() -> None:
    watch().report(f"{PADS} pads, a letter each 3 s")
    watch(joined=True, seconds=60, seed=7).report("  a joined hand, another ruling")
    watch(kills=2, seed=3).report("  killed twice")
    for harm in KINDS:
        watch(seconds=60, seed=5, harm=harm).report(f"  beside a {harm.replace('_', ' ')}")


if __name__ == "__main__":
    bench_pads()
