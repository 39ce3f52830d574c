"""Heights in words: by the lines that are on the class's paper, and where a line is not there, by
how high letters are."""

from firstloop.core.letters.ruling import Line, LineLook, Ruling, RulingKind

AT_A_LINE, FAR = 0.12, 0.6
"""u: nearer than the first is at the line, further off than the second is far from it."""

HALF_WAY = (0.32, 0.68)
"""u: between these is half way up a small letter."""

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
    >>> line_in_words(Line.BASE, Ruling(names=((Line.BASE, "grass line"),)))
    'the grass line'
    """
    if ruling.kind is RulingKind.SQUARES:
        return _SQUARES[line]
    return f"the {ruling.name(line)}" if is_there(line, ruling) else _WITHOUT[line]


def place_in_words(height: float, ruling: Ruling) -> str:
    """A height as a place on the paper, to be read after "starts" or "began".

    >>> place_in_words(0.06, Ruling()), place_in_words(0.8, Ruling())
    ('at the base line', 'a little below the mid line')
    >>> place_in_words(0.5, Ruling()), place_in_words(2.6, Ruling())
    ('half way up to the mid line', 'far above the top line')
    >>> place_in_words(0.5, Ruling(kind=RulingKind.BASE))
    'half way up to the height of a small letter'
    """
    nearest, off = _nearest(height, ruling)
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


def height_key(height: float, ruling: Ruling) -> str:
    """The same, as a key: at a line, under the next line above, or half way up a small letter.

    >>> [height_key(height, Ruling()) for height in (1.0, 0.8, 0.5, 1.5)]
    ['at-mid', 'under-mid', 'half', 'under-top']
    """
    nearest, off = _nearest(height, ruling)
    if abs(off) <= AT_A_LINE:
        return f"at-{nearest}"
    if HALF_WAY[0] < height < HALF_WAY[1]:
        return "half"
    above = [line for line in Line if ruling.height(line) > height]
    return f"under-{above[-1]}" if above else f"over-{Line.TOP}"


def _nearest(height: float, ruling: Ruling) -> tuple[Line, float]:
    """The nearest line, and how far above it (u)."""
    nearest = min(Line, key=lambda line: abs(ruling.height(line) - height))
    return nearest, height - ruling.height(nearest)


_SHORT = {Line.TOP: "tall height", Line.MID: "small height", Line.DROP: "tail depth"}
_SHORT_SQUARES = {
    Line.TOP: "the upper square's top",
    Line.MID: "the middle square's top",
    Line.BASE: "the middle square's foot",
    Line.DROP: "the lower square's foot",
}


def height_in_words(key: str, ruling: Ruling) -> str:
    """A height by its key, in as few words as are said while the pen goes there.

    >>> height_in_words("under-top", Ruling()), height_in_words("half", Ruling())
    ('under the top line', 'half way up')
    >>> height_in_words("at-mid", Ruling(kind=RulingKind.BASE))
    'at small height'
    """
    if key == "half":
        return "half way up"
    where, _, name = key.partition("-")
    line = Line(name)
    if ruling.kind is RulingKind.SQUARES:
        return f"{where} {_SHORT_SQUARES[line]}"
    return f"{where} {f'the {ruling.name(line)}' if is_there(line, ruling) else _SHORT[line]}"


def under_the_line(ruling: Ruling) -> str:
    """Where tails go."""
    return "a square lower" if ruling.kind is RulingKind.SQUARES else "under the line"
