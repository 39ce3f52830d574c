"""Plan, files: hands and schemes handed on and brought along."""

from typing import Annotated, Literal

from fastapi import APIRouter, Response
from pydantic import Field

from firstloop.api.answer import Answer
from firstloop.api.deps import Class, Db, Record
from firstloop.api.door import LARGEST_FILE
from firstloop.api.sent import PathName, Sent
from firstloop.core.letters import find_hand
from firstloop.formats import packages
from firstloop.services import how_it_writes, schemes
from firstloop.store import own_hands

router = APIRouter(prefix="/api/plan", tags=["plan"])


class FileIn(Sent):
    """The text of a file that was brought along."""

    text: Annotated[str, Field(max_length=packages.LARGEST)]


class BroughtOut(Answer):
    """What was taken over: its key or name."""

    key: str


@router.get("/files/scheme/{key}", response_class=Response)
def get_scheme_file(session: Db, school_class: Class, key: PathName) -> Response:
    """A scheme as a file."""
    scheme = schemes.find(session, school_class, key)
    return Response(packages.write_scheme(scheme), media_type="application/json")


@router.post("/files/scheme", status_code=201, max_body_size=LARGEST_FILE)
def bring_scheme(record: Record, school_class: Class, sent: FileIn) -> BroughtOut:
    """Takes a scheme over from a file; a faulty one is refused whole, with all its faults."""
    scheme = packages.read_scheme(sent.text.encode())
    return BroughtOut(key=schemes.bring(record, school_class.id, scheme))


@router.get("/files/hand/{name}", response_class=Response)
def get_hand_file(session: Db, school_class: Class, name: PathName) -> Response:
    """A hand as a file."""
    hand = own_hands.find(session, school_class.id, name) or find_hand(name)
    return Response(packages.write_hand(hand), media_type="application/json")


@router.post("/files/hand", status_code=201, max_body_size=LARGEST_FILE)
def bring_hand(record: Record, school_class: Class, sent: FileIn) -> BroughtOut:
    """Takes a hand over from a file; a faulty one is refused whole, with all its faults."""
    hand = packages.read_hand(sent.text.encode())
    how_it_writes.bring_hand(record, school_class.id, hand)
    return BroughtOut(key=hand.name)


@router.delete("/files/hand/{name}", status_code=204)
def forget_hand(record: Record, school_class: Class, name: PathName) -> None:
    """Forgets a hand that was brought along."""
    how_it_writes.forget_hand(record, school_class.id, name)


@router.get("/files/schema/{name}")
def get_schema(name: Literal["hand", "scheme"]) -> dict[str, object]:
    """The published schema of `hand` or `scheme` files."""
    return packages.schema(name)
