"""Teachers who are signed in, without the tenth of a second that a password takes."""

import hashlib
from datetime import UTC, datetime, timedelta
from functools import cache
from itertools import count

from argon2 import PasswordHasher
from fastapi.testclient import TestClient
from starlette.types import ASGIApp

from firstloop.api.deps import CLASS_SHOWN, COOKIE
from firstloop.store import accounts, sign_ins
from firstloop.store.database import Database

PASSWORD = "a hen on a wall"
_NUMBERS = count()


@cache
def digest() -> str:
    """Of PASSWORD, quickly."""
    return PasswordHasher(time_cost=1, memory_cost=8, parallelism=1).hash(PASSWORD)


def teacher_of(database: Database, name: str = "Ms Reed") -> int:
    """The account of that name; the first takes over what the record holds."""
    with database.writing() as session:
        found = [one for one in accounts.all_claimed(session) if one.name == name]
        if found:
            return found[0].id
        if accounts.is_claimed(session):
            return accounts.add(session, name, digest()).id
        return accounts.claim(session, name, digest()).id


def cookie_of(database: Database, account_id: int) -> str:
    """What a browser shows that she is signed in on."""
    token, now = f"token {next(_NUMBERS)}", datetime.now(UTC)
    with database.writing() as session:
        digested = hashlib.sha256(token.encode()).hexdigest()
        sign_ins.add(session, digested, account_id, now + timedelta(hours=1), now)
    return token


def signed_in(
    app: ASGIApp, database: Database, name: str = "Ms Reed", *, port: str = "", raises: bool = True
) -> TestClient:
    """A client of hers, from another machine than the server's; it shows the class that she has
    open, if she has one."""
    client = signed_out(app, port=port, raises=raises)
    account_id = teacher_of(database, name)
    client.cookies.set(COOKIE, cookie_of(database, account_id))
    return showing(client, database, account_id)


def showing(client: TestClient, database: Database, account_id: int) -> TestClient:
    """The same client, on whose page the class is that somebody has open just now."""
    with database.session() as session:
        shown = accounts.get(session, account_id).class_id
    client.headers.pop(CLASS_SHOWN, None)
    if shown is not None:
        client.headers[CLASS_SHOWN] = str(shown)
    return client


def signed_out(app: ASGIApp, *, port: str = "", raises: bool = True) -> TestClient:
    """A client of nobody's, from another machine than the server's."""
    return TestClient(
        app,
        base_url=f"http://localhost{port}",
        client=("192.168.1.20", 50_000),
        raise_server_exceptions=raises,
    )
