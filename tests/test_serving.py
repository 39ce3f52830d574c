"""Opened to the network: not without an account, and never without TLS."""

import io
import signal
import socket
import ssl
import subprocess
import sys
import threading
import urllib.error
import urllib.request
from contextlib import closing, suppress
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest
import uvicorn
from cryptography import x509
from scripts.served import COMMAND, free_port

from firstloop.cli import main
from firstloop.cli.reception import Server
from firstloop.cli.serving import Interrupts
from firstloop.services.accounts import begin
from firstloop.services.certificates import SERVER_LASTS, certificate_for
from firstloop.store.database import Database

NOW = datetime(2026, 9, 7, tzinfo=UTC)


@pytest.fixture
def record(database: Database) -> Path:
    begin(database, "Ms Reed", "a hen on a wall")
    return database.path


def test_what_is_slow_to_load_is_loaded_when_it_is_used() -> None:
    slow = {"numba", "scipy", "cv2", "reportlab", "cryptography", "fontTools", "shapely", "alembic"}
    asked = "import sys, firstloop.api.app; print(*sys.modules)"
    loaded = subprocess.run([sys.executable, "-c", asked], check=True, capture_output=True)
    assert not slow & set(loaded.stdout.decode().split())


def test_without_an_account_it_is_not_opened_to_the_network(
    database: Database, capsys: pytest.CaptureFixture[str]
) -> None:
    told = ["serve", "--db", str(database.path), "--host", "0.0.0.0", "--port", str(free_port())]
    assert main(told) == 1
    assert "there is no account yet" in capsys.readouterr().err


def test_ctrl_c_ends_it_without_a_word(database: Database) -> None:
    told: list[str | Path] = [COMMAND, "serve", "--db", database.path, "--port", str(free_port())]
    pipe = subprocess.PIPE
    with subprocess.Popen(told, stdout=pipe, stderr=pipe, text=True) as served:
        assert served.stdout is not None
        try:
            assert "Ctrl+C ends it" in served.stdout.readline()
            served.send_signal(signal.SIGINT)
            _, complaints = served.communicate(timeout=30)
        finally:
            served.kill()
    assert (served.returncode, complaints) == (0, "")


def test_ctrl_c_that_python_lets_go_ends_it_once_it_has_begun() -> None:
    ended = threading.Event()
    listening = socket.create_server(("127.0.0.1", 0))
    with closing(listening), Interrupts() as interrupts:
        with suppress(KeyboardInterrupt):  # as in a callback whose faults are let go
            signal.raise_signal(signal.SIGINT)
        config = uvicorn.Config(asked_for_nothing, log_level="critical", lifespan="off")
        server = Server(config, ended.set, None, lambda: interrupts.came)
        too_late = threading.Timer(10, setattr, (server, "should_exit", True))
        too_late.start()
        with pytest.raises(KeyboardInterrupt):
            server.run(sockets=[listening])
        assert too_late.is_alive()
        too_late.cancel()
    assert ended.is_set()


async def asked_for_nothing(_scope: object, _receive: object, _send: object) -> None:
    raise AssertionError("nobody asks")


@pytest.mark.parametrize(
    ("given", "words"),
    [(["--cert", "a.pem"], "belong together"), (["--cert", "a.pem", "--key", "b.pem"], "no file")],
)
def test_a_certificate_without_its_key_is_said_so(
    record: Path, capsys: pytest.CaptureFixture[str], given: list[str], words: str
) -> None:
    told = ["serve", "--db", str(record), "--host", "0.0.0.0", "--port", str(free_port()), *given]
    assert main(told) == 1
    assert words in capsys.readouterr().err


def test_to_the_network_it_is_served_over_tls_that_a_device_can_trust(record: Path) -> None:
    port = free_port()
    server = subprocess.Popen(
        [COMMAND, "serve", "--db", record, "--host", "0.0.0.0", "--port", str(port)],
        stdout=subprocess.PIPE,
        text=True,
    )
    try:
        assert server.stdout is not None
        assert "https://" in server.stdout.readline()
        authority = record.parent / "record-tls" / "authority.pem"
        trusting = ssl.create_default_context(cafile=str(authority))
        url = f"https://127.0.0.1:{port}/api/session"
        with urllib.request.urlopen(url, context=trusting, timeout=20) as answer:
            assert b'"out"' in answer.read()
        with pytest.raises(urllib.error.URLError, match="certificate"):
            urllib.request.urlopen(url, context=ssl.create_default_context(), timeout=20)
    finally:
        server.terminate()
        server.communicate()


def names_of(path: Path) -> list[str]:
    made = x509.load_pem_x509_certificate(path.read_bytes())
    said = made.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    return [str(one.value) for one in said]


def test_a_certificate_is_made_once_and_again_when_it_is_needed(tmp_path: Path) -> None:
    folder = tmp_path / "tls"
    first = certificate_for(["school-pc", "192.168.1.7"], folder, NOW)
    assert first.authority is not None
    assert names_of(first.certificate) == ["192.168.1.7", "school-pc"]
    assert first.key.stat().st_mode & 0o077 == 0
    assert (folder / "authority.key").stat().st_mode & 0o077 == 0
    kept, authority = first.certificate.read_bytes(), first.authority.read_bytes()
    certificate_for(["192.168.1.7", "school-pc"], folder, NOW + timedelta(days=200))
    assert first.certificate.read_bytes() == kept
    certificate_for(["school-pc"], folder, NOW)
    assert names_of(first.certificate) == ["school-pc"]
    renewed = first.certificate.read_bytes()
    certificate_for(["school-pc"], folder, NOW + SERVER_LASTS - timedelta(days=20))
    assert first.certificate.read_bytes() != renewed
    assert first.authority.read_bytes() == authority


def test_who_sits_at_the_machine_sets_a_password_anew(
    record: Path, capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("sys.stdin", io.StringIO("two hens on a wall\n"))
    assert main(["teachers", "--db", str(record), "--reset", "ms reed"]) == 0
    assert main(["teachers", "--db", str(record)]) == 0
    assert "Ms Reed: no class" in capsys.readouterr().out
    assert main(["teachers", "--db", str(record), "--remove", "Ms Reed"]) == 0
    assert main(["teachers", "--db", str(record), "--remove", "Ms Reed"]) == 1
    assert "no account of Ms Reed" in capsys.readouterr().err
