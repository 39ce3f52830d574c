"""Words and code in step: what the documents list is what the program has."""

import re
from pathlib import Path

import pytest
from scripts import limits

from firstloop.core.checking.say.catalogue import CATALOGUE, FindingKind
from firstloop.core.checking.texts.catalogue import TEXT_CATALOGUE, TextKind
from firstloop.core.contract import Code
from firstloop.core.letters import HANDS, Hand
from firstloop.core.letters.ruling import Ruling
from firstloop.formats import svg

DOCS = Path(__file__).parents[1] / "docs"
ROW = re.compile(r"^\| `(\w+)` \| (\w+) \| .* \| ([\d.]+) \| ([\d.]+) \|$", re.MULTILINE)


def test_every_code_has_its_record() -> None:
    assert [*CATALOGUE, *TEXT_CATALOGUE] == list(Code)


@pytest.mark.parametrize(
    ("document", "catalogue"), [("checking.md", CATALOGUE), ("words.md", TEXT_CATALOGUE)]
)
def test_the_table_of_findings_is_the_codes_own(
    document: str, catalogue: dict[Code, FindingKind] | dict[Code, TextKind]
) -> None:
    rows = ROW.findall((DOCS / document).read_text())
    listed = {
        code: (dimension, float(nearly), float(not_yet))
        for code, dimension, nearly, not_yet in rows
    }
    assert listed == {
        code.value: (kind.dimension.value, kind.limit.nearly, kind.limit.not_yet)
        for code, kind in catalogue.items()
    }


def test_the_limits_are_reasoned_and_in_order() -> None:
    letters, texts = CATALOGUE.values(), TEXT_CATALOGUE.values()
    for limit in [*(kind.limit for kind in letters), *(kind.limit for kind in texts)]:
        assert limit.reason
        assert limit.nearly <= limit.not_yet


def test_every_number_that_decides_is_in_its_page_with_unit_and_reason() -> None:
    found = limits.numbers()
    assert len(found) > 100
    assert [one.name for one in found if not (one.unit and one.reason and one.source)] == []
    assert limits.DOCUMENT.read_text(encoding="utf-8") == limits.document()


def test_every_screenshot_is_in_the_readme() -> None:
    readme = (DOCS.parent / "README.md").read_text()
    shots = sorted(path.name for path in (DOCS / "screenshots").glob("*.png"))
    assert shots
    assert [name for name in shots if f"docs/screenshots/{name}" not in readme] == []


@pytest.mark.parametrize("hand", HANDS.values(), ids=list(HANDS))
def test_the_specimen_sheets_are_what_the_program_draws(hand: Hand) -> None:
    shown = (DOCS / "letterforms" / f"{hand.name}.svg").read_text(encoding="utf-8")
    assert shown == svg.specimen_sheet(hand, Ruling())


def test_every_test_that_the_documents_name_is_there() -> None:
    named = {
        found
        for document in DOCS.glob("*.md")
        for found in re.findall(r"(tests/[\w/]+\.py)(?:::(\w+))?", document.read_text())
    }
    assert named
    root = DOCS.parent
    missing = [
        f"{file}::{name}"
        for file, name in sorted(named)
        if not (root / file).exists() or f"def {name}" not in (root / file).read_text()
    ]
    assert missing == []


def test_every_module_that_the_documents_name_is_there() -> None:
    root = DOCS.parent
    modules = [
        path for folder in ("src", "scripts", "tests") for path in root.glob(f"{folder}/**/*.py")
    ]
    there = ["/" + path.relative_to(root).as_posix() for path in modules]
    missing = [
        f"{document.name}: {named}"
        for document in DOCS.glob("*.md")
        for named in re.findall(r"`([\w/]+\.py)`", document.read_text())
        if not any(path.endswith(f"/{named}") for path in there)
    ]
    assert missing == []
