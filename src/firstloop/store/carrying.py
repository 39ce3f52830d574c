"""All that a record holds of a class or of a child, row by row: out of one record and into another.

Rows are taken as SQLite keeps them, so that nothing is lost on the way, and are found by the keys
that tie them together: what comes along is told once, in `COMES_ALONG`.
"""

import json
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import islice
from typing import Any
from uuid import uuid4

from sqlalchemy import (
    Column,
    ColumnElement,
    Connection,
    Integer,
    Table,
    func,
    or_,
    select,
    type_coerce,
)
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session
from sqlalchemy.types import NullType

from firstloop.core.errors import FirstLoopError
from firstloop.store import practice_days, pupils
from firstloop.store.tables import METADATA

CLASS, CHILD = "school_class", "pupil"

COMES_ALONG: dict[str, tuple[str, ...]] = {
    "judged_hand": ("class_id",),
    "own_hand": ("class_id",),
    "own_sample": ("hand_id",),
    "own_phrase": ("class_id",),
    "own_scheme": ("class_id",),
    "own_word": ("class_id",),
    "own_sheet": ("class_id",),
    "prompt": ("class_id",),
    "taught_join": ("class_id",),
    "taught_letter": ("class_id",),
    "taught_word": ("class_id",),
    "lesson": ("class_id",),
    "blind_set": ("class_id",),
    "finding_trust": ("class_id",),
    "practice_day": ("class_id",),
    "pupil": ("class_id",),
    "kept_apart": ("one_id",),
    "care_flag": ("pupil_id",),
    "pupil_note": ("pupil_id",),
    "written_text": ("pupil_id",),
    "text_seen": ("text_id",),
    "attempt": ("pupil_id",),
    "attempt_ink": ("attempt_id",),
    "finding": ("attempt_id",),
    "handed_in": ("pupil_id",),
    "blind_letter": ("set_id",),
    "judgement": ("attempt_id", "text_id"),
    "judged_finding": ("judgement_id",),
}
"""Tables that come along with a class, and the columns by one of which a row is tied to what does;
those that follow after those that they are tied to. Who teaches, pads, codes and what happens in a
lesson stay, and so does what is counted afresh."""

OF_A_CHILD = (
    "pupil",
    "judged_hand",
    "care_flag",
    "pupil_note",
    "written_text",
    "text_seen",
    "attempt",
    "attempt_ink",
    "finding",
    "judgement",
    "judged_finding",
)
"""What comes along with a child. Who was to be kept apart from it is another child's matter, and
what was handed in in which lesson is the class's."""

FLAGS, HANDS = "care_flag", "judged_hand"

Value = int | float | str | bytes | None
Row = tuple[Value, ...]


class DoNotFitError(FirstLoopError):
    """Rows that cannot be together in a record."""


@dataclass(frozen=True, slots=True)
class Rows:
    """Rows of a table, read as they are asked for; their columns by name."""

    table: str
    columns: tuple[str, ...]
    rows: Iterable[Row]


def of_class(session: Session, class_id: int, *, with_flags: bool) -> Iterator[Rows]:
    """All rows of a class, its own first."""
    yield from _rows(session, CLASS, class_id, (CLASS, *COMES_ALONG), with_flags)


def of_child(session: Session, class_id: int, pupil_id: int, *, with_flags: bool) -> Iterator[Rows]:
    """All rows of a child, its own among the first; raises NotInRecordError."""
    pupils.get(session, class_id, pupil_id)
    yield from _rows(session, CHILD, pupil_id, OF_A_CHILD, with_flags)


def _rows(
    session: Session, root: str, root_id: int, names: Sequence[str], with_flags: bool
) -> Iterator[Rows]:
    for name in names:
        if name == FLAGS and not with_flags:
            continue
        table = METADATA.tables[name]
        stays = {column.name for column in table.columns if _points_away(column, names)}
        columns = tuple(column.name for column in table.columns)
        asked = (
            select(*(type_coerce(column, NullType()) for column in table.columns))
            .where(_belongs(table, root, root_id))
            .order_by(*table.primary_key.columns)
        )
        found = session.connection().execute(asked)
        empty = [at for at, column in enumerate(columns) if column in stays]
        yield Rows(name, columns, (_without(tuple(row), empty) for row in found))


def _without(row: Row, places: Sequence[int]) -> Row:
    """A row with nothing at some places."""
    if not places:
        return row
    return tuple(None if at in places else value for at, value in enumerate(row))


def _points_away(column: Column[Any], names: Sequence[str]) -> bool:
    """Whether a column names a row that does not come along."""
    away = [key.column.table.name not in names for key in column.foreign_keys]
    return bool(away) and all(away) and bool(column.nullable)


def _belongs(table: Table, root: str, root_id: int) -> ColumnElement[bool]:
    """Which rows of a table come along with a class, or with a child."""
    if table.name == root:
        return table.c.id == root_id
    if root == CHILD and table.name == HANDS:
        used = [
            select(METADATA.tables[name].c.hand_id).where(
                METADATA.tables[name].c.pupil_id == root_id
            )
            for name in ("attempt", "written_text")
        ]
        return or_(*(table.c.id.in_(one) for one in used))
    ties = []
    for name in COMES_ALONG[table.name]:
        (key,) = table.c[name].foreign_keys
        parent = key.column.table
        ties.append(table.c[name].in_(select(key.column).where(_belongs(parent, root, root_id))))
    return or_(*ties)


AT_ONCE = 5000
"""Rows that are put in together."""

Number = Callable[[Value], Value]
"""What an id is in the record that rows come into."""


