"""Thirty made-up children at thirty pads: each follows the lesson by the contract, writes with
slips of its own, loses the network now and then, and sends some things twice."""

import statistics
import threading
import time
from collections import Counter
from collections.abc import Callable, Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass, field
from datetime import UTC, datetime
from uuid import UUID

import numpy as np

from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.ink import Ink
from firstloop.core.evidence.pupils import Pupil, draw_pupil, write
from firstloop.core.evidence.task import Kind
from firstloop.core.evidence.text_pupils import write_joined, write_row, write_text
from firstloop.core.letters.hands import Hand, find_hand
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS, Slip
from firstloop.demo.pad_client import Json, NoAnswerError, PadClient
from firstloop.formats import ink_json

IN_A_ROW = 5
"""Letters of a made-up row."""

BETWEEN_TRIES_S = 0.5
GIVES_UP_AFTER_S = 60.0
"""Seconds: how soon a pad tries again that was not answered, and how long it goes on after the
lesson's time."""


@dataclass(frozen=True, slots=True)
class Play:
    """How a class is played: how many pads, for how long, a letter every so many seconds; shares of
    what is written with a slip, struck through, lost on the way and sent again, or sent twice."""

    count: int = 30
    seconds: float = 120.0
    every_s: float = 3.0
    seed: int = 1
    slips: float = 0.4
    struck: float = 0.05
    gaps: float = 0.05
    repeats: float = 0.1


@dataclass(slots=True)
class Played:
    """What came of it: ids that the server has said it has and when, how long its answers took (s),
    statuses, and what still waited at the end."""

    stored: dict[str, float] = field(default_factory=dict)
    times: list[float] = field(default_factory=list)
    statuses: Counter[int] = field(default_factory=Counter)
    left: int = 0
    gaps: int = 0
    refused: list[str] = field(default_factory=list)
    _lock: threading.Lock = field(default_factory=threading.Lock)

    def note(self, status: int, sent: Json, took: float) -> None:
        """The server answered."""
        with self._lock:
            self.statuses[status] += 1
            self.times.append(took)
            if status in (200, 201):
                self.stored.setdefault(sent["id"], time.monotonic())
            else:
                self.refused.append(f"{status} {sent['kind']} {sent['target']} {sent['help']}")

    def quantile_ms(self, share: float) -> float:
        """Of the times of its answers."""
        return 1000 * statistics.quantiles(self.times, n=100)[round(100 * share) - 1]


def play(url: str, code: str, how: Play, *, pad: Callable[[], PadClient] | None = None) -> Played:
    """Plays a class; raises FirstLoopError where it cannot come in."""
    made, played = pad or (lambda: PadClient(url)), Played()
    pads = [made() for _ in range(how.count)]
    try:
        _all_come_in(pads, code)
        _all_write(pads, how, played)
    finally:
        for one in pads:
            _leave(one)
    return played


def _leave(pad: PadClient) -> None:
    """Frees its tile; not while something waits that only this pad may hand in."""
    if pad.cookies and not pad.waiting:
        with suppress(NoAnswerError):
            pad.ask("POST", "/api/pad/leave")
    pad.drop()


def _all_come_in(pads: Sequence[PadClient], code: str) -> None:
    for number, one in enumerate(pads):
        _come_in(one, code, number)


def _all_write(pads: Sequence[PadClient], how: Play, played: Played) -> None:
    until = time.monotonic() + how.seconds
    threads = [
        threading.Thread(target=_child, args=(one, number, how, until, played), daemon=True)
        for number, one in enumerate(pads)
    ]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    played.left = sum(len(one.waiting) for one in pads)


