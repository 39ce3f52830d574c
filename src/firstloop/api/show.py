"""Show: letters to draw on the board."""

from typing import Annotated

from fastapi import APIRouter, Query, Response

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Now, Record
from firstloop.api.drawings import LetterDrawing, Point, letter_drawing, text_drawings
from firstloop.api.ink import InkStroke, Strokes, ink_from, strokes_out
from firstloop.api.plan.lesson_changes import NewPart
from firstloop.api.sent import LONGEST_WORD, Key, PathId, PathName, Sent, line
from firstloop.core.errors import FirstLoopError
from firstloop.core.geometry import polyline
from firstloop.core.letters import draw, find_script
from firstloop.core.letters.hands import GROUPS, counterpart
from firstloop.core.letters.phrases import OURS
from firstloop.core.teaching.steps import StepKind
from firstloop.core.text.to_watch import WatchKind, places_to_watch
from firstloop.core.text.words import Joins, compose
from firstloop.formats import svg
from firstloop.services import lessons as giving
from firstloop.services.clock import day_of
from firstloop.services.joined_plan import joins_of
from firstloop.store import lessons, school

router = APIRouter(prefix="/api/show", tags=["show"])


SVG, GIF = "image/svg+xml", "image/gif"
LONGEST_TEXT = 24
Text = Annotated[str, Query(), line(LONGEST_TEXT, 1)]

LineOfText = Annotated[str, Query(), line(120, 1)]

SMALL_SPACING = 0.1
"""u between the points of small pictures: a tenth of it would not be seen."""


class SmallPicture(Answer):
    """A letter to be recognised by, not to be drawn move by move: strokes of points in u."""

    letter: str
    strokes: list[list[Point]]


class BoardInk(Answer):
    """What the teacher has written on the board, from the first of its base lines."""

    strokes: list[InkStroke]


class BoardInkIn(Sent):
    """What the teacher has written on the board, to be kept."""

    strokes: Strokes


class LetterGroup(Answer):
    """Letters of one kind, in their order."""

    group: str
    letters: list[SmallPicture]


@router.get("/alphabet")
def get_alphabet(school_class: Class) -> list[LetterGroup]:
    """Small pictures of every letter, by kind."""
    hand, ruling = school_class.hand, school_class.ruling
    return [
        LetterGroup(
            group=group,
            letters=[
                SmallPicture(
                    letter=letter,
                    strokes=[
                        polyline.respace(path, SMALL_SPACING).round(3).tolist()
                        for path in draw(hand.scripts[letter], hand.proportions, ruling).inked()
                    ],
                )
                for letter in letters
            ],
        )
        for group, letters in GROUPS.items()
    ]


@router.get("/letters/{letter}")
def get_letter(school_class: Class, letter: PathName) -> LetterDrawing:
    """A letter in the class's hand, on the class's ruling, move by move."""
    hand = school_class.hand
    drawn = draw(find_script(letter, hand), hand.proportions, school_class.ruling)
    return letter_drawing(drawn, school_class.wording)


@router.get("/text")
def get_text(
    session: Db, school_class: Class, text: LineOfText, now: Now, other_hand: bool = False
) -> list[LetterDrawing]:
    """A line of text, word by word, each as one movement of the class's hand, with the joins that
    it knows; or of the other: joined where the class prints, print where it joins."""
    if longest := max((word for word in text.split() if len(word) > LONGEST_WORD), default=""):
        raise FirstLoopError(f'"{longest[:LONGEST_WORD]}…" is no word that anyone writes')
    joins: Joins | None
    hand, wording, joins = counterpart(school_class.hand), OURS, None
    if not other_hand:
        hand, wording = school_class.hand, school_class.wording
        joins = joins_of(session, school_class, day_of(now, school.zone(session)))
    return text_drawings(text, hand, school_class.ruling, wording, joins)


class PlaceToWatch(Answer):
    """A place to watch of a word: at which letters, in words, and their box (left, bottom, right,
    top in u) in the word as it is drawn."""

    kind: WatchKind
    letters: str
    words: str
    box: tuple[float, float, float, float]


@router.get("/watch")
def get_places_to_watch(
    session: Db, school_class: Class, text: Text, now: Now
) -> list[PlaceToWatch]:
    """Where a word is to be watched in the class's hand: joins, doubles, tails."""
    joins = joins_of(session, school_class, day_of(now, school.zone(session)))
    found = places_to_watch(text, school_class.hand, school_class.ruling, joins)
    return [PlaceToWatch.model_validate(one, from_attributes=True) for one in found]


@router.get("/lessons/{lesson_id}/written/{kind}")
def get_written(
    session: Db, school_class: Class, lesson_id: PathId, kind: StepKind, part: NewPart | None = None
) -> BoardInk:
    """What the teacher wrote on the board in a step of a lesson; of a step that comes round, with
    the letter that it had come to."""
    ink = lessons.written(session, school_class.id, lesson_id, kind, part)
    return BoardInk(strokes=strokes_out(ink))


@router.put("/lessons/{lesson_id}/written/{kind}", status_code=204)
def put_written(
    record: Record,
    school_class: Class,
    lesson_id: PathId,
    kind: StepKind,
    sent: BoardInkIn,
    *,
    part: NewPart | None = None,
) -> None:
    """Keeps what is on the board in a step; no strokes: it was wiped."""
    ink = ink_from(sent.strokes)
    giving.keep_written(record, school_class.id, lesson_id, kind, part, ink)


class PlaceIn(Sent):
    """At which of a lesson's steps the board is; of one that comes round, with which letter; and
    the screen that went there, by a name of its own: it will know its own move again."""

    at: StepKind
    part: NewPart | None = None
    by: Key | None = None


@router.put("/lessons/{lesson_id}/place", status_code=204)
def put_place(
    record: Record, school_class: Class, lesson_id: PathId, sent: PlaceIn, now: Now
) -> None:
    """Remembers where the board is in a lesson; other boards and the pads follow."""
    giving.go_to(record, school_class.id, lesson_id, sent.at, sent.part, now, sent.by)


@router.post("/lessons/{lesson_id}/onwards", status_code=204)
def post_onwards(record: Record, school_class: Class, lesson_id: PathId, now: Now) -> None:
    """What goes on within the step that the board is at goes on: asked from another device."""
    giving.onwards(record, school_class.id, lesson_id, now)


@router.post("/lessons/{lesson_id}/close", status_code=204)
def close_lesson(record: Record, school_class: Class, lesson_id: PathId, now: Now) -> None:
    """The lesson was given; what was new in it is taught now."""
    giving.close(record, school_class, lesson_id, now)


@router.get("/drawing", response_class=Response)
def get_drawing(school_class: Class, text: Text, animated: bool = False) -> Response:
    """A letter or word as an SVG file, still or as it is written."""
    hand = school_class.hand
    drawn = draw(compose(text, hand).script, hand.proportions, school_class.ruling)
    return Response(svg.written(drawn, animated=animated), media_type=SVG)


@router.get("/movement", response_class=Response)
def get_movement(school_class: Class, text: Text) -> Response:
    """A letter or word as it is written, as a GIF file: what any phone can show."""
    from firstloop.formats import gif  # noqa: PLC0415  # slow to load, seldom asked for

    hand = school_class.hand
    drawn = draw(compose(text, hand).script, hand.proportions, school_class.ruling)
    return Response(gif.written(drawn), media_type=GIF)
