"""How the letters of a class stand, as CSV, for whoever wants to reckon with it elsewhere."""

import csv
from collections.abc import Iterable
from dataclasses import asdict, dataclass, fields
from io import StringIO


@dataclass(frozen=True, slots=True)
class SummaryRow:
    """One dimension of a letter of a child: how it stands, of 100 next times how often it will hold
    and between how many that lies; on how many attempts that rests."""

    child: str
    letter: str
    family: str
    taught: bool
    dimension: str
    state: str
    likely: int
    low: int
    high: int
    rests_on: int


def as_csv(rows: Iterable[SummaryRow]) -> str:
    """A table with a head, a line a dimension.

    >>> as_csv([]).strip()
    'child,letter,family,taught,dimension,state,likely,low,high,rests_on'
    """
    file = StringIO()
    writer = csv.DictWriter(file, [one.name for one in fields(SummaryRow)], lineterminator="\n")
    writer.writeheader()
    writer.writerows(asdict(row) for row in rows)
    return file.getvalue()
