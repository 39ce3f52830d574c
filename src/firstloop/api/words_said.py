"""Words on what was written: as they are sent, and as they are answered."""

from datetime import datetime
from typing import Annotated

from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.sent import Note, Sent, at_most, line
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.judging.word import Aspect, How, OnFinding, Word
from firstloop.store.records import JudgementRecord

LONGEST_ADVICE = 160
"""Characters: one thing, said in one breath."""

Advice = Annotated[str, line(LONGEST_ADVICE)]


class JudgementIn(Sent):
    """The teacher's word: nothing but a plain yes, or what she sees otherwise; `findings`: which
    are so, which not, which she adds; `say`: the advice in her words; set aside: nobody's letter.
    """

    direction: Verdict | None = None
    size: Verdict | None = None
    shape: Verdict | None = None
    spacing: Verdict | None = None
    line: Verdict | None = None
    joins: Verdict | None = None
    findings: Annotated[dict[Code, OnFinding], at_most(len(Code))] = Field(default_factory=dict)
    note: Note = ""
    say: Advice = ""
    set_aside: bool = False


class JudgementOut(Answer):
    """Somebody's word. A dimension she did not speak of stands as the checker found it. `author`
    null: from before words had authors, or somebody who has no account any more."""

    made_at: datetime
    author: str | None
    how: How
    counts: bool
    direction: Verdict | None
    size: Verdict | None
    shape: Verdict | None
    spacing: Verdict | None
    line: Verdict | None
    joins: Verdict | None
    findings: dict[Code, OnFinding]
    note: str
    say: str
    set_aside: bool


def word_from(said: JudgementIn, how: How) -> Word:
    """A word as it is kept."""
    dimensions = {one: getattr(said, one.value) for one in Dimension}
    aspects = {one: getattr(said, one.value) for one in Aspect}
    return Word(
        verdicts={one: verdict for one, verdict in dimensions.items() if verdict},
        aspects={one: verdict for one, verdict in aspects.items() if verdict},
        findings=said.findings,
        note=said.note.strip(),
        say=said.say.strip(),
        set_aside=said.set_aside,
        how=how,
    )


def judgement_out(judgement: JudgementRecord | None) -> JudgementOut | None:
    """The word that counts, as an answer."""
    return None if judgement is None else said_out(judgement)


def said_out(judgement: JudgementRecord) -> JudgementOut:
    """A word as an answer."""
    word = judgement.word
    return JudgementOut(
        made_at=judgement.made_at,
        author=judgement.author,
        how=word.how,
        counts=judgement.counts,
        findings=dict(word.findings),
        note=word.note,
        say=word.say,
        set_aside=word.set_aside,
        **{one.value: word.verdicts.get(one) for one in Dimension},
        **{one.value: word.aspects.get(one) for one in Aspect},
    )
