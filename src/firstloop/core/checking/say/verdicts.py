"""From findings to verdicts."""

from collections.abc import Sequence

from firstloop.core.checking.say.findings import Finding
from firstloop.core.contract import Dimension, Verdict

WORST_FIRST = (Verdict.NOT_YET, Verdict.NEARLY)


def verdict_of(findings: Sequence[Finding], dimension: Dimension) -> Verdict:
    """How a dimension stands by what was found."""
    severities = {finding.severity for finding in findings if finding.dimension is dimension}
    return next((verdict for verdict in WORST_FIRST if verdict in severities), Verdict.SECURE)
