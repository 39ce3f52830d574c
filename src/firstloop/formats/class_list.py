"""Class lists in: names one a line, or a table as another program saves it."""

import csv
from io import StringIO

from firstloop.core.teaching.roster import Row

PARTERS = ("\t", ";", ",")
"""What parts the columns of a table; the first that is there does."""


def rows_of(text: str) -> list[Row]:
    r"""The lines of a list with their cells.

    >>> rows_of("\ufeffMila ,  left\r\n\r\nJori")
    [Row(line=1, cells=('Mila', 'left')), Row(line=2, cells=()), Row(line=3, cells=('Jori',))]
    """
    text = text.removeprefix("\ufeff").replace("\r\n", "\n").replace("\r", "\n")
    parter = next((one for one in PARTERS if one in text), PARTERS[-1])
    reader = csv.reader(StringIO(text), delimiter=parter, skipinitialspace=True)
    return [
        Row(reader.line_num, tuple(" ".join(cell.split()) for cell in cells)) for cells in reader
    ]
