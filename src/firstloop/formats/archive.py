"""A class or a child as one archive: a zip of `archive.json` (what it is), `schema.json` (how its
rows are made up) and the rows of each table as lines of JSON; beside them whatever is to be looked
at by people. Read back, each row is held against the columns of its version."""

import zipfile
from collections.abc import Iterable, Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from typing import IO, Annotated, Any, Literal

import msgspec

from firstloop.core.errors import FirstLoopError

FORMAT: Literal["first-loop-archive"] = "first-loop-archive"
WHAT, SCHEMA, ROWS = "archive.json", "schema.json", ".jsonl"

LONGEST_LINE, LARGEST = 32_000_000, 8_000_000_000
"""Bytes of a row, the ink of a long text or a recording among them; and of all rows of an archive,
five times those of a class of three years."""

Value = int | float | str | bytes | None


class ArchiveError(FirstLoopError):
    """A file that is no archive of ours; the text says what is wrong and where."""


@dataclass(frozen=True, slots=True)
class ColumnKind:
    """A column as SQLite declares it: its name, its kind in capitals, whether it may be empty."""

    name: str
    kind: str
    may_be_empty: bool


Columns = Mapping[str, Sequence[ColumnKind]]
"""By table."""


class Manifest(msgspec.Struct, forbid_unknown_fields=True):
    """What an archive is: of a class or a child, called so, made when (UTC); its version is that of
    the record it came from."""

    format: Literal["first-loop-archive"]
    version: Annotated[str, msgspec.Meta(pattern="^[0-9]{4}$")]
    what: Literal["class", "child"]
    name: Annotated[str, msgspec.Meta(min_length=1, max_length=200)]
    made_at: str
    with_flags: bool
    rows: dict[str, int]


@dataclass(frozen=True, slots=True)
class Table:
    """Rows of a table: its columns by name, and the rows as they are read or to be written."""

    name: str
    columns: tuple[str, ...]
    rows: Iterable[tuple[Value, ...]]


def write(
    to: IO[bytes],
    manifest: Manifest,
    tables: Iterable[Table],
    columns: Columns,
    beside: Iterable[tuple[str, bytes]],
) -> None:
    """Writes an archive; how many rows of each table there are is counted into its manifest."""
    kinds = {name: _row_kind(name, columns[name]) for name in columns}
    encoder = msgspec.json.Encoder()
    with zipfile.ZipFile(to, "w", zipfile.ZIP_DEFLATED) as archive:
        for table in tables:
            count = 0
            known = {one.name: one.kind for one in columns[table.name]}
            is_json = [known[name] == "JSON" for name in table.columns]
            with archive.open(f"rows/{table.name}{ROWS}", "w", force_zip64=True) as file:
                for row in table.rows:
                    named = zip(table.columns, row, is_json, strict=True)
                    line = {
                        name: msgspec.Raw(str(value).encode()) if raw and value else value
                        for name, value, raw in named
                    }
                    file.write(encoder.encode(line) + b"\n")
                    count += 1
            manifest.rows[table.name] = count
        written = {name: kinds[name] for name in manifest.rows}
        archive.writestr(SCHEMA, msgspec.json.format(encoder.encode(_schema(written))))
        archive.writestr(WHAT, msgspec.json.format(encoder.encode(manifest)))
        for name, data in beside:
            archive.writestr(name, data)


def _schema(kinds: Mapping[str, type[msgspec.Struct]]) -> dict[str, Any]:
    """A JSON schema of the manifest and of each row: of `rows/attempt.jsonl` it is `attempt`."""
    _, components = msgspec.json.schema_components([Manifest, *kinds.values()])
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "What an archive of First Loop holds, by its files",
        "$defs": components,
    }


