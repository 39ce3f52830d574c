"""The cheapest way through a joined text: which row of the ink is which step of which letter.

A dynamic programme over the rows of the ink and the steps of every form of every letter near them.
A step is come to from the step before it, in the row before or in the same, or goes on from the row
before. A letter is begun, after the one before it or past one that is left out, or once more after
itself where it comes twice; it is left where its own ends, or at its last step.
"""

from typing import NamedTuple

import numpy as np
import numpy.typing as npt

from firstloop.core.geometry.compiled import compiled, compiled_at_once
from firstloop.core.geometry.polyline import FloatArray

LIFTED_AT_A_JOIN, UNLIFTED = 0.4, 1.2
LEFT_OUT_OF_A_WORD, COMES_TWICE = 2.4, 2.0
"""[u²] What a join costs that is left out, how much more where the pen is not lifted, what a letter
costs that is left out, and one that comes twice. A letter is some thirty steps, and as another
costs 0.15 and more each. Summed over steps."""

HEADING_WEIGHT, WORST_SAMPLE = 0.25, 0.6
"""[u²] What going at right angles costs a step, and what a step costs at most."""

MAY_LIE_BESIDE, BESIDE_THE_PATH, BAR_COMES_LATER = 1.6, 0.12, 0.3
"""[u, u², u²] u: a longer trace is part of the path; u², summed: what a trace costs that lies
beside it, and a capital whose bar does."""

WINDOW, FAR = 4, 1000.0
"""[letters, u²] Letters by which a joined text may be ahead of or behind an even share of the ink;
and u² that no way through it costs."""


Indices = npt.NDArray[np.intp]
Values = npt.NDArray[np.float32]

GOES_ON, ASLANT, ALONG, BEGINS, PASSES = range(5)
"""How a step is come to in a row: as it was in the row before; from the step before it there; from
that in the same row; as the first of a letter; past a trace that lies beside the way."""


class Lanes(NamedTuple):
    """Every form of every letter, one after another, step by step.

    `terms` (5, step) are what costs are products of, `lane` (step,) says whose they are. By lane:
    `letter` whose it is, `begins` (lane + 1,) where its steps begin, `own` and `own_ends` the first
    and the last of the letter's own, `costs` what it costs to be met in that form. `letters`
    (letter + 1,) is where each letter's lanes begin, and `done` (letter,) after how many steps any
    of them may be done.
    """

    terms: Values
    lane: Indices
    letter: Indices
    begins: Indices
    own: Indices
    own_ends: Indices
    costs: FloatArray
    letters: Indices
    done: Indices


class Rows(NamedTuple):
    """The ink in rows, `terms` (row, 5). Where the pen is up it costs `jumps` to go on, elsewhere
    that is below 0; where the trace before it may lie beside the way, `passes` is its first row,
    elsewhere -1. `start` and `unjoined` are what it costs to begin the text there, and to begin a
    letter that is joined without its join."""

    terms: Values
    jumps: FloatArray
    passes: Indices
    start: FloatArray
    unjoined: FloatArray


class Prices(NamedTuple):
    """u², summed: of a letter left out, of one that comes twice, of a trace that lies beside the
    way; and the most that a step costs."""

    left_out: float = LEFT_OUT_OF_A_WORD
    twice: float = COMES_TWICE
    beside: float = BESIDE_THE_PATH
    worst: float = WORST_SAMPLE


class Search(NamedTuple):
    """What is looked for in which ink; by letter the rows, from `low` to before `high`, in which it
    is, and where its part of the table of moves begins (letter + 1,)."""

    lanes: Lanes
    rows: Rows
    low: Indices
    high: Indices
    parts: Indices
    prices: Prices = Prices()


