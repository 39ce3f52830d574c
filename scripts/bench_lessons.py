"""Measures lessons: planning with a year of records, words, chains; and the board's frames."""

import tempfile
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import numpy as np
from fastapi.testclient import TestClient
from firstloop.store.handing_in import hand_in
from playwright.sync_api import Browser
from scripts.bench_checking import timed

from firstloop.api.app import create_app
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Handedness, Help
from firstloop.core.letters import PLAIN
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.store import attempts, classes, lessons
from firstloop.store.database import Database

PUPILS, SCHOOL_DAYS, A_DAY = 24, 190, 5
"""A class, the days of a school year, and letters that each child hands in on one."""

ROUNDS = 15
WATCHED_MS = 6000


@contextmanager
def a_year_of_records() -> Iterator[TestClient]:
    """The application over a class with every letter taught and a year of its letters."""
    with tempfile.TemporaryDirectory() as folder:
        database = Database(Path(folder) / "year.db")
        _fill(database)
        with TestClient(create_app(database)) as client:
            yield client
        database.close()


def _fill(database: Database) -> None:
    rng = np.random.default_rng(21)
    letters = GROUPS["small"]
    now = datetime.now(UTC)
    with database.session() as session:
        names = [(f"Child {at}", Handedness.RIGHT) for at in range(PUPILS)]
        school_class = classes.add(
            session, "Year", style=Style("plain"), ruling=Ruling(), x_height_mm=8.0, pupils=names
        )
        begun = now - timedelta(days=365)
        lessons.set_taught(session, school_class.id, set(letters), begun.date())
        first = school_class.pupils[0].id
        samples = [
            hand_in(
                session,
                school_class,
                pupil_id=first,
                letter=letter,
                help=Help.COPY,
                ink=write(PLAIN.scripts[letter], PLAIN, Ruling(), draw_pupil(rng), rng),
                written_at=begun,
            ).attempt
            for letter in letters
        ]
        for day in range(SCHOOL_DAYS):
            at = begun + timedelta(days=365 * day / SCHOOL_DAYS)
            for pupil in school_class.pupils:
                for turn in rng.integers(len(samples), size=A_DAY):
                    again = replace(samples[turn], pupil_id=pupil.id, written_at=at)
                    attempts.add(session, again)


def bench_planning() -> None:
    """What a teacher waits for while she plans; the server's whole answer, without a network."""
    with a_year_of_records() as client:

        def answers(ask: Callable[[], Any]) -> tuple[float, float]:
            assert ask().is_success  # the first asks for what is computed once as well
            spent = [timed(ask) for _ in range(ROUNDS)]
            return float(np.median(spent)), max(spent)

        kept = PUPILS * SCHOOL_DAYS * A_DAY
        print(f"a year of records           {kept:8,} letters")
        for what, bar, ask in (
            ("a lesson planned", 150, lambda: client.post(
                "/api/plan/lessons", json={"new": ["sh"], "minutes": 20})),
            ("the page of today", 150, lambda: client.get("/api/plan/today")),
            ("the picker", 50, lambda: client.get("/api/plan/picker", params={"new": "n"})),
            ("a chain of 8", 200, lambda: client.get(
                "/api/plan/chain", params={"start": "pin", "length": 8})),
        ):  # fmt: skip
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
