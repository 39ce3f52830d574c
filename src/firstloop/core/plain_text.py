"""Text that can be shown, kept and written to any file: no control characters, nothing that turns
the direction of what follows, no halves of characters."""

import re
from collections.abc import Iterator

_UNSEEN = r"\u007f-\u009f\u2028-\u202e\u2066-\u2069\ufffe\uffff"
ON_A_LINE = rf"^[^\u0000-\u001f{_UNSEEN}]*$"
"""A pattern that every reader of JSON Schema knows; half characters cannot be written in one."""

ON_LINES = rf"^[^\u0000-\u0008\u000b\u000c\u000e-\u001f{_UNSEEN}]*$"
"""The same with line breaks and tabs."""

_BAD = re.compile(rf"[\u0000-\u001f{_UNSEEN}\ud800-\udfff]")


def is_plain(text: str) -> bool:
    r"""Whether a text of one line is plain.

    >>> is_plain("Grüße, 東"), is_plain(""), is_plain("a\tb"), is_plain("\ud800")
    (True, True, False, False)
    """
    return _BAD.search(text) is None


def faults_of(data: object, place: tuple[str, ...] = ()) -> Iterator[tuple[str, ...]]:
    r"""The places in parsed JSON where a text is not plain or a number is none.

    >>> list(faults_of({"a": ["b", "\x00"], "c\n": 1.0, "d": float("inf")}))
    [('a', '1'), ('c\n',), ('d',)]
    """
    match data:
        case str():
            if not is_plain(data):
                yield place
        case float():
            if data - data != 0.0:
                yield place
        case dict():
            for key, value in data.items():
                if not is_plain(key):
                    yield (*place, key)
                yield from faults_of(value, (*place, key))
        case list():
            for at, value in enumerate(data):
                yield from faults_of(value, (*place, str(at)))
