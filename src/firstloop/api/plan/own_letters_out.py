"""What is answered of a hand that is written here: the hand, a letter of it, its joins."""

from collections import Counter

from firstloop.api.answer import Answer
from firstloop.api.drawings import (
    LetterDrawing,
    Picture,
    RulingLine,
    letter_drawing,
    picture,
    ruling_lines,
)
from firstloop.api.ink import InkStroke, strokes_out
from firstloop.core.letters import HANDS, Hand, draw
from firstloop.core.letters.moves import Script, notate_stroke
from firstloop.core.letters.phrases import places
from firstloop.core.letters.ruling import Ruling
from firstloop.core.own_hand.learn import OWN
from firstloop.core.own_hand.screening import ProblemCode
from firstloop.core.text.joins import Join, JoinKind, join_of
from firstloop.core.text.type_parts import TypeParts
from firstloop.core.text.words import compose
from firstloop.services import own_letters
from firstloop.services.own_letters import OwnLetter
from firstloop.store import own_letters as kept_letters
from firstloop.store import own_phrases
from firstloop.store.database import Session
from firstloop.store.own_letters import OwnHandRecord, Stands
from firstloop.store.records import ClassRecord

WORST_OF_A_KIND = 2
"""Joins that are shown of each movement of joining: those that ask most of a hand."""


class OwnHandName(Answer):
    """A hand that is written here."""

    name: str
    base: str
    written: int


class LetterStanding(Answer):
    """A letter of the hand: as it is drawn, how it came to stand so (null: it is the base's), and
    how often it was written."""

    letter: str
    stands: Stands | None
    samples: int
    picture: Picture


class OwnHandOut(Answer):
    """A hand that is written here, whole. `in_use`: the class writes it."""

    name: str
    base: str
    joins: bool
    in_use: bool
    lines: list[RulingLine]
    letters: list[LetterStanding]
    words: list[str]
    slant_deg: float
    width: float


class Understood(Answer):
    """A letter as it was understood: its strokes as moves, drawn, and what follows from it. `keys`:
    what is done in each move, which words go by; `form`: `own`, `base`, or the alternative;
    `family`: what it has no longer in common with its family."""

    strokes: list[str]
    drawing: LetterDrawing
    keys: list[list[str]]
    form: str
    family: str | None


class SampleProblem(Answer):
    """What is wrong with a sample, and what to do."""

    code: ProblemCode
    say: str


class SampleOut(Answer):
    """A letter as it was written once; `right_by`: how far (u) it is to be moved to lie over what
    was understood."""

    id: int
    strokes: list[InkStroke]
    right_by: float
    problem: SampleProblem | None


class OwnLetterOut(Answer):
    """A letter of the hand: what was written, what was understood of it (null where nothing was),
    how it stands now, and the base's."""

    letter: str
    samples: list[SampleOut]
    understood: Understood | None
    now: Understood
    stands: Stands | None


class JoinOut(Answer):
    """Two letters joined: how, and how much it asks of a hand (u, and a u a quarter turn)."""

    pair: str
    how: str
    effort: float
    picture: Picture


class JoinsOut(Answer):
    """The joins of a hand that ask most, and the pairs of letters that join, of all pairs."""

    worst: list[JoinOut]
    joined: int
    pairs: int
    lifts_after: list[str]
    lifts_before: list[str]
    lines: list[RulingLine]


def hand_out(session: Session, school_class: ClassRecord, kept: OwnHandRecord) -> OwnHandOut:
    """A hand as an answer."""
    hand, ruling = kept.hand, school_class.ruling
    written = kept_letters.samples(session, school_class.id, hand.name)
    counts = dict[str, int]()
    for one in written:
        counts[one.letter] = counts.get(one.letter, 0) + 1
    return OwnHandOut(
        name=hand.name,
        base=kept.base,
        joins=hand.joins,
        in_use=own_letters.is_in_use(session, school_class.id, hand.name),
        lines=ruling_lines(ruling),
        letters=[
            LetterStanding(
                letter=x,
                stands=kept.stands.get(x),
                samples=counts.get(x, 0),
                picture=picture(x, draw(script, hand.proportions, ruling).inked()),
            )
            for x, script in hand.scripts.items()
        ],
        words=[x for x in counts if len(x) > 1],
        slant_deg=hand.proportions.slant_deg,
        width=hand.proportions.width,
    )


def letter_out(
    session: Session, school_class: ClassRecord, letter: str, found: OwnLetter
) -> OwnLetterOut:
    """A letter of it as an answer."""
    problems = {one.sample: one for one in (found.learnt.problems if found.learnt else ())}
    kept = found.record
    return OwnLetterOut(
        letter=letter,
        samples=[
            SampleOut(
                id=one.id,
                strokes=strokes_out(one.ink),
                right_by=round(own_letters.right_by(found, one), 3),
                problem=(
                    SampleProblem(code=problem.code, say=problem.say)
                    if (problem := problems.get(str(one.id)))
                    else None
                ),
            )
            for one in found.samples
        ],
        understood=(
            understood_out(session, school_class, kept, found.learnt.script, found.learnt.form)
            if found.learnt is not None and found.is_understood
            else None
        ),
        now=understood_out(session, school_class, kept, kept.hand.scripts[letter]),
        stands=found.stands,
    )


def understood_out(
    session: Session,
    school_class: ClassRecord,
    kept: OwnHandRecord,
    script: Script,
    form: str | None = None,
) -> Understood:
    """A letter, as it is made by a script, as an answer."""
    hand, base = kept.hand, HANDS[kept.base]
    wording = own_phrases.find(session, school_class.id, hand.name)
    is_base = script.strokes == base.scripts[script.letter].strokes
    return Understood(
        strokes=[notate_stroke(stroke) for stroke in script.strokes],
        drawing=letter_drawing(draw(script, hand.proportions, school_class.ruling), wording),
        keys=[[place.key for place in stroke] for stroke in places(script)],
        form=form or ("base" if is_base else OWN),
        family=own_letters.new_family(session, school_class, base, script),
    )


def _worst(joins: list[Join]) -> list[Join]:
    """Of each movement the joins that ask most, the hardest first."""
    hardest_first = sorted(joins, key=lambda join: -join.effort)
    shown = Counter[JoinKind]()
    found = []
    for join in hardest_first:
        shown[join.kind] += 1
        if shown[join.kind] <= WORST_OF_A_KIND:
            found.append(join)
    return found


def joins_out(hand: Hand, ruling: Ruling) -> JoinsOut:
    """The joins of a hand as an answer."""
    goes_on, led_in = TypeParts(hand).joining
    pairs = [first + second for first in goes_on for second in led_in]
    joins = [join for pair in pairs if (join := join_of(pair, hand)) is not None]
    worst = _worst(joins)
    small = [x for x in TypeParts(hand).letters if x.islower()] if hand.joins else []

    def drawn(pair: str) -> Picture:
        script = compose(pair, hand).script
        return picture(pair, draw(script, hand.proportions, ruling).inked())

    return JoinsOut(
        worst=[
            JoinOut(
                pair=one.pair,
                how=one.kind.words,
                effort=round(one.effort, 2),
                picture=drawn(one.pair),
            )
            for one in worst
        ],
        joined=len(joins),
        pairs=len(small) ** 2,
        lifts_after=[x for x in small if x not in goes_on],
        lifts_before=[x for x in small if x not in led_in],
        lines=ruling_lines(ruling),
    )
