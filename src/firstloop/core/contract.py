"""The words that every room speaks: what a finding is about and how it stands, as the contract of
the check has them (docs/checking.md)."""

from enum import StrEnum


class Dimension(StrEnum):
    """What a finding is about."""

    DIRECTION = "direction"
    SIZE = "size"
    SHAPE = "shape"


class Verdict(StrEnum):
    """How one dimension of an attempt stands."""

    SECURE = "secure"
    NEARLY = "nearly"
    NOT_YET = "not_yet"
    UNSEEN = "unseen"


class Code(StrEnum):
    """What can be found: in a letter, and from WRONG_LETTER on in a text. The order of each is a
    teacher's: what she would talk about first."""

    START_PLACE = "start_place"
    STROKE_ORDER = "stroke_order"
    STROKE_DIRECTION = "stroke_direction"
    EXTRA_LIFT = "extra_lift"
    MIRRORED = "mirrored"
    TURNED = "turned"
    MISSING_PART = "missing_part"
    EXTRA_PART = "extra_part"
    OPEN_GAP = "open_gap"
    RETRACE_GAP = "retrace_gap"
    REACH_UP = "reach_up"
    REACH_DOWN = "reach_down"
    DOT_PLACE = "dot_place"
    READS_AS_OTHER = "reads_as_other"
    ENTRY_MISSING = "entry_missing"
    EXIT_MISSING = "exit_missing"
    LOOP_CROSS = "loop_cross"
    OFF_BASE = "off_base"
    BODY_HEIGHT = "body_height"
    UNEVEN_PARTS = "uneven_parts"
    WIDTH = "width"
    PART_LENGTH = "part_length"
    SLANT = "slant"
    BRANCH_PLACE = "branch_place"
    WOBBLE = "wobble"
    SHAPE_OFF = "shape_off"
    WRONG_LETTER = "wrong_letter"
    CAPITAL = "capital"
    STOP = "stop"
    JOIN_BROKEN = "join_broken"
    WORD_GAP = "word_gap"
    SPACING = "spacing"
    DOUBLES_DIFFER = "doubles_differ"
    SIZE_UNEVEN = "size_uneven"
    TAILS_UNEVEN = "tails_uneven"
    LINE_DRIFT = "line_drift"


class Stage(StrEnum):
    """How far a class or a child is; what is worth correcting today depends on it."""

    BEGINNING = "beginning"
    DEVELOPING = "developing"
    SECURE = "secure"
