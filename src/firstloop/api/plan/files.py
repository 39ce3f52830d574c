"""Plan, files: hands and schemes handed on and brought along."""

from typing import Annotated

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from firstloop.api.deps import Class, Db, Record
from firstloop.core.errors import FirstLoopError
from firstloop.core.letters import HANDS, find_hand
from firstloop.formats import packages
from firstloop.services import schemes
from firstloop.store import own_hands, own_schemes

router = APIRouter(prefix="/api/plan", tags=["plan"])


class FileIn(BaseModel):
    """The text of a file that was brought along."""

    text: Annotated[str, Field(max_length=packages.LARGEST)]


class BroughtOut(BaseModel):
    """What was taken over: its key or name."""

    key: str


@router.get("/files/scheme/{key}", response_class=Response)
def get_scheme_file(record: Record, school_class: Class, key: str) -> Response:
    """A scheme as a file."""
    scheme = schemes.find(record, school_class, key)
    return Response(packages.write_scheme(scheme), media_type="application/json")


@router.post("/files/scheme", status_code=201)
def bring_scheme(session: Db, school_class: Class, sent: FileIn) -> BroughtOut:
    """Takes a scheme over from a file; a faulty one is refused whole, with all its faults."""
    scheme = packages.read_scheme(sent.text.encode())
    return BroughtOut(key=own_schemes.add(session, school_class.id, scheme))


@router.get("/files/hand/{name}", response_class=Response)
def get_hand_file(session: Db, school_class: Class, name: str) -> Response:
    """A hand as a file."""
    hand = own_hands.find(session, school_class.id, name) or find_hand(name)
    return Response(packages.write_hand(hand), media_type="application/json")


@router.post("/files/hand", status_code=201)
def bring_hand(session: Db, school_class: Class, sent: FileIn) -> BroughtOut:
    """Takes a hand over from a file; a faulty one is refused whole, with all its faults."""
    hand = packages.read_hand(sent.text.encode())
    own_hands.keep(session, school_class.id, hand)
    return BroughtOut(key=hand.name)


@router.delete("/files/hand/{name}", status_code=204)
def forget_hand(session: Db, school_class: Class, name: str) -> None:
    """Forgets a hand that was brought along."""
    if name in HANDS or name == school_class.style.hand:
        raise FirstLoopError(f"the {name} hand is in use or built in; choose another hand first")
    own_hands.remove(session, school_class.id, name)


@router.get("/files/schema/{name}")
def get_schema(name: str) -> dict[str, object]:
    """The published schema of `hand` or `scheme` files."""
    if name not in ("hand", "scheme"):
        raise FirstLoopError(f'no schema "{name}"; there is: hand, scheme')
    return packages.schema(name)
