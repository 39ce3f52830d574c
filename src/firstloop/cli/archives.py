"""`firstloop export` and `import`: a class or a child from one machine to another."""

from __future__ import annotations

import argparse
from collections.abc import Sequence
from contextlib import closing
from datetime import UTC, datetime
from pathlib import Path
from typing import TYPE_CHECKING, Protocol

from firstloop.cli.options import Commands, existing, with_record
from firstloop.core.errors import FirstLoopError

if TYPE_CHECKING:
    from firstloop.store.database import Session

# What a command needs is fetched when it runs: `firstloop check` stays quick to start.


def add_to(commands: Commands) -> None:
    """Adds the commands."""
    out = with_record(
        commands.add_parser("export", help="write all of a class, or of a child, to one archive")
    )
    out.add_argument("file", type=Path, metavar="FILE", help="the archive to write")
    out.add_argument("--class", dest="class_name", metavar="NAME", help="the class; the only one")
    out.add_argument("--teacher", metavar="NAME", help="whose class, where several have that name")
    out.add_argument("--child", metavar="NAME", help="one child of the class alone")
    out.add_argument(
        "--with-flags", action="store_true", help="with the flags of care, which else stay here"
    )
    out.set_defaults(run=_export)

    into = with_record(
        commands.add_parser("import", help="bring in a class, or a child, from an archive")
    )
    into.add_argument("file", type=Path, metavar="FILE", help="the archive")
    into.add_argument("--teacher", metavar="NAME", help="who teaches the class here")
    into.add_argument(
        "--class", dest="class_name", metavar="NAME", help="of a child: into which class"
    )
    into.add_argument("--name", metavar="NAME", help="what it is called here, if otherwise")
    into.set_defaults(run=_import)


def _export(options: argparse.Namespace) -> int:
    from firstloop.services import archives  # noqa: PLC0415
    from firstloop.store import pupils  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    if options.file.exists():
        raise FirstLoopError(f'there is a file at "{options.file}" already; name another')
    now = datetime.now(UTC)
    with closing(Database(existing(options.db))) as record, record.session() as session:
        class_id = _class_of(session, options)
        making = options.file.with_name(f".{options.file.name}.part")
        try:
            with making.open("wb") as to:
                if options.child:
                    there = pupils.with_the_left(session, class_id)
                    child = _named(there, options.child, "child")
                    ink = archives.ink_files(session, class_id, child)
                    beside = ((f"ink/{name}.inkml", data) for name, data in ink)
                    made = archives.write_child(
                        session, class_id, child, to, now, beside, with_flags=options.with_flags
                    )
                else:
                    made = archives.write_class(
                        session, class_id, to, now, with_flags=options.with_flags
                    )
            making.chmod(0o600)
            making.replace(options.file)
        finally:
            making.unlink(missing_ok=True)
    letters = made.rows.get("attempt", 0)
    print(f"{made.name} with {letters:,} letters is in {options.file}.")
    return 0


def _import(options: argparse.Namespace) -> int:
    from firstloop.formats.archive import opened  # noqa: PLC0415
    from firstloop.services import archives  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    with opened(options.file) as archive:
        what = archive.manifest.what
    with closing(Database(options.db)) as record:
        if what == "class":
            with record.session() as session:
                teacher = _teacher(session, options.teacher)
            made = archives.read_class(record, options.file, teacher, options.name)
            print(f"{made.name} with {len(made.pupils)} children is in {options.db}.")
        else:
            with record.session() as session:
                class_id = _class_of(session, options)
            child = archives.read_child(record, options.file, class_id, options.name)
            print(f"{child.name} is in {options.db}.")
    return 0


def _class_of(session: Session, options: argparse.Namespace) -> int:
    """The class that is meant; raises FirstLoopError where there are several, or none."""
    from firstloop.store import classes, staff  # noqa: PLC0415

    teacher = _teacher(session, options.teacher) if options.teacher else None
    there = staff.classes_of(session, teacher) if teacher else classes.every(session)
    if options.class_name:
        return _named(there, options.class_name, "class")
    if len(there) != 1:
        names = ", ".join(sorted(one.name for one in there)) or "none"
        raise FirstLoopError(f"name the class with --class; there are: {names}")
    return there[0].id


def _teacher(session: Session, name: str | None) -> int | None:
    """The account that is meant; None where there is none yet."""
    from firstloop.store import accounts  # noqa: PLC0415

    if name:
        return accounts.named(session, name).id
    there = accounts.all_claimed(session)
    if len(there) > 1:
        names = ", ".join(one.name for one in there)
        raise FirstLoopError(f"name its teacher with --teacher; there are: {names}")
    return there[0].id if there else None


class _Named(Protocol):
    """What has a name: a class, a child."""

    @property
    def id(self) -> int: ...
    @property
    def name(self) -> str: ...


def _named(there: Sequence[_Named], name: str, what: str) -> int:
    from firstloop.core.names import key_of  # noqa: PLC0415

    found = [one.id for one in there if key_of(one.name) == key_of(name)]
    if len(found) != 1:
        names = ", ".join(sorted(one.name for one in there)) or "none"
        said = f"there are {len(found)}" if found else "there is no"
        raise FirstLoopError(f"{said} {what} called {name}; there are: {names}")
    return found[0]
