"""The room: how it goes for each child while a class writes, for a teacher who walks round."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from firstloop.core.contract import Code
from firstloop.core.teaching.course import Stop
from firstloop.core.teaching.going import Going, Wrote, how_it_goes
from firstloop.core.teaching.habits import HABITS
from firstloop.core.teaching.pads import PadTask, tasks_at
from firstloop.core.teaching.roster import Presence
from firstloop.core.vocabulary.language import long_date
from firstloop.services.looking import Seen, seen
from firstloop.services.pad_work import where
from firstloop.store import handed_in, happenings, lesson_codes, lessons, pads
from firstloop.store.database import Session
from firstloop.store.handed_in import Work
from firstloop.store.happenings import What
from firstloop.store.lesson_codes import CodeRecord
from firstloop.store.pads import PadRecord
from firstloop.store.records import ClassRecord, LessonRecord, PupilRecord

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
    """A lesson that is open to pads, and where it is."""

    code: CodeRecord
    lesson: LessonRecord | None
    stop: Stop | None


@dataclass(frozen=True, slots=True, eq=False)
class Room:
    """The lessons that are open, and the children of the class."""

    lessons: tuple[OpenLesson, ...]
    children: tuple[ChildNow, ...]

    def to_mend(self) -> dict[Code, list[int]]:
        """What can be mended together in the last letter of each child, and in whose it is."""
        found: dict[Code, list[int]] = {}
        for child in self.children:
            for code in child.newest[-1].to_mend if child.newest else ():
                found.setdefault(Code(code), []).append(child.pupil.id)
        return {code: found[code] for code in HABITS if code in found}


def room(session: Session, school_class: ClassRecord, now: datetime) -> Room:
    """How it goes for each child of a class just now."""
    opened = tuple(
        _open_lesson(session, school_class, code)
        for code in lesson_codes.open_of(session, school_class.id, now)
    )
    by_code = {one.code.id: one for one in opened}
    seats = {
        pad.pupil_id: pad
        for pad in pads.in_lesson(session, school_class.id, now)
        if pad.pupil_id is not None
    }
    found = handed_in.of_lessons(session, [one.lesson.id for one in opened if one.lesson])
    since = {one.code.id: _since(session, school_class.id, one.code) for one in opened}
    here = [one for one in school_class.pupils if one.presence is Presence.HERE]
    newest = {one.id: [work for work in found if work.pupil_id == one.id][-SHOWN:] for one in here}
    looked = seen(session, school_class.id, [work for works in newest.values() for work in works])
    children = []
    for pupil in here:
        pad = seats.get(pupil.id)
        at = by_code.get(pad.code_id) if pad and pad.code_id else None
        tasks = tuple(_tasks(at, school_class))
        keys = {task.key for task in tasks}
        mine = [one for one in found if one.pupil_id == pupil.id and one.task in keys]
        shown = tuple(one for one in looked if one.work.pupil_id == pupil.id)
        began = since[at.code.id] if at else now
        children.append(_child(pupil, pad, at, _Progress(tasks, mine, shown, began), now))
    return Room(opened, tuple(children))


def _open_lesson(session: Session, school_class: ClassRecord, code: CodeRecord) -> OpenLesson:
    if code.lesson_id is None:
        return OpenLesson(code, None, None)
    lesson = lessons.get(session, school_class.id, code.lesson_id)
    return OpenLesson(code, lesson, where(lesson, school_class))


def _since(session: Session, class_id: int, code: CodeRecord) -> datetime:
    """When the step began that the pads of a lesson are at."""
    last = happenings.last_of(session, class_id, code.id, (What.TASK, What.CHOOSE))
    return last or code.opened_at


@dataclass(frozen=True, slots=True, eq=False)
class _Progress:
    """At a step: its tasks, what the child handed in for them, its newest letters of the lesson,
    and when the step began."""

    tasks: tuple[PadTask, ...]
    mine: list[Work]
    newest: tuple[Seen, ...]
    began: datetime

    @property
    def written(self) -> int:
        return sum(not one.is_struck for one in self.mine)

    @property
    def enough(self) -> int | None:
        limits = [task.enough for task in self.tasks]
        return None if not limits or None in limits else sum(one or 0 for one in limits)


def _child(
    pupil: PupilRecord,
    pad: PadRecord | None,
    at: OpenLesson | None,
    progress: _Progress,
    now: datetime,
) -> ChildNow:
    enough, written = progress.enough, progress.written
    going = how_it_goes(
        [_wrote(one) for one in progress.newest],
        now,
        progress.began,
        has_pad=pad is not None,
        enough=enough is not None and written >= enough,
    )
    lesson_id = at.code.lesson_id if at else None
    return ChildNow(pupil, pad, lesson_id, going, written, enough, progress.newest)


def _tasks(at: OpenLesson | None, school_class: ClassRecord) -> Iterable[PadTask]:
    if at is None or at.lesson is None or at.stop is None:
        return ()
    date_text = long_date(at.lesson.day, school_class.language)
    return tasks_at(at.stop, at.lesson.lesson, date_text, school_class.customs)


def _wrote(one: Seen) -> Wrote:
    codes, moment = one.to_mend, one.work.came_at
    assert moment is not None  # what a lesson's pad handed in has its moment
    return Wrote(moment, one.work.is_struck, Code(codes[0]) if codes else None)