def _come_in(pad: PadClient, code: str, number: int) -> None:
    status, joined = pad.ask("POST", "/api/pad/join", {"code": code})
    if status != 200:
        raise FirstLoopError(f"pad {number + 1} cannot join: {joined and joined['detail']}")
    free = [one["id"] for one in joined["pupils"] if not one["taken"]]
    if not free:
        raise FirstLoopError(
            f"there is no tile left for pad {number + 1}; the class has {len(joined['pupils'])} "
            "children: play no more pads than that"
        )
    status, refused = pad.ask("POST", "/api/pad/pupil", {"pupil": free[0]})
    if status != 200:
        raise FirstLoopError(f"pad {number + 1} gets no tile: {refused['detail']}")


def _child(pad: PadClient, number: int, how: Play, until: float, played: Played) -> None:
    rng = np.random.default_rng([how.seed, number])
    hand = draw_pupil(rng, steadiness=float(rng.uniform(0.3, 0.9)))
    at = time.monotonic() + float(rng.uniform(0, how.every_s))
    task: Json | None = None
    while at < until:
        time.sleep(max(0.0, at - time.monotonic()))
        at += how.every_s
        try:
            _, task = pad.ask("GET", "/api/pad/task")
        except NoAnswerError:
            played.gaps += 1  # it writes on at what it had
        if task and task.get("step"):
            pad.waiting.append(_written(task, hand, how, rng))
        _send(pad, how, rng, played)
    gives_up = time.monotonic() + GIVES_UP_AFTER_S
    while pad.waiting and time.monotonic() < gives_up:
        _send(pad, how, rng, played)
        if pad.waiting:
            time.sleep(BETWEEN_TRIES_S)


def _send(pad: PadClient, how: Play, rng: np.random.Generator, played: Played) -> None:
    """All that waits; with luck, for the network may go with the answer on its way."""
    while pad.waiting:
        sent = pad.waiting[0]
        began = time.monotonic()
        try:
            answered = pad.hand_in()
        except NoAnswerError:
            played.gaps += 1
            return
        if answered is None or (pad.waiting and pad.waiting[0] is sent):
            return
        played.note(answered[0], sent, time.monotonic() - began)
        if rng.random() < how.gaps:  # the answer was lost: it is sent again later
            pad.waiting.append(sent)
            pad.drop()
            played.gaps += 1
            return
        if rng.random() < how.repeats:
            pad.waiting.append(sent)


def _written(task: Json, pupil: Pupil, how: Play, rng: np.random.Generator) -> Json:
    heights = {one["name"]: one["u"] for one in task["ruling"]["lines"]}
    ruling = Ruling(top=heights["top"], drop=heights["drop"])
    ink = _ink(task, pupil, ruling, how, rng)
    return {
        "id": str(UUID(bytes=rng.bytes(16), version=4)),
        "target": task["target"],
        "kind": task["kind"],
        "help": task["help"],
        "written_at": datetime.now(UTC).isoformat(),
        "struck": bool(task["cells"] and rng.random() < how.struck),
        "strokes": ink_json.strokes_of(ink),
    }


def _ink(task: Json, pupil: Pupil, ruling: Ruling, how: Play, rng: np.random.Generator) -> Ink:
    hand, kind, target = find_hand(task["hand"]), Kind(task["kind"]), task["target"] or "so"
    if kind is Kind.LETTER:
        slips = _slips(target, hand, how, rng)
        return write(hand.scripts[target], hand, ruling, pupil, rng, slips=slips)
    if hand.joins and kind is Kind.WORD:
        return write_joined(target, hand, ruling, pupil, rng)
    wrong: Mapping[int, list[Slip]] = {
        at: _slips(letter, hand, how, rng) for at, letter in enumerate(target) if letter != " "
    }
    if kind is Kind.ROW:
        return write_row(target, IN_A_ROW, hand, ruling, pupil, rng, slips=wrong)
    return write_text(target, hand, ruling, pupil, rng, slips=wrong)


def _slips(letter: str, hand: Hand, how: Play, rng: np.random.Generator) -> list[Slip]:
    if letter not in hand.scripts or rng.random() >= how.slips:
        return []
    fitting = [slip for slip in SLIPS.values() if slip.fits(hand.scripts[letter])]
    return [fitting[int(rng.integers(len(fitting)))]] if fitting else []
