"""Where numba is not installed the loops run as they stand: slower, and with the same answers."""

import json
import subprocess
import sys
from pathlib import Path

import pytest

from firstloop.core.letters import HANDS
from tests.conftest import INKS
from tests.sampling import every

WITHOUT = "import sys; sys.modules['numba'] = None\n"
CHECK = "from firstloop.cli import main; raise SystemExit(main(sys.argv[1:]))"
WRITTEN = """
import json, numpy as np
from firstloop.core.checking.texts.check import check_text
from firstloop.core.evidence.pupils import draw_pupil
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.evidence.text_pupils import write_text
from firstloop.core.letters import HANDS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.formats.result_json import as_json
rng = np.random.default_rng(31)
for hand in HANDS.values():
    for word in sys.argv[1:]:
        ink = write_text(word, hand, Ruling(), draw_pupil(rng), rng)
        task, style = Task(word, Kind.WORD), Style(hand.name)
        print(json.dumps(as_json(check_text(ink, task, style, Ruling()))))
"""


def said(program: str, *arguments: str | Path) -> list[object]:
    command: list[str | Path] = [sys.executable, "-c", program, *arguments]
    done = subprocess.run(command, capture_output=True, text=True, check=True)
    return [json.loads(line) for line in done.stdout.splitlines()]


@pytest.mark.measuring
def test_letters_and_words_are_judged_the_same_without_numba() -> None:
    inks = every(4, sorted(INKS.glob("*.inkml")))
    check: list[str | Path] = ["check", "--json", "--workers", "1", *inks]
    letters = said("import sys\n" + CHECK, *check)
    assert len(letters) == len(inks) > 10
    assert said(WITHOUT + CHECK, *check) == letters
    asked = every(3, ["fig", "quay", "lucky", "moth"])
    words = said("import sys\n" + WRITTEN, *asked)
    assert len(words) == len(HANDS) * len(asked)
    assert said(WITHOUT + WRITTEN, *asked) == words
