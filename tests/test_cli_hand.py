"""`firstloop hand`, and `--hand HAND.json` where a hand is asked for, as its contract has them."""

import json
from collections.abc import Sequence
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from fontTools.ttLib import TTFont

from firstloop.cli import main
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import Pupil, write
from firstloop.core.letters import PLAIN
from firstloop.core.letters.moves import Script, parse
from firstloop.core.letters.ruling import Ruling
from firstloop.formats import inkml
from firstloop.formats.packages import read_hand

K = parse("k", "0,top; drop 0,base // .55,mid; slope .05,.45; wheel@20 .5,.2,S .2,base,W")

F = parse(
    "f",
    ".7,1.7; round@120 .45,top,W .2,1.5,S; drop .2,-.6; hook 0,drop,W -.2,-.7,130 // "
    "0,mid; cross .5,mid",
)


def ink_of(script: Script, seed: int) -> Ink:
    pupil = Pupil(sway=0.015, tremor=0.003)
    return write(script, PLAIN, Ruling(), pupil, np.random.default_rng(seed))


@pytest.fixture
def inks(tmp_path: Path) -> Path:
    folder = tmp_path / "ink"
    folder.mkdir()
    for letter in "aehlnotTHE":
        file = inkml.InkFile(ink_of(PLAIN.scripts[letter], 2), Ruling(), target=letter)
        (folder / f"{letter}_{letter.islower():d}.inkml").write_bytes(inkml.write(file))
    for script, seed in ((script, seed) for script in (F, K) for seed in range(3)):
        file = inkml.InkFile(ink_of(script, seed), Ruling(), target=script.letter)
        (folder / f"{script.letter}{seed}.inkml").write_bytes(inkml.write(file))
    return folder


def learnt(
    capsys: pytest.CaptureFixture[str], arguments: Sequence[object]
) -> tuple[int, dict[str, Any], str]:
    status = main(["hand", "learn", *map(str, arguments), "--name", "Ours", "--json"])
    out, err = capsys.readouterr()
    return status, {one["letter"]: one for one in map(json.loads, out.splitlines())}, err


def test_one_object_a_letter(
    capsys: pytest.CaptureFixture[str], inks: Path, tmp_path: Path
) -> None:
    hand = tmp_path / "hand.json"
    status, letters, _ = learnt(capsys, [inks, "--out", hand])
    assert status == 0
    assert list(letters["k"]) == [
        "letter", "samples", "left_out", "form", "strokes", "off_mean_u", "off_max_u", "phrase",
        "problems",
    ]  # fmt: skip
    assert (letters["k"]["samples"], letters["k"]["left_out"], letters["k"]["form"]) == (
        3,
        0,
        "own",
    )
    assert letters["n"]["form"] == "base"
    assert letters["k"]["off_mean_u"] < 0.05
    assert letters["k"]["phrase"][0] == "at the top line: straight down"
    own = read_hand(hand.read_bytes())
    assert own.name == "Ours"
    assert own.scripts["z"] == PLAIN.scripts["z"]


def test_what_cannot_be_read_is_named_and_the_rest_counts(
    capsys: pytest.CaptureFixture[str], inks: Path, tmp_path: Path
) -> None:
    (inks / "broken.inkml").write_bytes(b"n, I hope")
    nameless = inkml.InkFile(ink_of(K, 1), Ruling())
    (inks / "nameless.inkml").write_bytes(inkml.write(nameless))
    (inks / "other.inkml").write_bytes(inkml.write(inkml.InkFile(ink_of(K, 1), Ruling(), "ß")))
    status, letters, err = learnt(capsys, [inks, "--out", tmp_path / "hand.json"])
    assert status == 1
    assert letters["k"]["samples"] == 3
    for file, why in (("broken", "not XML"), ("nameless", "which letter"), ("other", "no letter")):
        line = next(line for line in err.splitlines() if file in line)
        assert why in line


def test_a_bad_sample_is_named_by_its_file(
    capsys: pytest.CaptureFixture[str], inks: Path, tmp_path: Path
) -> None:
    wrong = inkml.InkFile(ink_of(PLAIN.scripts["m"], 4), Ruling(), target="k")
    (inks / "k9.inkml").write_bytes(inkml.write(wrong))
    status, letters, _ = learnt(capsys, [inks, "--out", tmp_path / "hand.json"])
    assert status == 0
    (problem,) = letters["k"]["problems"]
    assert (problem["code"], problem["file"]) == ("another_letter", "k9.inkml")
    assert "k" in problem["say"]


@pytest.mark.parametrize(
    ("name", "words"), [("plain", "built in"), ("", "1 to 40"), ("a\x07b", "plain characters")]
)
def test_a_name_that_no_hand_can_have_is_refused(
    capsys: pytest.CaptureFixture[str], inks: Path, tmp_path: Path, name: str, words: str
) -> None:
    out = tmp_path / "hand.json"
    assert main(["hand", "learn", str(inks), "--name", name, "--out", str(out)]) == 1
    assert words in capsys.readouterr().err
    assert not out.exists()


@pytest.fixture
def own(capsys: pytest.CaptureFixture[str], inks: Path, tmp_path: Path) -> Path:
    learnt(capsys, [inks, "--out", tmp_path / "hand.json"])
    return tmp_path / "hand.json"


def test_a_letter_of_ones_own_is_checked_by_ones_own_hand(
    capsys: pytest.CaptureFixture[str], inks: Path, own: Path
) -> None:
    def findings(*hand: str) -> list[str]:
        main(["check", str(inks / "f0.inkml"), "--json", *hand])
        answer = json.loads(capsys.readouterr().out)
        return [one["code"] for one in answer["findings"] if one["severity"] == "not_yet"]

    assert findings("--hand", str(own)) == []
    assert findings() != []


def test_it_is_drawn_in_ones_own_hand(tmp_path: Path, own: Path) -> None:
    for hand, name in ((str(own), "own.svg"), ("plain", "plain.svg")):
        assert main(["draw", "k", "--hand", hand, "--out", str(tmp_path / name)]) == 0
    mine, plain = ((tmp_path / name).read_text() for name in ("own.svg", "plain.svg"))
    assert mine != plain
    assert mine.count('class="pen"') == 3
    sheet = tmp_path / "letters.svg"
    assert main(["letters", "--hand", str(own), "--out", str(sheet)]) == 0
    assert "Ours" in sheet.read_text()


def test_a_hand_that_is_no_file_is_told(capsys: pytest.CaptureFixture[str], tmp_path: Path) -> None:
    missing = str(tmp_path / "none.json")
    assert main(["draw", "k", "--hand", missing, "--out", str(tmp_path / "k.svg")]) == 1
    assert "cannot be read" in capsys.readouterr().err


def test_ones_own_hand_as_a_font(tmp_path: Path, own: Path) -> None:
    out = tmp_path / "ours.otf"
    assert main(["hand", "font", str(own), "--out", str(out), "--family", "Heron class"]) == 0
    assert TTFont(out)["name"].getDebugName(1) == "Heron class"


def test_a_pen_that_draws_no_letters_is_refused(
    capsys: pytest.CaptureFixture[str], tmp_path: Path
) -> None:
    out = tmp_path / "thick.otf"
    assert main(["hand", "font", "plain", "--out", str(out), "--pen", "3"]) == 1
    assert "0.4" in capsys.readouterr().err
    assert not out.exists()
