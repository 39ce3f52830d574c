"""Measures twenty pads that hand in at once without a pause, beside the checks that they need."""

import tempfile
import time
from pathlib import Path

from scripts import clients
from scripts.served import Application, free_port, make_demo

from firstloop.api.ink import SentStroke, ink_from
from firstloop.core.checking.check import check
from firstloop.core.evidence.task import Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style

CLIENTS, SECONDS = 20, 30


def bench_clients() -> None:
    with tempfile.TemporaryDirectory() as folder:
        record = Path(folder) / "demo.db"
        make_demo(record)
        application = Application(record, free_port())
        application.start()
        alone = clients.run(application.port, clients=1, seconds=5, seed=3)
        load = clients.run(application.port, clients=CLIENTS, seconds=SECONDS)
        application.stop()
        gone = clients.lost(record, load)
    checking = _checks_ms()
    a_second = len(load.times) / SECONDS
    print(f"a hand-in alone             {alone.quantile_ms(0.5):8.1f} ms (p50)")
    print(
        f"{CLIENTS} pads at once            p50 {load.quantile_ms(0.5):5.0f} ms, "
        f"p95 {load.quantile_ms(0.95):5.0f} ms, {a_second:.0f} a second"
    )
    print(
        f"  failed {len(load.failures)}, lost {len(gone)}; "
        f"each takes {1000 / a_second / checking:.1f} of its check ({checking:.1f} ms)"
    )


def _checks_ms() -> float:
    """The mean time of the checks that were asked for."""
    asked = [
        (ink_from([SentStroke(**stroke) for stroke in one["strokes"]]), Task(one["letter"]))
        for one in clients.bodies(1, clients.KINDS)
    ]
    began = time.perf_counter()
    for ink, task in asked:
        check(ink, task, Style("plain"), Ruling())
    return 1000 * (time.perf_counter() - began) / len(asked)


if __name__ == "__main__":
    bench_clients()
