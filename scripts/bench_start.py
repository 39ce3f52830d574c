"""Measures how soon `serve` answers on an existing record, beside a bare import of what it needs in
the same run; how soon a first check is answered after that; what an idle server takes of memory."""

import json
import os
import subprocess
import sys
import tempfile
import time
import urllib.error
import urllib.request
from pathlib import Path
from statistics import median

from scripts.served import COMMAND, free_port, make_demo

from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.ruling import Ruling

BARE = "import fastapi, sqlalchemy, numpy, uvicorn"
IDLE_S = 12.0
"""Seconds until all that is prepared beside a server is there."""


def bench_start(rounds: int = 5) -> None:
    """Each start stands between two bare imports: a machine is not as fast now as a moment ago."""
    with tempfile.TemporaryDirectory() as folder:
        record = Path(folder) / "class.db"
        make_demo(record)
        ratios = []
        before = cpu_of([sys.executable, "-c", BARE])
        for _ in range(rounds):
            ready, first_ms, idle_mb = started(record)
            after = cpu_of([sys.executable, "-c", BARE])
            ratios.append(2 * ready / (before + after))
            print(
                f"ready after {ready:.2f} s of the processor (bare import {before:.2f} s before, "
                f"{after:.2f} s after); first check {first_ms:.0f} ms   (bar: 100); "
                f"idle {idle_mb:.0f} MB   (bar: 150)"
            )
            before = after
        told = ", ".join(f"{ratio:.2f}" for ratio in sorted(ratios))
        print(f"ready after {median(ratios):.2f} of a bare import   (bar: 2.5): {told}")


def cpu_of(command: list[str]) -> float:
    """Seconds of the processor that a command takes."""
    before = os.times()
    subprocess.run(command, check=True)
    after = os.times()
    spent = (after.children_user, after.children_system)
    return sum(spent) - before.children_user - before.children_system


def started(record: Path) -> tuple[float, float, float]:
    """Seconds of the processor until the first answer; ms of a first check; MB when idle."""
    address = f"http://127.0.0.1:{(port := free_port())}"
    command: list[str | Path] = [COMMAND, "serve", "--db", record, "--port", str(port)]
    process = subprocess.Popen(command, stdout=subprocess.DEVNULL)
    try:
        while not _answers(address):
            time.sleep(0.01)
        stat = Path(f"/proc/{process.pid}/stat").read_text().split()
        ready = (int(stat[13]) + int(stat[14])) / os.sysconf("SC_CLK_TCK")
        began = time.perf_counter()
        _hand_in(address)
        first_ms = 1000 * (time.perf_counter() - began)
        time.sleep(IDLE_S)
        status = Path(f"/proc/{process.pid}/status").read_text()
        resident = next(line for line in status.splitlines() if line.startswith("VmRSS"))
        return ready, first_ms, int(resident.split()[1]) / 1000
    finally:
        process.terminate()
        process.wait()


def _answers(address: str) -> bool:
    try:
        urllib.request.urlopen(f"{address}/api/session", timeout=20).close()
    except (urllib.error.URLError, ConnectionError):
        return False
    return True


def _hand_in(address: str) -> None:
    hand = HANDS["plain"]
    paths = draw(hand.scripts["n"], hand.proportions, Ruling()).paths()
    strokes = [
        {"points": [[x, y, 10 * at, None] for at, (x, y) in enumerate(path.tolist())]}
        for path in paths
    ]
    body = {"pupil_id": 1, "letter": "n", "help": "copy", "strokes": strokes}
    sent = urllib.request.Request(
        f"{address}/api/write/attempts",
        data=json.dumps(body).encode(),
        headers={"Content-Type": "application/json"},
    )
    urllib.request.urlopen(sent, timeout=20).close()


if __name__ == "__main__":
    bench_start()
