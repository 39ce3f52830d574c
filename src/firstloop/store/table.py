"""All that a class wrote, as it lies on one table: letters and texts together, at a glance. Past
the mapper, and without ink."""

from collections import defaultdict
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from math import inf
from typing import Any, NamedTuple

from sqlalchemy import ColumnElement, Select, func, literal, or_, select
from sqlalchemy.orm import Session

from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.evidence.task import Help, Kind, Source
from firstloop.core.judging.word import OnFinding
from firstloop.store import upgrades
from firstloop.store.attempts import Attempt
from firstloop.store.findings import FindingRow
from firstloop.store.handed_in import HandedIn
from firstloop.store.judgements import JudgedFinding, Judgement
from firstloop.store.judging import About
from firstloop.store.pupils import Pupil
from firstloop.store.records import is_judged_by
from firstloop.store.text_seen import TextSeen
from firstloop.store.texts import WrittenText

AT_MOST = 3000
"""Things that lie on a table: more than a class hands in within a term; of more the newest."""

BY_ITSELF = Attempt.place.is_(None)
"""Not within a text. By its place, for SQLite would take the index of texts for one that sorts out
much, and read the whole record by it."""

FIRST_DAY, LAST_DAY = date.min, date.max


@dataclass(frozen=True, slots=True)
class Asked:
    """Which things of a class: written on which days, and of these only those that fit all the rest
    that is asked. What is set aside lies there only if that is asked for."""

    begin: date
    end: date
    lesson_id: int | None = None
    pupil_id: int | None = None
    letter: str | None = None
    pair: str | None = None
    kind: Kind | None = None
    finding: Code | None = None
    help: Help | None = None
    source: Source | None = None
    judged: bool | None = None
    set_aside: bool = False


Rows = Select[*tuple[Any, ...]]
"""A query for things, with all that is shown of them at a glance."""


class Found(NamedTuple):
    """A finding at a glance; of a text nothing is measured here."""

    code: Code
    severity: Verdict
    measure: float = inf
    limit: float = 1.0


@dataclass(frozen=True, slots=True, eq=False)
class Lying:
    """Something on the table: what it is, the verdicts that count, what the checker found without
    what she denies, what is to be mended (what she saw first, then what the checker did), her word
    at a glance, and whether the child chose it."""

    about: About
    pupil_id: int
    kind: Kind
    target: str
    source: Source
    help: Help
    written_at: datetime
    day: date
    verdicts: dict[Dimension, Verdict]
    found: tuple[Found, ...]
    to_mend: tuple[Code, ...]
    is_checked: bool
    is_judged: bool
    is_overruled: bool
    set_aside: bool
    has_note: bool
    chosen: bool


def lying(session: Session, class_id: int, asked: Asked) -> tuple[list[Lying], int]:
    """The newest things of a class that were asked for, AT_MOST of them, and how many there are."""
    of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    letters, texts = _letters(of_class, asked), _texts(of_class, asked)
    found = [*_from(session, letters, _of_attempts), *_from(session, texts, _of_texts)]
    total = len(found)
    if total >= AT_MOST:
        total = sum(
            session.scalar(select(func.count()).select_from(one.order_by(None).subquery())) or 0
            for one in (letters, texts)
        )
        found.sort(key=lambda one: one.written_at, reverse=True)
    return found[:AT_MOST], total


class _Read(NamedTuple):
    """A letter or a text as it is read; its places are those of the columns asked for, which is
    far sooner than by their names."""

    id: int
    pupil_id: int
    kind: str
    target: str
    source: str
    help: str
    written_at: datetime
    day: date
    checker: str
    direction: str
    size: str
    shape: str
    her_direction: str | None
    her_size: str | None
    her_shape: str | None
    judgement_id: int | None
    set_aside: bool
    has_note: bool
    found: Sequence[tuple[str, str]] = ()


def _from(
    session: Session, asked: Rows, made: Callable[[Session, Sequence[_Read]], list[Lying]]
) -> list[Lying]:
    rows = [_Read(*row) for row in session.connection().execute(asked.limit(AT_MOST))]
    return made(session, rows) if rows else []


