"""Who listens to what happens hears it as long as it is theirs to hear, and no longer."""

import http.client
import threading
from collections.abc import Callable, Iterator
from contextlib import closing
from datetime import UTC, datetime
from urllib.parse import urlsplit

import pytest
from scripts.served import InProcess

from firstloop.api.deps import COOKIE, PAD_COOKIE
from firstloop.api.events import MOST_STREAMS
from firstloop.services import accounts, classes, pad_seats
from firstloop.store import happenings, lesson_codes
from firstloop.store import pads as pads_kept
from firstloop.store.database import Database
from firstloop.store.happenings import What
from firstloop.store.records import ClassRecord
from tests.conftest import add_class
from tests.pads import let_in
from tests.teachers import cookie_of, teacher_of

NOW = datetime.now(UTC)
LIVE, EVENTS = "/api/write/live", "/api/pad/events"


class Line:
    """An open line, read in a thread of its own until the server ends it."""

    def __init__(self, server: InProcess, path: str, cookie: str) -> None:
        self._line = http.client.HTTPConnection(urlsplit(server.address).netloc, timeout=20)
        self._line.request("GET", path, headers={"Cookie": cookie})
        self._answer = self._line.getresponse()
        self.status = self._answer.status
        self.said = ""
        self.ended = threading.Event()
        threading.Thread(target=self._read, daemon=True).start()

    def _read(self) -> None:
        with closing(self._line), closing(self._answer):
            while said := self._answer.readline():
                self.said += said.decode()
        self.ended.set()


Opener = Callable[[str, str], Line]


@pytest.fixture
def server(database: Database, school_class: ClassRecord) -> Iterator[InProcess]:
    del school_class
    teacher_of(database)
    with InProcess(database) as served:
        yield served


@pytest.fixture
def lines(server: InProcess) -> Iterator[Opener]:
    """Opens lines to the server; those that are still open are ended with it."""
    opened: list[Line] = []

    def line(path: str, cookie: str) -> Line:
        opened.append(Line(server, path, cookie))
        return opened[-1]

    yield line
    server.end()
    assert all(one.ended.wait(10) for one in opened)


def _teachers(lines: Opener, database: Database, name: str) -> Line:
    return lines(LIVE, f"{COOKIE}={cookie_of(database, teacher_of(database, name))}")


def _hand_over(database: Database) -> None:
    classes.hand_over(database, teacher_of(database), 1, "Mr Finch", with_flags=False)


def _open_another(database: Database) -> None:
    other = add_class(database, teacher_of(database), "This year", ("Ada", "Bo"))
    classes.open_one(database, teacher_of(database), other.id)


def _sign_out(database: Database) -> None:
    accounts.reset_password(database, "Ms Reed", "two hens on a wall")


def _delete(database: Database) -> None:
    classes.remove(database, teacher_of(database), 1)


@pytest.mark.parametrize("end", [_hand_over, _open_another, _sign_out, _delete])
def test_a_teacher_hears_no_more_of_what_is_no_longer_hers(
    lines: Opener, database: Database, end: Callable[[Database], None]
) -> None:
    teacher_of(database, "Mr Finch")
    line = _teachers(lines, database, "Ms Reed")
    end(database)
    assert line.ended.wait(5)
    assert "attempt" not in line.said


def test_a_helper_who_helps_no_more_hears_nothing_more(lines: Opener, database: Database) -> None:
    wren = teacher_of(database, "Ms Wren")
    classes.share(database, 1, "Ms Wren")
    line, hers = (_teachers(lines, database, name) for name in ("Ms Wren", "Ms Reed"))
    classes.no_longer_share(database, 1, wren)
    assert line.ended.wait(5)
    assert not hers.ended.is_set()


def _forget(database: Database, pad_id: int) -> None:
    del pad_id
    with database.writing() as session:
        pads_kept.forget_all(session, 1)


def _put_out(database: Database, pad_id: int) -> None:
    pad_seats.leave(database, 1, pad_id, NOW)


def _end_the_lesson(database: Database, pad_id: int) -> None:
    del pad_id
    with database.writing() as session:
        lesson_codes.end(session, 1, None, NOW)


@pytest.mark.parametrize("end", [_forget, _put_out, _end_the_lesson])
def test_a_pad_that_is_out_hears_that_and_nothing_more(
    lines: Opener, database: Database, end: Callable[[Database, int], None]
) -> None:
    pad = let_in(database, 1, None, "otter kite", "a pad's token", "a pad's device")
    line = lines(EVENTS, f"{PAD_COOKIE}=a pad's token")
    end(database, pad.id)
    assert line.ended.wait(5)
    assert line.said.count("event:") == 1
    assert "event: end" in line.said


def test_of_one_and_the_same_so_many_listen_and_the_newest_do(
    lines: Opener, database: Database
) -> None:
    opened = [_teachers(lines, database, "Ms Reed") for _ in range(MOST_STREAMS + 3)]
    assert all(line.ended.wait(5) for line in opened[:3])
    with database.writing() as session:
        happenings.add(session, 1, What.CLASS, NOW)
    until = threading.Event()
    for _ in range(100):
        if all("event: class" in line.said for line in opened[3:]):
            break
        until.wait(0.05)
    assert all("event: class" in line.said for line in opened[3:])
    assert not any(line.ended.is_set() for line in opened[3:])
