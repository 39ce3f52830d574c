"""What may be sent: the base of every body, and the texts, ids and numbers in them. What does not
fit is refused with its place before anything is done."""

from hashlib import sha256
from typing import Annotated, Any
from uuid import UUID

from fastapi import Path
from pydantic import BaseModel, ConfigDict, Field, StringConstraints

from firstloop.core.plain_text import ON_A_LINE, ON_LINES
from firstloop.store.handed_in import Delivery

LONGEST_NAME, LONGEST_WORD, LONGEST_NOTE = 60, 40, 2000
"""Characters of what people and things are called, of a word, of what a teacher notes."""

LARGEST_ID = 2**63 - 1
"""What the record can hold."""


class Sent(BaseModel):
    """A body: no field that is not known, no number that is none."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class HandedIn(Sent):
    """Something handed in. The `id` is its sender's own: sent again with it, it is kept once."""

    id: UUID | None = None

    def delivery(self) -> Delivery | None:
        """The sender's id, with a digest of all that came with it."""
        return None if self.id is None else Delivery(self.id, digest_of(self))


def digest_of(body: Sent) -> str:
    """Of all that was sent: what came twice is known by it."""
    return sha256(body.model_dump_json().encode()).hexdigest()


def line(most: int, least: int = 0) -> Any:
    """A text of one line."""
    return Field(min_length=least, max_length=most, pattern=ON_A_LINE)


def name(most: int = LONGEST_NAME) -> StringConstraints:
    """What something is called: not nothing, and without the space around it."""
    return StringConstraints(
        strip_whitespace=True, min_length=1, max_length=most, pattern=ON_A_LINE
    )


Name = Annotated[str, name()]
Key = Annotated[str, line(LONGEST_NAME)]
Note = Annotated[str, Field(max_length=LONGEST_NOTE, pattern=ON_LINES)]
Id = Annotated[int, Field(ge=1, le=LARGEST_ID, strict=True)]
AskedId = Annotated[int, Field(ge=1, le=LARGEST_ID)]
"""In a body, and in a query, where all is text."""

PathId = Annotated[int, Path(ge=1, le=LARGEST_ID)]
PathName = Annotated[str, Path(max_length=LONGEST_NAME, pattern=ON_A_LINE)]
