"""Measures a record of three years: how letters stand and a first page of the table, beside
SQLite's own count of all attempts; and the first answers of a server that says it is ready."""

import resource
import sqlite3
import tempfile
import time
import urllib.request
from datetime import UTC, date, datetime, timedelta
from pathlib import Path

import numpy as np
from fastapi.testclient import TestClient
from scripts.bench_checking import timed
from scripts.served import HERE, Application, free_port, make_demo

from firstloop.api.app import create_app
from firstloop.demo.years import load_years
from firstloop.services.preparing import prepare
from firstloop.store.database import Database

YEARS, CHILDREN, A_DAY = 3, 32, 21
"""Three years of a full class, 403,200 letters."""

ROUNDS = 9


def bench_scale() -> None:
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "years.db"
        database = Database(path)
        began = time.perf_counter()
        load_years(
            database, datetime.now(UTC).date(), years=YEARS, children=CHILDREN, letters_a_day=A_DAY
        )
        made = time.perf_counter() - began
        prepare(database, datetime.now(UTC))
        counting = sqlite3.connect(path)
        (kept,) = counting.execute("SELECT count(*) FROM attempt").fetchone()
        reference = float(
            np.median(
                [
                    timed(lambda: counting.execute("SELECT count(*) FROM attempt").fetchone())
                    for _ in range(ROUNDS)
                ]
            )
        )
        (marks,) = counting.execute("SELECT sum(length(held)) FROM progress_mark").fetchone()
        counting.close()
        print(f"a record of years           {kept:8,} letters, made in {made:.0f} s")
        print(
            f"marks of how they stand     {marks / 1e6:8.0f} MB of {path.stat().st_size / 1e6:.0f}"
        )
        print(f"SQLite's count(*) of them   {reference:8.1f} ms")
        with TestClient(create_app(database), base_url="http://localhost", client=HERE) as client:
            for what, places, bar in _asked(datetime.now(UTC).date()):
                spent = [
                    timed(lambda: client.get(places[at % len(places)]).raise_for_status())  # noqa: B023
                    for at in range(ROUNDS)
                ]
                p50, worst = float(np.median(spent)), max(spent)
                print(
                    f"{what}, p50 / worst{p50:{33 - len(what)}.0f} / {worst:.0f} ms, "
                    f"{p50 / reference:.1f} of the count   (bar: {bar} ms)"
                )
        database.close()
    peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    print(f"memory, at most             {peak:8.0f} MB   (bar: under 300 MB)")


def _asked(today: date) -> list[tuple[str, list[str], int]]:
    """What is asked for, where, and in how many ms it is to come; a slider comes to another day
    each time."""
    days = [today - timedelta(days=77 + 31 * at) for at in range(ROUNDS)]
    return [
        ("the class map of today", ["/api/grow/map"], 150),
        ("a step of its slider", [f"/api/grow/map?alone=true&day={day}" for day in days], 100),
        ("the map of a past day", [f"/api/grow/map?day={day}" for day in days], 150),
        ("its letters in words", [f"/api/grow/map?words=true&day={day}" for day in days], 250),
        ("a child's page", [f"/api/grow/children/{at + 1}" for at in range(ROUNDS)], 150),
        ("groups for tomorrow", ["/api/grow/groups"], 500),
        ("the table of the last day", ["/api/check/table"], 150),
        ("the table, all n of a term", ["/api/check/table?letter=n"], 150),
        ("the page of today", ["/api/plan/today"], 150),
    ]


def bench_first_answers() -> None:
    """The installed command over the demo class: each address asked for once, right after start."""
    with tempfile.TemporaryDirectory() as folder:
        database = Path(folder) / "demo.db"
        make_demo(database)
        running = Application(database, free_port())
        began = time.perf_counter()
        running.start()
        started = time.perf_counter() - began
        spent = {}
        for place in (
            "/api/plan/today", "/api/plan/schemes/movement", "/api/plan/schemes/sound",
            "/api/plan/letters/n", "/api/grow/map", "/api/check/table",
            "/api/show/letters/n", "/api/show/alphabet", "/api/plan/picker?new=n",
            "/api/plan/chain",
        ):  # fmt: skip
            spent[place] = timed(lambda: urllib.request.urlopen(running.address + place).read())  # noqa: B023
        running.stop()
    slowest = max(spent, key=lambda place: spent[place])
    print(f"start until ready           {started:8.1f} s")
    print(f"slowest first answer        {spent[slowest]:8.0f} ms, {slowest}   (bar: 150 ms)")


if __name__ == "__main__":
    bench_scale()
    bench_first_answers()
