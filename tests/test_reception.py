"""Who comes to a server that is open to the network: where it says it is, who is let in, and who
has to go because others wait."""

import json
import os
import shutil
import socket
import ssl
import subprocess
import sys
import urllib.request
from collections.abc import Iterator, Sequence
from contextlib import ExitStack, contextmanager
from datetime import UTC, datetime
from pathlib import Path

import pytest
from scripts.served import COMMAND, free_port

from firstloop.cli import reached, reception
from firstloop.services.accounts import begin
from firstloop.services.certificates import certificate_for
from firstloop.store.database import Database
from tests.conftest import add_class

PASSWORD = "a hen on a wall"
TRUSTING_ALL = ssl._create_unverified_context()  # what it trusts is tried in test_serving.py


@pytest.fixture
def record(database: Database) -> Path:
    reed = begin(database, "Ms Reed", PASSWORD)
    add_class(database, reed.id)
    database.close()
    return database.path


@contextmanager
def served(record: Path, *more: str, by: Sequence[str] = (str(COMMAND),)) -> Iterator[int]:
    """The port of a server over a record."""
    free = str(free_port())
    server = subprocess.Popen(
        [*by, "serve", "--db", str(record), "--port", free, *more],
        stdout=subprocess.PIPE,
        text=True,
    )
    try:
        assert server.stdout is not None
        assert "First Loop is at" in server.stdout.readline()
        yield int(free)
    finally:
        server.terminate()
        server.communicate()


@pytest.fixture(scope="module")
def port(empty_record: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[int]:
    """Of a server that is open to the network: one for all who come to it and change nothing."""
    path = tmp_path_factory.mktemp("open") / "record.db"
    shutil.copy(empty_record, path)
    database = Database(path)
    add_class(database, begin(database, "Ms Reed", PASSWORD).id)
    database.close()
    with served(path, "--host", "0.0.0.0") as free:
        yield free


def test_in_a_network_pads_are_told_the_address_of_the_machine_there(record: Path) -> None:
    alone = ["unshare", "--net", "--mount"]
    if os.geteuid() != 0:
        alone.append("--map-root-user")
    ran = subprocess.run(
        [*alone, sys.executable, "-m", "scripts.in_a_network", record, "Ms Reed", PASSWORD],
        capture_output=True,
        text=True,
        check=False,
        timeout=120,
    )
    assert ran.returncode == 0, ran.stderr
    told = json.loads(ran.stdout)
    assert "https://10.77.0.2:8443" in told["said"]
    assert told["signed"] == 204
    assert told["url"].startswith("https://10.77.0.2:8443/pad/?code=")
    assert told["reaches"] is True
    assert told["plain"] == [307, "https://10.77.0.2:8443/pad"]


@pytest.mark.parametrize(
    ("names", "where"),
    [
        (["pc", "pc.local", "127.0.1.1"], "https://pc:8000"),
        (["pc", "127.0.1.1", "10.0.0.7"], "https://10.0.0.7:8000"),
        (["[fd00::2]"], "https://[fd00::2]:8000"),
        (["127.0.0.1"], None),
    ],
)
def test_loopback_is_never_offered_to_pads(names: list[str], where: str | None) -> None:
    assert reached.where_pads_come(names, 8000) == where


def _session(port: int) -> int:
    url = f"https://127.0.0.1:{port}/api/session"
    with urllib.request.urlopen(url, context=TRUSTING_ALL, timeout=20) as answer:
        return int(answer.status)


BEGUN = {
    "nothing": None,
    "a head": b"GET /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\nX: ",
    "a body": b"POST /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 1000\r\n\r\n{",
}


@pytest.mark.parametrize("begun", BEGUN.values(), ids=BEGUN)
def test_who_opens_lines_and_says_nothing_keeps_nobody_out(port: int, begun: bytes | None) -> None:
    """More lines than an address may have: those that have been silent longest are ended."""
    with ExitStack() as lines:
        opened = []
        for _ in range(reception.MOST_SILENT + 20):
            line = lines.enter_context(socket.create_connection(("127.0.0.1", port), timeout=20))
            if begun is not None:
                line = lines.enter_context(TRUSTING_ALL.wrap_socket(line))
                line.sendall(begun)
            opened.append(line)
        assert _session(port) == 200
        assert opened[0].recv(1) == b""
        opened[-1].settimeout(0.2)
        with pytest.raises(TimeoutError):
            opened[-1].recv(1)
        assert _session(port) == 200


def test_who_comes_without_tls_is_told_where_to_go(port: int) -> None:
    for sent, begins in (
        (b"GET /pad?code=x HTTP/1.1\r\n\r\n", "HTTP/1.1 307"),
        (b"POST /api/session HTTP/1.1\r\n\r\n{}", "HTTP/1.1 400"),
        (b"GET /\x80\x00\r\n\r\n", "HTTP/1.1 400"),
        (b"hello", "HTTP/1.1 400"),
    ):
        with socket.create_connection(("127.0.0.1", port), timeout=20) as line:
            line.sendall(sent)
            said = b"".join(iter(lambda: line.recv(4096), b"")).decode()
        assert said.startswith(begins), sent
        assert "First Loop speaks TLS only" in said


def test_what_takes_too_long_to_come_is_given_up(record: Path) -> None:
    """The same clocks, set to run out soon, in a server without TLS."""
    script = (
        "import sys; from firstloop.cli import main, reception; "
        "reception.HEAD_S, reception.BODY_S = 0.4, 0.8; sys.exit(main(sys.argv[1:]))"
    )
    with served(record, by=(sys.executable, "-c", script)) as free:
        for begun in BEGUN.values():
            with socket.create_connection(("127.0.0.1", free), timeout=20) as line:
                line.sendall(begun or b"")
                assert line.recv(1) == b""
        with urllib.request.urlopen(f"http://127.0.0.1:{free}/api/session", timeout=20) as answer:
            assert answer.status == 200


def test_only_with_a_certificate_of_the_schools_own_browsers_are_held_to_tls(
    record: Path, tmp_path: Path
) -> None:
    given = certificate_for(["127.0.0.1"], tmp_path / "own", datetime.now(UTC))
    own = ("--cert", str(given.certificate), "--key", str(given.key))
    for more, held in (((), False), (own, True)):
        with served(record, "--host", "0.0.0.0", *more) as free:
            url = f"https://127.0.0.1:{free}/api/session"
            with urllib.request.urlopen(url, context=TRUSTING_ALL, timeout=20) as answer:
                assert ("Strict-Transport-Security" in answer.headers) is held
