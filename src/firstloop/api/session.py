"""The first account, signing in and out: what is answered to who is not signed in."""

from enum import StrEnum
from functools import partial
from typing import Annotated

from fastapi import APIRouter, Depends, Request, Response
from pydantic import Field
from starlette.concurrency import run_in_threadpool

from firstloop.api.answer import Answer
from firstloop.api.deps import (
    COOKIE,
    KNOWN_COOKIE,
    KNOWN_FOR_S,
    Db,
    InLine,
    Now,
    Record,
    Token,
    address_of,
    signed_in,
)
from firstloop.api.problems import SIGN_IN, THERE_ALREADY
from firstloop.api.sent import Name, Sent
from firstloop.core.plain_text import ON_A_LINE
from firstloop.core.staff import LONGEST_PASSWORD, SHORTEST_PASSWORD
from firstloop.services import accounts
from firstloop.store import accounts as accounts_kept
from firstloop.store import sign_ins
from firstloop.store.records import Signed

router = APIRouter(prefix="/api", tags=["session"])

Password = Annotated[str, Field(min_length=1, max_length=LONGEST_PASSWORD, pattern=ON_A_LINE)]
NewPassword = Annotated[
    str,
    Field(min_length=SHORTEST_PASSWORD, max_length=LONGEST_PASSWORD, pattern=ON_A_LINE),
]


class NewAccountIn(Sent):
    """An account to be made."""

    name: Name
    password: NewPassword


class AccountIn(Sent):
    """A name and its password."""

    name: Name
    password: Password


class State(StrEnum):
    """How far one has come: there is no account yet, nobody is signed in, somebody is, or it is a
    demonstration, which signs in who sits at the machine."""

    NEW = "new"
    OUT = "out"
    IN = "in"
    DEMO = "demo"


class SessionOut(Answer):
    """Who is signed in, if anybody, and whether she has a class open. While there is no account:
    whether a class waits for the first, of a record that was used before there were any."""

    state: State
    name: str | None
    has_class: bool


class AccountOut(Answer):
    """An account."""

    id: int
    name: str


@router.get("/session")
def get_session(  # noqa: PLR0917  # what being signed in depends on
    session: Db,
    record: Record,
    now: Now,
    token: Token,
    found: Annotated[Signed | None, Depends(signed_in)],
    request: Request,
    response: Response,
) -> SessionOut:
    """Who is signed in, and whether anybody can. Who looks at a demonstration where it runs is
    known from then on, also beside a pad that is tried in the same browser."""
    if found is not None:
        state = State.IN if found.name else State.DEMO
        if state is State.DEMO and token is None:
            token = accounts.sign_in_here(record, now)
            if token is None:
                return SessionOut(state=State.OUT, name=None, has_class=False)
            _let_in(request, response, token)
        return SessionOut(
            state=state, name=found.name or None, has_class=found.class_id is not None
        )
    if accounts_kept.is_claimed(session):
        return SessionOut(state=State.OUT, name=None, has_class=False)
    waits = sign_ins.nobody(session) is not None
    return SessionOut(state=State.NEW, name=None, has_class=waits)


@router.post("/account", status_code=201, responses=THERE_ALREADY | SIGN_IN)
async def post_account(
    record: Record, lines: InLine, sent: NewAccountIn, request: Request
) -> AccountOut:
    """Makes the first account, which takes over what the record holds; 409 once there is one."""
    await run_in_threadpool(accounts.require_none, record)
    made = await lines.strangers.run(
        address_of(request), partial(accounts.begin, record, sent.name, sent.password)
    )
    return AccountOut(id=made.id, name=made.name)


@router.post("/session", status_code=204, responses=SIGN_IN)
async def post_session(  # noqa: PLR0917  # what signing in is about
    record: Record,
    lines: InLine,
    now: Now,
    sent: AccountIn,
    request: Request,
    response: Response,
) -> None:
    """Signs this browser in."""
    device = request.cookies.get(KNOWN_COOKIE)
    known = await run_in_threadpool(accounts.is_known, record, sent.name, device, now)
    address = address_of(request)
    line, who = (lines.known, f"on {device}") if known else (lines.strangers, address)
    shown = await line.run(
        who, partial(accounts.sign_in, record, sent.name, sent.password, address, now, device)
    )
    _let_in(request, response, shown.token)
    _show(request, response, KNOWN_COOKIE, shown.device, KNOWN_FOR_S)


def _let_in(request: Request, response: Response, token: str) -> None:
    _show(request, response, COOKIE, token, int(accounts.LASTS.total_seconds()))


def _show(request: Request, response: Response, name: str, value: str, max_age: int) -> None:
    response.set_cookie(
        name,
        value,
        max_age=max_age,
        httponly=True,
        samesite="strict",
        secure=request.url.scheme == "https",
    )


@router.delete("/session", status_code=204)
def delete_session(record: Record, token: Token, response: Response) -> None:
    """Signs this browser out."""
    if token:
        accounts.sign_out(record, token)
    response.delete_cookie(COOKIE, httponly=True, samesite="strict")
