"""The numbers that decide something in geometry and checking, as a table in docs/limits.md: read
from where they stand, beside their rules. `python -m scripts.limits` writes it anew."""

import ast
import re
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

ROOT = Path(__file__).parents[1]
CORE = ROOT / "src" / "firstloop" / "core"
ROOMS = ("geometry", "checking", "progress", "judging", "own_hand")
DOCUMENT = ROOT / "docs" / "limits.md"

HEAD = """# Numbers that decide

Every number that decides something where ink is explained and measured, from where it stands beside
its rule. The limits of findings stand with their codes in `core/checking/say/catalogue.py` and
`core/checking/texts/catalogue.py`, and in [checking.md](checking.md). Lengths are in u (x-heights).
"By trial" means: on letters and texts of made-up pupils, by seeds that nothing is measured on.
Where "not written down" stands, the reason is all that is known: nobody noted what it was tried on.

This page is made by `python -m scripts.limits`.
"""

UNKNOWN = "not written down"
SOURCE = re.compile(
    r"(?:(?<=\. )|(?<=: )|^)((?:By trial|By the|Of \d|Our choice|RFC|Measured)\b.*)$"
)


class UnreasonedError(Exception):
    """A number that decides something and does not say in which unit, or why."""


@dataclass(frozen=True, slots=True)
class Number:
    """A number, or a few that go together: where it stands, what it is, its unit, why it is that,
    and from where that is known."""

    module: str
    name: str
    value: str
    unit: str
    reason: str
    source: str


def numbers() -> list[Number]:
    """All of them, by module; raises UnreasonedError."""
    files = sorted(file for room in ROOMS for file in (CORE / room).rglob("*.py"))
    return [number for file in files for number in _in(file)]


def document() -> str:
    """The page."""
    lines, before = [HEAD], ""
    for one in numbers():
        if one.module != before:
            before = one.module
            lines += ["", f"## `core/{one.module}`", "", "| | | unit | why | known |"]
            lines += ["|---|---|---|---|---|"]
        lines.append(f"| `{one.name}` | {one.value} | {one.unit} | {one.reason} | {one.source} |")
    return "\n".join(lines) + "\n"


def _in(file: Path) -> Iterator[Number]:
    module = str(file.relative_to(CORE))
    body = ast.parse(file.read_text(encoding="utf-8")).body
    for at, node in enumerate(body):
        if not isinstance(node, ast.Assign) or not _is_number(node.value):
            continue
        names = ast.unparse(node.targets[0]).strip("()")
        if names.startswith("_") or not names.isupper():
            continue
        said = _said_after(body[at + 1 :])
        found = re.fullmatch(r"\[([^\]]+)\] (.+)", " ".join(said.split()))
        if found is None:
            raise UnreasonedError(f"{module}: {names} is to say its unit in [], and why it is that")
        unit, words = found.groups()
        known = SOURCE.search(words)
        reason = words[: known.start()].strip() if known else words
        value = ast.unparse(node.value).strip("()")
        yield Number(module, names, value, unit, reason, known[1] if known else UNKNOWN)


def _is_number(node: ast.expr) -> bool:
    if isinstance(node, ast.Tuple):
        return all(_is_number(one) for one in node.elts)
    if isinstance(node, ast.UnaryOp | ast.BinOp):
        inner = (node.operand,) if isinstance(node, ast.UnaryOp) else (node.left, node.right)
        return any(_is_number(one) for one in inner)
    return isinstance(node, ast.Constant) and type(node.value) in (int, float)


def _said_after(rest: list[ast.stmt]) -> str:
    """The text below an assignment, or below the next where they are told together."""
    for node in rest:
        if isinstance(node, ast.Expr) and isinstance(node.value, ast.Constant):
            return str(node.value.value)
        if not isinstance(node, ast.Assign):
            break
    return ""


if __name__ == "__main__":
    DOCUMENT.write_text(document(), encoding="utf-8")
