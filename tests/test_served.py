"""The real server under load, killed, ended, robbed: nothing acknowledged is lost or doubled."""

import os
import shutil
import signal
import sqlite3
import threading
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from pathlib import Path

import pytest
from scripts import clients
from scripts.served import Application, free_port

from firstloop.store import school
from firstloop.store.database import Database
from tests.conftest import add_class

PUPILS = 2


@pytest.fixture
def record(tmp_path: Path, empty_record: Path) -> Path:
    path = tmp_path / "record.db"
    shutil.copy(empty_record, path)
    database = Database(path)
    add_class(database)
    with database.writing() as session:
        school.set_demo(session)
    database.close()
    return path


@pytest.fixture
def application(record: Path) -> Iterator[Application]:
    running = Application(record, free_port())
    running.start()
    yield running
    running.stop()


def status_of(address: str, path: str) -> tuple[int, str]:
    try:
        with urllib.request.urlopen(f"{address}{path}", timeout=10) as answer:
            return answer.status, answer.read().decode()
    except urllib.error.HTTPError as error:
        return error.code, error.read().decode()


def test_twenty_pads_at_once_lose_and_double_nothing(
    application: Application, record: Path, tmp_path: Path
) -> None:
    load = clients.run(application.port, clients=20, seconds=30, most=6, pupils=PUPILS)
    assert load.failures == []
    assert set(load.statuses) == {200, 201}
    assert load.statuses[201] == len(load.acknowledged) == 120
    assert clients.lost(record, load) == []
    with sqlite3.connect(record) as opened:
        assert opened.execute("SELECT count(*) FROM attempt").fetchone() == (120,)
    opened.close()
    soon_the_one_file_holds_all(record, tmp_path / "soon.db", load)
    application.stop()
    shutil.copy(record, tmp_path / "ended.db")
    assert clients.lost(tmp_path / "ended.db", load) == []


def soon_the_one_file_holds_all(record: Path, copy: Path, load: clients.Load) -> None:
    until = time.monotonic() + 10
    while clients.lost_in_file(record, copy, load) and time.monotonic() < until:
        threading.Event().wait(0.1)
    assert clients.lost_in_file(record, copy, load) == []


def test_killed_again_and_again_it_has_all_that_it_acknowledged(
    application: Application, record: Path
) -> None:
    acknowledged = 0
    for seed, point in enumerate((1, 17)):
        if seed:
            application.start()
        load = clients.run(
            application.port,
            clients=6,
            seconds=20,
            most=point,
            pupils=PUPILS,
            seed=seed,
            after=(point, application.kill),
        )
        acknowledged += len(load.acknowledged)
        assert len(load.acknowledged) >= point
        Database(record).close()  # it opens whole
        assert clients.lost(record, load) == []
    with sqlite3.connect(record) as opened:
        (kept,) = opened.execute("SELECT count(*) FROM handed_in").fetchone()
    opened.close()
    assert kept >= acknowledged


def test_a_record_that_is_taken_away_or_damaged_is_said_so_and_it_ends_when_told(
    application: Application, record: Path
) -> None:
    away = record.with_name("away.db")
    record.rename(away)
    status, said = status_of(application.address, "/api/classroom")
    assert status == 503
    assert "taken away or replaced" in said
    load = clients.run(application.port, clients=2, seconds=5, most=2, pupils=PUPILS)
    assert set(load.statuses) == {503}
    away.rename(record)
    assert status_of(application.address, "/api/classroom")[0] == 200
    with record.open("r+b") as file:
        file.write(os.urandom(record.stat().st_size))
    status, said = status_of(application.address, "/api/check/table")
    assert status == 503
    assert "firstloop restore" in said
    assert application.process is not None
    application.process.send_signal(signal.SIGINT)
    assert application.process.wait(timeout=10) is not None
