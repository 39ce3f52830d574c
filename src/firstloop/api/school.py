"""The school: a teacher's classes and which is open, her colleagues, her password, the zone of
days, what the record keeps and where."""

from datetime import date, datetime
from functools import partial
from zoneinfo import available_timezones

from fastapi import APIRouter

from firstloop.api.answer import Answer
from firstloop.api.deps import Alike, Db, InLine, Now, Record, Teacher, Token
from firstloop.api.problems import SIGN_IN, THERE_ALREADY
from firstloop.api.sent import Id, Name, Sent
from firstloop.api.session import AccountOut, NewAccountIn, NewPassword, Password
from firstloop.core.errors import FirstLoopError
from firstloop.core.staff import Role
from firstloop.services import accounts, classes
from firstloop.services import school as the_school
from firstloop.store import accounts as accounts_kept
from firstloop.store import copies, school, staff
from firstloop.store.records import HerClass

router = APIRouter(prefix="/api/school", tags=["school"])


class HerClassOut(Answer):
    """A class of hers, or one she helps in."""

    id: int
    name: str
    role: Role
    is_made_up: bool
    is_open: bool


class ClassesOut(Answer):
    """Her classes, by name."""

    classes: list[HerClassOut]


class OpenIn(Sent):
    """The class to open."""

    class_id: Id


class PasswordIn(Sent):
    """A new password, and the one that it replaces."""

    old: Password
    new: NewPassword


class ZoneIn(Sent):
    """The zone that the school's days are counted in."""

    time_zone: Name


class KeptOut(Answer):
    """What is kept: in which file, how large it is, how many copies of it there are, until when the
    last of today's is kept, and how long any is."""

    file: str
    bytes: int
    copies: int
    copies_until: date | None
    copies_days: int


class SchoolOut(Answer):
    """The school's own: days, colleagues who have an account, what is kept."""

    time_zone: str
    time_zones: list[str]
    now: datetime
    colleagues: list[AccountOut]
    kept: KeptOut


@router.get("/classes")
def get_classes(session: Db, teacher: Teacher) -> ClassesOut:
    """Her classes."""
    return ClassesOut(
        classes=[
            _her_class_out(one, teacher.class_id)
            for one in staff.classes_of(session, teacher.account_id)
        ]
    )


@router.put("/open", status_code=204)
def put_open(record: Record, teacher: Teacher, sent: OpenIn) -> None:
    """Opens another class of hers, on all her screens."""
    classes.open_one(record, teacher.account_id, sent.class_id)


@router.get("")
def get_school(record: Record, session: Db, teacher: Teacher, now: Now) -> SchoolOut:
    """The school's own settings, and what is kept."""
    found = [one for one in accounts_kept.all_claimed(session) if one.id != teacher.account_id]
    zone = school.zone(session)
    return SchoolOut(
        time_zone=zone.key,
        time_zones=sorted(available_timezones()),
        now=now.astimezone(zone),
        colleagues=[AccountOut(id=one.id, name=one.name) for one in found],
        kept=KeptOut(
            file=str(record.path.absolute()),
            bytes=record.path.stat().st_size,
            copies=len(copies.of(record.path)),
            copies_until=copies.last_gone_on(record.path),
            copies_days=copies.LONGEST,
        ),
    )


@router.put("/zone", status_code=204)
def put_zone(record: Record, teacher: Teacher, sent: ZoneIn) -> None:
    """Sets in which zone days are counted; those that were counted stay."""
    del teacher
    the_school.set_zone(record, sent.time_zone)


@router.put("/password", status_code=204, responses=SIGN_IN)
async def put_password(  # noqa: PLR0917  # whose, from which browser
    record: Record, teacher: Teacher, token: Token, lines: InLine, now: Now, sent: PasswordIn
) -> None:
    """Changes her password; her other browsers are signed out."""
    change = partial(
        accounts.change_password, record, teacher.account_id, sent.old, sent.new, token, now
    )
    await lines.known.run(str(teacher.account_id), change)


@router.post("/colleagues", status_code=201, responses=THERE_ALREADY | SIGN_IN)
async def post_colleague(
    record: Record, teacher: Teacher, lines: InLine, sent: NewAccountIn, *, alike: Alike = False
) -> AccountOut:
    """Makes an account for a colleague, who changes the password when she first signs in."""
    if not teacher.name:
        raise FirstLoopError("make an account of your own first; then you can add colleagues")
    made = await lines.known.run(
        str(teacher.account_id),
        partial(accounts.add, record, sent.name, sent.password, alike=alike),
    )
    return AccountOut(id=made.id, name=made.name)


def _her_class_out(one: HerClass, opened: int | None) -> HerClassOut:
    return HerClassOut(
        id=one.id,
        name=one.name,
        role=one.role,
        is_made_up=one.is_made_up,
        is_open=one.id == opened,
    )
