"""Takes docs/screenshots/*.png from the demo data, 1280x800, through the real built interface."""

import subprocess
import sys
import tempfile
import urllib.error
import urllib.request
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

ROOT = Path(__file__).parents[1]
FOLDER = ROOT / "docs" / "screenshots"
CHROMIUM = "/usr/bin/chromium"
FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]
PORT = 8017


@contextmanager
def demo_server() -> Iterator[str]:
    """The application over a fresh demo record."""
    command = Path(sys.executable).with_name("firstloop")
    address = f"http://127.0.0.1:{PORT}"
    with tempfile.TemporaryDirectory() as folder:
        database = str(Path(folder) / "demo.db")
        subprocess.run([command, "demo", "--db", database], check=True, stdout=subprocess.DEVNULL)
        server = subprocess.Popen(
            [command, "serve", "--db", database, "--port", str(PORT)],
            stdout=subprocess.PIPE,
            text=True,
        )
        try:
            while not _answers(address):
                if server.poll() is not None:
                    sys.exit("the server did not start")
            yield address
        finally:
            server.terminate()
            server.wait()


def _answers(address: str) -> bool:
    try:
        urllib.request.urlopen(address, timeout=5).close()
    except urllib.error.URLError:
        return False
    return True


def _show(page: Page) -> None:
    page.get_by_role("button", name="Next move").click()


def _write(page: Page) -> None:
    pad = page.get_by_role("application")
    box = pad.bounding_box()
    assert box is not None
    x, foot, head = box["x"] + box["width"] * 0.5, box["y"] + box["height"] * 0.63, 0.0
    head = box["y"] + box["height"] * 0.37
    page.mouse.move(x, foot)
    page.mouse.down()
    for at in range(1, 41):
        page.mouse.move(x + 2 * (at / 40), foot + (head - foot) * at / 40)
    for at in range(1, 31):
        page.mouse.move(x + 100 * at / 30, head - 14 * (1 - (2 * at / 30 - 1) ** 2))
    for at in range(1, 31):
        page.mouse.move(x + 102, head + (foot - head) * at / 30)
    page.mouse.up()
    page.get_by_role("button", name="Hand in").click()
    page.get_by_role("status").wait_for()


def _check(page: Page) -> None:
    page.get_by_role("button", name="Bram").click()
    page.get_by_role("button", name="I see it otherwise").click()


VIEWS: dict[str, tuple[str, Callable[[Page], None]]] = {
    "show": ("/show/n", _show),
    "write": ("/write/n", _write),
    "check": ("/check/n", _check),
    "grow": ("/grow", lambda _: None),
}


def main() -> None:
    wanted = sys.argv[1:] or list(VIEWS)
    FOLDER.mkdir(parents=True, exist_ok=True)
    with demo_server() as address, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        for name in wanted:
            place, prepare = VIEWS[name]
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.goto(address + place, wait_until="networkidle")
            prepare(page)
            page.screenshot(path=FOLDER / f"{name}.png")
            page.close()
            print(f"docs/screenshots/{name}.png")
        browser.close()


if __name__ == "__main__":
    main()
