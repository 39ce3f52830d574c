"""The command line, as the check contract fixes it."""

import json
import os
import shutil
import socket
import sqlite3
import subprocess
import sys
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest

from firstloop.cli import main
from firstloop.core.letters.ruling import Ruling
from firstloop.formats import inkml
from firstloop.services import accounts
from firstloop.store import accounts as accounts_kept
from firstloop.store.database import Database
from tests.conftest import INKS
from tests.letters import good_n, ink, pen

FAULTY = {
    "a_empty.inkml": b"",
    "b_not_xml.inkml": b"n, I hope",
    "c_single_point.inkml": (
        b'<ink xmlns="http://www.w3.org/2003/InkML"><annotation type="target">n</annotation>'
        b'<annotationXML type="ruling"><line name="mid" y="1"/><line name="base" y="2"/>'
        b"</annotationXML><trace>1 1</trace></ink>"
    ),
}


@pytest.fixture
def folder(tmp_path: Path) -> Any:
    (tmp_path / "below").mkdir()
    shutil.copy(INKS / "s0027.inkml", tmp_path / "below" / "n.inkml")
    shutil.copy(INKS / "s0001.inkml", tmp_path / "z_r.inkml")
    for name, data in FAULTY.items():
        (tmp_path / name).write_bytes(data)
    return tmp_path


def run(capsys: pytest.CaptureFixture[str], *arguments: object) -> tuple[int, list[dict[str, Any]]]:
    status = main(["check", "--json", *map(str, arguments)])
    return status, [json.loads(line) for line in capsys.readouterr().out.splitlines()]


def test_one_object_a_line_in_the_words_of_the_contract(capsys: pytest.CaptureFixture[str]) -> None:
    status, (answer,) = run(capsys, INKS / "s0027.inkml")
    assert status == 0
    assert list(answer) == [
        "file", "target", "kind", "hand", "reads_as", "verdict", "findings", "say", "checker",
    ]  # fmt: skip
    assert answer["verdict"] == {"direction": "not_yet", "size": "secure", "shape": "secure"}
    (finding,) = answer["findings"]
    assert list(finding) == [
        "code", "dimension", "severity", "stroke", "move",
        "measure", "limit", "unit", "note", "say",
    ]  # fmt: skip
    assert finding["code"] == "start_place"
    assert answer["say"] == finding["say"]


def test_a_folder_is_read_by_name_and_bad_files_stop_nothing(
    capsys: pytest.CaptureFixture[str], folder: Path
) -> None:
    status, answers = run(capsys, folder)
    assert status == 1
    errors: dict[str, Any] = {answer["file"]: answer.get("error") for answer in answers}
    empty, not_xml, single = FAULTY
    assert list(errors) == [empty, not_xml, "n.inkml", single, "z_r.inkml"]  # "below" sorts third
    assert "is empty" in errors[empty]
    assert "not XML" in errors[not_xml]
    assert "single point" in errors[single]
    assert errors["n.inkml"] is errors["z_r.inkml"] is None


def test_the_options_override_the_file(capsys: pytest.CaptureFixture[str]) -> None:
    _, (answer,) = run(capsys, INKS / "s0033.inkml", "--letter", "m", "--handedness", "left")
    assert answer["target"] == "m"
    assert answer["findings"][0]["code"] == "missing_part"


def test_a_hand_or_file_that_is_not_there_is_an_error_of_that_file(
    capsys: pytest.CaptureFixture[str], tmp_path: Path
) -> None:
    status, (missing,) = run(capsys, tmp_path / "gone.inkml")
    assert (status, missing["error"]) == (1, "cannot be read: No such file or directory")
    _, (unknown,) = run(capsys, INKS / "s0001.inkml", "--hand", "quill")
    assert 'no hand "quill"' in unknown["error"]


def test_without_json_a_line_is_for_people(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["check", str(INKS / "s0027.inkml")]) == 0
    assert capsys.readouterr().out.startswith("s0027.inkml: Start at the mid line")


def test_the_demo_is_made_once_and_then_left_alone(
    capsys: pytest.CaptureFixture[str], tmp_path: Path
) -> None:
    database = str(tmp_path / "demo.db")
    assert main(["demo", "--db", database]) == 0
    assert "Heron class" in capsys.readouterr().out
    assert main(["demo", "--db", database]) == 0
    assert "nothing was changed" in capsys.readouterr().out


def test_a_port_that_is_taken_is_said_so(
    capsys: pytest.CaptureFixture[str], tmp_path: Path
) -> None:
    with socket.create_server(("127.0.0.1", 0)) as taken:
        port = str(taken.getsockname()[1])
        assert main(["serve", "--db", str(tmp_path / "none.db"), "--port", port]) == 1
    assert "choose another with --port" in capsys.readouterr().err


