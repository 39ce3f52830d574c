"""Pads: how they come into a lesson, who sits at them, how they leave."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from firstloop.core.errors import FirstLoopError
from firstloop.services import guessing
from firstloop.services.digests import digest_of, new_token
from firstloop.store import happenings, lesson_codes, pads, pupils
from firstloop.store.database import Database, Session
from firstloop.store.happenings import What
from firstloop.store.lesson_codes import CodeRecord
from firstloop.store.pads import PadRecord, Seat

TAKEN_LATE = timedelta(hours=24)
"""After a lesson's end, for what was written before it: a lid that was closed is opened again on
the next morning."""


class UnknownPadError(FirstLoopError):
    """A code that is none, or a pad that no class knows."""


class TakenTileError(FirstLoopError):
    """A child sits at another pad."""


class TooManyPadsError(FirstLoopError):
    """A lesson with more pads than a class could have."""


class PutOutError(FirstLoopError):
    """A pad that is in no lesson, or not any more."""


class TooLateError(FirstLoopError):
    """Something that will never be taken: written after its lesson's end, or sent a day later."""


@dataclass(frozen=True, slots=True)
class Joined:
    """A pad that came in: the pad, by what it is known from now on in this lesson, and again."""

    pad: PadRecord
    code: CodeRecord
    token: str
    device: str


@dataclass(frozen=True, slots=True)
class InLesson:
    """A pad in a lesson, or after it."""

    pad: PadRecord
    code: CodeRecord


def join(record: Database, code: str, device: str | None, address: str, now: datetime) -> Joined:
    """Takes a pad into the lesson of a code: its words, or the secret that the square carries,
    which nobody guesses and which therefore no guesses hinder. Raises UnknownPadError for a code
    that is none, TooManyTriesError and TooManyPadsError."""
    with record.session() as session:  # who has to wait does not stand in line to write
        is_square = lesson_codes.with_secret(session, code, now) is not None
        guess = None if is_square else _guess(session, device, address)
        if guess:
            guess.require_patience(session, now)
    with record.writing() as session:
        found = lesson_codes.with_secret(session, code, now)
        if found is None and guess:
            guess.require_patience(session, now)
            found = lesson_codes.named(session, code, now)
            if found is None:
                guess.was_wrong(session, now)
        joined = None if found is None else _let_in(session, found, device or new_token(), now)
    if joined is None:
        raise UnknownPadError(
            "no lesson has this code; look at the board again, or ask your teacher"
        )
    return joined


def _guess(session: Session, device: str | None, address: str) -> guessing.Guess:
    known = digest_of(device) if device and pads.known_as(session, digest_of(device)) else None
    return guessing.at_a_code(guessing.place_of(address, known))


def join_known(record: Database, device: str | None, now: datetime) -> Joined | None:
    """Takes a pad of an earlier lesson in once the teacher has nodded; None while it waits. Raises
    UnknownPadError."""
    with record.writing() as session:
        known = pads.known_as(session, digest_of(device)) if device else []
        if device is None or not known:
            raise UnknownPadError("nobody knows this pad yet; it comes in by the code on the board")
        codes = {one.id: one for one in lesson_codes.every_open(session, now)}
        for one in known:
            if one.code_id in codes and one.asked_at is None:
                return _let_in(session, codes[one.code_id], device, now)
        teaching = {code.class_id for code in codes.values()}
        asks = next((one for one in reversed(known) if one.class_id in teaching), known[-1])
        if pads.ask(session, asks.class_id, asks.id, now):
            happenings.add(session, asks.class_id, What.PAD, now, pad_id=asks.id)
    return None


def _let_in(session: Session, code: CodeRecord, device: str, now: datetime) -> Joined:
    token = new_token()
    if pads.is_full(session, code.class_id, digest_of(device), code.id):
        raise TooManyPadsError(
            f"{pads.MOST_IN_A_LESSON} pads are in this lesson, and more cannot be; ask your "
            "teacher to put one out"
        )
    pad = pads.let_in(session, code.class_id, digest_of(device), digest_of(token), code)
    happenings.add(session, code.class_id, What.PAD, now, code_id=code.id, pad_id=pad.id)
    return Joined(pad, code, token, device)


