"""Asking the checker, for ink that is to be kept whatever it answers: where it fails, that is said,
and a later version is asked again."""

import logging

from firstloop.core.checking.check import Evidence, check
from firstloop.core.checking.say.findings import TextResult
from firstloop.core.checking.texts.check import check_seen_text, check_text
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.image import SeenInk
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Source, Task
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.store.records import Checked

LOG = logging.getLogger(__name__)
FAILED = "%s could not be judged; it is kept, and a later version will be asked"


def evidence_of(source: Source, ink: Ink) -> Ink | SeenInk:
    """What was kept as ink, as it is to be checked: what was seen on paper has no order."""
    return SeenInk.kept(ink) if source is Source.SCAN else ink


def letter_checked(evidence: Evidence, task: Task, style: Style, ruling: Ruling) -> Checked:
    """What the check says of a letter, or that it failed. Raises InkError for what is no letter and
    UnknownLetterError for what the hand has not."""
    try:
        return Checked.of(check(evidence, task, style, ruling))
    except FirstLoopError:
        raise
    except Exception:  # whatever it is: a child's ink is not to be lost over it
        LOG.exception(FAILED, task)
        return Checked.unjudged()


def text_checked(
    evidence: Ink | SeenInk, task: Task, style: Style, ruling: Ruling
) -> TextResult | None:
    """What the check says of a text; None where it failed. Raises InkError, UnknownLetterError, and
    UncheckedError for a text that the check does not look at."""
    try:
        if isinstance(evidence, SeenInk):
            return check_seen_text(evidence, task, style, ruling)
        return check_text(evidence, task, style, ruling)
    except FirstLoopError:
        raise
    except Exception:
        LOG.exception(FAILED, task)
        return None