_VERDICTS = tuple(dimension.value for dimension in Dimension)
_HERS = (
    Judgement.id.label("judgement_id"),
    func.coalesce(Judgement.set_aside, literal(False)).label("set_aside"),
    (func.coalesce(Judgement.note, "") != "").label("has_note"),
)


def _letters(of_class: Select[int], asked: Asked) -> Rows:
    """The letters: those within texts only where a letter or a finding is asked for, for else the
    texts themselves lie there."""
    query = (
        select(
            Attempt.id,
            Attempt.pupil_id,
            Attempt.kind,
            Attempt.letter.label("target"),
            Attempt.source,
            Attempt.help,
            Attempt.written_at,
            Attempt.day,
            Attempt.checker,
            *(getattr(Attempt, d).label(d) for d in _VERDICTS),
            *(getattr(Judgement, d).label(f"her_{d}") for d in _VERDICTS),
            *_HERS,
        )
        .outerjoin(Judgement, (Judgement.attempt_id == Attempt.id) & Judgement.counts)
        .where(*_both(Attempt, of_class, asked, HandedIn.attempt_id))
        .order_by(Attempt.written_at.desc(), Attempt.id.desc())
    )
    if asked.pair is not None or asked.kind not in (None, Kind.LETTER):
        query = query.where(literal(False))
    if asked.letter is not None:
        query = query.where(Attempt.letter == asked.letter)
    if asked.letter is None and asked.finding is None:
        query = query.where(BY_ITSELF)
    if asked.finding is not None:
        has_it = select(FindingRow.attempt_id).where(FindingRow.code == asked.finding.value)
        query = query.where(or_(Attempt.id.in_(has_it), _missed(asked.finding)))
    return query


def _texts(of_class: Select[int], asked: Asked) -> Rows:
    query = (
        select(
            WrittenText.id,
            WrittenText.pupil_id,
            WrittenText.kind,
            WrittenText.target,
            WrittenText.source,
            WrittenText.help,
            WrittenText.written_at,
            WrittenText.day,
            WrittenText.checker,
            *(getattr(TextSeen, d).label(d) for d in _VERDICTS),
            *(getattr(Judgement, d).label(f"her_{d}") for d in _VERDICTS),
            *_HERS,
            TextSeen.found,
        )
        .join(TextSeen, TextSeen.text_id == WrittenText.id)
        .outerjoin(Judgement, (Judgement.text_id == WrittenText.id) & Judgement.counts)
        .where(*_both(WrittenText, of_class, asked, HandedIn.text_id))
        .order_by(WrittenText.written_at.desc(), WrittenText.id.desc())
    )
    if asked.letter is not None:
        query = query.where(WrittenText.target == asked.letter, WrittenText.kind == Kind.ROW.value)
    if asked.pair is not None:
        query = query.where(WrittenText.target.contains(asked.pair, autoescape=True))
    if asked.kind is not None:
        query = query.where(WrittenText.kind == asked.kind.value)
    if asked.finding is not None:
        each = func.json_each(TextSeen.found).table_valued("value")
        code = func.json_extract(each.c.value, "$[0]")
        has_it = select(1).select_from(each).where(code == asked.finding.value).exists()
        query = query.where(or_(has_it, _missed(asked.finding)))
    return query


def _both(
    what: Any, of_class: Select[int], asked: Asked, handed_in: Any
) -> list[ColumnElement[bool]]:
    """What is asked of letters and texts alike."""
    aside = func.coalesce(Judgement.set_aside, literal(False))
    conditions = [
        what.pupil_id.in_(of_class),
        what.day.between(asked.begin, asked.end),
        aside if asked.set_aside else ~aside,
    ]
    if asked.pupil_id is not None:
        conditions.append(what.pupil_id == asked.pupil_id)
    if asked.help is not None:
        conditions.append(what.help == asked.help.value)
    if asked.source is not None:
        conditions.append(what.source == asked.source.value)
    if asked.judged is not None:
        conditions.append(Judgement.id.is_not(None) == asked.judged)
    if asked.lesson_id is not None:
        in_lesson = select(handed_in).where(HandedIn.lesson_id == asked.lesson_id)
        conditions.append(what.id.in_(in_lesson))
    return conditions


