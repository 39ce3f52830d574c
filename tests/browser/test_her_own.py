"""Her own class behind her own door: signing in and out, several classes, the list, settings."""

from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect
from scripts.served import InProcess

from firstloop.services import accounts
from firstloop.store import accounts as accounts_kept
from firstloop.store.database import Database
from tests.browser.conftest import opened
from tests.conftest import add_class

pytestmark = pytest.mark.browser

PASSWORD = "a hen on a wall"


@pytest.fixture
def hers(tmp_path: Path, empty_record: Path) -> Iterator[Database]:
    """A record of two teachers; Ms Reed's class is hers alone."""
    database = Database(tmp_path / "hers.db")
    reed = accounts.begin(database, "Ms Reed", PASSWORD)
    accounts.add(database, "Mr Finch", PASSWORD)
    add_class(database, reed.id)
    yield database
    database.close()
    del empty_record


@pytest.fixture
def door(
    browser: Browser, server: InProcess, hers: Database, complaints: list[str]
) -> Iterator[Page]:
    with server.answering_from(hers):
        yield from opened(browser, server.address, complaints)


def sign_in(page: Page, name: str = "Ms Reed") -> None:
    page.get_by_label("Your name").fill(name)
    page.get_by_label("Password", exact=True).fill(PASSWORD)
    page.get_by_role("button", name="Sign in").click()


def test_she_signs_in_and_out_and_is_back_where_she_was(door: Page, complaints: list[str]) -> None:
    door.goto("/grow")
    door.get_by_label("Your name").fill("Ms Reed")
    door.get_by_label("Password", exact=True).fill("not this one")
    door.keyboard.press("Enter")
    expect(door.get_by_role("alert")).to_contain_text("do not go together")
    complaints.clear()  # the browser notes each answer of 401
    sign_in(door)
    expect(door).to_have_url(f"{door.url.split('/grow')[0]}/grow")
    menu = door.get_by_role("button", name="Class: Reed class")
    menu.click()
    door.get_by_role("menuitem", name="Sign out").click()
    expect(door.get_by_role("heading", name="Good to see you")).to_be_visible()
    door.reload()
    expect(door.get_by_role("heading", name="Good to see you")).to_be_visible()


def test_a_class_is_shared_with_a_colleague_who_helps(door: Page) -> None:
    door.goto("/settings")
    sign_in(door)
    door.get_by_label("Colleague", exact=True).click()
    door.get_by_role("option", name="Mr Finch").click()
    door.get_by_role("button", name="Helps in this class").click()
    expect(door.get_by_text("Mr Finch helps.")).to_be_visible()
    door.get_by_role("button", name="Class: Reed class").click()
    door.get_by_role("menuitem", name="Sign out").click()
    sign_in(door, "Mr Finch")
    expect(door.get_by_text("You help in this class.")).to_be_visible()


def _with_a_second_class(door: Page, hers: Database) -> Page:
    """Signed in, with the settings of the class on one page; in the other of the two pages another
    class of hers is opened."""
    with hers.writing() as session:
        account_id = accounts_kept.named(session, "Ms Reed").id
    other = add_class(hers, account_id, "This year", ("Ada", "Bo"))
    second = door.context.new_page()
    second.goto("/grow")
    opening = second.request.put("/api/school/open", data={"class_id": other.id})
    assert opening.status == 204
    return second


def test_a_second_page_deletes_only_the_class_that_it_shows(
    door: Page, hers: Database, complaints: list[str]
) -> None:
    # It hears of nothing: the line stays open and silent.
    door.add_init_script("window.EventSource = class { addEventListener() {} close() {} }")
    door.goto("/settings")
    sign_in(door)
    door.get_by_role("button", name="Delete Reed class").click()
    _with_a_second_class(door, hers)
    door.get_by_role("button", name="Delete for good").click()
    expect(door.get_by_text("This year was opened on another page")).to_be_visible()
    expect(door.get_by_role("button", name="Class: This year")).to_be_visible()
    there = door.request.get("/api/school/classes").json()["classes"]
    assert [one["name"] for one in there] == ["Reed class", "This year"]
    complaints.clear()  # the browser notes each answer of 409


def test_what_a_page_shows_follows_at_once_when_another_class_is_opened(
    door: Page, hers: Database
) -> None:
    door.goto("/settings")
    sign_in(door)
    expect(door.get_by_role("button", name="Delete Reed class")).to_be_visible()
    _with_a_second_class(door, hers)
    expect(door.get_by_role("button", name="Class: This year")).to_be_visible()
    expect(door.get_by_text("This year was opened on another page")).to_be_visible()
    door.get_by_role("button", name="Good").click()
    expect(door.get_by_text("This year was opened on another page")).to_have_count(0)


