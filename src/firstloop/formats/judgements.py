"""Judgements as CSV and JSON, for whoever wants to reckon with them elsewhere."""

import csv
import json
from collections.abc import Iterable, Sequence
from dataclasses import asdict, dataclass, fields
from datetime import datetime
from io import StringIO


@dataclass(frozen=True, slots=True)
class JudgedRow:
    """A word on something written: by number or name whose it is and who says it, what the checker
    had said and what she says; findings as `code:word`, with spaces between."""

    what: str
    id: int
    pupil: str
    target: str
    hand: str
    source: str
    help: str
    written_at: datetime
    author: str
    how: str
    counts: bool
    made_at: datetime
    set_aside: bool
    checked_direction: str
    checked_size: str
    checked_shape: str
    direction: str
    size: str
    shape: str
    findings: str
    blind_set: int | None


def as_csv(rows: Iterable[JudgedRow]) -> str:
    """A table with a head, a line a word.

    >>> as_csv([]).strip().split(",")[:3]
    ['what', 'id', 'pupil']
    """
    file = StringIO()
    writer = csv.DictWriter(file, [one.name for one in fields(JudgedRow)], lineterminator="\n")
    writer.writeheader()
    writer.writerows(_plain(row) for row in rows)
    return file.getvalue()


def as_json(rows: Sequence[JudgedRow]) -> str:
    """A list of objects, with the names of the table's head.

    >>> as_json([])
    '{"judgements": []}'
    """
    return json.dumps({"judgements": [_plain(row) for row in rows]})


def _plain(row: JudgedRow) -> dict[str, object]:
    return {
        name: value.isoformat() if isinstance(value, datetime) else value
        for name, value in asdict(row).items()
    }
