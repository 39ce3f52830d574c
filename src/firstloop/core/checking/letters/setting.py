"""By what ink is judged, whatever letter it is."""

from dataclasses import dataclass, replace

from firstloop.core.checking.measure.lines import OntoStandard
from firstloop.core.checking.say.catalogue import limits_for
from firstloop.core.checking.say.limit import Limit
from firstloop.core.contract import Code
from firstloop.core.evidence.task import Handedness, Task
from firstloop.core.letters import Hand
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style, hand_of


@dataclass(frozen=True, slots=True, eq=False)
class Setting:
    """By what ink is judged, whatever letter it is: the hand, the page onto the standard lines, the
    limits, whether the child writes with the left hand, and which lines its paper has."""

    hand: Hand
    onto: OntoStandard
    limits: dict[Code, Limit]
    left_handed: bool
    paper: Ruling

    @classmethod
    def of(cls, task: Task, style: Style, ruling: Ruling) -> "Setting":
        """For a task in a class's style, on a page's ruling."""
        hand = hand_of(style)
        return cls(
            hand=hand,
            onto=OntoStandard.of(ruling, hand.proportions.slant_deg),
            limits=limits_for(task.stage),
            left_handed=task.handedness is Handedness.LEFT,
            paper=ruling,
        )

    def within_a_text(self) -> "Setting":
        """The same for letters of a text, which make room for each other: what is only a matter of
        proportion must be further off to be told."""
        wider = {
            code: replace(self.limits[code], not_yet=by * self.limits[code].not_yet)
            for code, by in WITHIN_A_TEXT.items()
        }
        return replace(self, limits={**self.limits, **wider})


WITHIN_A_TEXT = {
    Code.WIDTH: 1.25,
    Code.PART_LENGTH: 1.25,
    Code.BODY_HEIGHT: 1.1,
    Code.BRANCH_PLACE: 1.25,
}
"""By what limits of a letter's proportions are multiplied in a text. By trial: letters of other
hands that are good alone stand within these beside their neighbours."""
