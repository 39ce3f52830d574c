"""A hand that a teacher writes here, letter by letter: what was understood of it, what she accepts,
and all of it fitted together."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from firstloop.core.errors import FirstLoopError
from firstloop.core.letters import HANDS, Hand, find_hand, find_script
from firstloop.core.letters.hand_package import script_from
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.moves import Script
from firstloop.core.own_hand.learn import Learnt, learn, learn_letter, prepare
from firstloop.core.own_hand.middle import right_by as right_by_lines
from firstloop.core.own_hand.redrawn import lines_of
from firstloop.core.own_hand.sample import sampled
from firstloop.core.teaching.families import exceptions_of
from firstloop.formats.packages import checked_name
from firstloop.services import schemes
from firstloop.store import classes, own_hands, own_letters
from firstloop.store.database import Database, Session
from firstloop.store.own_letters import OwnHandRecord, Stands, Written, WrittenSample
from firstloop.store.records import ClassRecord

MOST_SAMPLES, MOST_HANDS, LONGEST_WORD = 12, 12, 12
"""Of a letter, of a class, and letters of a word: more says no more."""


class OwnHandError(FirstLoopError):
    """A hand of one's own that cannot be begun or written on so."""


@dataclass(frozen=True, slots=True, eq=False)
class OwnLetter:
    """A letter of a hand that is written here: its samples; what is understood of them (None where
    there are none); its script as it stands, and how it came to (None: it is the base's)."""

    record: OwnHandRecord
    samples: tuple[WrittenSample, ...]
    learnt: Learnt | None
    stands: Stands | None

    @property
    def is_understood(self) -> bool:
        """Whether any sample counts."""
        return self.learnt is not None and self.learnt.off is not None


def begin(record: Database, class_id: int, name: str, base: str) -> OwnHandRecord:
    """A hand to be written here, which is the base's until then; raises OwnHandError and
    PackageError."""
    hand = replace(find_hand(base), name=checked_name(name))
    with record.writing() as session:
        there = own_hands.names(session, class_id)
        if hand.name in there:
            raise OwnHandError(f'there is a hand "{hand.name}" here already; call it otherwise')
        if len(there) >= MOST_HANDS:
            raise OwnHandError(f"a class has {MOST_HANDS} hands at most; forget one first")
        own_letters.keep(session, class_id, hand, base, {})
        return own_letters.get(session, class_id, hand.name)


def letter(session: Session, class_id: int, name: str, of: str) -> OwnLetter:
    """What there is of a letter; raises NotInRecordError and UnknownLetterError."""
    kept = own_letters.get(session, class_id, name)
    find_script(of, kept.hand)
    prepare(HANDS[kept.base], kept.hand.proportions)  # she is about to write it
    samples = own_letters.samples(session, class_id, name, of)
    learnt = _understood(of, samples, kept) if samples else None
    return OwnLetter(kept, tuple(samples), learnt, kept.stands.get(of))


def tried(session: Session, class_id: int, name: str, written: Written) -> OwnLetter:
    """What there would be of a letter with what is being written; nothing is kept."""
    kept = own_letters.get(session, class_id, name)
    of = written.letter
    find_script(of, kept.hand)
    written.ink.require_a_letter()
    now = WrittenSample(of, written.ink, written.ruling, NOT_KEPT)
    samples = [*own_letters.samples(session, class_id, name, of), now]
    return OwnLetter(kept, tuple(samples), _understood(of, samples, kept), kept.stands.get(of))


NOT_KEPT = 0
"""The id of what is only being written."""


def _understood(of: str, samples: Sequence[WrittenSample], kept: OwnHandRecord) -> Learnt:
    written = [sampled(one.letter, str(one.id), one.ink, one.ruling) for one in samples]
    return learn_letter(of, written, HANDS[kept.base], kept.hand.proportions)


def right_by(of: OwnLetter, sample: WrittenSample) -> float:
    """u to the right that a sample is to be moved to lie over what was understood, or else over the
    letter as it stands."""
    hand = of.record.hand
    script = of.learnt.script if of.learnt is not None else hand.scripts[sample.letter]
    lines = sampled(sample.letter, "", sample.ink, sample.ruling).lines
    left = min(float(stroke.points[:, 0].min()) for stroke in sample.ink.strokes)
    return right_by_lines(lines, lines_of(script, hand.proportions)) - left


def write(record: Database, class_id: int, name: str, written: Written) -> None:
    """Keeps what was written: a letter, or in a hand that joins a word. Raises InkError,
    UnknownLetterError, OwnHandError."""
    of, ink = written.letter, written.ink
    with record.writing() as session:
        kept = own_letters.get(session, class_id, name)
        if len(of) == 1:
            find_script(of, kept.hand)
            ink.require_a_letter()
        elif not kept.hand.joins or len(of) > LONGEST_WORD or not set(of) <= {*GROUPS["small"]}:
            raise OwnHandError("words of small letters are written in a hand that joins")
        else:
            ink.require_a_text()
        if len(own_letters.samples(session, class_id, name, of)) >= MOST_SAMPLES:
            raise OwnHandError(f"{of} was written {MOST_SAMPLES} times; take one back first")
        own_letters.add_sample(session, class_id, name, written)


