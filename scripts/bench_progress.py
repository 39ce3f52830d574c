"""How long estimates take: many judged attempts, beside reading the same lines with json alone."""

import json
import resource
import subprocess
import sys
import tempfile
import time
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

from scripts.growing.schools import School, school
from scripts.growing.writers import LETTERS, MODELS

from firstloop.core.progress.evidence import DIMENSIONS, HELPS

LINES = 400_000
BEGIN = datetime(2023, 9, 1, tzinfo=UTC)
SAID = {-1: "unseen", 0: "not_yet", 1: "secure"}


def bench_estimates() -> None:
    """The whole command, the start of Python counted in, as who waits for it sees it."""
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "evidence.jsonl"
        _write(file)
        begun = time.perf_counter()
        with file.open("rb") as lines:
            for line in lines:
                json.loads(line)
        alone = time.perf_counter() - begun
        begun = time.perf_counter()
        command: list[str | Path] = [
            Path(sys.executable).with_name("firstloop"),
            "estimate",
            file,
            "--json",
        ]
        with (Path(folder) / "estimates.jsonl").open("wb") as out:
            subprocess.run(command, check=True, stdout=out)
        spent = time.perf_counter() - begun
        most = resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss / 1024
        print(
            f"estimates of {LINES:,} attempts{spent:8.1f} s   (bar: under 5 s; reading the lines "
            f"with json alone takes {alone:.1f} s), {most:.0f} MB (bar: 700)"
        )


def _write(file: Path) -> None:
    """Children of all models, over and over."""
    lines = [line for model in MODELS for line in _lines(school(model, 5, 20))]
    with file.open("w") as out:
        for at in range(LINES):
            line = lines[at % len(lines)]
            child = line["pupil"] + 1000 * (at // len(lines))
            out.write(json.dumps(line | {"pupil": child}) + "\n")


def _lines(made: School) -> list[dict[str, Any]]:
    evidence = made.evidence
    return [
        {
            "pupil": int(evidence.pupil[at]),
            "hand": "plain",
            "letter": LETTERS[evidence.letter[at]],
            "at": (BEGIN + timedelta(days=float(evidence.days[at]))).isoformat(),
            "source": "pen",
            "help": HELPS[evidence.help[at]].value,
            "verdict": {
                dimension.value: SAID[int(seen)]
                for dimension, seen in zip(DIMENSIONS, evidence.seen[at], strict=True)
            },
            "judged": bool(evidence.judged[at]),
        }
        for at in range(len(evidence))
    ]


if __name__ == "__main__":
    bench_estimates()
