"""Who is in the made-up class, and what each child's hand does. All names are our invention."""

from dataclasses import dataclass, field

from firstloop.core.evidence.task import Handedness

CLASS_NAME = "Heron class, Millbrook Lane"

LEFT, RIGHT = Handedness.LEFT, Handedness.RIGHT


@dataclass(frozen=True, slots=True)
class Child:
    """A child: how steady the hand is (0 to 1), and what slips it makes in which letters.

    `mends` is the share of the weeks after which a habit is overcome; above 1: not yet. `in_texts`
    is what the child does in words.
    """

    name: str
    handedness: Handedness = RIGHT
    steadiness: float = 0.6
    habits: dict[str, str] = field(default_factory=dict)
    mends: float = 1.1
    in_texts: str = ""


CHILDREN = (
    Child("Anouk", steadiness=0.8, in_texts="letters too far apart"),
    Child("Bram", habits={"m": "from the foot", "n": "from the foot"}),
    Child("Celia", LEFT, 0.7, {"h": "stem too short"}, mends=0.6),
    Child("Dario", steadiness=0.3, habits=dict.fromkeys("rnmh", "running off the stem")),
    Child("Elif", steadiness=0.9, in_texts="a letter left out"),
    Child(
        "Farid", habits={"r": "arm grown into a leg"}, mends=0.5, in_texts="no space between words"
    ),
    Child("Greta", LEFT, 0.4, {"n": "lifted at the foot", "m": "lifted at the foot"}),
    Child("Hugo", steadiness=0.5, habits={"n": "stem too tall", "m": "a hump forgotten"}),
    Child("Imani", steadiness=0.85, in_texts="the line climbs"),
    Child("Jonas", steadiness=0.2, habits=dict.fromkeys("rnmh", "floating"), mends=0.7),
    Child("Kiri", habits=dict.fromkeys("rnmh", "from the foot"), mends=0.5),
    Child(
        "Luc", LEFT, 0.5, {"m": "body too small", "h": "stem pushed up"}, in_texts="letters touch"
    ),
)

MORE_NAMES = (
    *(
        "Mats",
        "Noor",
        "Orla",
        "Pia",
        "Quirin",
        "Rosa",
        "Sami",
        "Tilda",
        "Uwe",
        "Vera",
        "Wim",
        "Xenia",
    ),
    *(
        "Yara",
        "Zoltan",
        "Aylin",
        "Bo",
        "Cleo",
        "Dag",
        "Ebba",
        "Finn",
        "Gia",
        "Hanne",
        "Ivo",
        "Juno",
    ),
)
"""For a class that is to be larger."""
