"""How many small faults in core, services and api the tests find: a sample of them planted, one
after another. Those of the pad's pages are planted by Stryker (`cd web && npm run mutants`).

mutmut makes them (a `<` turned to `<=`, an argument left out ...), tells which tests come by each,
and runs those. All of them would take days; a sample, drawn by a seed, gives the share found to a
few per cent. What survives is listed, to be looked at: `mutmut show NAME`.
"""

import argparse
import json
import math
import random
import subprocess
import sys
from collections import Counter
from collections.abc import Sequence
from pathlib import Path

MADE = Path("mutants/src/firstloop")
MUTMUT = Path(sys.executable).with_name("mutmut")
ANY = "firstloop.core.teaching.due.x_due__mutmut_1"
"""Naming one makes them all, and finds out which tests come by each."""

SURVIVED, UNTESTED = 0, 33
"""Of mutmut's exit codes: the tests passed; no test comes by."""


def codes() -> dict[str, int | None]:
    """The exit code of every fault there is; None for those that were not tried."""
    found: dict[str, int | None] = {}
    for file in sorted(MADE.rglob("*.meta")):
        found |= json.loads(file.read_text())["exit_code_by_key"]
    return found


def run(names: Sequence[str], children: int) -> None:
    subprocess.run(
        [MUTMUT, "run", "--max-children", str(children), *names], check=False, stdout=sys.stderr
    )


def room(name: str) -> str:
    """firstloop.core.teaching.due.x_due__mutmut_1 -> core.teaching"""
    return ".".join(name.split(".")[1:3])


def report(tried: dict[str, int | None]) -> str:
    survivors = sorted(name for name, code in tried.items() if code in (SURVIVED, UNTESTED))
    of_room, lost = Counter(map(room, tried)), Counter(map(room, survivors))
    lines = [f"{one:11} {count - lost[one]:4} of {count:4} found" for one, count in of_room.items()]
    share = 1 - len(survivors) / len(tried)
    within = 1.96 * math.sqrt(share * (1 - share) / len(tried))
    lines.append(f"all         {share:.0%} of {len(tried)} found, give or take {within:.0%}")
    return "\n".join([*lines, "", "Not found:", *survivors])


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--sample", type=int, default=300)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--children", type=int, default=2)
    asked = parser.parse_args()
    if not MADE.exists():
        run([ANY], asked.children)
    names = sorted(codes())
    chosen = random.Random(asked.seed).sample(names, min(asked.sample, len(names)))
    run(chosen, asked.children)
    after = codes()
    if any(after[name] is None for name in chosen):
        raise SystemExit("mutmut did not try all of them; what it says above tells why")
    print(report({name: after[name] for name in sorted(chosen)}))


if __name__ == "__main__":
    main()
