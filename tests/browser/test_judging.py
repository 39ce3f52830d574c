"""A class's letters judged by keyboard: thirty with seven wrong verdicts, many at once, undone."""

import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect
from scripts.served import InProcess
from sqlalchemy import text

from firstloop.core.contract import Dimension, Verdict
from firstloop.core.evidence.task import Handedness, Help
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.services.classes import begin
from firstloop.services.handing_in import hand_in
from firstloop.store import accounts, school
from firstloop.store.database import Database
from tests import letters
from tests.browser.conftest import opened
from tests.table import NOON, attempts_of

NAMES = [f"{first}{second}" for first in ("An", "Be", "Ca", "Di", "Ed", "Fo") for second in "abcde"]
"""Thirty children, by name."""

BEGAN_LOW = {at for at in range(30) if at % 3 == 0}
"""Who really began at the base line."""

SEEN_WRONGLY = {1, 7, 13, 19}
"""Who began well, and the checker says not."""

NOT_SEEN = {6, 12, 21}
"""Who began at the base line, and the checker did not see it."""

FALSE_FINDING = """
INSERT INTO finding (attempt_id, position, code, severity, stroke, move, measure, "limit", unit,
                     note, say)
VALUES (:id, 0, 'start_place', 'not_yet', 0, 0, 1.0, 0.35, 'u', 'Started at the base line.',
        'Start at the mid line.')
"""


@pytest.fixture
def record(tmp_path: Path) -> Path:
    """A class of thirty, each with one n; of seven the checker's word is not true."""
    path = tmp_path / "class.db"
    database = Database(path)
    with database.writing() as session:
        school.set_demo(session)
        nobody = accounts.unclaimed(session)
    made = begin(
        database, nobody, "Reed class", style=Style("plain"), ruling=Ruling(), x_height_mm=8.0,
        children=[(name, Handedness.RIGHT) for name in NAMES],
    )  # fmt: skip
    by_name = {pupil.name: pupil.id for pupil in made.pupils}
    for at, name in enumerate(NAMES):
        ink = letters.n_from_the_base_line() if at in BEGAN_LOW else letters.good_n()
        hand_in(
            database, made, pupil_id=by_name[name], letter="n", help=Help.COPY, ink=ink,
            written_at=NOON,
        )  # fmt: skip
    with database.writing() as session:
        kept = {one.pupil.name: one.id for one in attempts_of(session, made.id)}
        for at in SEEN_WRONGLY:
            session.execute(text(FALSE_FINDING), {"id": kept[NAMES[at]]})
        for at in NOT_SEEN:
            session.execute(
                text("DELETE FROM finding WHERE attempt_id = :id"), {"id": kept[NAMES[at]]}
            )
        for at in SEEN_WRONGLY | NOT_SEEN:
            verdict = "not_yet" if at in SEEN_WRONGLY else "secure"
            session.execute(
                text("UPDATE attempt SET direction = :v WHERE id = :id"),
                {"v": verdict, "id": kept[NAMES[at]]},
            )
    database.close()
    return path


@pytest.fixture
def page(
    browser: Browser, server: InProcess, record: Path, complaints: list[str]
) -> Iterator[Page]:
    database = Database(record)
    with server.answering_from(database):
        yield from opened(browser, server.address, complaints)
    database.close()


class Hand:
    """A teacher at her keyboard, who counts what she presses."""

    def __init__(self, page: Page) -> None:
        self.page, self.presses = page, 0

    def press(self, *keys: str) -> None:
        for key in keys:
            self.page.keyboard.press(key)
            self.presses += 1

    def go_to(self, name: str) -> None:
        """Along the table until the child's letter is taken up."""
        while not self.taken_up().startswith(f"{name}:"):
            before = self.taken_up()
            self.press("ArrowRight")
            expect(self.page.get_by_role("heading", level=1)).not_to_have_text(before)

    def taken_up(self) -> str:
        heading = self.page.get_by_role("heading", level=1)
        expect(heading).to_be_visible()
        return heading.inner_text()


def judged(page: Page, count: int) -> None:
    expect(page.get_by_text(re.compile(rf"^{count} of 30 judged"))).to_be_visible()


def directions(record: Path) -> dict[str, Verdict]:
    """What counts of each child's n."""
    database = Database(record)
    with database.session() as session:
        (class_id,) = session.scalars(text("SELECT id FROM school_class")).all()
        rows = session.execute(text("SELECT id, name FROM pupil"))
        names: dict[int, str] = {row.id: row.name for row in rows}
        found = {
            names[one.attempt.pupil_id]: one.held[Dimension.DIRECTION]
            for one in attempts_of(session, class_id)
            if one.held[Dimension.DIRECTION] is not Verdict.UNSEEN
        }
    database.close()
    return found


