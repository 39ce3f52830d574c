"""Plan, a letter's page: its forms, its words, its relatives, what goes wrong, what it unlocks."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now, Record
from firstloop.api.drawings import LetterDrawing, Picture, letter_drawing, picture
from firstloop.api.sent import Key, PathName, Sent
from firstloop.core.contract import Code
from firstloop.core.letters import Hand, draw, find_script
from firstloop.core.letters.hands import GROUPS, counterpart
from firstloop.core.letters.likeness import most_confusable
from firstloop.core.letters.phrases import LONGEST_WORDS, OURS, Place, ours, places, starts
from firstloop.core.letters.slips import shown_slips
from firstloop.core.plain_text import ON_LINES
from firstloop.core.teaching import order
from firstloop.core.teaching.families import Scheme, exceptions_of
from firstloop.core.text.pair_slips import draw_pair, pair_slips
from firstloop.core.vocabulary.sounds import Word
from firstloop.services import how_it_writes, lessons, schemes
from firstloop.store.records import ClassRecord

router = APIRouter(prefix="/api/plan", tags=["plan"])

MOST_MOVES = 99
"""More than any letter has."""

MOST_WORDS = 60
"""Words listed on a page; how many there are is said beside them."""


class Form(Answer):
    """The letter in one hand; `own` is the class's."""

    hand: str
    own: bool
    drawing: LetterDrawing


class MoveWordsOut(Answer):
    """What is said of a move, what we would say, and whether it was changed for this place."""

    key: str
    words: str
    ours: str
    changed_here: bool
    changed_everywhere: bool


class FamilyPlace(Answer):
    """Where a letter is taught: its family in the scheme, and what is different in it there."""

    scheme: str
    family: str
    why: str
    letters: list[str]
    exception: str | None


class Relative(Answer):
    """A letter it is easily confused with, 0 to 1, and why."""

    letter: str
    confusable: float
    why: str


class SlipPicture(Answer):
    """One usual slip, named and drawn."""

    name: str
    picture: Picture


class GraphemeOut(Answer):
    """Letters of a word that stand for one sound together, and their places."""

    letters: str
    at: list[int]


class WordOut(Answer):
    """A word and its sounds."""

    text: str
    graphemes: list[GraphemeOut]
    by_heart: bool


class LetterPage(Answer):
    """All there is to know about a letter before it is taught."""

    letter: str
    forms: list[Form]
    starts: list[MoveWordsOut]
    moves: list[list[MoveWordsOut]]
    family: FamilyPlace | None
    relatives: list[Relative]
    slips: list[SlipPicture]
    words: list[WordOut]
    word_count: int


class OwnPhraseIn(Sent):
    """The teacher's words for a move of one letter, or without a letter for all that do the same.

    Empty words: ours again. `hand` is the class's if it is left out, or one that is written here.
    """

    key: Key
    hand: Key | None = None
    letter: Key | None = None
    stroke: Annotated[int, Field(ge=0, le=MOST_MOVES, strict=True)] = 0
    move: Annotated[int, Field(ge=0, le=MOST_MOVES, strict=True)] = 0
    words: Annotated[str, Field(max_length=LONGEST_WORDS, pattern=ON_LINES)]


class PairSlips(Answer):
    """A pair of letters as it is written, and its slips."""

    right: Picture
    slips: list[SlipPicture]


@router.get("/pairs/{pair}")
def get_pair_slips(school_class: Class, pair: PathName) -> PairSlips:
    """What goes wrong in a pair of letters; nothing in what is no pair."""
    hand, ruling = school_class.hand, school_class.ruling
    return PairSlips(
        right=picture(pair, draw_pair(pair, hand, ruling)),
        slips=[
            SlipPicture(name=name, picture=picture(pair, strokes))
            for name, strokes in pair_slips(pair, hand, ruling)
        ],
    )


@router.get("/letters/{letter}")
def get_letter_page(
    session: Db, school_class: Class, letter: PathName, now: Now, habit: Code | None = None
) -> LetterPage:
    """A letter's page; its slips by what the class had of late, those of a habit first."""
    hand, ruling = school_class.hand, school_class.ruling
    script = find_script(letter, hand)
    scheme = schemes.find(session, school_class, school_class.scheme)
    unlocked = _unlocked(letter, scheme)
    seen = lessons.slips_seen(session, school_class, letter, now)
    slips = [
        SlipPicture(name=slip.name, picture=picture(letter, strokes))
        for slip, strokes in shown_slips(script, hand, ruling, seen, habit)
    ]
    return LetterPage(
        letter=letter,
        forms=_forms(letter, school_class),
        starts=[_move_words(place, school_class) for place in starts(script)],
        moves=[[_move_words(place, school_class) for place in stroke] for stroke in places(script)],
        family=_family(letter, scheme, hand),
        relatives=[
            Relative(letter=other, confusable=round(alike.confusable, 3), why=alike.why)
            for other, alike in most_confusable(hand, letter)
            if alike.confusable >= order.CONFUSABLE / 2
        ],
        slips=slips,
        words=[word_out(word) for word in unlocked[:MOST_WORDS]],
        word_count=len(unlocked),
    )


@router.put("/phrases", status_code=204)
def put_own_phrase(record: Record, school_class: Class, sent: OwnPhraseIn) -> None:
    """Keeps the teacher's words for a move, in the class's hand."""
    at: Place | str = sent.key
    if sent.letter is not None:
        at = Place(sent.letter, sent.stroke, sent.move, sent.key)
    how_it_writes.say_of_a_move(record, school_class, at, sent.words, sent.hand)


def word_out(word: Word) -> WordOut:
    """A word as an answer."""
    graphemes = [GraphemeOut(letters=g.letters, at=list(g.at)) for g in word.graphemes]
    return WordOut(text=word.text, graphemes=graphemes, by_heart=word.by_heart)


def _forms(letter: str, school_class: ClassRecord) -> list[Form]:
    """The class's form, and beside it the joined one if it writes print, print if it joins."""
    own = school_class.hand
    other = counterpart(own)
    drawings = [(own, school_class.wording), (other, OURS)]
    if own.scripts[letter] is other.scripts[letter]:
        drawings.pop()  # capitals, digits and marks do not join
    return [
        Form(
            hand=hand.name,
            own=hand is own,
            drawing=letter_drawing(
                draw(hand.scripts[letter], hand.proportions, school_class.ruling), wording
            ),
        )
        for hand, wording in drawings
    ]


def _move_words(place: Place, school_class: ClassRecord) -> MoveWordsOut:
    wording, paper = school_class.wording, school_class.ruling
    return MoveWordsOut(
        key=place.key,
        words=wording.words(place, paper),
        ours=ours(place.key, paper),
        changed_here=place in wording.at,
        changed_everywhere=place.key in wording.everywhere,
    )


def _family(letter: str, scheme: Scheme, hand: Hand) -> FamilyPlace | None:
    family = scheme.family_of(letter)
    if family is None:
        return None
    exceptions = dict(exceptions_of(family.letters, hand)) | dict(family.exceptions)
    return FamilyPlace(
        scheme=scheme.name,
        family=family.name,
        why=family.why,
        letters=list(family.letters),
        exception=exceptions.get(letter),
    )


def _unlocked(letter: str, scheme: Scheme) -> tuple[Word, ...]:
    """Words that the letter adds where the class's scheme teaches it."""
    taught = scheme.order
    before = taught[: taught.index(letter)] if letter in taught else GROUPS["small"]
    return order.unlocked(letter, before)
