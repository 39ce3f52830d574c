"""The tally: what the teacher's eye saw on paper and whiteboards, kept as evidence by eye."""

from datetime import datetime

from firstloop.core.checking.say.by_eye import seen_by_eye
from firstloop.core.checking.say.findings import CHECKER_VERSION
from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Help, Kind, Source, Task
from firstloop.core.letters import find_script
from firstloop.services.clock import day_of
from firstloop.store import attempts, happenings, practice_days, progress_marks, pupils, school
from firstloop.store.database import Database
from firstloop.store.happenings import What
from firstloop.store.records import AttemptRecord, Checked, ClassRecord, NewAttempt

BY_EYE = "by eye"


def keep(
    record: Database,
    school_class: ClassRecord,
    *,
    pupil_id: int,
    letter: str,
    seen: Code | None,
    now: datetime,
) -> AttemptRecord:
    """Keeps what was seen of a child's letter: one thing to mend, or (None) that it was well made.
    Raises NotInRecordError and UnknownLetterError."""
    find_script(letter, school_class.hand)
    verdicts, findings, say = seen_by_eye(seen)
    with record.writing() as session:
        pupil = pupils.get(session, school_class.id, pupil_id)
        day = day_of(now, school.zone(session))
        new = NewAttempt(
            pupil_id=pupil.id,
            task=Task(
                letter, Kind.LETTER, pupil.handedness, pupil.gets.stage or school_class.stage
            ),
            source=Source.EYE,
            help=Help.COPY,
            style=school_class.style,
            ruling=school_class.ruling,
            written_at=now,
            day=day,
            checked=Checked(
                reads_as=letter,
                way=BY_EYE,
                verdicts=verdicts,
                findings=findings,
                say=say,
                checker=CHECKER_VERSION,
            ),
        )
        kept_id = attempts.add(session, school_class.id, new, Ink(()))
        practice_days.add(session, school_class.id, letter, day)
        progress_marks.forget(session, school_class.id, pupil.id, day)
        happenings.add(session, school_class.id, What.TALLY, now, attempt_id=kept_id)
    return AttemptRecord(kept_id, pupil, new, None)