def test_thirty_letters_with_seven_wrong_verdicts_in_under_seventy_presses(
    page: Page, record: Path
) -> None:
    hand = Hand(page)
    page.goto("/check/n")
    judged(page, 0)
    # Each pile holds what the checker holds to be alike: what is not is taken out.
    for at in sorted(SEEN_WRONGLY):
        hand.go_to(NAMES[at])
        hand.press("t")
    hand.press("g")
    judged(page, 10 - len(NOT_SEEN))
    for at in sorted(NOT_SEEN):
        hand.go_to(NAMES[at])
        hand.press("t")
    hand.press("g")
    judged(page, 23)
    # What was taken out waits, one after the other: not so; or not yet after all.
    for at in sorted(SEEN_WRONGLY):
        hand.go_to(NAMES[at])
        hand.press("x")
        expect(page.get_by_role("button", name="not so", pressed=True)).to_be_visible()
    hand.press("u")  # was the last one right? Looked at again, no.
    judged(page, 26)
    hand.press("x", "r")
    page.keyboard.type("Well begun. Keep it up.")
    hand.press("Enter")
    expect(page.get_by_role("heading", level=1)).not_to_have_text(f"{NAMES[19]}: n")
    for at in sorted(NOT_SEEN):
        hand.go_to(NAMES[at])
        hand.press("q", "q")
        expect(
            page.get_by_role("radiogroup", name="Direction").get_by_role("radio", name="not yet")
        ).to_be_checked()
    judged(page, 30)
    assert hand.presses < 70
    truth = {
        name: Verdict.NOT_YET if at in BEGAN_LOW else Verdict.SECURE
        for at, name in enumerate(NAMES)
    }
    found = directions(record)
    assert {name for name in NAMES if found[name] is not truth[name]} == set()
    page.reload()
    for name in (NAMES[19], NAMES[6], NAMES[0], NAMES[2]):
        shown = "not yet" if truth[name] is Verdict.NOT_YET else "secure"
        expect(
            page.get_by_role("button", name=re.compile(rf"n by {name}: direction {shown}"))
        ).to_be_attached()
    page.get_by_role("button", name=re.compile(f"n by {NAMES[19]}:")).click()
    expect(page.get_by_test_id("say")).to_have_text("“Well begun. Keep it up.”")


def test_what_is_nobodys_letter_leaves_the_table_and_the_record(page: Page, record: Path) -> None:
    page.goto("/check/n")
    hand = Hand(page)
    hand.go_to(NAMES[0])
    hand.press("s")
    judged(page, 1)
    page.get_by_role("radio", name="Set aside").click()
    expect(page.get_by_role("button", name=re.compile(f"n by {NAMES[0]}:"))).to_be_visible()
    assert NAMES[0] not in directions(record)


def test_a_letter_is_laid_beside_and_over_the_childs_first(page: Page) -> None:
    page.goto("/check/n")
    expect(page.get_by_role("button", name="Compare")).to_be_visible()
    page.keyboard.press("c")
    expect(page.get_by_text("There is no other n of this child yet.")).to_be_visible()


def test_two_thousand_letters_are_drawn_and_fetched_only_where_they_are_seen(
    page: Page, record: Path
) -> None:
    database = Database(record)
    with database.writing() as session:
        copied = "pupil_id, letter, kind, source, help, hand_id, stage, handedness, ruling_top, "
        copied += (
            "ruling_drop, written_at, day, reads_as, way, direction, size, shape, say, checker"
        )
        again = f"INSERT INTO attempt ({copied}) SELECT {copied} FROM attempt LIMIT 30"
        for _ in range(67):
            session.execute(text(again))
        session.execute(
            text(
                "INSERT INTO attempt_ink SELECT id, (SELECT strokes FROM attempt_ink LIMIT 1) "
                "FROM attempt WHERE id NOT IN (SELECT attempt_id FROM attempt_ink)"
            )
        )
    database.close()
    fetched: list[int] = []
    page.on(
        "request",
        lambda sent: fetched.append(sent.url.count("attempt=")) if "/things" in sent.url else None,
    )
    page.goto("/check/n")
    expect(page.get_by_text("0 of 2040 judged")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^n by")).first).to_be_visible()
    assert page.get_by_role("button", name=re.compile("^n by")).count() < 80
    assert sum(fetched) < 120
    piles = page.get_by_role("list", name="Piles")
    piles.hover()
    for _ in range(20):
        page.mouse.wheel(0, 700)
    expect(page.get_by_role("button", name=re.compile(f"^n by {NAMES[0]}:"))).to_have_count(0)
    assert page.get_by_role("button", name=re.compile("^n by")).count() < 80
