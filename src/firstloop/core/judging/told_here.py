"""What a child of this class is told of what it wrote, once its teacher's word is heard."""

from collections.abc import Collection, Iterable, Mapping, Sequence

from firstloop.core.checking.say.findings import Finding
from firstloop.core.checking.say.told import told_to_the_child
from firstloop.core.contract import Code, Dimension, Verdict
from firstloop.core.judging.trust import by_trust
from firstloop.core.judging.word import OnFinding, Word, held


def told_here(
    findings: Sequence[Finding],
    verdict: Mapping[Dimension, Verdict],
    doubts: Collection[Code],
    word: Word | None = None,
) -> str:
    """Her own words where she gave any; else the first thing to mend that she does not deny, what
    is doubted in this class after the rest. Nothing of what she set aside.

    >>> told_here([], dict.fromkeys(Dimension, Verdict.SECURE), (), Word(say="Slowly round."))
    'Slowly round.'
    """
    if word is not None and word.set_aside:
        return ""
    if word is not None and word.say:
        return word.say
    return told_to_the_child(_left(findings, doubts, word), held(verdict, word))


def reminder(findings: Sequence[Finding], doubts: Collection[Code], word: Word) -> str:
    """What a child is reminded of before it writes the letter again: as `told_here`, but nothing
    where there is nothing to mend.

    >>> reminder([], (), Word())
    ''
    """
    if word.set_aside:
        return ""
    first = first_to_mend(_left(findings, doubts, word))
    return word.say or (first.say if first else "")


def first_to_mend(findings: Iterable[Finding]) -> Finding | None:
    """The first finding that there is something to mend of."""
    return next((one for one in findings if one.severity is Verdict.NOT_YET), None)


def _left(
    findings: Sequence[Finding], doubts: Collection[Code], word: Word | None
) -> list[Finding]:
    """What she does not deny, what is doubted in this class last."""
    said = word.findings if word else {}
    left = [one for one in findings if said.get(one.code) is not OnFinding.NOT_SO]
    return by_trust(left, doubts)
