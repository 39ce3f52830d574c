"""The rows of a sheet that belongs to a lesson: what its class writes, step by step, or what is
taken home; and what one child gets otherwise."""

from collections.abc import Iterator, Mapping
from dataclasses import replace
from math import ceil
from types import MappingProxyType

from firstloop.core.evidence.task import Handedness, Kind
from firstloop.core.sheets.wish import Mode, RowWish, SheetWish
from firstloop.core.teaching.gets import FEWER, Gets, Side
from firstloop.core.teaching.steps import StepKind
from firstloop.core.teaching.tasks import Writing
from firstloop.core.teaching.under_way import Moment, UnderWay

HELPED = 6
"""[letters] Traced, and finished, of each: one row of them is enough to find the way."""


def rows_of(
    lesson: UnderWay, pictures: Mapping[str, str] = MappingProxyType({})
) -> tuple[RowWish, ...]:
    """What is written in a lesson, in its order; the date has a line of its own. What is heard and
    then written has its picture beside it, if there is one of it, by text."""
    return tuple(
        row
        for moment in lesson.moments
        if moment.stop.kind is not StepKind.DATE
        for writing in moment.writings
        for row in _rows(writing, moment, pictures)
    )


def rows_for_home(lesson: UnderWay) -> tuple[RowWish, ...]:
    """What is practised at home: each letter or word traced, finished, and then one's own."""
    return tuple(row for text in lesson.at_home for row in _fading(text, 2))


def week_of(lesson: UnderWay) -> tuple[RowWish, ...]:
    """What is practised at home in a week, a row a day: what is new traced, then finished, then
    one's own from day to day, in turn with all that goes home."""
    texts = lesson.at_home
    if not texts:
        return ()
    return (*_fading(texts[0], 1), *(_own(texts[at % len(texts)], 1) for at in (1, 2)))


def _rows(writing: Writing, moment: Moment, pictures: Mapping[str, str]) -> Iterator[RowWish]:
    text, kind = writing.text, writing.kind
    if kind is Kind.FREE:
        return
    if kind is Kind.ROW:
        own = max(1, writing.rows)
        yield from _fading(text, own) if writing.helped else (_own(text, own),)
    elif moment.heard:
        yield RowWish(
            text,
            Mode.RECALL,
            kind,
            times=writing.times,
            picture=pictures.get(text),
            sound_boxes=kind is Kind.WORD,
        )
    elif kind is Kind.WORD:
        yield RowWish(text, Mode.OWN, kind, times=writing.times)
    else:
        yield RowWish(text, Mode.OWN, kind, gap=writing.gap)


def _fading(text: str, own: int) -> Iterator[RowWish]:
    """Traced, finished from where it begins, then one's own on so many lines."""
    kind = Kind.of(text)
    times = HELPED if kind is Kind.LETTER else 1
    yield RowWish(text, Mode.TRACE, kind, times=times)
    yield RowWish(text, Mode.FINISH, kind, times=times)
    yield _own(text, own)


def _own(text: str, lines: int) -> RowWish:
    return RowWish(text, Mode.OWN, Kind.of(text), lines=lines)


def for_child(wish: SheetWish, gets: Gets, handedness: Handedness, name: str) -> SheetWish:
    """The sheet of one child: by what it gets, with its name on its line."""
    rows = tuple(_row_for(row, gets) for row in wish.rows)
    return replace(
        wish,
        rows=rows,
        x_height_mm=wish.x_height_mm * gets.times_as_high,
        left_handed=gets.side_for(handedness) is Side.RIGHT,
        name=name,
    )


def _row_for(row: RowWish, gets: Gets) -> RowWish:
    """Fewer letters, and a model of what others write from memory."""
    if gets.more_help and row.mode is Mode.RECALL:
        row = replace(row, mode=Mode.OWN)
    if not gets.fewer:
        return row
    times = None if row.times is None else ceil(FEWER * row.times)
    return replace(row, times=times, lines=ceil(FEWER * row.lines))
