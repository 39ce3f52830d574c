"""The teacher's word on what was written: it always wins over the checker, and both are kept."""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from contextlib import ExitStack, contextmanager
from dataclasses import dataclass, field
from datetime import date, datetime

from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.judging.word import How, Seen, Word, aspects_seen, blind, settled
from firstloop.core.letters.style import hand_of
from firstloop.formats.result_json import verdicts_of_answer
from firstloop.store import (
    attempts,
    blind_sets,
    finding_trust,
    judging,
    practice_days,
    progress_marks,
    texts,
)
from firstloop.store.database import Database, Session
from firstloop.store.judging import About, Author
from firstloop.store.records import AttemptRecord, TextRecord


@dataclass(frozen=True, slots=True)
class Said:
    """What somebody says of an attempt or a text; None: she takes her word back."""

    about: About
    word: Word | None


@dataclass(frozen=True, slots=True, eq=False)
class Judged:
    """Attempts and texts as they stand since."""

    attempts: list[AttemptRecord]
    texts: list[TextRecord]


def judge(
    record: Database, class_id: int, author: Author, said: Sequence[Said], now: datetime
) -> Judged:
    """Sets somebody's words in place of earlier ones of hers, all or none of them, and counts anew
    what rests on them. Raises NotInRecordError."""
    with record.writing() as session:
        touched = _Touched()
        for one in said:
            _say(session, class_id, author, one, now, touched)
        _count_anew(session, class_id, touched, now)
        session.expire_all()
        return Judged(
            attempts.some(session, class_id, [id for one in said if (id := one.about.attempt_id)]),
            texts.some(session, class_id, [id for one in said if (id := one.about.text_id)]),
        )


def judge_blind(  # noqa: PLR0917  # who says what of which letter of which set, when
    session: Session,
    class_id: int,
    author: Author,
    set_id: int,
    attempt_id: int,
    verdicts: Mapping[Dimension, Verdict],
    codes: Iterable[Code],
    now: datetime,
) -> None:
    """Keeps what somebody says of a letter of a set without seeing a word of anybody else's."""
    touched = _Touched()
    about = About(attempt_id=attempt_id)
    found = attempts.get(session, class_id, attempt_id)
    with touched.by(session, class_id, about):
        word = blind(verdicts, codes, _seen_in(found))
        judging.keep(session, class_id, about, author, word, now, set_id)
    _count_anew(session, class_id, touched, now)


def forget_set(session: Session, class_id: int, set_id: int, now: datetime) -> None:
    """Deletes a blind set with all that was said in it. Raises NotInRecordError."""
    touched = _Touched()
    with ExitStack() as around:
        for attempt_id in blind_sets.get(session, class_id, set_id).attempts:
            around.enter_context(touched.by(session, class_id, About(attempt_id=attempt_id)))
        about = [About(attempt_id=one) for one in blind_sets.remove(session, class_id, set_id)]
        judging.let_one_count(session, class_id, about)
    _count_anew(session, class_id, touched, now)


@dataclass(slots=True)
class _Touched:
    """What rests on words that have changed: days of children, and findings."""

    days: set[tuple[int, date]] = field(default_factory=set)
    codes: set[Code] = field(default_factory=set)

    @contextmanager
    def by(self, session: Session, class_id: int, about: About) -> Iterator[None]:
        """Notes what a change of a word touches: by the word that counts before and after."""
        before = _word_on(session, class_id, about)
        yield
        after = _word_on(session, class_id, about)
        for word in (before, after):
            self.codes |= set(word.findings) if word else set()
        if about.attempt_id is None:
            return
        attempt = attempts.get(session, class_id, about.attempt_id).attempt
        self.days.add((attempt.pupil_id, attempt.day))
        was_aside, is_aside = _is_aside(before), _is_aside(after)
        if was_aside != is_aside:
            count = -1 if is_aside else 1
            practice_days.add(session, class_id, attempt.task.target, attempt.day, count)


def _word_on(session: Session, class_id: int, about: About) -> Word | None:
    counting = [one.word for one in judging.words_on(session, class_id, about) if one.counts]
    return counting[0] if counting else None


def _is_aside(word: Word | None) -> bool:
    return word is not None and word.set_aside


def _say(  # noqa: PLR0917  # who says what of which, when, and what that touches
    session: Session, class_id: int, author: Author, said: Said, now: datetime, touched: _Touched
) -> None:
    about, word = said.about, said.word
    if about.attempt_id is not None and word is not None:
        found = attempts.get(session, class_id, about.attempt_id)
        word = settled(word, found.attempt.checked.verdicts, _seen_in(found))
    elif about.text_id is not None:
        text = texts.get(session, class_id, about.text_id)
        _set_letters_aside(session, class_id, author, text, said, now, touched)
        word = _settled_of_text(text, word) if word else None
    with touched.by(session, class_id, about):
        if word is None:
            judging.withdraw(session, class_id, about, author)
        else:
            judging.keep(session, class_id, about, author, word, now)


def _set_letters_aside(  # noqa: PLR0917  # as _say
    session: Session,
    class_id: int,
    author: Author,
    text: TextRecord,
    said: Said,
    now: datetime,
    touched: _Touched,
) -> None:
    """The letters of a text that is nobody's are nobody's either; and are somebody's again with
    it."""
    was_aside = text.judgement is not None and text.judgement.word.set_aside
    if _is_aside(said.word) == was_aside:
        return
    for attempt_id in text.attempts.values():
        letter = About(attempt_id=attempt_id)
        with touched.by(session, class_id, letter):
            if _is_aside(said.word):
                word = Word(set_aside=True, how=How.WITH_TEXT)
                aside = settled(word, {}, ())
                judging.keep(session, class_id, letter, author, aside, now)
            else:
                judging.withdraw(session, class_id, letter, author, How.WITH_TEXT)


def _settled_of_text(text: TextRecord, word: Word) -> Word:
    verdicts, seen = verdicts_of_answer(text.text.answer), seen_in_text(text)
    joins = hand_of(text.text.style).joins
    return settled(word, verdicts, seen, aspects_seen(seen, joins=joins))


def seen_in_text(text: TextRecord) -> list[Seen]:
    """What the checker found in a text."""
    found = text.text.answer["findings"]
    return [Seen(Code(one["code"]), Verdict(one["severity"])) for one in found]


def _seen_in(found: AttemptRecord) -> list[Seen]:
    return [Seen(one.code, one.severity) for one in found.attempt.checked.findings]


def _count_anew(session: Session, class_id: int, touched: _Touched, now: datetime) -> None:
    for pupil_id, day in sorted(touched.days):
        progress_marks.forget(session, class_id, pupil_id, day)
    finding_trust.recount(session, class_id, sorted(touched.codes), now)
