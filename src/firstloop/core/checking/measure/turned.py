"""Whether a letter is written mirrored or turned round: which way up its shape is the letter."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from firstloop.core.checking.explain.explanation import Explanation, explain
from firstloop.core.checking.explain.looks import looks_of
from firstloop.core.checking.measure.closures import is_a_ring
from firstloop.core.checking.measure.measures import Measure
from firstloop.core.contract import Code
from firstloop.core.geometry.even import Lines, evenly
from firstloop.core.geometry.matching import Path
from firstloop.core.geometry.pictures import Look, Pictures
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters import Letter
from firstloop.core.letters.hands import group_of

DOUBTFUL = 0.015
"""[u²] From the letter's picture, above which the ink is tried in the mirror and turned round too.
"""

TURNED_SHAPE, TURNED_WAY = (0.5, 0.75), (0.9, 0.6)
"""[share] Ink is mirrored or turned if that way up its shape costs less than a share of what it
costs as it stands, and so does the way it was made: clearly less of the one asks for less of the
other."""

LOOKS_LIKE, AS_GOOD = 0.06, 1.5
"""[u², ratio] u²: above the first a shape is not the letter whichever way up. Ways up whose costs
differ by less than the second factor are as good; how it was made decides between them."""

A_LEAN = 22.0
"""[degrees] By so much a leaning letter is set up straight before it is looked at once more; what
leans by 12 to 32 degrees then stands within ten of upright, which no picture minds."""

SAME_OTHER_WAY_UP, SAME_ON_ITS_SIDE = 0.0115, 0.06
"""[u²] A letter that differs from its mirror image by less than the first (n, T) is not seen to be
mirrored, nor one turned that differs by less than the second from itself on its side (x)."""


@dataclass(frozen=True, slots=True, eq=False)
class WayUp:
    """What a child has done to a letter: as a code, degrees, and a matrix for points (n, 2)."""

    code: Code
    degrees: float
    does: FloatArray

    def in_a_lean(self, slant_deg: float) -> "WayUp":
        """The same for a hand that leans: turned or mirrored as if upright, then leaning again."""
        lean = np.array([[1.0, 0.0], [np.tan(np.radians(slant_deg)), 1.0]])
        return WayUp(self.code, self.degrees, np.linalg.inv(lean) @ self.does @ lean)

    def undone(self, lines: Lines) -> Lines:
        """The lines put right, about the middle of their box."""
        every = np.concatenate(lines)
        middle = (every.min(axis=0) + every.max(axis=0)) / 2
        undo = np.linalg.inv(self.does)
        return tuple((line - middle) @ undo + middle for line in lines)


def _turned(degrees: float) -> WayUp:
    cosine, sine = np.cos(np.radians(degrees)), np.sin(np.radians(degrees))
    return WayUp(Code.TURNED, degrees, np.array([[cosine, sine], [-sine, cosine]]))


_OTHER_WAYS_UP = (
    WayUp(Code.MIRRORED, 0.0, np.diag([-1.0, 1.0])),
    _turned(180.0),
    _turned(90.0),
    _turned(-90.0),
)


@dataclass(frozen=True, slots=True, eq=False)
class Faces:
    """A letter's forms as they look upright; and in the other ways up in which it looks another,
    which are worked out when they are asked for: an o is an o whichever way it lies."""

    upright: Pictures
    looks: tuple[Path, ...]
    others: tuple[WayUp, ...]
    slant_deg: float

    @property
    def other_ways(self) -> tuple[WayUp, ...]:
        """The ways up, in a slanted hand each in a lean both ways, in which it looks another."""
        return _turned_faces(self)[0]

    def upright_cost(self, ink: Look) -> float:
        """u² from the ink to the nearest form, upright."""
        return float(self.upright.costs(ink).min())

    def costs(self, ink: Look) -> FloatArray:
        """u² from the ink to the nearest form: upright; and where that leaves room for doubt, in
        each other way up."""
        upright = np.array([self.upright_cost(ink)])
        if upright[0] <= DOUBTFUL or not self.other_ways:
            return upright
        each = _turned_faces(self)[1].costs(ink).reshape(-1, self.upright.count).min(axis=1)
        return np.concatenate((upright, each))


@lru_cache(maxsize=512)
def faces_of(forms: tuple[Letter, ...], slant_deg: float) -> Faces:
    """How a letter looks, whichever way up. A mark is told by its place, so it has one way only;
    and so has a ring, which has no top (o, 0, 8): it may be begun elsewhere, or made the other way.
    """
    looks = tuple(look for form in forms for look in looks_of(form))
    has_one_way = group_of(forms[0].name) == "mark" or is_a_ring(forms[0])
    return Faces(Pictures.of(looks), looks, () if has_one_way else _OTHER_WAYS_UP, slant_deg)


@lru_cache(maxsize=512)
def _turned_faces(faces: Faces) -> tuple[tuple[WayUp, ...], Pictures]:
    """The other ways up, and all forms as they look in each, way by way."""
    slant_deg, looks = faces.slant_deg, faces.looks
    other_ways = tuple(
        done
        for way in faces.others
        if _looks_another(faces.upright, looks[0], way.in_a_lean(slant_deg))
        # A child who mirrors a leaning letter may lean it either way.
        for done in ((way, way.in_a_lean(slant_deg)) if slant_deg else (way,))
    )
    turned = [look.turned(way.does) for way in other_ways for look in looks]
    return other_ways, Pictures.of(turned or looks)


def _looks_another(upright: Pictures, look: Path, way: WayUp) -> bool:
    """On its side a letter must look quite another: a wide x is no x that was turned."""
    same = SAME_ON_ITS_SIDE if abs(way.degrees) == 90.0 else SAME_OTHER_WAY_UP
    return float(upright.costs(Look.of(look.turned(way.does))).min()) > same


def other_way_up(
    lines: Lines,
    forms: tuple[Letter, ...],
    faces: Faces,
    costs: FloatArray,
    upright: Explanation,
) -> tuple[Measure, Explanation] | None:
    """What the ink is if it is clearly the letter some other way up than as it stands.

    `lines` as they were made, `costs` what their shape costs (of `faces`), `upright` what they are
    as they stand. The shape must speak for it, and so must the way it was made, the less the more
    clearly the shape does: a round made clockwise is not a mirrored one.
    """
    likely = _likely(faces, costs, TURNED_SHAPE[-1])
    if likely is None:
        return None
    share, ways = likely
    explained = [(way, explain(way.undone(lines), forms)) for way in ways]
    way, explanation = min(explained, key=lambda one: one[1].total)
    made = TURNED_WAY[0] if share < TURNED_SHAPE[0] else TURNED_WAY[-1]
    if explanation.total > made * upright.total:
        return None
    return _measure(way, share), explanation


def other_way_up_and_leaning(
    lines: Lines, forms: tuple[Letter, ...], faces: Faces, upright: Explanation
) -> tuple[Measure, Explanation] | None:
    """As `other_way_up`, of ink that as it stands is like the letter no way up: it may lean as
    well, so it is set up straight first, from the one side and the other."""
    for lean in (-A_LEAN, A_LEAN):
        shear = np.array([[1.0, 0.0], [np.tan(np.radians(lean)), 1.0]])
        straight = tuple(evenly(line @ shear) for line in lines)
        costs = faces.costs(Look.of(Path.of_trace(straight)))
        found = other_way_up(straight, forms, faces, costs, upright)
        if found is not None:
            return found
    return None


def turned_by_shape(faces: Faces, costs: FloatArray) -> tuple[Measure, WayUp] | None:
    """As `other_way_up`, where only the shape is seen: it must speak clearly."""
    likely = _likely(faces, costs, TURNED_SHAPE[0])
    if likely is None:
        return None
    share, ways = likely
    return _measure(ways[0], share), ways[0]


def _likely(faces: Faces, costs: FloatArray, at_most: float) -> tuple[float, list[WayUp]] | None:
    """What the best other way up costs against upright, and the ways that are as good."""
    if len(costs) == 1:
        return None
    as_it_stands, least = float(costs[0]), float(costs[1:].min())
    share = least / max(as_it_stands, least)
    if least > LOOKS_LIKE or share > at_most:
        return None
    found = zip(faces.other_ways, costs[1:], strict=True)
    return share, [way for way, cost in found if cost <= AS_GOOD * least]


def _measure(way: WayUp, share: float) -> Measure:
    value = 1.0 - share / (1.0 + share) if way.code is Code.MIRRORED else way.degrees
    return Measure(way.code, value, 0, 0)
