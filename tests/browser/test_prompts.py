"""The teacher's voice: recorded in the browser, heard where a word is written from memory."""

from collections.abc import Iterator

import pytest
from playwright.sync_api import Browser, Page, expect
from scripts.served import FLAGS

from tests.browser.conftest import opened

pytestmark = pytest.mark.browser

A_MICROPHONE = [
    "--use-fake-device-for-media-stream",
    "--use-fake-ui-for-media-stream",
    "--autoplay-policy=no-user-gesture-required",
]
"""Chromium's own: it beeps, and whoever asks is allowed to hear it."""


@pytest.fixture
def with_microphone(browser: Browser, address: str, complaints: list[str]) -> Iterator[Page]:
    own = browser.browser_type.launch(
        executable_path="/usr/bin/chromium", args=[*FLAGS, *A_MICROPHONE]
    )
    yield from opened(own, address, complaints)
    own.close()


def test_a_word_is_said_heard_and_deleted(with_microphone: Page) -> None:
    page = with_microphone
    page.goto("/plan/words")
    said = page.get_by_role("region", name="Said and shown")
    said.get_by_label("A word or letter").fill("n")
    said.get_by_role("button", name="Record n").click()
    said.get_by_role("button", name="Stop recording n").click()
    hear = said.get_by_role("button", name="Hear n", exact=True)
    expect(hear).to_be_visible()
    with page.expect_response("**/prompts/n/sound") as heard:
        hear.click()
    assert heard.value.headers["content-type"] == "audio/webm"
    said.get_by_role("button", name="Picture of n").click()
    page.get_by_role("button", name="house", exact=True).click()
    expect(said.get_by_role("button", name="Picture of n: house")).to_be_visible()
    page.goto("/write/n")
    page.get_by_role("radio", name="From memory").click()
    expect(page.get_by_role("button", name="Hear it")).to_be_visible()
    page.goto("/plan/words")
    said.get_by_role("button", name="Delete the recording of n").click()
    expect(said.get_by_role("button", name="Hear n", exact=True)).to_have_count(0)
    expect(said.get_by_role("button", name="Picture of n: house")).to_be_visible()
