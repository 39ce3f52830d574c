"""How good the estimates are, on made-up pupils of several models: `python -m
scripts.calibrate_progress`. The numbers of the model were chosen on the first set; the second is
made by other rules, and its seed was never tuned on."""

import sys
from concurrent.futures import ProcessPoolExecutor

from scripts.growing.measuring import Measured, measure
from scripts.growing.schools import OTHERS, TUNED_ON, school
from scripts.growing.writers import MODELS

PUPILS = 30
HEAD = """| pupils | log loss | knowing the truth | held | noticed | wrong side | jumped |
|---|---|---|---|---|---|---|"""
SETS = {"tuned on": (1, TUNED_ON), "never tuned on": (20261129, OTHERS)}


def _measured(of: tuple[str, str, int]) -> Measured:
    name, model, pupils = of
    seed, kind = SETS[name]
    return measure(school(model, seed, pupils, kind))


def main() -> None:
    """Prints a table for each set."""
    pupils = int(sys.argv[1]) if len(sys.argv) > 1 else PUPILS
    for name in SETS:
        print(f"\n{name}\n\n{HEAD}")
        with ProcessPoolExecutor() as executor:
            found = list(executor.map(_measured, [(name, model, pupils) for model in MODELS]))
        for model, one in zip(MODELS, found, strict=True):
            print(
                f"| {model} | {one.loss:.3f} | {one.at_best:.3f} | {one.hold:.3f} "
                f"| {one.noticed:.2f} of {one.changes} | {one.wrong:.4f} | {one.jumped:.3f} |"
            )
        means = [
            sum(values) / len(found)
            for values in zip(*((one.loss, one.at_best, one.hold) for one in found), strict=True)
        ]
        print("| all | " + " | ".join(f"{value:.3f}" for value in means) + " | | | |")


if __name__ == "__main__":
    main()
