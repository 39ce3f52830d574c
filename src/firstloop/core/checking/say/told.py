"""What a child is told of what it wrote: one thing to mend; where there is none, what is right."""

from collections.abc import Mapping, Sequence

from firstloop.core.checking.say.findings import ALL_IS_WELL, Finding
from firstloop.core.contract import Dimension, Verdict

_RIGHT = {
    Dimension.DIRECTION: "You began and went the right way.",
    Dimension.SIZE: "It has the right size.",
    Dimension.SHAPE: "It has the right shape.",
}

GO_ON = "Now write the next one."


def told_to_the_child(findings: Sequence[Finding], verdict: Mapping[Dimension, Verdict]) -> str:
    """The first thing to mend; where there is none, what is right of it: "just right" only where
    there is nothing for the teacher to watch either.

    >>> told_to_the_child([], dict.fromkeys(Dimension, Verdict.SECURE))
    'Just right. Make the next one the same way.'
    """
    for finding in findings:
        if finding.severity is Verdict.NOT_YET:
            return finding.say
    if not findings:
        return ALL_IS_WELL
    right = [said for seen, said in _RIGHT.items() if verdict.get(seen) is Verdict.SECURE]
    return f"{right[0]} {GO_ON}" if right else GO_ON
