"""Measures speed: letters checked on one core, and what a user waits for.

Times depend on the machine: reading is given beside general matchers in the same run.
"""

import os

os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")  # one core; before numpy is loaded

import subprocess
import sys
import tempfile
from pathlib import Path

import numpy as np
from playwright.sync_api import Browser, sync_playwright
from scripts.bench_checking import bench_checking, timed
from scripts.bench_class_list import bench_class_list
from scripts.bench_clients import bench_clients
from scripts.bench_hand import bench_hand, bench_lift
from scripts.bench_lessons import bench_board, bench_planning
from scripts.bench_pads import bench_pads
from scripts.bench_paper import bench_paper
from scripts.bench_pen import bench_pen
from scripts.bench_progress import bench_estimates
from scripts.bench_scale import bench_first_answers, bench_scale
from scripts.bench_start import bench_start
from scripts.bench_table import bench_table
from scripts.bench_texts import bench_texts
from scripts.screenshots import write_n_from_the_base_line
from scripts.served import demo_server, launch_chromium

LOADS = 5


def bench_letters() -> None:
    """The whole command, the start of Python counted in, as a user waits for it."""
    with tempfile.TemporaryDirectory() as folder:
        for kind in ("svg", "png"):
            call: list[str | Path] = [
                Path(sys.executable).with_name("firstloop"),
                "letters",
                "--hand",
                "looped",
                "--out",
            ]
            out = str(Path(folder) / f"looped.{kind}")
            spent = [
                timed(lambda: subprocess.run([*call, out], check=True, capture_output=True))  # noqa: B023
                for _ in range(LOADS)
            ]
            print(
                f"a full hand as {kind}, p50 / worst{np.median(spent):5.0f} / {max(spent):.0f} ms"
                "   (bar: under 1000 ms)"
            )


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


def bench_browser() -> None:
    with demo_server() as address, sync_playwright() as playwright:
        browser = launch_chromium(playwright)
        loads = [first_load(browser, address) for _ in range(LOADS)]
        waits = [verdict_wait(browser, address) for _ in range(LOADS)]
        bench_board(browser, address)
        bench_lift(browser, address)
        browser.close()
    loaded, waited = np.median(loads), np.median(waits)
    print(f"first page load, p50 / worst{loaded:8.0f} / {max(loads):.0f} ms   (bar: under 1000 ms)")
    print(f"hand-in to verdict, the same{waited:8.0f} / {max(waits):.0f} ms   (bar: within 200 ms)")


if __name__ == "__main__":
    bench_start()
    bench_checking()
    bench_texts()
    bench_letters()
    bench_planning()
    bench_class_list()
    bench_estimates()
    bench_paper()
    bench_hand()
    bench_scale()
    bench_table()
    bench_first_answers()
    bench_browser()
    bench_clients()
    bench_pads()
    bench_pen()
