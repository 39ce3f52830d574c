"""A class at its pads, at the real server: nothing lost, nothing doubled, the teacher told as it
comes, whether the server is killed meanwhile or the network goes."""

import re
import shutil
import threading
import time
from collections import Counter
from collections.abc import Iterator
from pathlib import Path

import pytest
from scripts.listening import Listener
from scripts.pad_class import kept, make_class, opened
from scripts.served import Application, free_port

from firstloop.cli import main
from firstloop.demo.pad_client import PadClient
from firstloop.demo.playing import Play, play
from firstloop.formats.ink_json import strokes_of
from tests import letters

CHILDREN = ("Ada", "Bo", "Cem", "Dia", "Eli", "Fay")


@pytest.fixture
def record(tmp_path: Path, empty_record: Path) -> Path:
    path = tmp_path / "record.db"
    shutil.copy(empty_record, path)
    make_class(path, CHILDREN)
    return path


@pytest.fixture
def application(record: Path) -> Iterator[Application]:
    running = Application(record, free_port())
    running.start()
    yield running
    running.stop()


def test_killed_twice_nothing_is_lost_or_doubled_and_the_teacher_misses_nothing(
    application: Application, record: Path
) -> None:
    how = Play(count=len(CHILDREN), seconds=12.0, every_s=0.5, gaps=0.1, repeats=0.2)
    code = opened(application.address)

    def killed_and_back_twice() -> None:
        for _ in range(2):  # each time in the midst of their writing
            before = len(teacher.of("attempt"))
            while len(teacher.of("attempt")) < before + len(CHILDREN):
                threading.Event().wait(0.05)
            application.kill()
            application.start()

    killer = threading.Thread(target=killed_and_back_twice)
    with Listener(application.port) as teacher:
        killer.start()
        played = play(application.address, code, how)
        killer.join()
        until = time.monotonic() + 10
        while len(teacher.of("attempt")) < len(played.stored) and time.monotonic() < until:
            threading.Event().wait(0.1)
        told = Counter(one.data["id"] for one in teacher.of("attempt"))
    assert (played.left, played.refused) == (0, [])
    assert len(played.stored) > 40
    assert kept(record) == Counter(list(played.stored))
    assert told == Counter(list(played.stored))
    assert played.statuses[200] > 0  # some came twice


def test_the_teacher_is_told_within_a_second_and_the_server_ends_while_she_listens(
    application: Application,
) -> None:
    pad = PadClient(application.address)
    pad.ask("POST", "/api/pad/join", {"code": opened(application.address)})
    with Listener(application.port) as teacher:
        began = time.monotonic()
        pad.ask("POST", "/api/pad/pupil", {"pupil": 1})
        while not teacher.of("pad") and time.monotonic() < began + 5:
            threading.Event().wait(0.01)
        (told,) = teacher.of("pad")
        assert told.at - began < 1.0
        assert told.data["pupil"]["name"] == "Ada"
        pad.drop()
        ends = time.monotonic()
        application.stop()
        assert time.monotonic() - ends < 4


def test_the_command_plays_a_class(
    application: Application, record: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    asked = ["pads", "--url", application.address, "--count", "3", "--minutes", "0.05"]
    assert main([*asked, "--every", "0.5"]) == 0
    said = capsys.readouterr().out
    count = re.search(r"(\d+) handed in", said)
    assert count is not None
    assert int(count[1]) == len(kept(record)) > 0
    assert main([*asked, "--code", "owl owl"]) == 1
    assert main([*asked, "--count", "7"]) == 1
    assert "no tile left for pad 7" in capsys.readouterr().err
    nobody = [*asked[:1], "--url", f"http://127.0.0.1:{free_port()}"]
    assert main(nobody) == 1
    assert "is First Loop running?" in capsys.readouterr().err


def test_the_command_plays_a_colleague_who_judges_what_waits_for_her_once(
    application: Application, capsys: pytest.CaptureFixture[str]
) -> None:
    asked = ["colleague", "--url", application.address, "--otherwise", "0.3"]
    assert main(asked) == 0
    assert "no set waits" in capsys.readouterr().out
    teacher = PadClient(application.address)
    for at in range(24):
        n = strokes_of(letters.good_n() if at % 2 else letters.n_from_the_base_line())
        sent = {"pupil_id": 1 + at % 3, "letter": "n", "help": "copy", "strokes": n}
        assert teacher.ask("POST", "/api/write/attempts", sent)[0] == 201
    (reader,) = teacher.ask("GET", "/api/check/sets")[1]["readers"]
    wanted = {"name": "Autumn", "size": 20, "readers": [reader["id"]]}
    status, made = teacher.ask("POST", "/api/check/sets", wanted)
    teacher.drop()
    assert status == 201, made
    assert main(asked) == 0
    assert capsys.readouterr().out == "Autumn: 20 letters judged\n"
    _, judged = teacher.ask("GET", f"/api/blind/sets/{made['id']}")
    directions = Counter(one["said"]["direction"] for one in judged)
    assert min(directions["secure"], directions["not_yet"]) >= 6  # half begins at the base line
    good = [one["said"] for one in judged if one["said"]["direction"] == "secure"]
    assert any(
        "nearly" in (said["size"], said["shape"]) for said in good
    )  # what she sees otherwise
    assert all(one["said"]["codes"][:1] in ([], ["start_place"]) for one in judged)
    assert main(asked) == 0
    assert capsys.readouterr().out == "Autumn: 0 letters judged\n"
    teacher.drop()
