"""Plan, files: hands and schemes handed on and brought along."""

from typing import Annotated, Literal

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from firstloop.api.deps import Class, Db, Record
from firstloop.api.door import LARGEST_FILE
from firstloop.api.sent import PathName, Sent
from firstloop.core.errors import FirstLoopError
from firstloop.core.letters import HANDS, find_hand
from firstloop.core.letters.style import hand_of
from firstloop.formats import packages
from firstloop.services import schemes
from firstloop.store import classes, own_hands, own_schemes

router = APIRouter(prefix="/api/plan", tags=["plan"])


class FileIn(Sent):
    """The text of a file that was brought along."""

    text: Annotated[str, Field(max_length=packages.LARGEST)]


class BroughtOut(BaseModel):
    """What was taken over: its key or name."""

    key: str


@router.get("/files/scheme/{key}", response_class=Response)
def get_scheme_file(record: Record, school_class: Class, key: PathName) -> Response:
    """A scheme as a file."""
    scheme = schemes.find(record, school_class, key)
    return Response(packages.write_scheme(scheme), media_type="application/json")


@router.post("/files/scheme", status_code=201, max_body_size=LARGEST_FILE)
def bring_scheme(record: Record, school_class: Class, sent: FileIn) -> BroughtOut:
    """Takes a scheme over from a file; a faulty one is refused whole, with all its faults."""
    scheme = packages.read_scheme(sent.text.encode())
    with record.writing() as session:
        key = own_schemes.add(session, school_class.id, scheme)
    return BroughtOut(key=key)


@router.get("/files/hand/{name}", response_class=Response)
def get_hand_file(session: Db, school_class: Class, name: PathName) -> Response:
    """A hand as a file."""
    hand = own_hands.find(session, school_class.id, name) or find_hand(name)
    return Response(packages.write_hand(hand), media_type="application/json")


@router.post("/files/hand", status_code=201, max_body_size=LARGEST_FILE)
def bring_hand(record: Record, school_class: Class, sent: FileIn) -> BroughtOut:
    """Takes a hand over from a file; a faulty one is refused whole, with all its faults."""
    hand = packages.read_hand(sent.text.encode())
    with record.writing() as session:
        own_hands.keep(session, school_class.id, hand)
        hand_of(
            classes.get(session, school_class.id).style
        )  # what the class has chosen stays there
    return BroughtOut(key=hand.name)


@router.delete("/files/hand/{name}", status_code=204)
def forget_hand(record: Record, school_class: Class, name: PathName) -> None:
    """Forgets a hand that was brought along."""
    with record.writing() as session:
        if name in HANDS or name == classes.get(session, school_class.id).style.hand:
            raise FirstLoopError(f"the {name} hand is in use or built in; choose another first")
        own_hands.remove(session, school_class.id, name)


@router.get("/files/schema/{name}")
def get_schema(name: Literal["hand", "scheme"]) -> dict[str, object]:
    """The published schema of `hand` or `scheme` files."""
    return packages.schema(name)
