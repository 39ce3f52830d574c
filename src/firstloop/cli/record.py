"""What is done with a record while nobody teaches: made up, counted, checked again, copied."""

import argparse
from contextlib import ExitStack, closing
from datetime import UTC, datetime
from pathlib import Path

from firstloop.cli.options import Commands, existing, with_record
from firstloop.cli.workers import with_workers, workers

# What a command needs is fetched when it runs: `firstloop check` stays quick to start.


def add_to(commands: Commands) -> None:
    """Adds the commands."""
    demo = with_record(
        commands.add_parser("demo", help="load the made-up class, if the record is empty")
    )
    demo.add_argument("--years", type=int, default=0, help="a class of years, made fast")
    demo.add_argument("--children", type=int, default=32, help="with --years: how many")
    demo.add_argument("--letters-a-day", type=int, default=7, help="with --years: of each child")
    demo.set_defaults(run=_demo)

    backup = with_record(commands.add_parser("backup", help="copy the record, in use or not"))
    backup.add_argument(
        "--to", type=Path, metavar="FILE", help="where to; else among the record's own copies"
    )
    backup.set_defaults(run=_backup)

    restore = with_record(
        commands.add_parser("restore", help="put a copy in the record's place, and keep that too")
    )
    restore.add_argument(
        "copy", type=Path, nargs="?", metavar="FILE", help="the copy; without it all are listed"
    )
    restore.set_defaults(run=_restore)

    counts = with_record(commands.add_parser("rebuild", help="count afresh how letters stand"))
    counts.set_defaults(run=_rebuild)

    again = with_record(
        commands.add_parser("recheck", help="check old ink with the checker of today")
    )
    again.add_argument(
        "--todays-hand",
        action="store_true",
        help="ask by the hand that the class writes now, what was judged by another too",
    )
    with_workers(again)
    again.set_defaults(run=_recheck)


def _demo(options: argparse.Namespace) -> int:
    from firstloop.demo.load import load_demo  # noqa: PLC0415
    from firstloop.demo.years import load_years  # noqa: PLC0415
    from firstloop.store import accounts, classes  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    with closing(Database(options.db)) as database:
        with database.session() as session:
            there = [one.name for one in classes.every(session)]
            there += [f"the account of {one.name}" for one in accounts.all_claimed(session)]
        if there:
            print(f"{options.db} already holds {there[0]}; nothing was changed.")
            return 0
        today = datetime.now(UTC).date()
        made = (
            load_years(
                database,
                today,
                years=options.years,
                children=options.children,
                letters_a_day=options.letters_a_day,
            )
            if options.years
            else load_demo(database, today)
        )
        print(f"{made.name} with {len(made.pupils)} children is in {options.db}.")
    return 0


def _backup(options: argparse.Namespace) -> int:
    from firstloop.store import copies  # noqa: PLC0415

    record = existing(options.db)
    if options.to:
        copies.write(record, options.to)
        print(f"The record is copied to {options.to}.")
    else:
        made = copies.keep(record, copies.Why.ASKED, datetime.now(UTC))
        print(f"The record is copied to {made.path}; copies are kept {copies.LONGEST} days.")
    return 0


def _restore(options: argparse.Namespace) -> int:
    from firstloop.store import copies  # noqa: PLC0415

    if options.copy is None:
        return _list(options.db)
    replaced = copies.restore(options.db, options.copy, datetime.now(UTC))
    print(f"{options.copy} is now the record {options.db}.")
    if replaced:
        print(f"What was there before is kept: {replaced}")
    return 0


def _list(record: Path) -> int:
    from firstloop.store import copies  # noqa: PLC0415

    found = copies.of(record)
    if not found:
        print(f"There are no copies in {copies.folder_of(record)}.")
    for one in found:
        print(f"{one.made_at:%Y-%m-%d %H:%M} UTC  {one.why:13}  {one.path}")
    return 0


def _recheck(options: argparse.Namespace) -> int:
    from firstloop.core.checking.say.findings import CHECKER_VERSION as VERSION  # noqa: PLC0415
    from firstloop.services.rechecking import recheck, recheck_by_todays_hand  # noqa: PLC0415
    from firstloop.store import attempts, classes  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    with closing(Database(existing(options.db))) as database, ExitStack() as stack:
        with database.session() as session:
            found = classes.every(session)
            old = sum(len(attempts.not_checked_by(session, one.id, VERSION)) for one in found)
        executor = stack.enter_context(workers(options, old))
        for school_class in found:
            asked = recheck_by_todays_hand if options.todays_hand else recheck
            done = asked(database, school_class.id, executor)
            print(
                f"{school_class.name}: {done.checked} letters checked again; "
                f"{done.unchanged} stand as they stood."
            )
            for change, count in done.changes.most_common():
                before, now = (verdict.replace("_", " ") for verdict in (change.before, change.now))
                what = f"{change.letter}, {change.dimension}"
                print(f"  {what}: {before} is now {now}, {count} times")
    return 0


def _rebuild(options: argparse.Namespace) -> int:
    from firstloop.services.rechecking import rebuild  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    with closing(Database(existing(options.db))) as database:
        rebuild(database, datetime.now(UTC))
    print("The days on which letters were written, and how they stood, are counted afresh.")
    return 0
