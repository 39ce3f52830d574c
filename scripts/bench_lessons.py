"""Measures lessons: planning with a year of records, words, chains; and the board's frames."""

import tempfile
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from functools import partial
from pathlib import Path
from typing import Any

import numpy as np
from fastapi.testclient import TestClient
from playwright.sync_api import Browser
from scripts.bench_checking import timed
from scripts.served import HERE
from sqlalchemy import func, select

from firstloop.api.app import create_app
from firstloop.demo.years import load_years
from firstloop.services.preparing import prepare
from firstloop.store.attempts import Attempt
from firstloop.store.database import Database

YEARS, CHILDREN = 1, 24
A_DAY = 5
"""A class, and the letters that each child hands in on a day of school."""

ROUNDS = 15
LESSONS: dict[str, dict[str, Any]] = {
    "of one letter": {"new": ["n"]},
    "of a pair": {"new": ["sh"]},
    "of three": {"new": ["n", "m", "h"]},
    "of seven": {"new": [*"rnmhbpk"]},
    "of capitals": {"new": ["N", "M", "H"]},
    "of digits": {"new": ["1", "4", "7"]},
    "of a word": {"new": ["said"]},
    "looking back": {"new": ["c", "a", "d"], "shape": "look_back"},
    "of words": {"new": [], "shape": "words"},
}
JOINS: dict[str, Any] = {"new": ["ca", "ad", "ac", "da", "as"]}
"""A lesson of joins; the class joins for it, and prints again."""

WATCHED_MS = 6000


@contextmanager
def a_year_of_records() -> Iterator[tuple[TestClient, int]]:
    """The application over a class with every letter taught and a year of its letters; how many."""
    with tempfile.TemporaryDirectory() as folder:
        database = Database(Path(folder) / "year.db")
        today = datetime.now(UTC).date()
        load_years(database, today, years=YEARS, children=CHILDREN, letters_a_day=A_DAY)
        prepare(database, datetime.now(UTC))
        with database.writing() as session:
            kept = session.scalar(select(func.count()).select_from(Attempt)) or 0
        with TestClient(create_app(database), base_url="http://localhost", client=HERE) as client:
            yield client, kept
        database.close()


def bench_planning() -> None:
    """What a teacher waits for while she plans; the server's whole answer, without a network."""
    with a_year_of_records() as (client, kept):

        def answers(ask: Callable[[], Any]) -> tuple[float, float]:
            assert ask().is_success  # the first asks for what is computed once as well
            spent = [timed(ask) for _ in range(ROUNDS)]
            return float(np.median(spent)), max(spent)

        print(f"a year of records           {kept:8,} letters")
        asked: list[tuple[str, float, Callable[[], Any]]] = [
            (f"a lesson {what}", 150, partial(client.post, "/api/plan/lessons", json=lesson))
            for what, lesson in LESSONS.items()
        ]
        asked += [
            ("the page of today", 150, lambda: client.get("/api/plan/today")),
            ("the picker", 50, lambda: client.get("/api/plan/picker", params={"new": "n"})),
            (
                "a chain of 8",
                200,
                lambda: client.get("/api/plan/chain", params={"start": "pin", "length": 8}),
            ),
        ]
        client.put("/api/plan/style", json={"hand": "joined"})
        joins = answers(partial(client.post, "/api/plan/lessons", json=JOINS))
        the_plan = answers(partial(client.get, "/api/plan/joining"))
        client.put("/api/plan/style", json={"hand": "plain"})
        for what, (p50, worst) in (("a lesson of joins", joins), ("the way to joined", the_plan)):
            print(f"{what}, p50 / worst{p50:{27 - len(what)}.0f} / {worst:.0f} ms   (bar: 150 ms)")
        for what, bar, ask in asked:
            p50, worst = answers(ask)
            print(
                f"{what}, p50 / worst{p50:{27 - len(what)}.0f} / {worst:.0f} ms   (bar: {bar} ms)"
            )


def bench_board(browser: Browser, address: str) -> None:
    """The times between the frames in which a word is written on the board, full screen."""
    page = browser.new_context(viewport={"width": 1920, "height": 1080}).new_page()
    page.goto(f"{address}/show/m")
    page.get_by_role("radio", name="Slow").click()
    page.get_by_role("button", name="Again").click()
    between = np.array(
        page.evaluate(
            """async (watched) => {
                const frames = [];
                const begin = performance.now();
                while (performance.now() - begin < watched)
                    frames.push(await new Promise(requestAnimationFrame));
                return frames.slice(1).map((frame, at) => frame - frames[at]);
            }""",
            WATCHED_MS,
        )
    )
    page.context.close()
    rate, worst = 1000 / between.mean(), between.max()
    late = float((between > 1.5 * 1000 / 60).mean())
    print(f"board, frames a second      {rate:8.1f}   (bar: 60)")
    print(f"the same, late / worst      {late:8.1%} / {worst:.0f} ms")
