"""Who waits for what happens in a class is woken when it is in the record; what happened, they read
there (`happenings`)."""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from threading import Lock

from sqlalchemy.orm import Session

_HAPPENED = "happened in"

Topic = tuple[int, bool]
"""A class, and whether it is its pads that are told; else its teacher."""


class News:
    """Who is to be woken, by what they wait for. From any thread."""

    def __init__(self) -> None:
        self._waiting: dict[Topic, set[Callable[[], None]]] = {}
        self._lock = Lock()
        self.ended = False

    @contextmanager
    def heard(self, topic: Topic, wake: Callable[[], None]) -> Iterator[None]:
        """Calls `wake` whenever something has happened, until it is left. It is called by who wrote
        it, who does not wait: it must be quick."""
        with self._lock:
            self._waiting.setdefault(topic, set()).add(wake)
        try:
            yield
        finally:
            with self._lock:
                self._waiting[topic].discard(wake)

    def tell(self, session: Session) -> None:
        """Wakes who waits for what a session, which has ended well, wrote."""
        for topic in session.info.get(_HAPPENED, ()):
            self._wake(topic)

    def end(self) -> None:
        """Wakes all: nothing more will happen."""
        self.ended = True
        for topic in list(self._waiting):
            self._wake(topic)

    def _wake(self, topic: Topic) -> None:
        with self._lock:
            waiting = list(self._waiting.get(topic, ()))
        for wake in waiting:
            wake()


def happened(session: Session, topic: Topic) -> None:
    """Remembers that a session writes something that others wait for: what happens in a class, or
    who may still hear of it. Who listens looks at both when woken."""
    session.info.setdefault(_HAPPENED, set()).add(topic)
