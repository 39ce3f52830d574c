"""What a pad's task is asked for with: the teacher's voice, a picture, a question."""

from firstloop.api.answer import Answer
from firstloop.core.teaching.free import picture_of
from firstloop.services.pad_work import PadMoment


class AskedWith(Answer):
    """Where the sound and the picture are fetched, null where there is none; of free writing the
    name of its drawing, or its question."""

    sound: str | None
    picture: str | None
    drawing: str | None
    question: str | None


def asked_with_out(moment: PadMoment) -> AskedWith:
    """What a task is asked for with, as an answer."""
    found = moment.asked_with
    drawing = picture_of(moment.free)
    sound = picture = None
    if found is not None:
        address = f"/api/pad/prompts/{found.id}"
        sound = address if found.has_sound else None
        picture = f"{address}?picture=true" if found.tile else None
    return AskedWith(
        sound=sound,
        picture=picture,
        drawing=drawing,
        question=moment.free if moment.free and drawing is None else None,
    )