@pytest.mark.parametrize(("name", "head"), [("s.svg", b"<svg xmlns="), ("s.png", b"\x89PNG")])
def test_a_hand_is_drawn_on_one_sheet(
    capsys: pytest.CaptureFixture[str], tmp_path: Path, name: str, head: bytes
) -> None:
    assert main(["letters", "--hand", "looped", "--out", str(tmp_path / name)]) == 0
    assert (tmp_path / name).read_bytes().startswith(head)


def test_a_sheet_of_another_kind_of_file_is_refused(
    capsys: pytest.CaptureFixture[str], tmp_path: Path
) -> None:
    assert main(["letters", "--out", str(tmp_path / "s.doc")]) == 1
    assert "neither .svg nor .png" in capsys.readouterr().err


def test_a_word_is_drawn_as_an_animated_file(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    out = tmp_path / "mouse.svg"
    assert main(["draw", "mouse", "--hand", "joined", "--animated", "--out", str(out)]) == 0
    assert out.read_text(encoding="utf-8").count("@keyframes") > 10
    assert main(["draw", "mouse", "--out", str(tmp_path / "mouse.doc")]) == 1
    assert "is not .svg" in capsys.readouterr().err


def test_old_ink_is_checked_again(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["recheck", "--db", str(tmp_path / "none.db")]) == 1
    assert "there is no record" in capsys.readouterr().err
    record = str(tmp_path / "record.db")
    assert main(["demo", "--db", record]) == 0
    with sqlite3.connect(record) as opened:
        opened.execute("UPDATE attempt SET checker = '0', size = 'nearly' WHERE letter = 'r'")
    capsys.readouterr()
    assert main(["recheck", "--db", record]) == 0
    said = capsys.readouterr().out
    assert "letters checked again; 0 stand as they stood." in said
    assert "r, size: nearly is now secure" in said
    assert main(["recheck", "--db", record]) == 0
    assert "0 letters checked again" in capsys.readouterr().out


def test_a_file_whose_name_is_no_text_is_answered_like_any_other(tmp_path: Path) -> None:
    data = inkml.write(inkml.InkFile(good_n(), Ruling(), target="n"))
    for name in (b"a.inkml", b"m_\xff\xfe.inkml"):
        (Path(os.fsdecode(os.fsencode(tmp_path) + b"/" + name))).write_bytes(data)
    strict = {**os.environ, "PYTHONIOENCODING": "utf-8:strict"}
    installed = Path(sys.executable).with_name("firstloop")
    command: list[str | Path] = [installed, "check", tmp_path, "--json"]
    done = subprocess.run(command, env=strict, capture_output=True, check=True)
    answers = [json.loads(line) for line in done.stdout.decode("utf-8").splitlines()]
    assert [one["file"] for one in answers] == ["a.inkml", r"m_\xff\xfe.inkml"]
    assert {one["reads_as"] for one in answers} == {"n"}


def test_a_left_handed_child_may_pull_a_bar_from_the_right(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    """The same file says which hand it was written with, or the caller does."""
    stem, bar = pen((0.25, 1.5), (0.25, 0.0)), pen((0.5, 1.0), (0.0, 1.0))
    path = tmp_path / "t.inkml"
    path.write_bytes(inkml.write(inkml.InkFile(ink(stem, bar), Ruling(), target="t")))
    codes = {
        hand: [f["code"] for f in run(capsys, path, "--handedness", hand)[1][0]["findings"]]
        for hand in ("left", "right")
    }
    assert codes == {"left": [], "right": ["stroke_direction"]}


def test_of_a_teacher_who_was_removed_no_trace_stays_while_it_is_served(tmp_path: Path) -> None:
    record = tmp_path / "record.db"
    with closing(Database(record)) as served:
        served.keep()
        accounts.begin(served, "Ms Reed", "a hen on a wall")
        accounts.add(served, "Xanthippe Quill", "two hens on a wall")
        assert main(["teachers", "--db", str(record), "--remove", "Xanthippe Quill"]) == 0
        for file in (record, record.with_name("record.db-wal")):
            assert b"Xanthippe" not in file.read_bytes()
        with served.session() as session:
            assert [one.name for one in accounts_kept.all_claimed(session)] == ["Ms Reed"]


ATTEMPT = {
    "pupil": 3,
    "letter": "n",
    "at": "2026-01-12T09:14:00",
    "source": "pen",
    "help": "recall",
    "verdict": {"direction": "secure", "size": "secure", "shape": "secure"},
}


def estimated(capsys: pytest.CaptureFixture[str], *arguments: object) -> tuple[int, str, str]:
    status = main(["estimate", *map(str, arguments)])
    said = capsys.readouterr()
    return status, said.out, said.err


def test_estimates_are_a_line_each_and_a_faulty_line_is_told_by_its_number(
    capsys: pytest.CaptureFixture[str], tmp_path: Path
) -> None:
    file = tmp_path / "evidence.jsonl"
    file.write_text(f"{json.dumps(ATTEMPT)}\nno line\n{json.dumps(ATTEMPT)}\n")
    status, out, err = estimated(capsys, file, "--json")
    assert status == 1
    assert "line 2:" in err
    found = [json.loads(line) for line in out.splitlines()]
    assert {line["rests_on"] for line in found if "letter" in line} == {2}
    assert {line["dimension"] for line in found} == {"direction", "size", "shape"}


def test_estimates_on_a_day_and_by_any_number_of_workers(
    capsys: pytest.CaptureFixture[str], tmp_path: Path
) -> None:
    file = tmp_path / "evidence.jsonl"
    later = [ATTEMPT | {"at": f"2026-02-{day:02}T09:00:00"} for day in range(1, 20)]
    rows = [row | {"pupil": pupil} for pupil in range(20) for row in [ATTEMPT, *later]]
    file.write_text("".join(json.dumps(row) + "\n" for row in rows))
    alone, shared = (estimated(capsys, file, "--json", "--workers", n) for n in (1, 2))
    assert alone == shared
    assert alone[0] == 0
    _, before, _ = estimated(capsys, file, "--json", "--at", "2026-02-01T00:00:00")
    assert json.loads(before.splitlines()[0])["rests_on"] == 1
    status, out, _ = estimated(capsys, file)
    assert status == 0
    assert "0: n, direction: secure" in out


@pytest.mark.parametrize(
    ("arguments", "what"),
    [(["nowhere.jsonl"], "cannot be read"), (["-", "--at", "soon"], '"soon" is no moment')],
)
def test_what_keeps_estimates_from_being_made_is_said(
    capsys: pytest.CaptureFixture[str], arguments: list[str], what: str
) -> None:
    status, out, err = estimated(capsys, *arguments)
    assert (status, out) == (1, "")
    assert what in err


def test_a_class_goes_from_one_record_to_another(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    old, new = str(tmp_path / "old.db"), str(tmp_path / "new.db")
    file, child = str(tmp_path / "class.zip"), str(tmp_path / "child.zip")
    assert main(["demo", "--db", old]) == 0
    assert main(["export", file, "--db", old]) == 0
    assert "Heron class, Millbrook Lane with" in capsys.readouterr().out
    assert main(["export", file, "--db", old]) == 1
    assert "name another" in capsys.readouterr().err
    assert main(["import", file, "--db", new]) == 0
    assert main(["import", file, "--db", new]) == 1
    assert "name this one otherwise" in capsys.readouterr().err
    assert main(["import", file, "--db", new, "--name", "Kestrels"]) == 0
    assert "Kestrels with 12 children" in capsys.readouterr().out
    assert main(["export", child, "--db", new]) == 1
    assert "name the class with --class" in capsys.readouterr().err
    kestrels = ["--db", new, "--class", "kestrels"]
    assert main(["export", child, *kestrels, "--child", "Nobody"]) == 1
    assert "there is no child called Nobody" in capsys.readouterr().err
    assert main(["export", child, *kestrels, "--child", "luc"]) == 0
    assert main(["import", child, *kestrels, "--name", "Luc B."]) == 0
    assert "Luc B. is in" in capsys.readouterr().out


def test_a_sheet_is_made_with_its_cells_and_a_fault_is_one_line(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    spec, out, cells = (tmp_path / name for name in ("spec.json", "sheet.pdf", "cells.json"))
    spec.write_text('{"rows": [{"text": "m", "mode": "trace"}], "pupils": [7]}', encoding="utf-8")
    arguments = ["sheet", str(spec), "--out", str(out), "--cells", str(cells)]
    assert main([*arguments, "--svg", str(tmp_path / "pages")]) == 0
    told = json.loads(cells.read_bytes())
    assert out.read_bytes().startswith(b"%PDF")
    assert [page["pupil"] for page in told["pages"]] == [7]
    assert [one.name for one in (tmp_path / "pages").iterdir()] == [f"{told['sheet']}-01.svg"]
    spec.write_text('{"rows": [{"text": "m", "mode": "copied"}]}', encoding="utf-8")
    capsys.readouterr()
    assert main(arguments) == 1
    assert capsys.readouterr().err.count("\n") == 1
    assert main(["sheet", str(tmp_path / "none.json"), "--out", str(out)]) == 1
    assert "cannot be read" in capsys.readouterr().err
