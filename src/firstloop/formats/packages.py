"""Hands and schemes as JSON files. What such a file holds is published in `schemas/`."""

import json
from functools import lru_cache
from importlib import resources
from itertools import islice
from typing import TYPE_CHECKING, Any

from firstloop.core.errors import Data, PackageError
from firstloop.core.letters import HANDS, Hand, hand_package
from firstloop.core.plain_text import faults_of
from firstloop.core.teaching import scheme_package
from firstloop.core.teaching.families import Scheme

if TYPE_CHECKING:
    from jsonschema import Draft202012Validator

LARGEST = 1_000_000
LARGEST_OF = {"hand": LARGEST, "scheme": 100_000}
"""Bytes: a hand with eight ways for each letter has a tenth of this, a scheme of each letter by
itself, with a reason, a fifth."""

MOST_FAULTS, LONGEST_FAULT = 20, 200
"""That are told, and characters of each: who has more, has another kind of file."""


def write_hand(hand: Hand) -> str:
    """A hand as the text of a file."""
    return _text(hand_package.hand_data(hand))


def write_scheme(scheme: Scheme) -> str:
    """A scheme as the text of a file."""
    return _text(scheme_package.scheme_data(scheme))


def read_hand(content: bytes) -> Hand:
    """The hand of a file; raises PackageError with every fault by its place."""
    return hand_package.hand_from(_checked(content, "hand"))


def read_scheme(content: bytes) -> Scheme:
    """The scheme of a file; raises PackageError with every fault by its place."""
    return scheme_package.scheme_from(_checked(content, "scheme"))


def checked_name(name: str) -> str:
    """A name for a hand; raises PackageError for one that a file of it could not have."""
    if name in HANDS:
        raise PackageError([("name", f'"{name}" is built in; give the hand a name of its own')])
    longest = int(schema("hand")["properties"]["name"]["maxLength"])
    if not 1 <= len(name.strip()) <= longest or list(faults_of(name)):
        raise PackageError([("name", f"a hand's name has 1 to {longest} plain characters")])
    return name.strip()


def schema(name: str) -> dict[str, Any]:
    """The published JSON Schema of `hand` or `scheme` files."""
    file = resources.files("firstloop.formats") / "schemas" / f"{name}.schema.json"
    published: dict[str, Any] = json.loads(file.read_text(encoding="utf-8"))
    return published


def _text(data: Data) -> str:
    return json.dumps(data, indent=1, ensure_ascii=False) + "\n"


def _checked(content: bytes, name: str) -> Data:
    """The data of a file that fits its schema."""
    if len(content) > LARGEST_OF[name]:
        raise PackageError([("file", f"is larger than {LARGEST_OF[name] // 1000} kB")])
    try:
        data = json.loads(content)
        unfit = list(islice(faults_of(data), MOST_FAULTS))
    except (ValueError, RecursionError) as error:
        raise PackageError([("file", f"is no JSON: {error}")]) from error
    if unfit:
        said = "holds a sign that cannot be shown, or a number that is none"
        raise PackageError([(ascii("/".join(place)), said) for place in unfit])
    faults = sorted(
        ("/".join(map(str, fault.absolute_path)) or "file", _short(fault.message))
        for fault in islice(_validator(name).iter_errors(data), MOST_FAULTS)
    )
    if faults:
        raise PackageError(faults)
    checked: Data = data
    return checked


def _short(said: str) -> str:
    """What is wrong, without all of what it is wrong with."""
    return said if len(said) <= LONGEST_FAULT else f"{said[:LONGEST_FAULT]} …"


@lru_cache(maxsize=2)
def _validator(name: str) -> "Draft202012Validator":
    from jsonschema import Draft202012Validator  # noqa: PLC0415  # slow to load, seldom asked for

    return Draft202012Validator(schema(name))
