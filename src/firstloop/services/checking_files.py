"""Checking many ink files at once, by whatever does the work: processes of this machine, or those
of a cluster. One file that cannot be read does not stop the others."""

from collections import deque
from collections.abc import Iterable, Iterator
from concurrent.futures import Executor, Future
from dataclasses import dataclass
from itertools import islice

from firstloop.core.checking.check import check
from firstloop.core.checking.say.findings import Result, TextResult
from firstloop.core.checking.texts.check import check_text
from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.task import Handedness, Kind, Task
from firstloop.core.letters.style import Style
from firstloop.formats import inkml
from firstloop.formats.result_json import Answer, as_json

BATCH, AHEAD = 16, 64
"""Files that are sent together, and batches on their way: enough to keep workers busy, few enough
for a million files to need no more memory than a thousand."""


@dataclass(frozen=True, slots=True)
class InkSource:
    """A file's name and content; or what kept it from being read."""

    name: str
    data: bytes = b""
    error: str | None = None


@dataclass(frozen=True, slots=True)
class Asked:
    """What counts, whatever the files say; None leaves it to them."""

    letter: str | None = None
    style: Style | None = None
    handedness: Handedness | None = None


def check_files(
    sources: Iterable[InkSource], asked: Asked, executor: Executor | None = None
) -> Iterator[Answer]:
    """An answer for each file, in their order; without an executor one after another."""
    if executor is None:
        for source in sources:
            yield check_file(source, asked)
        return
    files, running = iter(sources), deque[Future[list[Answer]]]()
    while True:
        while len(running) < AHEAD and (batch := list(islice(files, BATCH))):
            running.append(executor.submit(_check_batch, batch, asked))
        if not running:
            return
        yield from running.popleft().result()


def _check_batch(sources: list[InkSource], asked: Asked) -> list[Answer]:
    return [check_file(source, asked) for source in sources]


def check_file(source: InkSource, asked: Asked) -> Answer:
    """The answer for one file; what is wrong with it is an answer too."""
    try:
        if source.error is not None:
            return {"file": source.name, "error": source.error}
        return {"file": source.name, **as_json(_checked(source.data, asked))}
    except FirstLoopError as error:
        return {"file": source.name, "error": str(error)}
    except Exception as error:  # noqa: BLE001  # our own mistake, in one file of a thousand
        what = f"{type(error).__name__}: {error}"
        return {"file": source.name, "error": f"the checker failed on it ({what:.200})"}


def _checked(data: bytes, asked: Asked) -> Result | TextResult:
    file = inkml.read(data)
    target = asked.letter or file.target
    if target is None and file.kind is not Kind.FREE:
        raise inkml.InkmlError(
            'nothing says which letter was asked for; add <annotation type="target"> '
            "or give --letter"
        )
    target = target or ""
    kind = Kind.of(target) if asked.letter or file.kind is None else file.kind
    handedness = asked.handedness or file.handedness or Handedness.RIGHT
    style = asked.style or Style(file.hand or "plain")
    task = Task(target, kind, handedness, may_stand_open=file.may_stand_open)
    if kind is Kind.LETTER:
        return check(file.ink, task, style, file.ruling)
    return check_text(file.ink, task, style, file.ruling)
