"""Every call to the store that is about a class takes the class."""

import inspect
from collections.abc import Callable, Iterator
from pathlib import Path
from types import ModuleType

import pytest

from firstloop.api import app
from firstloop.store import carrying, class_moves, judging, slipped, stories, table
from firstloop.store.tables import MODULES

NOT_OF_A_CLASS = {
    "accounts", "sign_ins", "staff", "school",  # who teaches, and what holds for all
    "known_devices", "wrong_guesses",  # who asks to be let in
    "pad_loads",  # of a pad that shows what it is known by
    "handed_in",  # by the sender's own id, of a child that the caller has found
    "findings", "judgements",  # rows alone
}  # fmt: skip

FOR_THE_WHOLE_RECORD = {
    "classes.every", "progress_marks.clear", "practice_days.rebuild",
    "classes.add",  # there is none yet
    "lesson_codes.every_open", "lesson_codes.named", "lesson_codes.with_secret",  # who joins
    "pads.holding", "pads.known_as",
    "pads.seat", "set_aside.let_go_of_device",  # of a device, which goes from class to class
    "carrying.bring_class", "carrying.bring_child",  # rows that come from elsewhere
    "inks.add", "inks.add_many", "inks.of",  # of attempts that were found in the class
    "text_seen.keep",  # of a text that was
    "paper.next_photo",  # of whichever class has waited longest
    "blind_sets.to_judge", "blind_sets.get_to_judge",  # of who judges, whosever class it is
}  # fmt: skip


def calls() -> Iterator[tuple[str, Callable[..., object]]]:
    for module in (*MODULES, carrying, class_moves, judging, slipped, stories, table):
        name = module.__name__.rpartition(".")[2]
        if name not in NOT_OF_A_CLASS:
            yield from public(module, name)


def public(module: ModuleType, name: str) -> Iterator[tuple[str, Callable[..., object]]]:
    for called, function in inspect.getmembers(module, inspect.isfunction):
        is_own = function.__module__ == module.__name__ and not called.startswith("_")
        parameters = list(inspect.signature(function).parameters)
        if is_own and parameters[:1] == ["session"]:
            yield f"{name}.{called}", function


@pytest.mark.parametrize(("name", "function"), [pytest.param(*one, id=one[0]) for one in calls()])
def test_it_takes_the_class(name: str, function: Callable[..., object]) -> None:
    second = list(inspect.signature(function).parameters)[1:2]
    assert (second == ["class_id"]) != (name in FOR_THE_WHOLE_RECORD)


def test_only_services_own_what_is_written_together() -> None:
    """A request is one unit of work; how much is in it is no matter of the web's."""
    api = Path(inspect.getfile(app)).parent
    assert [str(file) for file in api.rglob("*.py") if ".writing()" in file.read_text()] == []
