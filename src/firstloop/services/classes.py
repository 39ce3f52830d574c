"""Classes of a teacher: made, opened, handed on, shared, begun anew with a school year, deleted."""

from firstloop.core.errors import FirstLoopError, LooksAlikeError
from firstloop.core.evidence.task import Handedness
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style, hand_of
from firstloop.core.names import key_of, look_alike
from firstloop.core.staff import Role
from firstloop.services.children import InCopies, left_in_copies, take_in_with
from firstloop.store import accounts, care, class_moves, classes, staff
from firstloop.store.database import Database, Session
from firstloop.store.records import AccountRecord, ClassRecord, HerClass

MOST_CLASSES = 40
"""Of one teacher: some in a school year, kept for years."""


class ClassIsThereError(FirstLoopError):
    """One of her classes is called so already."""


class TooManyClassesError(FirstLoopError):
    """A teacher has no more classes than that."""


def begin(
    record: Database,
    account_id: int,
    name: str,
    *,
    style: Style,
    ruling: Ruling,
    x_height_mm: float,
    children: list[tuple[str, Handedness]],
    alike: bool = False,
) -> ClassRecord:
    """Makes a class of a teacher's, and opens it; raises ClassIsThereError where another of hers is
    called so, NameTakenError and UnknownLetterError, and LooksAlikeError unless names that look
    alike are meant."""
    hand_of(style)
    with record.writing() as session:
        require_free(staff.classes_of(session, account_id), name, alike=alike)
        made = classes.add(
            session, name, style=style, ruling=ruling, x_height_mm=x_height_mm, children=[]
        )
        take_in_with(session, made.id, children, alike=alike)
        staff.add(session, made.id, account_id, Role.TEACHER)
        accounts.open_class(session, account_id, made.id)
        return classes.get(session, made.id)


def open_one(record: Database, account_id: int, class_id: int) -> ClassRecord:
    """Opens a class on a teacher's screens; raises NotInRecordError for one that is not hers."""
    with record.writing() as session:
        staff.role_in(session, class_id, account_id)
        accounts.open_class(session, account_id, class_id)
        return classes.get(session, class_id)


def rename(
    record: Database, account_id: int, class_id: int, name: str, *, alike: bool = False
) -> ClassRecord:
    """Calls a class otherwise; raises ClassIsThereError, and LooksAlikeError unless it is meant."""
    with record.writing() as session:
        _require_hers(session, class_id, account_id)
        others = [one for one in staff.classes_of(session, account_id) if one.id != class_id]
        require_free(others, name, alike=alike)
        classes.rename(session, class_id, name)
        return classes.get(session, class_id)


def new_year(
    record: Database,
    account_id: int,
    class_id: int,
    name: str,
    pupil_ids: list[int],
    *,
    alike: bool = False,
) -> ClassRecord:
    """Makes a class that writes as this one does and has been taught what it was; children move up
    into it with all their letters, the others stay. Raises ClassIsThereError and NotInRecordError,
    and LooksAlikeError unless it is meant."""
    with record.writing() as session:
        _require_hers(session, class_id, account_id)
        require_free(staff.classes_of(session, account_id), name, alike=alike)
        made_id = class_moves.copy(session, class_id, name)
        staff.add(session, made_id, account_id, Role.TEACHER)
        for pupil_id in pupil_ids:
            class_moves.move_pupil(session, class_id, pupil_id, made_id)
        accounts.open_class(session, account_id, made_id)
        return classes.get(session, made_id)


def move(record: Database, account_id: int, class_id: int, pupil_id: int, to_id: int) -> None:
    """Moves a child with all their letters to another class of the same teacher; raises
    NotInRecordError and NameTakenError."""
    with record.writing() as session:
        if staff.role_in(session, to_id, account_id) is not Role.TEACHER:
            raise staff.NotHersError("you help in that class; only its teacher takes children in")
        class_moves.move_pupil(session, class_id, pupil_id, to_id)


def remove(record: Database, account_id: int, class_id: int) -> InCopies:
    """Deletes a class, its children and all that they wrote, for good; another of hers is open
    then. What copies of the record still hold is said."""
    with record.writing() as session:
        _require_hers(session, class_id, account_id)
        classes.remove(session, class_id)
        left = staff.classes_of(session, account_id)
        accounts.open_class(session, account_id, left[0].id if left else None)
    record.clear_log()
    return left_in_copies(record)


def hand_over(
    record: Database, account_id: int, class_id: int, name: str, *, with_flags: bool
) -> AccountRecord:
    """Makes a colleague the class's teacher in one's own place; what one saw in its children is
    deleted unless it is to be handed on. Raises NotInRecordError for a name without an account, and
    ClassIsThereError."""
    with record.writing() as session:
        _require_hers(session, class_id, account_id)
        colleague = accounts.named(session, name)
        if colleague.id == account_id:
            raise FirstLoopError("the class is yours already; name a colleague")
        there = classes.get(session, class_id).name
        hers = staff.classes_of(session, colleague.id)
        require_free(
            [one for one in hers if one.id != class_id], there, whose=colleague.name, alike=True
        )
        if not with_flags:
            care.without_flags(session, class_id)
        staff.remove(session, class_id, account_id)
        staff.add(session, class_id, colleague.id, Role.TEACHER)
        if colleague.class_id is None:
            accounts.open_class(session, colleague.id, class_id)
        left = staff.classes_of(session, account_id)
        accounts.open_class(session, account_id, left[0].id if left else None)
        return colleague


def share(record: Database, class_id: int, name: str) -> AccountRecord:
    """Makes a colleague the class's helper; raises NotInRecordError for a name without an
    account."""
    with record.writing() as session:
        colleague = accounts.named(session, name)
        if any(one.id == colleague.id for one, _ in staff.of_class(session, class_id)):
            raise FirstLoopError(f"{colleague.name} is in the class already")
        staff.add(session, class_id, colleague.id, Role.HELPER)
        if colleague.class_id is None:
            accounts.open_class(session, colleague.id, class_id)
        return colleague


def no_longer_share(record: Database, class_id: int, account_id: int) -> None:
    """Somebody helps no more; raises NotInRecordError, and NotHersError for its teacher."""
    with record.writing() as session:
        if staff.role_in(session, class_id, account_id) is Role.TEACHER:
            raise staff.NotHersError("this is the class's teacher; hand the class over instead")
        staff.remove(session, class_id, account_id)
        if accounts.get(session, account_id).class_id == class_id:
            left = staff.classes_of(session, account_id)
            accounts.open_class(session, account_id, left[0].id if left else None)


def _require_hers(session: Session, class_id: int, account_id: int) -> None:
    """Whoever asked may have handed the class over since: it is looked at again by who writes."""
    if staff.role_in(session, class_id, account_id) is not Role.TEACHER:
        raise staff.NotHersError("you help in this class; only its teacher does this")


def require_free(hers: list[HerClass], name: str, whose: str = "", *, alike: bool = False) -> None:
    """Raises ClassIsThereError, TooManyClassesError, and LooksAlikeError unless that is meant."""
    if len(hers) >= MOST_CLASSES:
        raise TooManyClassesError(
            f"a teacher has at most {MOST_CLASSES} classes; delete or hand over an old one"
        )
    for one in hers:
        if not alike and look_alike(one.name, name):
            raise LooksAlikeError(one.name)
    if any(key_of(one.name) == key_of(name) for one in hers):
        owner = f"{whose} has" if whose else "you have"
        raise ClassIsThereError(f"{owner} a class called {name} already; name this one otherwise")
