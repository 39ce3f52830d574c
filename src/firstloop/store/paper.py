"""Sheets that were printed, photographs that wait to be read, and the pages that were read of them,
in and out of the record, always of one class. A picture stays no longer than it is needed."""

from collections.abc import Collection
from datetime import datetime
from typing import Any

from sqlalchemy import JSON, ForeignKey, UniqueConstraint, delete, func, select
from sqlalchemy.orm import Mapped, Session, mapped_column, relationship

from firstloop.store import judged_hands, pupils
from firstloop.store.base import Base, UtcDateTime
from firstloop.store.judged_hands import JudgedHand
from firstloop.store.records import (
    NotInRecordError,
    PaperPageRecord,
    PaperPhotoRecord,
    PrintedSheetRecord,
)


class PrintedSheet(Base):
    """A sheet that can be read back: its name, which stands on it in marks; where its cells are, as
    JSON; and whose the numbers on it are, the first 1."""

    __tablename__ = "printed_sheet"
    __table_args__ = (UniqueConstraint("class_id", "name"),)

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(ForeignKey("school_class.id", ondelete="CASCADE"))
    name: Mapped[str]
    digest: Mapped[str]
    title: Mapped[str]
    cells: Mapped[bytes] = mapped_column(deferred=True)
    pupils: Mapped[list[int]] = mapped_column(JSON)
    hand_id: Mapped[int | None] = mapped_column(ForeignKey("judged_hand.id"))

    hand: Mapped[JudgedHand | None] = relationship(lazy="joined")


class PaperPhoto(Base):
    """A file of photographs that waits to be read; read, it is gone."""

    __tablename__ = "paper_photo"

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), index=True
    )
    name: Mapped[str]
    came_at: Mapped[datetime] = mapped_column(UtcDateTime)
    content: Mapped[bytes] = mapped_column(deferred=True)


class PaperPage(Base):
    """A page that was read: of which sheet and whose, what is wrong with it, what stands in its
    cells, and its picture laid flat. `kept_at`: when what is written on it went into the record."""

    __tablename__ = "paper_page"

    id: Mapped[int] = mapped_column(primary_key=True)
    class_id: Mapped[int] = mapped_column(
        ForeignKey("school_class.id", ondelete="CASCADE"), index=True
    )
    sheet_id: Mapped[int | None] = mapped_column(
        ForeignKey("printed_sheet.id", ondelete="CASCADE"), index=True
    )
    pupil_id: Mapped[int | None] = mapped_column(
        ForeignKey("pupil.id", ondelete="CASCADE"), index=True
    )
    file: Mapped[str]
    page: Mapped[int | None]
    came_at: Mapped[datetime] = mapped_column(UtcDateTime)
    problems: Mapped[list[dict[str, str]]] = mapped_column(JSON)
    cells: Mapped[list[dict[str, Any]]] = mapped_column(JSON)
    size_mm: Mapped[list[float] | None] = mapped_column(JSON(none_as_null=True))
    picture: Mapped[bytes | None] = mapped_column(deferred=True)
    kept_at: Mapped[datetime | None] = mapped_column(UtcDateTime)


def keep_sheet(session: Session, class_id: int, sheet: PrintedSheetRecord, cells: bytes) -> None:
    """Keeps a sheet, unless it is kept."""
    if sheet_of_digest(session, class_id, sheet.digest) is None:
        session.add(
            PrintedSheet(
                class_id=class_id,
                name=sheet.name,
                digest=sheet.digest,
                title=sheet.title,
                cells=cells,
                pupils=[*sheet.pupils],
                hand_id=sheet.style and judged_hands.keep(session, class_id, sheet.style),
            )
        )
        session.flush()


def sheet_of_digest(session: Session, class_id: int, digest: str) -> PrintedSheetRecord | None:
    """The sheet that was made of this very wish, if it was printed."""
    return _sheet(session, class_id, PrintedSheet.digest == digest)


def sheet_named(session: Session, class_id: int, name: str) -> PrintedSheetRecord | None:
    """The sheet of a name, if it was printed."""
    return _sheet(session, class_id, PrintedSheet.name == name)


def cells_of(session: Session, class_id: int, name: str) -> bytes:
    """Where the cells of a sheet are, as JSON; raises NotInRecordError."""
    found = select(PrintedSheet.cells).where(
        PrintedSheet.class_id == class_id, PrintedSheet.name == name
    )
    cells = session.scalar(found)
    if cells is None:
        raise NotInRecordError(f"no sheet {name} was printed for the class")
    return cells


def _sheet(session: Session, class_id: int, which: Any) -> PrintedSheetRecord | None:
    row = session.scalar(select(PrintedSheet).where(PrintedSheet.class_id == class_id, which))
    if row is None:
        return None
    style = None if row.hand is None else judged_hands.style_from(row.hand.style)
    return PrintedSheetRecord(row.name, row.digest, row.title, tuple(row.pupils), style, row.id)


