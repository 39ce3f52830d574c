"""The room: how it goes for each child while a class writes, for a teacher who walks round."""

from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from itertools import chain

from firstloop.core.contract import Code
from firstloop.core.evidence.task import Help
from firstloop.core.teaching.going import Going, Wrote, how_it_goes
from firstloop.core.teaching.habits import HABITS
from firstloop.core.teaching.pad_tasks import Key
from firstloop.core.teaching.roster import Presence
from firstloop.core.teaching.tiring import made, questions
from firstloop.core.teaching.under_way import Moment, Progress
from firstloop.services.lessons import under_way_of
from firstloop.services.looking import Seen, seen
from firstloop.store import (
    handed_in,
    happenings,
    inks,
    lesson_codes,
    lessons,
    pads,
    pupils,
    set_aside,
)
from firstloop.store.database import Session
from firstloop.store.lesson_codes import CodeRecord
from firstloop.store.pads import PadRecord
from firstloop.store.records import ClassRecord, LessonRecord, PupilRecord
from firstloop.store.set_aside import SetAsideRecord

NOTHING_TO_WRITE = Progress(0, None, is_enough=False)

SHOWN = 4
"""Letters of each child: what is taken in at a glance while one walks on."""


@dataclass(frozen=True, slots=True, eq=False)
class ChildNow:
    """A child: its pad, in which lesson, how it goes, how much of the step is written of how much
    (None: no limit), the newest letters, the latest last."""

    pupil: PupilRecord
    pad: PadRecord | None
    lesson_id: int | None
    going: Going
    written: int
    enough: int | None
    newest: tuple[Seen, ...]


@dataclass(frozen=True, slots=True, eq=False)
class OpenLesson:
    """A lesson that is open to pads, where it is, and since when; whether more pads can come in."""

    code: CodeRecord
    lesson: LessonRecord | None
    now: Moment | None
    since: datetime
    is_full: bool


@dataclass(frozen=True, slots=True, eq=False)
class Room:
    """The lessons that are open, the children of the class, and what stays on pads, refused."""

    lessons: tuple[OpenLesson, ...]
    children: tuple[ChildNow, ...]
    set_aside: tuple[SetAsideRecord, ...]

    def to_mend(self) -> dict[Code, list[int]]:
        """What can be mended together in the last letter of each child, and in whose it is."""
        found: dict[Code, list[int]] = {}
        for child in self.children:
            for code in child.newest[-1].to_mend if child.newest else ():
                found.setdefault(Code(code), []).append(child.pupil.id)
        return {code: found[code] for code in HABITS if code in found}


def room(session: Session, school_class: ClassRecord, now: datetime) -> Room:
    """How it goes for each child of a class just now."""
    there = pads.in_lesson(session, school_class.id, now)
    in_each = Counter(pad.code_id for pad in there)
    opened = tuple(
        _open_lesson(session, school_class, code, in_each[code.id] >= pads.MOST_IN_A_LESSON)
        for code in lesson_codes.open_of(session, school_class.id, now)
    )
    by_code = {one.code.id: one for one in opened}
    seats = {pad.pupil_id: pad for pad in there if pad.pupil_id is not None}
    under_way = [one.lesson.id for one in opened if one.lesson]
    counts = handed_in.counts_of_all(session, under_way)
    newest = handed_in.newest(session, under_way, SHOWN)
    looked: dict[int, list[Seen]] = {}
    for one in seen(session, school_class.id, [*chain.from_iterable(newest.values())]):
        looked.setdefault(one.work.pupil_id, []).append(one)
    children = []
    for pupil in school_class.pupils:
        if pupil.presence is not Presence.HERE:
            continue
        pad = seats.get(pupil.id)
        at = by_code.get(pad.code_id) if pad and pad.code_id else None
        shown = tuple(looked.get(pupil.id, ()))
        children.append(_child(pupil, pad, at, counts.get(pupil.id, {}), shown, now))
    return Room(opened, tuple(children), tuple(set_aside.of_class(session, school_class.id, now)))


def _open_lesson(
    session: Session, school_class: ClassRecord, code: CodeRecord, is_full: bool
) -> OpenLesson:
    if code.lesson_id is None:
        return OpenLesson(code, None, None, code.opened_at, is_full)
    kept = lessons.get(session, school_class.id, code.lesson_id)
    went = happenings.last_place(session, school_class.id, kept.id)
    since = max(went, code.opened_at) if went else code.opened_at
    return OpenLesson(code, kept, under_way_of(kept, school_class).now, since, is_full)


def _child(  # noqa: PLR0917  # what is known of a child
    pupil: PupilRecord,
    pad: PadRecord | None,
    at: OpenLesson | None,
    counts: Mapping[Key, int],
    newest: tuple[Seen, ...],
    now: datetime,
) -> ChildNow:
    now_for_it = at.now.given(pupil.gets) if at and at.now else None
    progress = now_for_it.progress(counts) if now_for_it else NOTHING_TO_WRITE
    going = how_it_goes(
        [_wrote(one) for one in newest],
        now,
        at.since if at else now,
        has_pad=pad is not None,
        enough=progress.is_enough,
    )
    lesson_id = at.code.lesson_id if at else None
    return ChildNow(pupil, pad, lesson_id, going, progress.written, progress.enough, newest)


def _wrote(one: Seen) -> Wrote:
    codes, moment = one.to_mend, one.work.came_at
    assert moment is not None  # what a lesson's pad handed in has its moment
    return Wrote(moment, one.work.is_struck, Code(codes[0]) if codes else None)


def asked_of(
    session: Session, school_class: ClassRecord, lesson_id: int, pupil_id: int
) -> tuple[str, ...]:
    """What to ask oneself about a child's hand, from the letters of its own that it wrote last in a
    lesson, all of one kind; nothing where that is little. Raises NotInRecordError."""
    lessons.get(session, school_class.id, lesson_id)
    pupils.get(session, school_class.id, pupil_id)
    own = [
        work
        for work in handed_in.of_child(session, lesson_id, pupil_id)
        if work.attempt_id and work.task and work.task[2] not in (Help.TRACE, Help.FINISH)
    ]
    last = own[-1].task if own else None
    alike = [work.attempt_id for work in own if work.task == last and work.attempt_id]
    ink = inks.of(session, alike)
    return questions([made(ink[one]) for one in alike if one in ink])
