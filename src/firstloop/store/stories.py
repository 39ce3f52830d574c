"""What a child wrote over time, chosen to be looked at: some of each letter, some of each week; and
how letters did alone and in words."""

import json
from collections import defaultdict
from collections.abc import Collection, Iterable, Iterator, Mapping
from datetime import date, datetime
from typing import Any

from sqlalchemy import Select, String, and_, bindparam, case, func, or_, select, type_coerce
from sqlalchemy.orm import Session

from firstloop.core.contract import Verdict
from firstloop.core.evidence.task import Help, Kind, Source
from firstloop.core.judging.text_habits import TextSaid
from firstloop.core.judging.word import Aspect, Seen, aspects_seen
from firstloop.core.progress.in_words import Compared
from firstloop.store import pupils, upgrades
from firstloop.store.attempts import Attempt
from firstloop.store.evidence import HELD, HER_WORD
from firstloop.store.inks import AttemptInk
from firstloop.store.judged_hands import JudgedHand, joins_in
from firstloop.store.judgements import Judgement
from firstloop.store.pupils import Pupil
from firstloop.store.text_seen import TextSeen
from firstloop.store.texts import WrittenText

_ALONE = and_(
    Attempt.text_id.is_(None),
    Attempt.source == Source.PEN.value,
    Attempt.help.in_((Help.COPY.value, Help.RECALL.value)),
)
"""A child's own letter: neither traced nor begun for it, nor within a word."""

_UNSEEN = Verdict.UNSEEN.value
_NOT_SET_ASIDE = or_(Judgement.id.is_(None), Judgement.set_aside.is_(False))


def of_letters(  # of which letters of whom, and how many
    session: Session, class_id: int, pupil_id: int, letters: Collection[str], most: int
) -> dict[str, list[tuple[int, date]]]:
    """Of letters that a child wrote by itself the first, the newest, and some evenly between in
    time, `most` (2 or more) at most of each: the ids of attempts and their days, the oldest
    first."""
    pupils.get(session, class_id, pupil_id)
    firsts = _first_since(session, pupil_id, [(name, EVER) for name in letters])
    chosen = {name: {first} for (name, _), first in firsts.items()}
    for name, newest in _newest(session, pupil_id, letters).items():
        chosen[name].add(newest)
    when = _moments(session, chosen)
    between = [
        (name, f"{begin + (end - begin) * at / (most - 1):%Y-%m-%d %H:%M:%S.%f}")
        for name, ids in chosen.items()
        for begin, *_, end in [sorted(when[one][0] for one in [*ids, *ids])]
        for at in range(1, most - 1)
    ]
    for (name, _), one in _first_since(session, pupil_id, between).items():
        chosen[name].add(one)
    when = _moments(session, chosen)
    return {
        name: [(one, when[one][1]) for one in sorted(ids, key=lambda one: (when[one][0], one))]
        for name, ids in chosen.items()
    }


EVER = ""
"""Before any moment, as moments are kept."""

# Each is come by with one look into the index of a child's letters: to read all that it ever wrote
# takes far longer.
_ASKED = func.json_each(bindparam("asked")).table_valued("value").alias("asked")


def _first_since(
    session: Session, pupil_id: int, asked: Iterable[tuple[str, str]]
) -> dict[tuple[str, str], int]:
    """The first of a child's own letters of a name from a moment on, where there is one."""
    letter, since = (func.json_extract(_ASKED.c.value, place) for place in ("$[0]", "$[1]"))
    own = (
        _own(pupil_id)
        .add_columns(Attempt.id)
        .where(Attempt.letter == letter, type_coerce(Attempt.written_at, String) >= since)
        .order_by(Attempt.written_at, Attempt.id)
    )
    found = select(letter, since, own.limit(1).correlate(_ASKED).scalar_subquery())
    rows = session.execute(found.select_from(_ASKED), {"asked": json.dumps([*asked])})
    return {(name, moment): one for name, moment, one in rows if one is not None}


def _newest(session: Session, pupil_id: int, letters: Iterable[str]) -> dict[str, int]:
    """The newest of a child's own letters of a name, where there is one."""
    own = (
        _own(pupil_id)
        .add_columns(Attempt.id)
        .where(Attempt.letter == _ASKED.c.value)
        .order_by(Attempt.written_at.desc(), Attempt.id.desc())
    )
    found = select(_ASKED.c.value, own.limit(1).correlate(_ASKED).scalar_subquery())
    rows = session.execute(found.select_from(_ASKED), {"asked": json.dumps([*letters])})
    return {name: one for name, one in rows if one is not None}


def _moments(
    session: Session, chosen: Mapping[str, Iterable[int]]
) -> dict[int, tuple[datetime, date]]:
    """When attempts were written, and on which day."""
    ids = [one for some in chosen.values() for one in some]
    rows = select(Attempt.id, Attempt.written_at, Attempt.day).where(Attempt.id.in_(ids))
    return {attempt_id: (moment, day) for attempt_id, moment, day in session.execute(rows)}


