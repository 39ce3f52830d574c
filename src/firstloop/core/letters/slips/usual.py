"""Which slips a letter is warned of: its own usual ones first, of others at most one of a kind."""

from firstloop.core.contract import Code

OF_A_LETTER = {
    "a": "round the wrong way, left open at the top, meeting the stem at the foot, mirrored",
    "b": "mirrored, bowl left open, tall part too short, leaving the stem at the top",
    "c": "round the wrong way, mirrored, body too small",
    "d": "stick before the round, left open at the top, mirrored, tall part too short",
    "e": "begun too high, begun too low, not curled round, mirrored",
    "f": "last stroke first, bar too long, tall part too short, mirrored",
    "g": "round the wrong way, left open at the top, tail on the base line, mirrored",
    "h": "from the foot, running off the stem, tall part too short, leaving the stem at the top",
    "i": "last stroke first, dot too far, dot forgotten, a curl at the end",
    "j": "hooked the wrong way, dot too far, last stroke first, tail on the base line",
    "k": "tall part too short, mirrored",
    "l": "written from the bottom up, tall part too short, a curl at the end",
    "m": "from the foot, running off the stem, a hump forgotten, parts that do not match",
    "n": "from the foot, running off the stem, stem too tall, leaving the stem at the top",
    "o": "round the wrong way, left open, body too small",
    "p": "bowl left open, mirrored, tail on the base line, leaving the stem at the top",
    "q": "round the wrong way, left open at the top, mirrored, tail on the base line",
    "r": "from the foot, running off the stem, arm grown into a leg, a curl for show",
    "s": "mirrored, backwards, body too small",
    "t": "last stroke first, bar too long, bar forgotten",
    "u": "meeting the stem at the foot, a curl at the end, body too small",
    "v": "lifted at a corner, body too small, too narrow",
    "w": "parts that do not match, lifted at a corner, too narrow",
    "x": "too narrow, body too small",
    "y": "tail on the base line, meeting the stem at the foot, mirrored",
    "z": "mirrored, lifted at a corner, body too small",
}
"""By name, in the order in which a teacher warns of them."""

_KINDS = {
    Code.START_PLACE: "start",
    Code.STROKE_DIRECTION: "way",
    Code.STROKE_ORDER: "way",
    Code.EXTRA_LIFT: "way",
    Code.MIRRORED: "another",
    Code.TURNED: "another",
    Code.READS_AS_OTHER: "another",
    Code.REACH_UP: "size",
    Code.REACH_DOWN: "size",
    Code.OFF_BASE: "size",
    Code.BODY_HEIGHT: "size",
    Code.WIDTH: "size",
    Code.ENTRY_MISSING: "leads",
    Code.EXIT_MISSING: "leads",
}


def kind_of(code: Code) -> str:
    """What kind of slip it is; of shapes each code is a kind of its own.

    >>> kind_of(Code.REACH_UP) == kind_of(Code.WIDTH), kind_of(Code.OPEN_GAP)
    (True, 'open_gap')
    """
    return _KINDS.get(code, code.value)


def usual_of(letter: str) -> tuple[str, ...]:
    """The names of the usual slips of a letter, the first the commonest.

    >>> usual_of("x")
    ('too narrow', 'body too small')
    """
    return tuple(name for name in OF_A_LETTER.get(letter, "").split(", ") if name)