def bring_class(session: Session, tables: Iterable[Rows], name: str) -> int:
    """Puts a class in under ids of its own and called so; its id. Its own row comes first, the rest
    in the order of `COMES_ALONG`. Raises DoNotFitError."""
    connection = session.connection()
    numbers = {one: _after(connection, one) for one in (CLASS, *COMES_ALONG)}
    class_id = 0
    for given in tables:
        rows = _renumbered(connection, given, numbers)
        if given.table == CLASS:
            new = _only(given, rows) | {"name": name, "is_made_up": 0}
            class_id, rows = _number(new["id"]), iter([tuple(new.values())])
        _put(connection, given, rows)
    return class_id


def bring_child(session: Session, tables: Iterable[Rows], class_id: int, name: str) -> int:
    """Puts a child into a class, under ids of its own and called so; its id. Raises
    DoNotFitError."""
    connection = session.connection()
    numbers = {one: _after(connection, one) for one in OF_A_CHILD}
    numbers[CLASS] = lambda _: class_id
    pupil_id = 0
    for came in tables:
        given = came
        if given.table == HANDS:
            given, numbers[HANDS] = _new_hands(connection, given, class_id, numbers[HANDS])
        rows = _renumbered(connection, given, numbers)
        if given.table == CHILD:
            new = _only(given, rows) | {"name": name}
            pupil_id, rows = _number(new["id"]), iter([tuple(new.values())])
        _put(connection, given, rows)
    practice_days.with_pupil(session, class_id, pupil_id)
    return pupil_id


def _after(connection: Connection, name: str) -> Number:
    """Ids after all that a table has; what has no numbers for ids stays as it is."""
    table = METADATA.tables[name]
    if "id" not in table.c or not isinstance(table.c.id.type, Integer):
        return lambda old: old
    highest: int = connection.scalar(select(func.coalesce(func.max(table.c.id), 0))) or 0
    return lambda old: old + highest if isinstance(old, int) else old


def _new_hands(
    connection: Connection, given: Rows, class_id: int, after: Number
) -> tuple[Rows, Number]:
    """Those hands that a class has not yet; and which ids those have there that it has."""
    table, rows = METADATA.tables[HANDS], list(given.rows)
    there = select(table.c.style, table.c.id).where(table.c.class_id == class_id)
    ids: dict[Value, Value] = {row.style: row.id for row in connection.execute(there)}
    at_id, at_style = given.columns.index("id"), given.columns.index("style")
    known = {row[at_id]: ids[row[at_style]] for row in rows if row[at_style] in ids}
    new = [row for row in rows if row[at_id] not in known]

    def number(old: Value) -> Value:
        return known[old] if old in known else after(old)

    return Rows(given.table, given.columns, new), number


def _renumbered(
    connection: Connection, given: Rows, numbers: Mapping[str, Number]
) -> Iterator[Row]:
    """Rows under the ids of the record that they come into."""
    table = METADATA.tables[given.table]
    changes: list[tuple[int, Number]] = []
    for at, name in enumerate(given.columns):
        column = table.c[name]
        parents = [key.column.table.name for key in column.foreign_keys]
        if parents:
            changes.append((at, numbers.get(parents[0], _of_nobody)))
        elif name == "id":
            is_there = given.table == "handed_in" and _sent_before(connection)
            changes.append((at, _sent_anew if is_there else numbers[given.table]))
        elif (given.table, name) == (CLASS, "scheme"):
            changes.append((at, _number_in_text(numbers["own_scheme"])))
        elif (given.table, name) == ("lesson", "group"):
            changes.append((at, _numbers_in_json(numbers[CHILD])))
    for row in given.rows:
        new = list(row)
        for at, number in changes:
            new[at] = number(new[at])
        yield tuple(new)


def _of_nobody(_: Value) -> Value:
    """What is tied to something that stays where it was is tied to nothing here."""
    return None


def _sent_before(connection: Connection) -> bool:
    """Whether anything was ever handed in to a record: then the same class may be in it twice."""
    table = METADATA.tables["handed_in"]
    return connection.scalar(select(table.c.id).limit(1)) is not None


def _sent_anew(_: Value) -> Value:
    """What came in another record is never sent again: any id that no other has will do."""
    return str(uuid4())


def _number_in_text(number: Number) -> Number:
    """A class names a scheme of its own by its id, else by a word."""

    def renumbered(value: Value) -> Value:
        is_id = isinstance(value, str) and value.isdecimal()
        return str(number(int(str(value)))) if is_id else value

    return renumbered


def _numbers_in_json(number: Number) -> Number:
    def renumbered(value: Value) -> Value:
        if not isinstance(value, str):
            return value
        ids = json.loads(value)
        return json.dumps(None if ids is None else [number(one) for one in ids])

    return renumbered


def _only(given: Rows, rows: Iterable[Row]) -> dict[str, Value]:
    """The one row that a class or a child is."""
    found = list(rows)
    if len(found) != 1:
        raise DoNotFitError(f"there are several rows of {given.table}, or none; one is to be there")
    return dict(zip(given.columns, found[0], strict=True))


def _number(value: Value) -> int:
    assert isinstance(value, int)
    return value


def _put(connection: Connection, given: Rows, rows: Iterator[Row]) -> None:
    named = ", ".join(f'"{name}"' for name in given.columns)
    places = ", ".join("?" for _ in given.columns)
    statement = f'INSERT INTO "{given.table}" ({named}) VALUES ({places})'
    while some := list(islice(rows, AT_ONCE)):
        try:
            connection.exec_driver_sql(statement, some)
        except IntegrityError as error:
            raise DoNotFitError(
                f"rows of {given.table} do not fit to the others ({error.orig}); nothing was taken "
                "over. Export it anew"
            ) from error