def of_weeks(
    session: Session, class_id: int, pupil_id: int, since: date, most: tuple[int, int]
) -> list[tuple[int, str, date]]:
    """The newest letters that a child wrote by itself since a day, of the newest weeks in which it
    wrote any: at most so many weeks, and letters of each; the ids of attempts, letters and days."""
    pupils.get(session, class_id, pupil_id)
    week = func.strftime("%Y-%W", Attempt.day)
    place = func.row_number().over(partition_by=week, order_by=Attempt.written_at.desc())
    back = func.dense_rank().over(order_by=week.desc())
    own = (
        _own(pupil_id)
        .where(Attempt.day >= since)
        .add_columns(Attempt.id, Attempt.letter, Attempt.day)
        .add_columns(place.label("place"), back.label("back"))
        .subquery()
    )
    weeks, of_each = most
    chosen = (own.c.place <= of_each, own.c.back <= weeks)
    rows = select(own.c.id, own.c.letter, own.c.day).where(*chosen)
    return [(attempt_id, letter, day) for attempt_id, letter, day in session.execute(rows)]


def with_ink(session: Session, class_id: int, pupil_id: int) -> tuple[list[int], list[int]]:
    """All that a child wrote with a pen, by the ids of attempts (without letters of texts) and of
    texts, the oldest first; raises NotInRecordError."""
    pupils.get(session, class_id, pupil_id)
    letters = (
        select(Attempt.id)
        .join(AttemptInk, AttemptInk.attempt_id == Attempt.id)
        .where(Attempt.pupil_id == pupil_id)
    )
    texts = select(WrittenText.id).where(WrittenText.pupil_id == pupil_id)
    return (
        list(session.scalars(letters.order_by(Attempt.id))),
        list(session.scalars(texts.order_by(WrittenText.id))),
    )


def in_words(
    session: Session, class_id: int, since: date, until: date, pupil_id: int | None = None
) -> dict[tuple[int, str], Compared]:
    """How each letter of the children of a class (or of one) did alone and in words between two
    days, by child and letter: it holds where no dimension is `not_yet`."""
    holds = case((or_(*(held == Verdict.NOT_YET.value for held in HELD)), 0), else_=1)
    is_alone = case((_ALONE, 1), else_=0)
    in_text = case((Attempt.text_id.is_not(None), 1), else_=0)
    of_class = select(Pupil.id).where(Pupil.class_id == class_id)
    rows = (
        select(
            Attempt.pupil_id,
            Attempt.letter,
            func.sum(is_alone),
            func.sum(is_alone * holds),
            func.sum(in_text),
            func.sum(in_text * holds),
        )
        .outerjoin(Judgement, HER_WORD)
        .where(Attempt.pupil_id.in_(of_class), Attempt.day.between(since, until))
        .where(_NOT_SET_ASIDE)
        # No index has a child's letters in this order and its days too: it is to go by the days.
        .group_by(Attempt.pupil_id, Attempt.letter.op("||")(""))
    )
    if pupil_id is not None:
        rows = rows.where(Attempt.pupil_id == pupil_id)
    return {(child, letter): Compared(*counts) for child, letter, *counts in session.execute(rows)}


def _own(pupil_id: int) -> Select[Any]:
    """A child's own letters, without those that she set aside."""
    set_aside = select(Judgement.attempt_id).where(
        Judgement.set_aside, Judgement.counts, Judgement.attempt_id.is_not(None)
    )
    return (
        select()
        .select_from(Attempt)
        .where(Attempt.pupil_id == pupil_id, _ALONE, Attempt.id.not_in(set_aside))
    )


def of_texts(
    session: Session, class_id: int, days: tuple[date, date], most: int, pupil_id: int | None = None
) -> dict[int, list[TextSaid]]:
    """The newest texts that each child of a class (or one) wrote between two days, at most so many
    of each, and how they stand by its teacher or else the checker; the newest first. What she set
    aside is not among them."""
    place = func.row_number().over(
        partition_by=WrittenText.pupil_id,
        order_by=(WrittenText.written_at.desc(), WrittenText.id.desc()),
    )
    rows = (
        select(WrittenText.pupil_id, WrittenText.id, WrittenText.day, WrittenText.target)
        .add_columns(WrittenText.kind, JudgedHand.style, TextSeen.found)
        .add_columns(*(getattr(Judgement, aspect) for aspect in Aspect))
        .add_columns(place.label("place"))
        .join(Pupil, Pupil.id == WrittenText.pupil_id)
        .join(JudgedHand, JudgedHand.id == WrittenText.hand_id)
        .join(TextSeen, TextSeen.text_id == WrittenText.id)
        .outerjoin(Judgement, and_(Judgement.text_id == WrittenText.id, Judgement.counts))
        .where(Pupil.class_id == class_id, WrittenText.day.between(*days), _NOT_SET_ASIDE)
        .where(or_(TextSeen.size != _UNSEEN, TextSeen.shape != _UNSEEN))  # it could be read
    )
    if pupil_id is not None:
        rows = rows.where(Pupil.id == pupil_id)
    newest = rows.subquery()
    found = defaultdict[int, list[TextSaid]](list)
    for child, text_id, day, target, kind, style, seen, *hers, _ in session.execute(
        select(newest).where(newest.c.place <= most).order_by(newest.c.pupil_id, newest.c.place)
    ):
        # Letters of a row stand apart in every hand.
        joins = joins_in(style) and kind != Kind.ROW.value
        checked = aspects_seen(_seen(seen), joins=joins)
        words = {a: Verdict(said) for a, said in zip(Aspect, hers, strict=True) if said}
        found[child].append(TextSaid(text_id, day, target, {**checked, **words}))
    return found


def _seen(found: Iterable[list[str]]) -> Iterator[Seen]:
    for written, severity in found:
        if code := upgrades.code(written):
            yield Seen(code, Verdict(severity))
