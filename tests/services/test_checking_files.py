"""Many files at once: in their order, whoever does the work, and one bad file is one line."""

import os
import signal
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace

import numpy as np
import pytest
from distributed import LocalCluster

from firstloop.cli.workers import cluster
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.task import Handedness, Kind
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from firstloop.formats import inkml
from firstloop.formats.inkml import InkFile
from firstloop.services.checking_files import Asked, InkSource, check_file, check_files
from tests import letters

GOOD = InkFile(letters.good_n(), Ruling(2.0, -1.0), "n", Kind.LETTER, "plain")


def source(name: str, file: InkFile) -> InkSource:
    return InkSource(name, inkml.write(file))


def many(count: int) -> Iterator[InkSource]:
    """Letters each on lines of its own, and among them what is no ink."""
    rng = np.random.default_rng(3)
    for at in range(count):
        if at % 10 == 7:
            yield InkSource(f"{at}.inkml", b"<ink>")
        else:
            ruling = Ruling(rng.uniform(1.7, 2.3), -rng.uniform(0.8, 1.2))
            ink = letters.good_n() if at % 2 else letters.n_from_the_base_line()
            yield source(f"{at}.inkml", replace(GOOD, ink=ink, ruling=ruling))


def test_a_file_is_answered_in_the_words_of_the_contract() -> None:
    answer = check_file(source("n.inkml", GOOD), Asked())
    assert (answer["file"], answer["target"], answer["reads_as"]) == ("n.inkml", "n", "n")
    assert answer["findings"] == []
    assert set(answer) >= {"hand", "verdict", "say", "checker"}


@pytest.mark.parametrize(
    ("given", "words"),
    [
        (InkSource("x", b""), "the file is empty"),
        (InkSource("x", error="cannot be read: No such file"), "cannot be read"),
        (source("x", replace(GOOD, target=None, kind=None)), "nothing says which letter"),
        (source("x", replace(GOOD, target="ß")), 'no letter "ß"'),
        (source("x", replace(GOOD, target="shßp", kind=Kind.WORD)), 'no letter "ß"'),
        (source("x", replace(GOOD, target=" ", kind=Kind.PHRASE)), "nothing says which letter"),
        (source("x", replace(GOOD, hand="none such")), "none such"),
        (source("x", replace(GOOD, ink=Ink(letters.good_n().strokes * 201))), "201 strokes"),
    ],
)
def test_what_cannot_be_checked_is_an_answer_that_says_why(given: InkSource, words: str) -> None:
    answer = check_file(given, Asked())
    assert set(answer) == {"file", "error"}
    assert words in str(answer["error"])


def test_what_is_asked_counts_whatever_the_file_says() -> None:
    asked = Asked("h", Style("flick"), Handedness.LEFT)
    answer = check_file(source("n", replace(GOOD, target="ship", kind=Kind.WORD)), asked)
    assert (answer["target"], answer["hand"]) == ("h", "flick")


@pytest.fixture(scope="module")
def one_after_another() -> list[dict[str, object]]:
    return list(check_files(many(60), Asked()))


def test_a_bad_file_stops_no_other(one_after_another: list[dict[str, object]]) -> None:
    failed = [at for at, answer in enumerate(one_after_another) if "error" in answer]
    assert failed == [7, 17, 27, 37, 47, 57]


def test_processes_give_the_same_answers_in_the_same_order(
    one_after_another: list[dict[str, object]],
) -> None:
    with ProcessPoolExecutor(2) as executor:
        assert list(check_files(many(60), Asked(), executor)) == one_after_another


def test_no_more_is_read_than_workers_are_busy_with() -> None:
    taken = 0

    def counted() -> Iterator[InkSource]:
        nonlocal taken
        for one in many(3000):
            taken += 1
            yield one

    with ProcessPoolExecutor(1) as executor:
        answers = check_files(counted(), Asked(), executor)
        next(answers)
        assert taken < 1200
        executor.shutdown(cancel_futures=True)


@pytest.mark.filterwarnings("ignore")  # of a cluster that loses a worker
def test_a_cluster_gives_them_too_though_a_worker_dies(
    one_after_another: list[dict[str, object]],
) -> None:
    with (
        LocalCluster(  # type: ignore[no-untyped-call]
            n_workers=2, threads_per_worker=1, processes=True, dashboard_address=None
        ) as local,
        cluster(local.scheduler_address) as executor,
    ):
        answers = check_files(many(60), Asked(), executor)
        first = next(answers)
        victim = next(iter(local.workers.values()))
        os.kill(victim.process.pid, signal.SIGKILL)
        assert [first, *answers] == one_after_another
