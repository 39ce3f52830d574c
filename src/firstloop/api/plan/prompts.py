"""What a word or a letter is asked for with: the teacher's voice, a picture."""

from typing import Annotated

from fastapi import APIRouter, Path, Response
from pydantic import Base64Bytes, Field

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Record
from firstloop.api.sent import LONGEST_WORD, Key, Sent
from firstloop.core.plain_text import ON_A_LINE
from firstloop.formats.sounds import LARGEST_SOUND, media_of
from firstloop.services import prompts
from firstloop.store import prompts as prompts_kept

router = APIRouter(prefix="/api/plan/prompts", tags=["plan"])

PromptText = Annotated[str, Path(min_length=1, max_length=LONGEST_WORD, pattern=ON_A_LINE)]


class AskedWithOut(Answer):
    """A word or letter, its picture, and whether there is a recording of it."""

    text: str
    tile: str | None
    has_sound: bool


class PromptTileIn(Sent):
    """The picture; null takes it away."""

    tile: Key | None


class SoundIn(Sent):
    """A recording, its bytes in base 64."""

    sound: Annotated[Base64Bytes, Field(max_length=LARGEST_SOUND * 4 // 3 + 4)]


@router.get("")
def get_prompts(session: Db, school_class: Class) -> list[AskedWithOut]:
    """All words and letters that are said or shown, by name."""
    return [
        AskedWithOut.model_validate(one, from_attributes=True)
        for one in prompts_kept.of_class(session, school_class.id)
    ]


@router.put("/{text}/tile", status_code=204)
def put_prompt_tile(
    record: Record, school_class: Class, text: PromptText, sent: PromptTileIn
) -> None:
    """Shows a picture for a word or letter."""
    prompts.show(record, school_class.id, text, sent.tile)


@router.get("/{text}/sound", response_class=Response)
def get_sound(session: Db, school_class: Class, text: PromptText) -> Response:
    """The recording of a word or letter."""
    sound = prompts_kept.sound_of(session, school_class.id, text)
    return Response(sound, media_type=media_of(sound))


@router.put("/{text}/sound", status_code=204)
def put_sound(record: Record, school_class: Class, text: PromptText, sent: SoundIn) -> None:
    """Keeps the teacher's voice for a word or letter."""
    prompts.say(record, school_class.id, text, sent.sound)


@router.delete("/{text}/sound", status_code=204)
def delete_sound(record: Record, school_class: Class, text: PromptText) -> None:
    """Deletes a recording."""
    prompts.say_no_more(record, school_class.id, text)