def holding(record: Database, token: str | None) -> InLesson:
    """The pad that shows a token, in its lesson or after it; raises PutOutError."""
    with record.session() as session:
        pad = pads.holding(session, digest_of(token)) if token else None
        if pad is None or pad.code_id is None:
            raise PutOutError("this pad is in no lesson; it comes in by the code on the board")
        return InLesson(pad, lesson_codes.get(session, pad.class_id, pad.code_id))


def still_holds(record: Database, token: str | None, who: InLesson) -> bool:
    """Whether what a pad shows still lets it into the lesson that it was in."""
    try:
        return holding(record, token).code.id == who.code.id
    except PutOutError:
        return False


def require_open(who: InLesson, now: datetime) -> None:
    """Raises PutOutError for a pad whose lesson is over."""
    if not who.code.is_open(now):
        raise PutOutError("the lesson is over; the next one has a code of its own")


def require_in_time(code: CodeRecord, written_at: datetime, now: datetime) -> None:
    """Raises TooLateError for what was written after the lesson's end, or comes a day after it."""
    if code.is_open(now):
        return
    if written_at > code.ends_at:
        raise TooLateError("this was written after the lesson's end; it stays on the pad")
    if now >= code.ends_at + TAKEN_LATE:
        raise TooLateError("this came more than a day after the lesson's end; it stays on the pad")


def sit(
    record: Database,
    who: InLesson,
    pupil_id: int,
    now: datetime,
    *,
    opens_alone: bool | None = None,
) -> Seat:
    """A child takes its tile. Raises TakenTileError where it sits at another pad that is in, and
    NotInRecordError."""
    class_id = who.code.class_id
    with record.writing() as session:
        pupil = pupils.get(session, class_id, pupil_id)
        others = pads.in_lesson(session, class_id, now)
        if any(one.pupil_id == pupil.id and one.id != who.pad.id for one in others):
            raise TakenTileError(
                f"{pupil.name} sits at another pad; choose your own, or ask your teacher to free it"
            )
        if opens_alone is not None:
            pads.says_it_opens_alone(session, class_id, who.pad.id, it_does=opens_alone)
        if who.pad.pupil_id == pupil.id and who.pad.seat:
            return who.pad.seat
        seat = pads.sit(session, class_id, who.pad, pupil.id, now)
        happenings.add(session, class_id, What.PAD, now, pad_id=who.pad.id)
    return seat


def leave(record: Database, class_id: int, pad_id: int, now: datetime) -> None:
    """What a pad shows is worth nothing from now on, whether it left or was put out; raises
    NotInRecordError."""
    with record.writing() as session:
        before = pads.get(session, class_id, pad_id)
        pads.put_out(session, class_id, pad_id, now)
        happenings.add(session, class_id, What.PAD, now, pad_id=pad_id)
        happenings.add(session, class_id, What.END, now, pad_id=pad_id, code_id=before.code_id)


def free(record: Database, class_id: int, pad_id: int, now: datetime) -> None:
    """Frees the tile that was taken at a pad, which chooses anew; raises NotInRecordError."""
    with record.writing() as session:
        before = pads.get(session, class_id, pad_id)
        pads.free(session, class_id, pad_id, now)
        happenings.add(session, class_id, What.PAD, now, pad_id=pad_id)
        happenings.add(session, class_id, What.TASK, now, pad_id=pad_id, code_id=before.code_id)


def forget_all(record: Database, class_id: int) -> None:
    """Forgets all pads of a class, and who sat at which: each comes in by a code again."""
    with record.writing() as session:
        pads.forget_all(session, class_id)
    record.clear_log()
