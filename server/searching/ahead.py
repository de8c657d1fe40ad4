"""Searches that are begun before they are asked for: after a click the screen asks for cures, a round trip later."""

from collections.abc import Callable, Hashable
from concurrent.futures import ThreadPoolExecutor
from threading import Lock, Timer
from typing import NamedTuple

from server.searching.engine import Engine, Running
from server.searching.jobs import Job
from server.searching.turns import Changes, Turn, Turns

# Who has not asked by then will not.
_WAITS_S = 3.0


class Begun(NamedTuple):
    """A search at work that nobody listens to yet. about: what exactly it is about."""

    about: Hashable
    turn: Turn
    running: Running

    def end(self) -> None:
        """Lets it go."""
        self.running.end()
        self.turn.over()


class Ahead:
    """What was begun ahead in this process, by owner and kind."""

    def __init__(self, turns: Turns, engine: Engine) -> None:
        self._turns, self._engine = turns, engine
        self._begun: dict[tuple[Hashable, Hashable], Begun] = {}
        # About what each asked last, and how often: who came before it could be begun is not to be disturbed.
        self._asked: dict[tuple[Hashable, Hashable], Hashable] = {}
        self._questions = Changes()
        self._lock = Lock()
        # The click is not kept waiting for it.
        self._beside = ThreadPoolExecutor(1)

    def begin(self, job: Job, owner: Hashable, kind: Hashable, about: Hashable) -> None:
        """Begins a search, unless there is a queue."""
        asked_since = self._questions.since_now((owner, kind))
        self._beside.submit(self._begin, job, owner, kind, about, asked_since)

    def _begin(
        self, job: Job, owner: Hashable, kind: Hashable, about: Hashable, asked_since: Callable[[], bool]
    ) -> None:
        with self._lock:
            # Whatever was asked since then, this or something newer, has a search of its own.
            if asked_since() or self._asked.get((owner, kind)) == about:
                return
            before = self._begun.pop((owner, kind), None)
            if before:
                before.end()
            turn = self._turns.take(job.lane, owner, kind)
            if not turn.on:
                turn.over()
                return
            try:
                running = self._engine.begin(job, (owner, kind))
            except BaseException:
                turn.over()
                raise
            begun = self._begun[owner, kind] = Begun(about, turn, running)
        late = Timer(_WAITS_S, self._drop, (owner, kind, begun))
        late.daemon = True
        late.start()

    def take(self, owner: Hashable, kind: Hashable, about: Hashable) -> Begun | None:
        """What was begun about this; what was begun about something else is let go."""
        with self._lock:
            self._asked[owner, kind] = about
            self._questions.note((owner, kind))
            begun = self._begun.pop((owner, kind), None)
        if begun is None or (begun.about == about and not begun.turn.replaced):
            return begun
        begun.end()
        return None

    def _drop(self, owner: Hashable, kind: Hashable, begun: Begun) -> None:
        with self._lock:
            if self._begun.get((owner, kind)) is not begun:
                return
            del self._begun[owner, kind]
        begun.end()
