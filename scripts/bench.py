"""Measures speed: letters checked a second on one core, and what a user waits for in the browser.

Times depend on the machine, so checking is also given as a ratio to a known reference run beside
it: textbook dynamic time warping in plain Python of the same ink against one model.
"""

import os

os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")  # one core; before numpy is loaded

import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path as FilePath

import numpy as np
from playwright.sync_api import Browser, sync_playwright
from scripts.screenshots import write_n_from_the_base_line
from scripts.served import demo_server, launch_chromium

from firstloop.core.checking.check import check
from firstloop.core.checking.match import Path
from firstloop.core.checking.trace import tidy
from firstloop.core.ink import Ink
from firstloop.core.letterforms import PLAIN, draw
from firstloop.core.pupils import draw_pupil, write
from firstloop.core.ruling import Ruling
from firstloop.core.slips import SLIPS

RULING = Ruling()
ROUNDS = 3
LOADS = 5


def inks() -> list[tuple[str, Ink]]:
    """Letters by simulated pupils: every letter clean, and with each of its slips."""
    rng = np.random.default_rng(11)
    return [
        (letter, write(script, PLAIN, RULING, draw_pupil(rng), rng, slips=slips))
        for letter, script in PLAIN.scripts.items()
        for slips in ([], *([slip] for slip in SLIPS.values() if slip.fits(script)))
        for _ in range(3)
    ]


def textbook_warping(ink: Path, model: Path) -> float:
    """The reference: place only, one model, two loops."""
    count = len(ink.points)
    table = [[float("inf")] * (count + 1) for _ in range(count + 1)]
    table[0][0] = 0.0
    a, b = ink.points.tolist(), model.points.tolist()
    for i in range(1, count + 1):
        for j in range(1, count + 1):
            apart = (a[i - 1][0] - b[j - 1][0]) ** 2 + (a[i - 1][1] - b[j - 1][1]) ** 2
            table[i][j] = apart + min(table[i - 1][j], table[i][j - 1], table[i - 1][j - 1])
    return table[count][count]


def timed(action: Callable[[], object]) -> float:
    begin = time.perf_counter()
    action()
    return 1000 * (time.perf_counter() - begin)


def bench_checking() -> None:
    given = inks()
    models = {
        letter: Path.of(
            [np.vstack([move.points for move in draw(script, PLAIN.proportions, RULING).moves])]
        )
        for letter, script in PLAIN.scripts.items()
    }
    for letter, ink in given[:20]:
        check(ink, letter, PLAIN, RULING)
    checks, references = [], []
    for _ in range(ROUNDS):
        for letter, ink in given:
            checks.append(timed(lambda: check(ink, letter, PLAIN, RULING)))  # noqa: B023
            path = Path.of(list(tidy(ink, draw(PLAIN.scripts[letter], PLAIN.proportions, RULING))))
            references.append(timed(lambda: textbook_warping(path, models[letter])))  # noqa: B023
    p50, p95 = np.percentile(checks, [50, 95])
    print(f"letters checked a second    {1000 / np.mean(checks):8.0f}")
    print(f"a check, p50 / p95          {p50:8.2f} / {p95:.2f} ms   (bar: p50 under 5 ms)")
    print(f"as a ratio to the reference {np.median(checks) / np.median(references):8.2f}")


def first_load(browser: Browser, address: str) -> float:
    """ms from the start of navigation to the board standing there, in a fresh profile."""
    page = browser.new_context(viewport={"width": 1280, "height": 800}).new_page()
    page.add_init_script(
        """new MutationObserver((_, watcher) => {
            if (!document.querySelector("svg[aria-label]")) return;
            watcher.disconnect();
            requestAnimationFrame(() => { window.boardAt = performance.now(); });
        }).observe(document, { childList: true, subtree: true });"""
    )
    page.goto(address)
    spent = float(page.wait_for_function("window.boardAt").json_value())
    page.context.close()
    return spent


def verdict_wait(browser: Browser, address: str) -> float:
    page = browser.new_context(viewport={"width": 1280, "height": 800}).new_page()
    page.goto(f"{address}/write/n")
    write_n_from_the_base_line(page)
    hand_in = page.get_by_role("button", name="Hand in")
    hand_in.wait_for()
    # Measured in the page, from the click to the words standing there and painted.
    spent = float(
        page.evaluate(
            """async () => {
                const button = [...document.querySelectorAll("button")]
                    .find((one) => one.textContent.includes("Hand in"));
                const begin = performance.now();
                button.click();
                while (!document.querySelector("[role=status]"))
                    await new Promise(requestAnimationFrame);
                return performance.now() - begin;
            }"""
        )
    )
    page.context.close()
    return spent


def bench_letters() -> None:
    """The whole command, the start of Python counted in, as a user waits for it."""
    with tempfile.TemporaryDirectory() as folder:
        for kind in ("svg", "png"):
            call = [
                FilePath(sys.executable).with_name("firstloop"),
                "letters",
                "--hand",
                "looped",
                "--out",
            ]
            out = str(FilePath(folder) / f"looped.{kind}")
            spent = [
                timed(lambda: subprocess.run([*call, out], check=True, capture_output=True))  # noqa: B023
                for _ in range(LOADS)
            ]
            print(
                f"a full hand as {kind}, p50 / worst{np.median(spent):5.0f} / {max(spent):.0f} ms"
                "   (bar: under 1000 ms)"
            )


def bench_browser() -> None:
    with demo_server() as address, sync_playwright() as playwright:
        browser = launch_chromium(playwright)
        loads = [first_load(browser, address) for _ in range(LOADS)]
        waits = [verdict_wait(browser, address) for _ in range(LOADS)]
        browser.close()
    loaded, waited = np.median(loads), np.median(waits)
    print(f"first page load, p50 / worst{loaded:8.0f} / {max(loads):.0f} ms   (bar: under 1000 ms)")
    print(f"hand-in to verdict, the same{waited:8.0f} / {max(waits):.0f} ms   (bar: within 200 ms)")


if __name__ == "__main__":
    bench_checking()
    bench_letters()
    bench_browser()
