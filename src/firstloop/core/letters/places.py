"""Heights in words: by the lines that are on the class's paper, and where a line is not there, by
how high letters are."""

from firstloop.core.letters.ruling import Line, LineLook, Ruling, RulingKind

AT_A_LINE, FAR = 0.12, 0.6
"""u: nearer than the first is at the line, further off than the second is far from it."""

HALF_WAY = (0.32, 0.68)
"""u: between these is half way up a small letter."""

_LINES = {
    Line.TOP: "the top line",
    Line.MID: "the mid line",
    Line.BASE: "the base line",
    Line.DROP: "the drop line",
}
_SQUARES = {
    Line.TOP: "the top of the upper square",
    Line.MID: "the top of the middle square",
    Line.BASE: "the foot of the middle square",
    Line.DROP: "the foot of the lower square",
}
_WITHOUT = {
    Line.TOP: "the height of a tall letter",
    Line.MID: "the height of a small letter",
    Line.DROP: "the depth of a tail",
}


def is_there(line: Line, ruling: Ruling) -> bool:
    """Whether a child sees the line on its paper."""
    return ruling.look(line) is not LineLook.HIDDEN


def line_in_words(line: Line, ruling: Ruling) -> str:
    """What a line is called, to be read after "to" or "at".

    >>> line_in_words(Line.MID, Ruling())
    'the mid line'
    >>> line_in_words(Line.MID, Ruling(kind=RulingKind.SQUARES))
    'the top of the middle square'
    >>> line_in_words(Line.MID, Ruling(kind=RulingKind.BASE))
    'the height of a small letter'
    """
    if ruling.kind is RulingKind.SQUARES:
        return _SQUARES[line]
    return _LINES[line] if is_there(line, ruling) else _WITHOUT[line]


def place_in_words(height: float, ruling: Ruling) -> str:
    """A height as a place on the paper, to be read after "starts" or "began".

    >>> place_in_words(0.06, Ruling()), place_in_words(0.8, Ruling())
    ('at the base line', 'a little below the mid line')
    >>> place_in_words(0.5, Ruling()), place_in_words(2.6, Ruling())
    ('half way up to the mid line', 'far above the top line')
    >>> place_in_words(0.5, Ruling(kind=RulingKind.BASE))
    'half way up to the height of a small letter'
    """
    nearest = min(Line, key=lambda line: abs(ruling.height(line) - height))
    off = height - ruling.height(nearest)
    name = line_in_words(nearest, ruling)
    if abs(off) <= AT_A_LINE:
        return f"at {name}"
    if HALF_WAY[0] < height < HALF_WAY[1]:
        return f"half way up to {line_in_words(Line.MID, ruling)}"
    return (
        f"a little {'above' if off > 0 else 'below'} {name}"
        if abs(off) < FAR
        else (f"far {'above' if off > 0 else 'below'} {name}")
    )
