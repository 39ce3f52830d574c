"""Looking at what was handed in: what is held to be true of it."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass

from firstloop.core.checking.say.findings import ALL_IS_WELL
from firstloop.core.contract import Code
from firstloop.core.judging.trust import doubted
from firstloop.store import finding_trust, looks
from firstloop.store.database import Session
from firstloop.store.handed_in import Work
from firstloop.store.looks import Look
from firstloop.store.records import is_judged_by

NOTHING_SAID = Look({}, "", (), "")
"""Nobody judges what was struck through."""


@dataclass(frozen=True, slots=True, eq=False)
class Seen:
    """Something handed in: the verdicts that count by dimension, the one thing to say, what is to
    be mended, the most important first, and whether the checker could judge it."""

    work: Work
    verdicts: dict[str, str]
    say: str
    to_mend: tuple[str, ...]
    is_judged: bool = True


def seen(session: Session, class_id: int, works: Sequence[Work]) -> list[Seen]:
    """What was handed in and is still there, in the same order."""
    letters = [one.attempt_id for one in works if one.attempt_id is not None]
    texts = [one.text_id for one in works if one.text_id is not None]
    of_letters = looks.of_attempts(session, class_id, letters) if letters else {}
    of_texts = looks.of_texts(session, class_id, texts) if texts else {}
    doubts = doubted(finding_trust.of_class(session, class_id))
    found = []
    for one in works:
        look = NOTHING_SAID if one.is_struck else None
        if one.attempt_id is not None:
            look = of_letters.get(one.attempt_id)
        elif one.text_id is not None:
            look = of_texts.get(one.text_id)
        if look:
            found.append(_seen(one, look, doubts))
    return found


def _seen(work: Work, look: Look, doubts: Collection[Code]) -> Seen:
    """As `told_here` says it of a whole finding: her own words, what is doubted last, nothing that
    she denies."""
    to_mend = sorted(look.to_mend, key=lambda one: Code(one.code) in doubts)
    say = to_mend[0].say if to_mend else ALL_IS_WELL if look.is_denied else look.say
    if look.her_say or look.set_aside:
        say = look.her_say
    codes = tuple(one.code for one in to_mend)
    return Seen(work, look.verdicts, say, codes, is_judged_by(look.checker))
