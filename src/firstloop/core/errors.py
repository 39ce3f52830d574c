"""What can be wrong with what a user gave, as errors that say what, where and what to do."""


class FirstLoopError(Exception):
    """The root of every error that a user can cause; its text is fit to be shown to her."""


class InkError(FirstLoopError):
    """Ink that cannot be checked: no strokes, no extent, numbers that are none."""


class UnknownLetterError(FirstLoopError):
    """A letter or hand for which there is no movement script."""


class ScriptError(FirstLoopError):
    """A movement script that cannot be read; the text says where."""