class Table(NamedTuple):
    """What each step costs in a row (`costs`), to have come to it by then (`now`), and before the
    trace (`kept`). `moves` says how it was come to, for each letter, row and step; `after` (row,
    letter) after which letter one is begun, -1 for none; `left` (row + 1, letter) what it costs to
    have left one before that row, and `at` at which step."""

    costs: Values
    now: FloatArray
    kept: FloatArray
    moves: npt.NDArray[np.int8]
    after: npt.NDArray[np.int16]
    left: FloatArray
    at: npt.NDArray[np.int32]


class Way(NamedTuple):
    """For each row the lane it was written for, by a step of the letter's own, or -1, and which of
    the letters passed through that is, counted from the last; in which rows with the pen up a trace
    ends that lies beside the way; and for each letter passed through what it cost (u², summed),
    with what was left out before it."""

    lanes: Indices
    passed: Indices
    beside: npt.NDArray[np.bool_]
    spent: FloatArray


def find_way(sought: Search) -> Way:
    """The cheapest way of all."""
    count, letters, steps = len(sought.rows.jumps), len(sought.low), len(sought.lanes.lane)
    table = Table(
        costs=np.empty(steps, np.float32),
        now=np.full(steps, FAR),
        kept=np.full(steps, FAR),
        moves=np.zeros(sought.parts[letters], np.int8),
        after=np.full((count, letters), -1, np.int16),
        left=np.full((count + 1, letters), FAR),
        at=np.zeros((count + 1, letters), np.int32),
    )
    nothing = np.full(count, -1)
    way = Way(nothing, nothing.copy(), np.zeros(count, np.bool_), np.zeros(count))
    _find(table, sought, way)
    return way


@compiled_at_once
def _find(table: Table, sought: Search, way: Way) -> None:
    """Fills the table, and reads the way back."""
    for letter in range(len(sought.low)):
        _fill(table, sought, letter)
    _read_back(table, sought, way)


@compiled
def _fill(table: Table, sought: Search, letter: int) -> None:
    """All steps of a letter, in all the rows in which it is looked for."""
    lanes, rows = sought.lanes, sought.rows
    first, last = lanes.letters[letter], lanes.letters[letter + 1]
    begin, end = lanes.begins[first], lanes.begins[last]
    costs, now, kept = table.costs[begin:end], table.now[begin:end], table.kept[begin:end]
    terms = lanes.terms[:, begin:end]
    for row in range(sought.low[letter], sought.high[letter]):
        up = rows.jumps[row] >= 0.0
        if row and rows.jumps[row - 1] >= 0.0:
            kept[:] = now  # as it was before the trace that begins here
        if not up:
            _price(costs, terms, rows.terms[row], sought.prices.worst)
        came = _come_to(table, sought, row, letter)
        for lane in range(first, last):
            if up:
                _go_on(table, sought, row, letter, lane)
            else:
                _step(table, sought, row, lane, came)
            for step in (lanes.own_ends[lane], lanes.begins[lane + 1] - 1):
                if table.now[step] < table.left[row + 1, letter]:
                    table.left[row + 1, letter] = table.now[step]
                    table.at[row + 1, letter] = step


@compiled
def _price(costs: Values, terms: Values, ink: Values, worst: float) -> None:
    """What each step of a letter costs in a row."""
    for step in range(len(costs)):
        cost = terms[0, step] * ink[0] + terms[1, step] * ink[1] + terms[2, step] * ink[2]
        cost += terms[3, step] * ink[3] + terms[4, step] * ink[4]
        costs[step] = min(cost, np.float32(worst))


@compiled
def _come_to(table: Table, sought: Search, row: int, letter: int) -> float:
    """What it costs to begin a letter in a row. After which is put into the table."""
    left, prices = table.left[row], sought.prices
    came, after = sought.rows.start[row] + letter * prices.left_out, -1
    if letter > 1 and left[letter - 2] + prices.left_out < came:
        came, after = left[letter - 2] + prices.left_out, letter - 2
    if letter > 0 and left[letter - 1] < came:
        came, after = left[letter - 1], letter - 1
    if left[letter] + prices.twice < came:
        came, after = left[letter] + prices.twice, letter
    table.after[row, letter] = after
    return float(came)


