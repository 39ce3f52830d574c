"""Plan, our own letters: a hand that is written here, letter by letter, and as a font."""

from typing import Annotated, Literal

from fastapi import APIRouter
from pydantic import Field

from firstloop.api.deps import Class, Db, Record, ToldToAll
from firstloop.api.ink import Strokes, ink_from
from firstloop.api.plan.own_letters_out import (
    JoinsOut,
    OwnHandName,
    OwnHandOut,
    OwnLetterOut,
    Understood,
    hand_out,
    joins_out,
    letter_out,
    understood_out,
)
from firstloop.api.sent import Key, PathId, PathName, Sent, line
from firstloop.core.letters.hand_package import script_from
from firstloop.core.own_hand.mending import Change, Mend, mended
from firstloop.services import own_letters
from firstloop.services.own_letters import LONGEST_WORD
from firstloop.store import own_letters as kept_letters
from firstloop.store.own_letters import Written

router = APIRouter(prefix="/api/plan/own-hands", tags=["plan"])

LONGEST_STROKE, MOST_STROKES = 1000, 6
"""Characters of a stroke in the notation of moves, and strokes of a letter."""


class OwnHandIn(Sent):
    """A hand to be written, and the built-in one that lends what is not written yet."""

    name: Annotated[str, line(40, 1)]
    base: Key


class WrittenIn(Sent):
    """What was written on the class's lines."""

    strokes: Strokes


class ScriptIn(Sent):
    """A letter in the notation of moves, as it was answered."""

    strokes: Annotated[
        list[Annotated[str, line(LONGEST_STROKE, 1)]], Field(min_length=1, max_length=MOST_STROKES)
    ]


class MendIn(ScriptIn):
    """A change to a letter. `way` is which way a start is moved."""

    mend: Mend
    stroke: Annotated[int, Field(ge=0, le=MOST_STROKES, strict=True)] = 0
    move: Annotated[int, Field(ge=0, le=99, strict=True)] = 0
    way: Literal["left", "right", "up", "down"] = "up"


@router.get("")
def get_own_hands(session: Db, school_class: Class) -> list[OwnHandName]:
    """The hands that are written here."""
    found = (
        kept_letters.get(session, school_class.id, name)
        for name in kept_letters.names(session, school_class.id)
    )
    return [OwnHandName(name=x.hand.name, base=x.base, written=len(x.stands)) for x in found]


@router.post("", status_code=201)
def post_own_hand(record: Record, school_class: Class, sent: OwnHandIn) -> OwnHandName:
    """Begins a hand; until its letters are written they are the base's."""
    begun = own_letters.begin(record, school_class.id, sent.name, sent.base)
    return OwnHandName(name=begun.hand.name, base=begun.base, written=0)


@router.get("/{name}")
def get_own_hand(session: Db, school_class: Class, name: PathName) -> OwnHandOut:
    """A hand as it is so far."""
    return hand_out(session, school_class, kept_letters.get(session, school_class.id, name))


@router.post("/{name}/fitted", dependencies=ToldToAll)
def fit_own_hand(record: Record, school_class: Class, name: PathName) -> OwnHandOut:
    """Fits its letters together: what they share becomes the hand's lean, width and branch, and
    words say where the pen is lifted. What was mended stays."""
    fitted = own_letters.fit(record, school_class.id, name)
    with record.session() as session:
        return hand_out(session, school_class, fitted)


@router.get("/{name}/joins")
def get_own_joins(session: Db, school_class: Class, name: PathName) -> JoinsOut:
    """Its joins, those first that ask most of a hand."""
    hand = kept_letters.get(session, school_class.id, name).hand
    return joins_out(hand, school_class.ruling)


@router.get("/{name}/letters/{letter}")
def get_own_letter(
    session: Db, school_class: Class, name: PathName, letter: PathName
) -> OwnLetterOut:
    """What was written of a letter, and what was understood."""
    found = own_letters.letter(session, school_class.id, name, letter)
    return letter_out(session, school_class, letter, found)


@router.post("/{name}/letters/{letter}/samples", status_code=201)
def post_sample(
    record: Record, school_class: Class, name: PathName, letter: PathName, sent: WrittenIn
) -> OwnLetterOut:
    """Keeps a letter as it was written, and says what was understood."""
    written = Written(letter, ink_from(sent.strokes), school_class.ruling)
    own_letters.write(record, school_class.id, name, written)
    return _answer(record, school_class, name, letter)


@router.post("/{name}/letters/{letter}/tried")
def try_letter(
    session: Db, school_class: Class, name: PathName, letter: PathName, sent: WrittenIn
) -> OwnLetterOut:
    """A letter as it would be with what is being written, which comes last; nothing is kept."""
    written = Written(letter, ink_from(sent.strokes), school_class.ruling)
    found = own_letters.tried(session, school_class.id, name, written)
    return letter_out(session, school_class, letter, found)


@router.delete("/{name}/letters/{letter}/samples/{sample_id}")
def delete_sample(
    record: Record, school_class: Class, name: PathName, letter: PathName, sample_id: PathId
) -> OwnLetterOut:
    """Takes a letter back that was written."""
    own_letters.take_back(record, school_class.id, name, sample_id)
    return _answer(record, school_class, name, letter)


class WordIn(WrittenIn):
    """A word, or a pair, of a hand that joins."""

    word: Annotated[str, line(LONGEST_WORD, 2)]


@router.post("/{name}/words", status_code=204)
def post_word(record: Record, school_class: Class, name: PathName, sent: WordIn) -> None:
    """Keeps a word as it was written: it says where the pen is lifted, once letters are fitted."""
    written = Written(sent.word, ink_from(sent.strokes), school_class.ruling)
    own_letters.write(record, school_class.id, name, written)


@router.post("/{name}/letters/{letter}/mended")
def mend_letter(
    session: Db, school_class: Class, name: PathName, letter: PathName, sent: MendIn
) -> Understood:
    """A letter with a change; nothing is kept."""
    kept = kept_letters.get(session, school_class.id, name)
    change = Change(sent.mend, sent.stroke, sent.move, sent.way)
    script = mended(script_from(letter, sent.strokes), change, kept.hand.proportions)
    return understood_out(session, school_class, kept, script)


@router.put("/{name}/letters/{letter}", dependencies=ToldToAll)
def put_own_letter(
    record: Record, school_class: Class, name: PathName, letter: PathName, sent: ScriptIn
) -> OwnLetterOut:
    """From now on the letter is made so."""
    own_letters.accept(record, school_class.id, name, letter, sent.strokes)
    return _answer(record, school_class, name, letter)


@router.delete("/{name}/letters/{letter}", dependencies=ToldToAll)
def delete_own_letter(
    record: Record, school_class: Class, name: PathName, letter: PathName
) -> OwnLetterOut:
    """The letter is the base's again."""
    own_letters.give_up(record, school_class.id, name, letter)
    return _answer(record, school_class, name, letter)


def _answer(record: Record, school_class: Class, name: str, letter: str) -> OwnLetterOut:
    with record.session() as session:
        found = own_letters.letter(session, school_class.id, name, letter)
        return letter_out(session, school_class, letter, found)
