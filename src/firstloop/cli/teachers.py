"""`firstloop teachers`: who has an account; what who sits at the machine may do when a password is
forgotten or somebody has gone."""

import argparse
import getpass
import sys
from contextlib import closing

from firstloop.cli.options import Commands, existing, with_record

# What a command needs is fetched when it runs: `firstloop check` stays quick to start.


def add_to(commands: Commands) -> None:
    """Adds the command."""
    teachers = with_record(
        commands.add_parser("teachers", help="list accounts, set a password anew, remove one")
    )
    what = teachers.add_mutually_exclusive_group()
    what.add_argument("--reset", metavar="NAME", help="set a password anew; it is asked for")
    what.add_argument("--remove", metavar="NAME", help="remove an account that has no class")
    teachers.set_defaults(run=_teachers)


def _teachers(options: argparse.Namespace) -> int:
    from firstloop.services import accounts as services  # noqa: PLC0415
    from firstloop.store import accounts, staff  # noqa: PLC0415
    from firstloop.store.database import Database  # noqa: PLC0415

    with closing(Database(existing(options.db))) as database:
        if options.reset:
            services.reset_password(database, options.reset, _asked(options.reset))
            print(f"The password of {options.reset} is set; all her browsers are signed out.")
        elif options.remove:
            services.remove(database, options.remove)
            print(f"The account of {options.remove} is removed.")
        else:
            with database.session() as session:
                for one in accounts.all_claimed(session):
                    hers = staff.classes_of(session, one.id)
                    print(f"{one.name}: {', '.join(each.name for each in hers) or 'no class'}")
    return 0


def _asked(name: str) -> str:
    """A new password, from who sits there or from a pipe."""
    if sys.stdin.isatty():
        return getpass.getpass(f"New password of {name}: ")
    return sys.stdin.readline().rstrip("\n")
