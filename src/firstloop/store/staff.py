"""Who teaches which class, and who helps in it."""

from sqlalchemy import CheckConstraint, ForeignKey, delete, select
from sqlalchemy.orm import Mapped, Session, mapped_column

from firstloop.core.errors import FirstLoopError
from firstloop.core.staff import Role
from firstloop.store import news
from firstloop.store.accounts import Account
from firstloop.store.base import Base
from firstloop.store.classes import SchoolClass
from firstloop.store.records import AccountRecord, HerClass, NotInRecordError


class ClassTeacher(Base):
    """That somebody teaches a class, or helps in it."""

    __tablename__ = "class_teacher"
    __table_args__ = (CheckConstraint("role IN ('teacher', 'helper')", name="role"),)

    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), primary_key=True
    )
    account_id: Mapped[int] = mapped_column(
        ForeignKey("account.id", ondelete="CASCADE"), primary_key=True, index=True
    )
    role: Mapped[str]


class NotHersError(FirstLoopError):
    """Something that only the class's teacher may do."""


def classes_of(session: Session, account_id: int) -> list[HerClass]:
    """The classes that somebody teaches or helps in, by name."""
    rows = session.execute(
        select(SchoolClass.id, SchoolClass.name, SchoolClass.is_made_up, ClassTeacher.role)
        .join(ClassTeacher, ClassTeacher.class_id == SchoolClass.id)
        .where(ClassTeacher.account_id == account_id)
        .order_by(SchoolClass.name, SchoolClass.id)
    )
    return [HerClass(id, name, Role(role), made_up) for id, name, made_up, role in rows]


def role_in(session: Session, class_id: int, account_id: int) -> Role:
    """What somebody is to a class; raises NotInRecordError where that is nothing: a class that is
    not hers is to her as if there were none."""
    row = session.get(ClassTeacher, (class_id, account_id))
    if row is None:
        raise NotInRecordError(f"there is no class {class_id} of yours")
    return Role(row.role)


def of_class(session: Session, class_id: int) -> list[tuple[AccountRecord, Role]]:
    """Who teaches a class and who helps in it, by name."""
    rows = session.execute(
        select(Account.id, Account.name, Account.class_id, ClassTeacher.role)
        .join(ClassTeacher, ClassTeacher.account_id == Account.id)
        .where(ClassTeacher.class_id == class_id)
        .order_by(Account.key)
    )
    return [(AccountRecord(id, name, opened), Role(role)) for id, name, opened, role in rows]


def add(session: Session, class_id: int, account_id: int, role: Role) -> None:
    """Makes somebody a class's teacher or helper, whatever she was to it before."""
    session.merge(ClassTeacher(class_id=class_id, account_id=account_id, role=role.value))
    news.happened(session, (class_id, False))
    session.flush()


def remove(session: Session, class_id: int, account_id: int) -> None:
    """Makes somebody nothing to a class."""
    news.happened(session, (class_id, False))
    session.execute(
        delete(ClassTeacher).where(
            ClassTeacher.class_id == class_id, ClassTeacher.account_id == account_id
        )
    )