def add_photo(
    session: Session, class_id: int, name: str, content: bytes, came_at: datetime
) -> None:
    """Keeps a file until it is read."""
    session.add(PaperPhoto(class_id=class_id, name=name, content=content, came_at=came_at))
    session.flush()


def next_photo(
    session: Session, but: Collection[int] = ()
) -> tuple[PaperPhotoRecord, bytes] | None:
    """The file that has waited longest, of any class, but for some, with its bytes."""
    waits = select(PaperPhoto).where(PaperPhoto.id.not_in(but))
    row = session.scalar(waits.order_by(PaperPhoto.id).limit(1))
    if row is None:
        return None
    return PaperPhotoRecord(row.id, row.class_id, row.name, row.came_at), row.content


def waiting(session: Session, class_id: int) -> int:
    """How many files of a class wait."""
    found = select(func.count()).select_from(PaperPhoto).where(PaperPhoto.class_id == class_id)
    return session.scalar(found) or 0


def forget_photo(session: Session, class_id: int, photo_id: int) -> bool:
    """Deletes a file; whether it was still there."""
    gone = delete(PaperPhoto).where(PaperPhoto.class_id == class_id, PaperPhoto.id == photo_id)
    return bool(session.connection().execute(gone).rowcount)


def forget_photos(session: Session, class_id: int) -> None:
    """Deletes all files of a class that wait."""
    session.execute(delete(PaperPhoto).where(PaperPhoto.class_id == class_id))


def add_page(session: Session, class_id: int, page: PaperPageRecord, picture: bytes | None) -> int:
    """Keeps a page that was read; its id."""
    row = PaperPage(
        class_id=class_id,
        sheet_id=page.sheet.id if page.sheet else None,
        pupil_id=page.pupil_id,
        file=page.file,
        page=page.page,
        came_at=page.came_at,
        problems=[*page.problems],
        cells=[*page.cells],
        size_mm=[*page.size_mm] if page.size_mm else None,
        picture=picture,
    )
    session.add(row)
    session.flush()
    return row.id


def pages(session: Session, class_id: int) -> list[PaperPageRecord]:
    """The pages of a class that were read, in the order in which they came."""
    rows = select(PaperPage).where(PaperPage.class_id == class_id).order_by(PaperPage.id)
    return [_page(session, row) for row in session.scalars(rows)]


def page(session: Session, class_id: int, page_id: int) -> PaperPageRecord:
    """A page that was read; raises NotInRecordError."""
    return _page(session, _row(session, class_id, page_id))


def picture_of(session: Session, class_id: int, page_id: int) -> bytes:
    """A page's picture, laid flat; raises NotInRecordError where it is kept no longer."""
    picture = _row(session, class_id, page_id).picture
    if picture is None:
        raise NotInRecordError("the picture of this page is not kept any longer")
    return picture


def same_page(session: Session, class_id: int, like: PaperPageRecord) -> PaperPageRecord | None:
    """That page of that sheet of that child as it was read before, from another picture."""
    if like.sheet is None or like.pupil_id is None:
        return None
    found = select(PaperPage).where(
        PaperPage.class_id == class_id,
        PaperPage.sheet_id == like.sheet.id,
        PaperPage.page == like.page,
        PaperPage.pupil_id == like.pupil_id,
        PaperPage.id != like.id,
    )
    row = session.scalar(found.order_by(PaperPage.id).limit(1))
    return None if row is None else _page(session, row)


def change_page(session: Session, class_id: int, changed: PaperPageRecord) -> None:
    """Whose a page is, what stands in its cells, and whether it is in the record, as they are now;
    raises NotInRecordError."""
    if changed.pupil_id is not None:
        pupils.get(session, class_id, changed.pupil_id)
    row = _row(session, class_id, changed.id)
    row.pupil_id, row.kept_at = changed.pupil_id, changed.kept_at
    row.cells = [*changed.cells]
    session.flush()


def drop_picture(session: Session, class_id: int, page_id: int) -> None:
    """Deletes a page's picture; raises NotInRecordError."""
    row = _row(session, class_id, page_id)
    row.picture = row.size_mm = None
    session.flush()


def remove_page(session: Session, class_id: int, page_id: int) -> None:
    """Deletes a page with its picture; what it gave to the record stays. Raises
    NotInRecordError."""
    session.delete(_row(session, class_id, page_id))
    session.flush()


def _row(session: Session, class_id: int, page_id: int) -> PaperPage:
    row = session.get(PaperPage, page_id)
    if row is None or row.class_id != class_id:
        raise NotInRecordError(f"there is no page {page_id} that was read in the class")
    return row


def _page(session: Session, row: PaperPage) -> PaperPageRecord:
    sheet = _sheet(session, row.class_id, PrintedSheet.id == row.sheet_id)
    return PaperPageRecord(
        id=row.id,
        sheet=sheet,
        pupil_id=row.pupil_id,
        file=row.file,
        page=row.page,
        came_at=row.came_at,
        problems=tuple(row.problems),
        cells=tuple(row.cells),
        size_mm=(row.size_mm[0], row.size_mm[1]) if row.size_mm else None,
        kept_at=row.kept_at,
    )