@dataclass(frozen=True, slots=True)
class Archive:
    """An archive that is open to be read."""

    manifest: Manifest
    _file: zipfile.ZipFile

    def tables(self, columns: Columns, order: Sequence[str]) -> Iterator[Table]:
        """Its rows, table by table in that order; raises ArchiveError while they are read."""
        names = [name for name in order if name in self.manifest.rows and name in columns]
        unknown = sorted(set(self.manifest.rows) - set(names))
        if unknown:
            raise ArchiveError(f"{WHAT} names rows that do not belong here: {', '.join(unknown)}")
        for name in names:
            kinds = columns[name]
            yield Table(name, tuple(one.name for one in kinds), self._rows(name, kinds))

    def _rows(self, name: str, kinds: Sequence[ColumnKind]) -> Iterator[tuple[Value, ...]]:
        decoder = msgspec.json.Decoder(_row_kind(name, kinds))
        file_name, count = f"rows/{name}{ROWS}", 0
        try:
            opened = self._file.open(file_name)
        except KeyError:
            raise ArchiveError(f"{file_name} is missing") from None
        with opened as file:
            while line := file.readline(LONGEST_LINE):
                count += 1
                try:
                    row = decoder.decode(line)
                except (msgspec.DecodeError, UnicodeDecodeError) as fault:
                    raise ArchiveError(f"{file_name}, line {count}: {fault}") from fault
                yield tuple(_kept(getattr(row, f"c{at}")) for at in range(len(kinds)))
        if count != self.manifest.rows[name]:
            raise ArchiveError(
                f"{file_name} has {count} rows; {WHAT} says {self.manifest.rows[name]}"
            )


@contextmanager
def opened(path: Path) -> Iterator[Archive]:
    """An archive, to be read; raises ArchiveError for what is none."""
    try:
        with zipfile.ZipFile(path) as file:
            if sum(one.file_size for one in file.infolist()) > LARGEST:
                raise ArchiveError(f"it would be larger than {LARGEST // 10**9} GB unpacked")
            try:
                manifest = msgspec.json.decode(file.read(WHAT), type=Manifest)
            except KeyError:
                raise ArchiveError(f"there is no {WHAT} in it; it is no archive of ours") from None
            except (msgspec.DecodeError, UnicodeDecodeError) as fault:
                raise ArchiveError(f"{WHAT}: {fault}") from fault
            yield Archive(manifest, file)
    except (OSError, zipfile.BadZipFile, zipfile.LargeZipFile, EOFError) as fault:
        raise ArchiveError(f'"{path}" cannot be read as an archive: {fault}') from fault


def _kept(value: Any) -> Value:
    """A value as SQLite keeps it: JSON as its text, nothing as nothing."""
    if isinstance(value, msgspec.Raw):
        text = bytes(value).decode()
        return None if text == "null" else text
    kept: Value = value
    return kept


_DATE = Annotated[str, msgspec.Meta(pattern=r"^\d{4}-\d\d-\d\d$")]
_MOMENT = Annotated[str, msgspec.Meta(pattern=r"^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d(\.\d+)?$")]
_KINDS: dict[str, Any] = {
    "INTEGER": int,
    "BOOLEAN": int,
    "DOUBLE": float,
    "FLOAT": float,
    "DATE": _DATE,
    "DATETIME": _MOMENT,
    "JSON": msgspec.Raw,
    "BLOB": bytes,
}


def _row_kind(name: str, columns: Sequence[ColumnKind]) -> type[msgspec.Struct]:
    """The struct that a row of a table is read as: its fields are c0, c1, ..., and in the file
    they are called as the columns."""
    fields: list[Any] = []
    for at, column in enumerate(columns):
        kind = _KINDS.get(column.kind, str)
        may_be_empty = column.may_be_empty and kind is not msgspec.Raw  # raw is whatever is there
        fields.append((f"c{at}", kind | None if may_be_empty else kind))
    rename = {f"c{at}": column.name for at, column in enumerate(columns)}
    return msgspec.defstruct(
        name, fields, forbid_unknown_fields=True, rename=rename, kw_only=True, gc=False
    )