def _missed(code: Code) -> ColumnElement[bool]:
    return Judgement.id.in_(
        select(JudgedFinding.judgement_id).where(
            JudgedFinding.code == code.value, JudgedFinding.said == OnFinding.MISSED.value
        )
    )


def _of_attempts(session: Session, rows: Sequence[_Read]) -> list[Lying]:
    these = [row.id for row in rows]
    connection = session.connection()
    found: dict[int, list[Found]] = defaultdict(list)
    of_these = (
        select(
            FindingRow.attempt_id,
            FindingRow.code,
            FindingRow.severity,
            FindingRow.measure,
            FindingRow.limit,
        )
        .where(FindingRow.attempt_id.in_(these))
        .order_by(FindingRow.attempt_id, FindingRow.position)
    )
    for attempt_id, name, severity, measure, limit in connection.execute(of_these):
        if code := upgrades.code(name):
            found[attempt_id].append(Found(code, Verdict(severity), measure, limit))
    best = select(HandedIn.attempt_id).where(HandedIn.is_best, HandedIn.attempt_id.in_(these))
    chosen = set(session.scalars(best))
    words = _words(session, rows)
    return [
        _lying(row, About(attempt_id=row.id), found[row.id], words, chosen=row.id in chosen)
        for row in rows
    ]


def _of_texts(session: Session, rows: Sequence[_Read]) -> list[Lying]:
    words = _words(session, rows)
    made = []
    for row in rows:
        known = [(upgrades.code(name), Verdict(severity)) for name, severity in row.found]
        found = [Found(code, severity) for code, severity in known if code]
        made.append(_lying(row, About(text_id=row.id), found, words, chosen=False))
    return made


Words = dict[int, dict[Code, OnFinding]]


def _words(session: Session, rows: Iterable[_Read]) -> Words:
    """What she said of findings, by her word: only where she did not just agree."""
    ids = [row.judgement_id for row in rows if row.judgement_id is not None]
    found: Words = defaultdict(dict)
    for begin in range(0, len(ids), 500):
        query = select(JudgedFinding.judgement_id, JudgedFinding.code, JudgedFinding.said).where(
            JudgedFinding.judgement_id.in_(ids[begin : begin + 500]),
            JudgedFinding.said != OnFinding.SO.value,
        )
        for judgement_id, name, said in session.connection().execute(query):
            if code := upgrades.code(name):
                found[judgement_id][code] = OnFinding(said)
    return found


# Looked up, not called: there are thousands.
_VERDICT_OF: dict[str, Verdict] = {one.value: one for one in Verdict}
_KIND_OF, _SOURCE_OF, _HELP_OF = (
    {one.value: one for one in Kind},
    {one.value: one for one in Source},
    {one.value: one for one in Help},
)
_DIMENSIONS = tuple(Dimension)
_PLACE = {code: place for place, code in enumerate(Code)}


def _lying(row: _Read, about: About, found: list[Found], words: Words, *, chosen: bool) -> Lying:
    said = words.get(row.judgement_id or 0, {})
    checked = (row.direction, row.size, row.shape)
    hers = (row.her_direction, row.her_size, row.her_shape)
    held = [her or its for its, her in zip(checked, hers, strict=True)]
    missed = [code for code, word in said.items() if word is OnFinding.MISSED]
    if said:
        found = [one for one in found if said.get(one.code) is not OnFinding.NOT_SO]
    to_mend = [one.code for one in found if one.severity is Verdict.NOT_YET]
    return Lying(
        about=about,
        pupil_id=row.pupil_id,
        kind=_KIND_OF[row.kind],
        target=row.target,
        source=_SOURCE_OF[row.source],
        help=_HELP_OF[row.help],
        written_at=row.written_at,
        day=row.day,
        verdicts={d: _VERDICT_OF[one] for d, one in zip(_DIMENSIONS, held, strict=True)},
        found=tuple(found),
        to_mend=(*sorted(missed, key=_PLACE.__getitem__), *to_mend),
        is_checked=is_judged_by(row.checker),
        is_judged=row.judgement_id is not None,
        is_overruled=bool(said) or tuple(held) != checked,
        set_aside=bool(row.set_aside),
        has_note=bool(row.has_note),
        chosen=chosen,
    )
