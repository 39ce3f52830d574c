"""Many pads at once, without a pause, at the real server: hand-ins that are varied, some sent twice
or begun again on another line. Says how long they took, what failed, what was lost or doubled."""

import json
import random
import sqlite3
import statistics
import threading
import time
import uuid
from collections import Counter
from collections.abc import Callable
from dataclasses import dataclass, field
from functools import lru_cache
from http.client import HTTPConnection, HTTPException
from pathlib import Path
from typing import Any

import numpy as np

from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.letters import find_hand
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.slips import SLIPS
from firstloop.formats import ink_json

LETTERS = "abcdefghijklmnopqrstuvwxyz"
TWICE = 0.1
"""The share of hand-ins that are sent again, as if no answer had come."""


KINDS = 120
"""Different hand-ins, of which each is sent again and again under other ids."""


@dataclass
class Load:
    """What clients met with: times of answers (s), statuses, ids that were acknowledged."""

    times: list[float] = field(default_factory=list)
    statuses: Counter[int] = field(default_factory=Counter)
    acknowledged: dict[str, int] = field(default_factory=dict)
    failures: list[str] = field(default_factory=list)

    def quantile_ms(self, share: float) -> float:
        return 1000 * statistics.quantiles(self.times, n=100)[round(100 * share) - 1]


@lru_cache(maxsize=2)
def bodies(seed: int, count: int, hand_name: str = "plain") -> list[dict[str, Any]]:
    """Hand-ins of many writers: other letters, sizes, rates, slips."""
    rng = np.random.default_rng(seed)
    hand = find_hand(hand_name)
    made = []
    for _ in range(count):
        letter = str(rng.choice(list(LETTERS)))
        fitting = [slip for slip in SLIPS.values() if slip.fits(hand.scripts[letter])]
        slips = [fitting[int(rng.integers(len(fitting)))]] if rng.random() < 0.4 else []
        pupil = draw_pupil(rng, steadiness=float(rng.uniform(0.4, 0.95)))
        ink = write(hand.scripts[letter], hand, Ruling(), pupil, rng, slips=slips)
        made.append({"letter": letter, "help": "copy", "strokes": ink_json.strokes_of(ink)})
    return made


def run(
    port: int,
    *,
    clients: int = 20,
    seconds: float = 60.0,
    most: int | None = None,
    pupils: int = 12,
    seed: int = 1,
    after: tuple[int, Callable[[], None]] | None = None,
) -> Load:
    """Plays so many clients for so long, or until each has handed in so many. When a number of
    hand-ins is acknowledged, something is done meanwhile."""
    inks = bodies(seed, KINDS)
    load, lock, until = Load(), threading.Lock(), time.monotonic() + seconds
    done_after = threading.Event()

    def play(client: int) -> None:
        chance = random.Random(1000 * seed + client)
        connection = HTTPConnection("127.0.0.1", port, timeout=60)
        done = 0
        while time.monotonic() < until and (most is None or done < most):
            body = {
                **chance.choice(inks),
                "id": str(uuid.UUID(int=chance.getrandbits(128), version=4)),
                "pupil_id": chance.randint(1, pupils),
            }
            for _ in range(2 if chance.random() < TWICE else 1):
                _hand_in(connection, body, load, lock)
            if after and len(load.acknowledged) >= after[0] and not done_after.is_set():
                done_after.set()
                after[1]()
            done += 1
        connection.close()

    threads = [threading.Thread(target=play, args=(client,)) for client in range(clients)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    return load


def _hand_in(
    connection: HTTPConnection, body: dict[str, Any], load: Load, lock: threading.Lock
) -> None:
    began = time.perf_counter()
    try:
        connection.request(
            "POST", "/api/write/attempts", json.dumps(body), {"Content-Type": "application/json"}
        )
        answer = connection.getresponse()
        said = answer.read()
    except (OSError, HTTPException) as error:
        with lock:
            load.failures.append(repr(error))
        connection.close()
        return
    took = time.perf_counter() - began
    with lock:
        load.times.append(took)
        load.statuses[answer.status] += 1
        if answer.status in (200, 201):
            kept = json.loads(said)["id"]
            if load.acknowledged.setdefault(body["id"], kept) != kept:
                load.failures.append(f"{body['id']} was kept twice")


def lost_in_file(record: Path, copy: Path, load: Load) -> list[str]:
    """What would be lost if the one file were copied now, without its log: all of it where that is
    just being moved in, and the copy is torn."""
    copy.write_bytes(record.read_bytes())
    try:
        return lost(copy, load)
    except sqlite3.DatabaseError:
        return list(load.acknowledged)


def lost(record: Path, load: Load) -> list[str]:
    """The acknowledged hand-ins that are not in the record, each once and as they were said."""
    with sqlite3.connect(record) as opened:
        kept = dict(opened.execute("SELECT id, attempt_id FROM handed_in"))
        inks = {one for (one,) in opened.execute("SELECT attempt_id FROM attempt_ink")}
    return [
        sent
        for sent, attempt in load.acknowledged.items()
        if kept.get(sent) != attempt or attempt not in inks
    ]
