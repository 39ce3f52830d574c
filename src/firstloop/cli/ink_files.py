"""Ink files as commands are given them: by name, or as a folder of them."""

import os
from collections.abc import Iterator
from pathlib import Path

from firstloop.formats import inkml
from firstloop.services.checking_files import InkSource


def ink_files(paths: list[Path]) -> Iterator[Path]:
    """Files as they were named; folders as the ink files in and below them, by name."""
    for path in paths:
        if path.is_dir():
            yield from sorted(path.rglob("*.inkml"))
        else:
            yield path


def ink_source(path: Path) -> InkSource:
    """What is in an ink file, or what keeps it from being read."""
    name = _written(path.name)
    try:
        if path.stat().st_size > inkml.MAX_BYTES:  # not even read
            return InkSource(name, error=inkml.too_large())
        return InkSource(name, path.read_bytes())
    except OSError as error:
        return InkSource(name, error=f"cannot be read: {error.strerror}")


def _written(name: str) -> str:
    r"""A file's name as it can be written: its bytes that are no UTF-8 are escaped.

    >>> print(_written(os.fsdecode(b"m_\xff\xfe.inkml")))
    m_\xff\xfe.inkml
    """
    return os.fsencode(name).decode("utf-8", "backslashreplace")
