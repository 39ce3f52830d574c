"""By what ink is judged, whatever letter it is."""

from collections.abc import Mapping
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
        return self._wider(WITHIN_A_TEXT)

    def seen_on_paper(self) -> "Setting":
        """The same for letters seen on paper, whose writer nothing else is known of."""
        return self._wider(ON_PAPER)

    def _wider(self, times: Mapping[Code, float]) -> "Setting":
        wider = {
            code: replace(self.limits[code], not_yet=by * self.limits[code].not_yet)
            for code, by in times.items()
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

ON_PAPER = {Code.WIDTH: 1.75}
"""By what limits are multiplied where a letter is seen on paper. By trial on letterforms of others:
whole hands are wider than the class's by half, and that is their hand and no slip of a letter."""
