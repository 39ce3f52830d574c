"""Checks in processes beside the server: the same answers, whatever becomes of the processes."""

import os
import pickle
import select
import signal
import subprocess
import sys
from collections.abc import Iterator
from concurrent.futures import Executor, Future, ThreadPoolExecutor
from dataclasses import dataclass, field, replace
from threading import Event

import numpy as np
import pytest

from firstloop.core.errors import InkError
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.letters import HANDS, draw
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.core.text.words import compose
from firstloop.formats.result_json import as_json
from firstloop.services.beside import processes
from firstloop.services.checks_aside import HERE, LARGE, ChecksAside

PLAIN, JOINED = Style("plain"), Style("joined")


@dataclass
class Made:
    """What was begun: executors, each of which can be waited for."""

    executors: list[Executor] = field(default_factory=list)

    def __call__(self, count: int) -> Executor:
        self.executors.append(processes(count))
        return self.executors[-1]

    def wait(self) -> None:
        """Until all that was asked of the last one is done."""
        self.executors[-1].submit(os.getpid).result()


@pytest.fixture
def made() -> Made:
    return Made()


@pytest.fixture
def aside(made: Made) -> Iterator[ChecksAside]:
    aside = ChecksAside(made)
    yield aside
    aside.end()


def a_letter(name: str = "n", points: int = 1) -> Ink:
    hand = HANDS["plain"]
    paths = draw(hand.scripts[name], hand.proportions, Ruling()).paths()
    return Ink(tuple(Stroke.of(np.repeat(path, points, axis=0)) for path in paths))


def a_word() -> Ink:
    hand = HANDS["joined"]
    drawn = draw(compose("hen", hand).script, hand.proportions, Ruling())
    return Ink(tuple(Stroke.of(path) for path in drawn.paths()))


def test_what_is_checked_aside_is_answered_as_here(made: Made, aside: ChecksAside) -> None:
    aside.begin([PLAIN])
    made.wait()
    letter = (a_letter("h"), Task("n"), PLAIN, Ruling())
    assert repr(aside.letter(*letter)) == repr(HERE.letter(*letter))
    word = (a_word(), Task("hen", Kind.WORD), JOINED, Ruling())
    found, expected = aside.text(*word), HERE.text(*word)
    assert found is not None
    assert expected is not None
    assert as_json(found) == as_json(expected)
    with pytest.raises(InkError, match="there is no ink"):
        aside.letter(Ink(()), Task("n"), PLAIN, Ruling())
    assert len(made.executors) == 1


def test_when_its_process_dies_it_is_answered_here_and_another_is_begun(
    made: Made, aside: ChecksAside, caplog: pytest.LogCaptureFixture
) -> None:
    aside.begin([])
    made.wait()
    dies: Future[None] = made.executors[0].submit(os._exit, 1)
    assert dies.exception() is not None
    assert aside.letter(a_letter(), Task("n"), PLAIN, Ruling()).reads_as == "n"
    assert "checked in it" in caplog.text
    made.wait()
    assert len(made.executors) == 2
    assert aside.letter(a_letter(), Task("n"), PLAIN, Ruling()).reads_as == "n"


def test_what_cannot_be_carried_over_is_checked_here(made: Made, aside: ChecksAside) -> None:
    aside.begin([])
    made.wait()
    hand = replace(HANDS["plain"], alternatives={"n": lambda: None})  # type: ignore[dict-item]
    style = Style("theirs", own=replace(hand, name="theirs"))
    with pytest.raises(Exception, match="pickle"):
        pickle.dumps(style)
    assert aside.letter(a_letter(), Task("n"), PLAIN, Ruling()).reads_as == "n"
    kept = aside.letter(a_letter(), Task("n"), style, Ruling())
    assert kept.reads_as == HERE.letter(a_letter(), Task("n"), style, Ruling()).reads_as
    assert len(made.executors) == 1


def test_until_it_is_ready_nobody_waits_for_it() -> None:
    busy, goes_on = ThreadPoolExecutor(1), Event()
    busy.submit(goes_on.wait)
    aside = ChecksAside(lambda _: busy)
    aside.begin([PLAIN])
    assert aside.letter(a_letter(), Task("n"), PLAIN, Ruling()).reads_as == "n"
    goes_on.set()
    aside.end()


def test_what_is_far_larger_holds_up_no_other(aside: ChecksAside, made: Made) -> None:
    aside.begin([])
    large = a_letter(points=LARGE // 20)
    assert aside.letter(large, Task("n"), PLAIN, Ruling()).reads_as == "n"
    assert len(made.executors) == 2
    nice = [one.submit(os.nice, 0).result() for one in made.executors]
    assert nice[1] > nice[0]


def test_what_ends_the_server_is_not_heard_by_its_process(made: Made, aside: ChecksAside) -> None:
    aside.begin([])
    made.wait()
    os.kill(made.executors[0].submit(os.getpid).result(), signal.SIGINT)
    assert aside.letter(a_letter(), Task("n"), PLAIN, Ruling()).reads_as == "n"
    made.wait()
    assert len(made.executors) == 1


KILLED = """
import os, signal, sys
from firstloop.services.beside import processes
if __name__ == "__main__":
    print(processes(1).submit(os.getpid).result(), flush=True)
    sys.stdin.read()
"""


def test_no_process_outlives_a_server_that_is_killed() -> None:
    server = subprocess.Popen(
        [sys.executable, "-c", KILLED], stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True
    )
    assert server.stdout is not None
    ended = os.pidfd_open(int(server.stdout.readline()))
    server.kill()
    server.communicate()
    assert select.select([ended], [], [], 20)[0] == [ended]
    os.close(ended)
