"""A class list of sixty: read, and taken in, by what a teacher waits for."""

import tempfile
from datetime import UTC, datetime
from pathlib import Path

import numpy as np
from fastapi.testclient import TestClient
from scripts.bench_checking import timed
from scripts.served import HERE

from firstloop.api.app import create_app
from firstloop.demo.load import load_demo
from firstloop.store.database import Database

CHILDREN, TIMES = 60, 7
FIRST = ("Ada", "Bo", "Zoë", "Anne Sophie", "Mila")
"""Each many times over: names are told apart by surnames."""


def bench_class_list() -> None:
    """Into a class that is made for it each time."""
    lines = ["first name;surname;hand"]
    lines += [f"{FIRST[at % len(FIRST)]};{_surname(at)};{'l' if at % 9 == 0 else ''}"
              for at in range(CHILDREN)]  # fmt: skip
    with tempfile.TemporaryDirectory() as folder:
        database = Database(Path(folder) / "record.db")
        load_demo(database, datetime.now(UTC).date())
        with TestClient(create_app(database), base_url="http://localhost", client=HERE) as client:
            spent = []
            for at in range(TIMES):
                client.post("/api/classroom", json={"name": f"Class {at}", "hand": "plain"})
                spent.append(timed(lambda: _take_in(client, "\n".join(lines))))
        database.close()
    print(
        f"a list of {CHILDREN} read and taken in{np.median(spent):10.0f} / {max(spent):.0f} ms"
        "   (bar: under 1000 ms)"
    )


def _surname(at: int) -> str:
    return f"{'KLMNO'[at // 12 % 5]}{'aeiou'[at % 5]}{'rstvn'[at // 5 % 5]}{at:02d}"


def _take_in(client: TestClient, text: str) -> None:
    read = client.post("/api/classroom/list", json={"text": text}).json()
    assert read["faults"] == []
    children = [{key: one[key] for key in ("name", "handedness")} for one in read["children"]]
    made = client.post("/api/classroom/pupils", json={"children": children})
    assert len(made.json()) == CHILDREN
