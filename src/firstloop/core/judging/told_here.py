"""What a child of this class is told of what it wrote, once its teacher's word is heard."""

from collections.abc import Collection, Mapping, Sequence

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
    left = [one for one in findings if not denied(one.code, word)]
    return told_to_the_child(by_trust(left, doubts), held(verdict, word))


def denied(code: Code, word: Word | None) -> bool:
    """Whether she says of a finding that it is not so."""
    return word is not None and word.findings.get(code) is OnFinding.NOT_SO
