"""What the class's teacher sees in a child and notes of it. Nobody else is told."""

from datetime import date
from typing import Annotated

from fastapi import APIRouter
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.attempts import PupilOut, pupil_out
from firstloop.api.deps import Class, Db, Hers, Now, Record
from firstloop.api.problems import THERE_ALREADY
from firstloop.api.sent import PathId, Sent
from firstloop.core.plain_text import ON_LINES
from firstloop.core.teaching.care import CARE, LONGEST_NOTE, Care
from firstloop.services import care
from firstloop.services.reports import ONLY_HERS, require_hers
from firstloop.store.records import FlagRecord, NoteRecord

router = APIRouter(prefix="/api/grow", tags=["grow"])


class CareKindOut(Answer):
    """Something that can be seen in a child: what it is called, what is to be done at once, and if
    it stays."""

    kind: Care
    name: str
    now: str
    if_it_stays: str


class FlagOut(Answer):
    """What she saw, since when; the day on which she looks again, and whether that has come; the
    day on which it was over."""

    id: int
    kind: Care
    since: date
    look_again: date
    is_due: bool
    done: date | None


class NoteOut(Answer):
    """What she noted on a day."""

    id: int
    day: date
    text: str


class CareOut(Answer):
    """All that she saw in a child and noted of it; and what can be seen."""

    kinds: list[CareKindOut]
    flags: list[FlagOut]
    notes: list[NoteOut]


class FlagIn(Sent):
    """What she sees."""

    kind: Care


class FlagChange(Sent):
    """When she looks again, and whether it is over."""

    look_again: date
    is_over: bool = False


class NoteIn(Sent):
    """What she notes."""

    text: Annotated[str, Field(min_length=1, max_length=LONGEST_NOTE, pattern=ON_LINES)]


class ToLookAt(Answer):
    """A child whose flag is to be looked at again, and which."""

    pupil: PupilOut
    kind: Care
    name: str


@router.get("/children/{pupil_id}/care")
def get_care(session: Db, school_class: Class, asks: Hers, pupil_id: PathId, now: Now) -> CareOut:
    """Her flags and notes on a child; raises NotHersError for who helps."""
    require_hers(ONLY_HERS, is_hers=asks.is_teacher)
    found = care.care_of(session, school_class.id, pupil_id, now)
    return CareOut(
        kinds=[
            CareKindOut(kind=kind, name=one.name, now=one.now, if_it_stays=one.if_it_stays)
            for kind, one in CARE.items()
        ],
        flags=[_flag_out(one, found.today) for one in found.flags],
        notes=[_note_out(one) for one in found.notes],
    )


@router.get("/care")
def get_all_care(session: Db, school_class: Class, asks: Hers, now: Now) -> list[ToLookAt]:
    """Whose flags are to be looked at again by today; of who helps, nobody's."""
    if not asks.is_teacher:
        return []
    by_id = {one.id: one for one in school_class.pupils}
    return [
        ToLookAt(pupil=pupil_out(by_id[pupil_id]), kind=flag.kind, name=CARE[flag.kind].name)
        for pupil_id, flag in care.to_look_at(session, school_class.id, now)
        if pupil_id in by_id
    ]


@router.post("/children/{pupil_id}/care/flags", status_code=201, responses=THERE_ALREADY)
def post_flag(
    record: Record, school_class: Class, pupil_id: PathId, now: Now, sent: FlagIn
) -> FlagOut:
    """Sets a flag, to be looked at again in two weeks."""
    made = care.set_flag(record, school_class.id, pupil_id, sent.kind, now)
    return _flag_out(made, made.since)


@router.put("/care/flags/{flag_id}")
def put_flag(
    record: Record, school_class: Class, flag_id: PathId, now: Now, sent: FlagChange
) -> FlagOut:
    """Says when a flag is looked at again, and whether it is over."""
    changed = care.change_flag(
        record, school_class.id, flag_id, sent.look_again, now, is_over=sent.is_over
    )
    return _flag_out(changed, changed.since)


@router.delete("/care/flags/{flag_id}", status_code=204)
def delete_flag(record: Record, school_class: Class, flag_id: PathId) -> None:
    """Deletes a flag, for good."""
    care.remove_flag(record, school_class.id, flag_id)


@router.post("/children/{pupil_id}/care/notes", status_code=201)
def post_note(
    record: Record, school_class: Class, pupil_id: PathId, now: Now, sent: NoteIn
) -> NoteOut:
    """Notes something of today."""
    return _note_out(care.add_note(record, school_class.id, pupil_id, sent.text, now))


@router.put("/care/notes/{note_id}")
def put_note(record: Record, school_class: Class, note_id: PathId, sent: NoteIn) -> NoteOut:
    """Puts a note in other words."""
    return _note_out(care.change_note(record, school_class.id, note_id, sent.text))


@router.delete("/care/notes/{note_id}", status_code=204)
def delete_note(record: Record, school_class: Class, note_id: PathId) -> None:
    """Deletes a note, for good."""
    care.remove_note(record, school_class.id, note_id)


def _flag_out(one: FlagRecord, today: date) -> FlagOut:
    return FlagOut(
        id=one.id,
        kind=one.kind,
        since=one.since,
        look_again=one.look_again,
        is_due=one.done is None and one.look_again <= today,
        done=one.done,
    )


def _note_out(one: NoteRecord) -> NoteOut:
    return NoteOut(id=one.id, day=one.day, text=one.text)