def test_a_new_year_moves_children_up_by_keyboard(door: Page) -> None:
    door.goto("/settings")
    sign_in(door)
    door.get_by_role("button", name="A new school year").press("Enter")
    door.get_by_label("What is the new class called?").fill("Year 2")
    door.get_by_label("Jori").press("Space")
    door.get_by_role("button", name="Move 1 child up").press("Enter")
    expect(door.get_by_label("Name of Mila")).to_be_visible()
    menu = door.get_by_role("button", name="Class: Year 2")
    menu.press("Enter")
    door.get_by_role("menuitem", name="Reed class").press("Enter")
    expect(door.get_by_role("button", name="Class: Reed class")).to_be_visible()
    door.goto("/plan/class")
    expect(door.get_by_label("Name of Jori")).to_be_visible()
    expect(door.get_by_label("Name of Mila")).to_have_count(0)


def test_a_child_is_put_apart_leaves_and_comes_back(page: Page) -> None:
    page.goto("/plan/class")
    page.get_by_role("button", name="More about Bram").click()
    page.get_by_role("menuitem", name="Has left the class").click()
    expect(page.get_by_label("Name of Bram")).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_label("Name of Bram")).to_be_visible()
    page.get_by_role("button", name="More about Bram").press("Enter")
    page.get_by_role("menuitem", name="Put apart for a while").press("Enter")
    expect(page.get_by_text("Bram is apart")).to_be_visible()
    page.get_by_role("button", name="More about Bram").click()
    page.get_by_role("menuitem", name="Has left the class").click()
    gone = page.get_by_role("region", name="Have left")
    gone.get_by_role("button", name="Has come back").click()
    expect(page.get_by_label("Name of Bram")).to_be_visible()


def test_a_picture_that_no_other_child_has_and_a_name_are_chosen_and_taken_back(page: Page) -> None:
    page.goto("/plan/class")
    page.get_by_role("button", name="Picture of Anouk").click()
    expect(page.get_by_role("button", name="anchor, Bram has it")).to_be_disabled()
    page.get_by_role("button", name="snail", exact=True).click()
    expect(page.get_by_role("button", name="Picture of Anouk: snail")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Picture of Anouk: acorn")).to_be_visible()
    name = page.get_by_label("Name of Anouk")
    name.fill("Annouk")
    name.press("Enter")
    expect(page.get_by_text("Anouk is called Annouk now.")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_label("Name of Anouk")).to_be_visible()


def test_help_says_what_a_station_is_for_and_its_keys(page: Page) -> None:
    page.goto("/show/n")
    expect(page.get_by_role("button", name="Help")).to_be_visible()
    page.keyboard.press("?")
    help = page.get_by_role("dialog", name="Show")
    expect(help.get_by_text("write the letter, or pause")).to_be_visible()
    page.keyboard.press("Escape")
    expect(help).to_have_count(0)


def test_the_demonstration_becomes_hers_and_its_class_is_thrown_away(page: Page) -> None:
    page.goto("/settings")
    page.get_by_label("Your name").fill("Ms Reed")
    page.get_by_label("Password", exact=True).fill(PASSWORD)
    page.get_by_role("button", name="Make my account").click()
    expect(page.get_by_text("You are signed in as Ms Reed.")).to_be_visible()
    page.get_by_role("button", name="Throw the made-up class away").click()
    page.get_by_role("button", name="Delete for good").click()
    expect(page.get_by_role("heading", name="A class of your own")).to_be_visible()


def test_no_tile_is_like_another(page: Page) -> None:
    """Each is drawn in its own colours, 32 pixels wide; how far two are apart is the share of the
    pixels of either that differ clearly."""
    page.goto("/plan/class")
    nearest = page.evaluate(LIKEST)
    assert nearest["share"] > 0.3, nearest


LIKEST = """async () => {
  const names = await (await fetch("/api/tiles")).json();
  const drawn = [];
  for (const name of names) {
    const image = new Image(32, 32);
    image.src = `/api/tiles/${name}`;
    await image.decode();
    const canvas = new OffscreenCanvas(32, 32);
    const context = canvas.getContext("2d");
    context.drawImage(image, 0, 0, 32, 32);
    drawn.push(context.getImageData(0, 0, 32, 32).data);
  }
  const blank = (data, at) => data[at + 3] < 128;
  let best = { share: 1, pair: [] };
  for (let a = 0; a < names.length; a++) {
    for (let b = 0; b < a; b++) {
      let either = 0, differ = 0;
      for (let at = 0; at < 4096; at += 4) {
        const [one, other] = [drawn[a], drawn[b]];
        if (blank(one, at) && blank(other, at)) continue;
        either += 1;
        const far = [0, 1, 2].some((c) => Math.abs(one[at + c] - other[at + c]) > 60);
        if (blank(one, at) !== blank(other, at) || far) differ += 1;
      }
      const share = differ / either;
      if (share < best.share) best = { share, pair: [names[a], names[b]] };
    }
  }
  return { ...best, count: names.length };
}"""
