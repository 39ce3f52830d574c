"""What may be sent: the base of every body, and the texts, ids and numbers in them. What does not
fit is refused with its place before anything is done."""

from hashlib import sha256
from typing import Annotated, Any
from uuid import UUID

from fastapi import Path
from pydantic import (
    BaseModel,
    BeforeValidator,
    ConfigDict,
    Field,
    StringConstraints,
    model_validator,
)
from starlette.convertors import Convertor, register_url_convertor

from firstloop.core.names import cleaned
from firstloop.core.plain_text import ON_A_LINE, ON_LINES, is_plain
from firstloop.store.handed_in import Delivery

LONGEST_NAME, LONGEST_WORD, LONGEST_NOTE = 60, 40, 2000
"""Characters of what people and things are called, of a word, of what a teacher notes."""

LARGEST_ID = 2**63 - 1
"""What the record can hold."""


TOO_MANY_FIELDS = 64
"""More than any body has: each that is not known would be a fault to be described."""


class Sent(BaseModel):
    """A body: no field that is not known, no number that is none."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    @model_validator(mode="before")
    @classmethod
    def _few(cls, sent: Any) -> Any:
        """Refuses at once what has more fields than any body."""
        if isinstance(sent, dict) and len(sent) > TOO_MANY_FIELDS:
            raise ValueError(f"{len(sent):,} fields were sent; there are {len(cls.model_fields)}")
        return sent


def at_most(most: int) -> BeforeValidator:
    """No more entries than that: refused by their number, before each is looked at."""

    def counted(sent: Any) -> Any:
        if isinstance(sent, dict) and len(sent) > most:
            raise ValueError(f"{len(sent):,} entries were sent; there can be {most}")
        return sent

    return BeforeValidator(counted)


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


LONGEST_TYPED = 1_000
"""Characters that are looked at: no name is made of so many, seen and unseen."""


def _cleaned(sent: Any) -> Any:
    """A name without what is not seen in it, before anything is asked of it."""
    short = isinstance(sent, str) and len(sent) <= LONGEST_TYPED and is_plain(sent)
    return cleaned(sent) if short else sent


Name = Annotated[str, name(), BeforeValidator(_cleaned)]
Key = Annotated[str, line(LONGEST_NAME)]
Note = Annotated[str, Field(max_length=LONGEST_NOTE, pattern=ON_LINES)]
Id = Annotated[int, Field(ge=1, le=LARGEST_ID, strict=True)]
AskedId = Annotated[int, Field(ge=1, le=LARGEST_ID)]
"""In a body, and in a query, where all is text."""


class _Digits(Convertor[str]):
    """A part of a path that is a number as it stands in it: Starlette's own would read any length
    of it, and Python refuses to read the longest."""

    regex = f"[0-9]{{1,{len(str(LARGEST_ID))}}}"

    def convert(self, value: str) -> str:
        return value

    def to_string(self, value: str) -> str:
        return value


register_url_convertor("digits", _Digits())

PathId = Annotated[int, Path(ge=1, le=LARGEST_ID)]
PathName = Annotated[str, Path(max_length=LONGEST_NAME, pattern=ON_A_LINE)]
