"""How a class writes from now on: its hand and lines, stage, customs, language, what is said of a
move; and the hands that were brought along."""

from firstloop.core.contract import Stage
from firstloop.core.errors import FirstLoopError
from firstloop.core.letters import HANDS, Hand, find_script
from firstloop.core.letters.phrases import Place
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style, hand_of
from firstloop.core.teaching.customs import Customs
from firstloop.core.vocabulary.language import Language
from firstloop.store import classes, own_hands, own_letters, own_phrases
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord


def set_style(
    record: Database, class_id: int, style: Style, ruling: Ruling, x_height_mm: float
) -> ClassRecord:
    """Its hand and lines; raises UnknownLetterError for an unknown hand or choice."""
    hand_of(style)
    with record.writing() as session:
        changed = classes.set_style(session, class_id, style, ruling, x_height_mm)
        hand_of(changed.style)  # another may have taken the hand away meanwhile
        return changed


def set_stage(record: Database, class_id: int, stage: Stage) -> ClassRecord:
    """By which limits its letters are checked."""
    with record.writing() as session:
        return classes.set_stage(session, class_id, stage)


def set_customs(record: Database, class_id: int, customs: Customs) -> None:
    """What it does in its own way."""
    with record.writing() as session:
        classes.set_customs(session, class_id, customs)


def set_language(record: Database, class_id: int, language: Language, minutes: int) -> None:
    """How it writes dates and calls the stop; how long its lessons are."""
    with record.writing() as session:
        classes.set_language(session, class_id, language, minutes)


def say_of_a_move(
    record: Database, school_class: ClassRecord, at: Place | str, words: str, of: str | None = None
) -> None:
    """What is said of a move in the class's hand, or in one that is written here, at a place or
    wherever the thing is done; no words: ours again. Raises UnknownLetterError and
    NotInRecordError."""
    name = of or school_class.style.hand
    with record.writing() as session:
        hand = school_class.hand
        if name != school_class.style.hand:
            hand = own_letters.get(session, school_class.id, name).hand
        if isinstance(at, Place):
            find_script(at.letter, hand)
        own_phrases.keep(session, school_class.id, name, at, " ".join(words.split()))


def bring_hand(record: Database, class_id: int, hand: Hand) -> None:
    """Takes a hand over that was brought along; raises UnknownLetterError where the class has
    chosen what it lacks."""
    with record.writing() as session:
        own_hands.keep(session, class_id, hand)
        hand_of(classes.get(session, class_id).style)  # what the class has chosen stays there


def forget_hand(record: Database, class_id: int, name: str) -> None:
    """Forgets a hand that was brought along; raises NotInRecordError, and FirstLoopError for one
    that is in use."""
    with record.writing() as session:
        if name in HANDS or name == classes.get(session, class_id).style.hand:
            raise FirstLoopError(f"the {name} hand is in use or built in; choose another first")
        own_hands.remove(session, class_id, name)
