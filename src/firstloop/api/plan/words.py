"""Plan, words: a picker for a lesson, chains, missing pairs, the teacher's own words, sentences."""

import string
from collections.abc import Callable
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import AfterValidator

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Record
from firstloop.api.plan.lesson_changes import NewPart
from firstloop.api.plan.letters import WordOut, word_out
from firstloop.api.sent import LONGEST_WORD, PathName, Sent, line
from firstloop.core.vocabulary import chains
from firstloop.core.vocabulary.picker import Picked, Where, pick
from firstloop.core.vocabulary.sentences import look_over, writable_phrases, writable_sentences
from firstloop.core.vocabulary.sounds import Word
from firstloop.services import own_words, schemes
from firstloop.services.lessons import letters_taught
from firstloop.store import own_vocabulary, taught_words
from firstloop.store.database import Session
from firstloop.store.records import ClassRecord

router = APIRouter(prefix="/api/plan", tags=["plan"])

MOST_LISTED = 40
LONGEST_CHAIN = 20

Part = Annotated[NewPart, AfterValidator(str.lower)]
"""What words are looked for with: a capital is met in the words of its small letter."""
Text = Annotated[str, Query(), line(LONGEST_WORD, 1)]


class PickedOut(Answer):
    """A word to write: its sounds, its chain of families, and what of it is not taught."""

    word: WordOut
    families: list[str]
    untaught: list[str]


class WordRow(Answer):
    """Words with what is new in one place; `count` is of all there are."""

    where: Where
    count: int
    words: list[PickedOut]


class ChainOut(Answer):
    """Words that change one sound at a time; none where there is no such chain."""

    words: list[WordOut]


class PuzzleOut(Answer):
    """A word with its pair missing (null), and all pairs that make a word."""

    word: str
    left: list[str | None]
    answers: list[str]


class OwnWordIn(Sent):
    """A word of the teacher's, noted as words are: dots part sounds, brackets hold one together."""

    noted: Annotated[str, line(LONGEST_WORD, 1)]


class SentenceIn(Sent):
    """A sentence to be looked over."""

    text: Annotated[str, line(120)]


class LookedOut(Answer):
    """A sentence's words and what it lacks."""

    words: list[str]
    notes: list[str]


@router.get("/picker")
def get_picker(
    session: Db,
    school_class: Class,
    new: Part,
    untaught: Annotated[int, Query(ge=0, le=3)] = 0,
) -> list[WordRow]:
    """Words for a letter or a pair, of taught letters; or with a few that are not taught."""
    taught = letters_taught(session, school_class)
    own = own_vocabulary.of_class(session, school_class.id)
    scheme = schemes.find(session, school_class, school_class.scheme)
    family_of = {letter: f.name for f in scheme.families for letter in f.letters}

    def out(picked: Picked) -> PickedOut:
        return PickedOut(
            word=word_out(picked.word),
            families=[family_of.get(letter, "") for letter in picked.word.text.lower()],
            untaught=list(picked.untaught),
        )

    rows = pick([new], taught, own, untaught=untaught)
    return [
        WordRow(where=where, count=len(words), words=[out(one) for one in words[:MOST_LISTED]])
        for where, words in rows.items()
    ]


@router.get("/chain")
def get_chain(
    session: Db,
    school_class: Class,
    *,
    start: Text | None = None,
    length: Annotated[int, Query(ge=2, le=LONGEST_CHAIN)] = 6,
    all_letters: bool = False,
    back: bool = False,
) -> ChainOut:
    """A chain of so many words, of taught letters or of all; from a word, or from wherever there is
    one; one that comes back has its first word once more."""
    letters, own = _letters(session, school_class, all_letters=all_letters)
    if start is None:
        return _chain_out(chains.anywhere(length, letters, own, back=back))
    return _chain_out(chains.of_length(start, length, letters, own, back=back))


@router.get("/chain/{end}")
def get_chain_to(
    session: Db, school_class: Class, end: PathName, start: Text, all_letters: bool = False
) -> ChainOut:
    """The shortest chain from one word to another, of taught letters or of all."""
    letters, own = _letters(session, school_class, all_letters=all_letters)
    return _chain_out(chains.between(start, end, letters, own))


def _chain_out(words: tuple[Word, ...]) -> ChainOut:
    return ChainOut(words=[word_out(word) for word in words])


@router.get("/missing-pairs")
def get_missing_pairs(
    session: Db, school_class: Class, all_letters: bool = False
) -> list[PuzzleOut]:
    """Words of taught letters with their pair missing; those with most answers first."""
    letters, own = _letters(session, school_class, all_letters=all_letters)
    puzzles = sorted(
        chains.missing_pairs(letters, own),
        key=lambda one: (-len(one.answers), len(one.word.text), one.word.text),
    )
    return [
        PuzzleOut(word=one.word.text, left=list(one.left), answers=list(one.answers))
        for one in puzzles[:MOST_LISTED]
    ]


@router.get("/own-words")
def get_own_words(session: Db, school_class: Class) -> list[WordOut]:
    """The words that the teacher has added."""
    return [word_out(word) for word in own_vocabulary.of_class(session, school_class.id)]


@router.post("/own-words", status_code=201)
def post_own_word(record: Record, school_class: Class, sent: OwnWordIn) -> WordOut:
    """Keeps a word of the teacher's."""
    return word_out(own_words.add(record, school_class.id, sent.noted))


@router.delete("/own-words/{text}", status_code=204)
def delete_own_word(record: Record, school_class: Class, text: PathName) -> None:
    """Forgets a word of the teacher's."""
    own_words.remove(record, school_class.id, text)


@router.get("/sentences")
def get_sentences(session: Db, school_class: Class, new: Part) -> list[str]:
    """Bundled sentences of taught letters and words; those with what is new first."""
    return _texts(writable_sentences, session, school_class, new)


@router.get("/phrases")
def get_phrases(session: Db, school_class: Class, new: Part) -> list[str]:
    """Bundled phrases of taught letters and words; those with what is new first."""
    return _texts(writable_phrases, session, school_class, new)


def _texts(
    writable: Callable[..., tuple[str, ...]], session: Session, school_class: ClassRecord, new: str
) -> list[str]:
    letters = letters_taught(session, school_class)
    words = taught_words.of_class(session, school_class.id)
    return list(writable({*letters, *new}, new, words))[:MOST_LISTED]


@router.post("/sentences/look-over")
def post_look_over(session: Db, school_class: Class, sent: SentenceIn) -> LookedOut:
    """What a sentence lacks; nothing is kept."""
    looked = look_over(
        sent.text,
        letters_taught(session, school_class),
        school_class.language,
    )
    return LookedOut(words=list(looked.words), notes=[note.what for note in looked.notes])


def _letters(
    session: Session, school_class: ClassRecord, *, all_letters: bool
) -> tuple[frozenset[str], tuple[Word, ...]]:
    """The letters that games may use, and the teacher's own words."""
    taught = string.ascii_lowercase if all_letters else letters_taught(session, school_class)
    return frozenset(taught), own_vocabulary.of_class(session, school_class.id)
