"""Requests with one thing wrong each, made of good ones."""

import copy
import json
from collections.abc import Iterator
from dataclasses import dataclass, field
from typing import Any
from urllib.parse import quote

from tests.api.good_requests import Good

VALUES: tuple[Any, ...] = (
    None, "", " ", "a" * 10_000, "\x00", "a\x1bb", "\ud800", "\u202egnp", "\ufffe", "1", "²",
    "😀" * 30, -1, 0, 1, 7, 2**31, 2**63, 2**64, 10**400, 0.5, 1e308, -1e308,
    float("nan"), float("inf"), True, False, [], {}, [None], [[[[]]]], ["a"] * 3_000,
    {"a": {"a": {"a": 1}}}, {"\ud800": 1},
)  # fmt: skip
"""What stands where something else should."""

PLACES = (
    "0", "-1", "1e3", "1.0", "999999", str(2**63), str(2**64), "9" * 40, "²", "٣", "%00",
    "%0a", "%ff", "%ED%A0%80", "..%2f..%2fetc%2fpasswd", "a" * 3_000, "😀", "'%20OR%201=1",
    "null", "%25s", "é", "1" + "0" * 5_000,
)  # fmt: skip
"""What stands in a path or a query."""

BODIES = (
    b"", b"{", b"null", b"[]", b'"a"', b"1", b"\xff\xfe", b"\xef\xbb\xbf{}", b"[" * 90_000,
    b'{"a":' * 30_000, b"9" * 6_000, b"NaN", b'{"a":1,"a":2}', b"{} {}",
)  # fmt: skip
"""What is sent instead of a body."""


@dataclass(frozen=True)
class Hostile:
    """A request, and what is wrong with it."""

    method: str
    url: str
    content: bytes | None
    wrong: str
    headers: dict[str, str] = field(default_factory=lambda: {"content-type": "application/json"})


def made_of(good: Good) -> Iterator[Hostile]:
    """All that one thing can be wrong with."""
    body = None if good.body is None else json.dumps(good.body).encode()
    url = url_of(good)
    for name in good.at:
        for value in PLACES:
            yield Hostile(good.method, url_of(good, name, value), body, f"{name} is {value[:20]}")
    for name in good.query:
        for value in PLACES:
            yield Hostile(good.method, url_of(good, name, value), body, f"{name} is {value[:20]}")
    for name in ("limit", "after", "no-such", "%00"):
        yield Hostile(good.method, f"{url_of(good, unasked=name)}", body, f"with {name}")
    for other in ("PATCH", "TRACE", "OPTIONS"):
        yield Hostile(other, url, body, f"by {other}")
    if good.body is None:
        yield Hostile(good.method, url, b"[" * 100, "a body that is not asked for")
        return
    for raw in BODIES:
        yield Hostile(good.method, url, raw, f"the body is {raw[:12]!r}")
    for media in (
        "text/plain",
        "application/xml",
        "multipart/form-data",
        "application/json;charset=x",
    ):
        yield Hostile(good.method, url, body, f"as {media}", {"content-type": media})
    for wrong, changed in _bodies(good.body):
        yield Hostile(good.method, url, json.dumps(changed).encode(), wrong)


def url_of(good: Good, name: str = "", value: str = "", *, unasked: str = "") -> str:
    """The address of a good request, with one parameter another."""
    at = {key: value if key == name else quote(str(one), safe="") for key, one in good.at.items()}
    query = {key: value if key == name else quote(str(one)) for key, one in good.query.items()}
    query |= {unasked: "%00"} if unasked else {}
    asked = "&".join(f"{key}={one}" for key, one in query.items())
    return good.path.format(**at) + (f"?{asked}" if asked else "")


def _bodies(body: Any) -> Iterator[tuple[str, Any]]:
    places = list(_places(body))
    for place in places:
        for value in VALUES:
            yield f"{place} is {str(value)[:20]!a}", _changed(body, place, value)
        if place and isinstance(place[-1], str):
            yield f"without {place}", _changed(body, place, _GONE)
    for place in [(), *places]:
        if isinstance(_at(body, place), dict):
            for key in ("unasked", "\ud800", "__proto__"):
                yield f"{place} has {key!a}", _changed(body, (*place, key), 1)


def _places(body: Any, place: tuple[Any, ...] = ()) -> Iterator[tuple[Any, ...]]:
    """Where there is something, of a list the first and its last."""
    if place:
        yield place
    if isinstance(body, dict):
        for key in body:
            yield from _places(body[key], (*place, key))
    elif isinstance(body, list) and body:
        for at in sorted({0, len(body) - 1}) if len(place) < 4 else (0,):
            yield from _places(body[at], (*place, at))


_GONE = object()


def _at(body: Any, place: tuple[Any, ...]) -> Any:
    for key in place:
        body = body[key]
    return body


def _changed(body: Any, place: tuple[Any, ...], value: Any) -> Any:
    changed = copy.deepcopy(body)
    within = _at(changed, place[:-1])
    if value is _GONE:
        del within[place[-1]]
    else:
        within[place[-1]] = value
    return changed
