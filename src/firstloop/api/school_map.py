"""The map over all classes of hers: by letter and movement, no child named."""

from fastapi import APIRouter

from firstloop.api.answer import Answer
from firstloop.api.deps import Now, Record, Teacher
from firstloop.core.progress.habits import STRANDS
from firstloop.core.progress.of_class import LEAST_TOLD, Shares
from firstloop.core.progress.report import WHERE
from firstloop.services.school_map import LETTERS, ClassShares, school_map

router = APIRouter(prefix="/api/school", tags=["school"])


class SharesOut(Answer):
    """Of how many children something is secure, nearly, not yet."""

    secure: int
    nearly: int
    not_yet: int


class ClassSharesOut(Answer):
    """A class, and how each letter and each habit of the map stands in it; null where that is known
    of too few children."""

    id: int
    name: str
    children: int
    letters: list[SharesOut | None]
    habits: list[SharesOut | None]


class MapHabit(Answer):
    """A habit, and in what it shows."""

    name: str
    where: str


class SchoolMapOut(Answer):
    """Her classes by their names; `least` children are to be known for anything to be told."""

    letters: list[str]
    habits: list[MapHabit]
    classes: list[ClassSharesOut]
    least: int


@router.get("/map")
def get_school_map(record: Record, teacher: Teacher, now: Now) -> SchoolMapOut:
    """How letters and movements stand in the classes that she teaches or helps in."""
    return SchoolMapOut(
        letters=list(LETTERS),
        habits=[MapHabit(name=one.habit.name, where=WHERE[one.dimension]) for one in STRANDS],
        classes=[_class_out(one) for one in school_map(record, teacher.account_id, now)],
        least=LEAST_TOLD,
    )


def _class_out(one: ClassShares) -> ClassSharesOut:
    return ClassSharesOut(
        id=one.class_id,
        name=one.name,
        children=one.children,
        letters=[_shares_out(shares) for shares in one.letters],
        habits=[_shares_out(shares) for shares in one.strands],
    )


def _shares_out(shares: Shares | None) -> SharesOut | None:
    if shares is None:
        return None
    return SharesOut(secure=shares.secure, nearly=shares.nearly, not_yet=shares.not_yet)