@compiled
def _step(table: Table, sought: Search, row: int, lane: int, came: float) -> None:
    """The steps of a letter in one of its forms, in a row with ink."""
    lanes, letter = sought.lanes, sought.lanes.letter[lane]
    begin, own, place = lanes.begins[lane], lanes.own[lane], _place(sought, row, letter)
    came += lanes.costs[lane]
    along = aslant = np.inf
    for step in range(begin, lanes.begins[lane + 1]):
        before = table.now[step]
        least, move = before, GOES_ON
        if along < least:
            least, move = along, ALONG
        if aslant <= least:
            least, move = aslant, ASLANT
        if step in (begin, own):
            begins = came if step == begin else came + sought.rows.unjoined[row]
            if begins < least:
                least, move = begins, BEGINS
        aslant, along = before, least + table.costs[step]
        table.now[step], table.moves[place + step] = along, move


@compiled
def _go_on(table: Table, sought: Search, row: int, letter: int, lane: int) -> None:
    """The same in a row with the pen up. The trace before it is passed by only where the letter may
    be done: it is its bar."""
    lanes, rows = sought.lanes, sought.rows
    place, begin = _place(sought, row, letter), lanes.begins[lane]
    passes = rows.passes[row] > sought.low[letter]
    for step in range(begin, lanes.begins[lane + 1]):
        followed, passed = table.now[step] + rows.jumps[row], np.inf
        if passes and step - begin >= lanes.done[letter]:
            passed = table.kept[step] + sought.prices.beside
        table.now[step] = min(followed, passed)
        if passed < followed:
            table.moves[place + step] = PASSES


@compiled
def _place(sought: Search, row: int, letter: int) -> int:
    """Where in the table of moves the first of all steps would be: a letter's part has its own."""
    lanes = sought.lanes
    begin, end = lanes.begins[lanes.letters[letter]], lanes.begins[lanes.letters[letter + 1]]
    return int(sought.parts[letter] + (row - sought.low[letter]) * (end - begin) - begin)


@compiled
def _end(table: Table, sought: Search) -> int:
    """The step where the cheapest way ends: a letter's last, or after its own end. What comes after
    that letter is left out."""
    lanes, letters = sought.lanes, len(sought.low)
    least, end = np.inf, 0
    for lane in range(len(lanes.own)):
        letter = lanes.letter[lane]
        if sought.high[letter] < len(sought.rows.jumps):
            continue
        for step in range(lanes.own_ends[lane], lanes.begins[lane + 1]):
            cost = table.now[step] + (letters - 1 - letter) * sought.prices.left_out
            if cost < least:
                least, end = cost, step
    return end


@compiled
def _read_back(table: Table, sought: Search, way: Way) -> None:
    """The way, read back from its end."""
    lanes, jumps = sought.lanes, sought.rows.jumps
    row, step, passed = len(jumps) - 1, _end(table, sought), 0
    lane, total = lanes.lane[step], table.now[step]
    letter = lanes.letter[lane]
    while row >= sought.low[letter]:
        move = table.moves[_place(sought, row, letter) + step]
        if jumps[row] >= 0.0:
            if move == PASSES:
                way.beside[row] = True
                row = sought.rows.passes[row]
            row -= 1
            continue
        if lanes.own[lane] <= step <= lanes.own_ends[lane]:
            way.lanes[row], way.passed[row] = lane, passed
        if move in (ASLANT, ALONG):
            step -= 1
        if move != ALONG:
            row -= 1
        if move == BEGINS:
            before = table.after[row + 1, letter]
            if before < 0:
                way.spent[passed] = total
                break
            way.spent[passed] = total - table.left[row + 1, before]
            step, total = table.at[row + 1, before], table.left[row + 1, before]
            lane = lanes.lane[step]
            letter, passed = lanes.letter[lane], passed + 1
    for up in range(row + 1):
        way.beside[up] |= jumps[up] >= 0.0
