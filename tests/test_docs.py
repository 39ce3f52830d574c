"""Words and code in step: what the documents list is what the program has."""

import re
from pathlib import Path

import pytest

from firstloop.core.checking.findings import DIMENSION_OF, Code
from firstloop.core.checking.wording import NOTES, SAYINGS
from firstloop.core.letterforms import HANDS
from firstloop.core.limits import LIMITS
from firstloop.core.ruling import Ruling
from firstloop.formats import svg

DOCS = Path(__file__).parents[1] / "docs"
ROW = re.compile(r"^\| `(\w+)` \| (\w+) \| .* \| ([\d.]+) \| ([\d.]+) \|$", re.MULTILINE)


def test_every_code_has_a_dimension_limits_and_words():
    assert set(Code) == set(DIMENSION_OF) == set(LIMITS) == set(NOTES) == set(SAYINGS)


def test_the_table_of_findings_is_the_codes_own():
    rows = ROW.findall((DOCS / "checking.md").read_text())
    listed = {
        code: (dimension, float(nearly), float(not_yet))
        for code, dimension, nearly, not_yet in rows
    }
    assert listed == {
        code.value: (DIMENSION_OF[code].value, LIMITS[code].nearly, LIMITS[code].not_yet)
        for code in Code
    }


def test_the_limits_are_reasoned_and_in_order():
    for limit in LIMITS.values():
        assert limit.reason
        assert limit.nearly <= limit.not_yet


def test_every_screenshot_is_in_the_readme():
    readme = (DOCS.parent / "README.md").read_text()
    shots = sorted(path.name for path in (DOCS / "screenshots").glob("*.png"))
    assert shots
    assert [name for name in shots if f"docs/screenshots/{name}" not in readme] == []


@pytest.mark.parametrize("hand", HANDS.values(), ids=list(HANDS))
def test_the_contact_sheets_are_what_the_program_draws(hand):
    shown = (DOCS / "letterforms" / f"{hand.name}.svg").read_text(encoding="utf-8")
    assert shown == svg.contact_sheet(hand, Ruling())
