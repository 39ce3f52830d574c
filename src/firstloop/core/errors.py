"""What can be wrong with what a user gave, as errors that say what, where and what to do."""

from typing import Any


class FirstLoopError(Exception):
    """The root of every error that a user can cause; its text is fit to be shown to her."""


class LooksAlikeError(FirstLoopError):
    """A name that cannot be told from another by eye, and is another."""

    def __init__(self, there: str) -> None:
        super().__init__(
            f"{there} is there already and looks just like this, written with other signs; if "
            "it is the same, leave this one out, and if they are two, say so"
        )


class InkError(FirstLoopError):
    """Ink that cannot be checked: no strokes, no extent, numbers that are none."""


class TooMuchInkError(InkError):
    """More ink than there can be."""


class RulingError(FirstLoopError):
    """Lines between which no letters can be written."""


class UnknownLetterError(FirstLoopError):
    """A letter or hand for which there is no movement script."""


class UncheckedError(FirstLoopError):
    """Something that the checker does not look at."""


class ScriptError(FirstLoopError):
    """A movement script that cannot be read; the text says where."""


Data = dict[str, Any]
"""A file's content, once it is parsed."""

Fault = tuple[str, str]
"""Where in a file, and what is wrong there."""


class PackageError(FirstLoopError):
    """A file of a hand or a scheme is faulty. `faults` are all of them: where, and what."""

    def __init__(self, faults: list[Fault]) -> None:
        self.faults = tuple(faults)
        super().__init__("; ".join(f"{where}: {what}" for where, what in faults))