def take_back(record: Database, class_id: int, name: str, sample_id: int) -> None:
    """Forgets a sample; raises NotInRecordError."""
    with record.writing() as session:
        own_letters.remove_samples(session, class_id, name, [sample_id])


def accept(record: Database, class_id: int, name: str, of: str, strokes: Sequence[str]) -> None:
    """From now on a letter of the hand is made so; raises PackageError for what is no script."""
    script = script_from(of, strokes)
    with record.writing() as session:
        kept = own_letters.get(session, class_id, name)
        find_script(of, kept.hand)
        samples = own_letters.samples(session, class_id, name, of)
        learnt = _understood(of, samples, kept) if samples else None
        as_written = learnt is not None and learnt.script.strokes == script.strokes
        stands = dict(kept.stands) | {of: Stands.PEN if as_written else Stands.MENDED}
        hand = _with(kept.hand, {of: script}, HANDS[kept.base])
        _keep(session, class_id, hand, replace(kept, stands=stands))


def give_up(record: Database, class_id: int, name: str, of: str) -> None:
    """A letter is the base's again, and what was written of it is forgotten."""
    with record.writing() as session:
        kept = own_letters.get(session, class_id, name)
        base = HANDS[kept.base]
        samples = own_letters.samples(session, class_id, name, of)
        own_letters.remove_samples(session, class_id, name, [one.id for one in samples])
        stands = {x: how for x, how in kept.stands.items() if x != of}
        hand = _with(kept.hand, {of: find_script(of, base)}, base)
        _keep(session, class_id, hand, replace(kept, stands=stands))


def fit(record: Database, class_id: int, name: str) -> OwnHandRecord:
    """All that was written is understood together: what letters share becomes the hand's
    proportions, words say where the pen is lifted. What was mended stays as it is."""
    with record.session() as session:
        kept = own_letters.get(session, class_id, name)
        samples = own_letters.samples(session, class_id, name)
    stand = {x for x, how in kept.stands.items() if how is Stands.PEN}
    counts = [one for one in samples if one.letter in stand or len(one.letter) > 1]
    base = HANDS[kept.base]
    found = learn(
        [sampled(one.letter, str(one.id), one.ink, one.ruling) for one in counts], base, name
    ).hand
    with record.writing() as session:  # what was mended or accepted meanwhile stays
        now = own_letters.get(session, class_id, name)
        again = {x: found.scripts[x] for x in stand if now.stands.get(x) is Stands.PEN}
        fitted = replace(now.hand, proportions=found.proportions, joined=found.joined)
        _keep(session, class_id, _with(fitted, again, base), now)
        return own_letters.get(session, class_id, name)


def new_family(
    session: Session, school_class: ClassRecord, base: Hand, script: Script
) -> str | None:
    """What a letter made so has no longer in common with its family, in the class's scheme; None
    where it is as much of it as the base's."""
    scheme = schemes.find(session, school_class, school_class.scheme)
    family = scheme.family_of(script.letter)
    if family is None:
        return None
    own = replace(base, scripts=base.scripts | {script.letter: script})
    before, now = (dict(exceptions_of(family.letters, hand)) for hand in (base, own))
    said = now.get(script.letter)
    return None if said is None or said == before.get(script.letter) else said


def is_in_use(session: Session, class_id: int, name: str) -> bool:
    """Whether the class writes this hand."""
    return classes.get(session, class_id).style.hand == name


def _keep(session: Session, class_id: int, hand: Hand, kept: OwnHandRecord) -> None:
    """Keeps the hand as it is now; where the class writes it, what it had picked among ways that
    are no longer there is picked no more."""
    own_letters.keep(session, class_id, hand, kept.base, kept.stands)
    there = classes.get(session, class_id)
    style = there.style
    if style.hand != hand.name:
        return
    choices = tuple((x, way) for x, way in style.choices if way in hand.alternatives.get(x, {}))
    if choices != style.choices:
        style = replace(style, choices=choices)
        classes.set_style(session, class_id, style, there.ruling, there.x_height_mm)


def _with(hand: Hand, scripts: dict[str, Script], base: Hand) -> Hand:
    """The hand with letters made otherwise: one that is made as the base makes it accepts the
    base's other ways, any other what was shown."""
    alternatives = dict(hand.alternatives)
    for of, script in scripts.items():
        ways = base.alternatives.get(of, {})
        if script in ways.values():
            alternatives[of] = ways
        else:
            alternatives.pop(of, None)
    return replace(hand, scripts=hand.scripts | scripts, alternatives=alternatives)
