"""A limit: from where on a measure is worth watching, and worth correcting."""

from dataclasses import dataclass, replace

from firstloop.core.contract import Verdict


@dataclass(frozen=True, slots=True)
class Limit:
    """From `nearly` on a thing is worth watching, from `not_yet` on worth correcting today."""

    nearly: float
    not_yet: float
    unit: str
    reason: str

    @property
    def is_counted(self) -> bool:
        """Whether a thing is there or not, and there is nothing to be lenient about."""
        return self.unit in ("count", "margin") or self.nearly == self.not_yet

    def times(self, share: float) -> "Limit":
        """The same for what counts from a share of it on."""
        if share == 1.0:
            return self
        return replace(self, nearly=share * self.nearly, not_yet=share * self.not_yet)

    def severity(self, value: float) -> Verdict:
        """Where a measure stands, whatever its sign; of ratios, half as large counts as much as
        twice as large.

        >>> start = Limit(0.25, 0.35, "u", "a third of the body is the wrong place")
        >>> start.severity(-0.94).value, start.severity(0.1).value
        ('not_yet', 'secure')
        >>> Limit(0.4, 0.6, "ratio - 1", "").severity(-0.5).value  # half is as much as twice
        'not_yet'
        """
        size = abs(value)
        if self.unit == "ratio - 1":
            ratio = max(1.0 + value, 0.01)
            size = max(ratio, 1.0 / ratio) - 1.0
        if size >= self.not_yet:
            return Verdict.NOT_YET
        return Verdict.NEARLY if size >= self.nearly else Verdict.SECURE
