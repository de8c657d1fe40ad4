"""The engine that runs jobs: Dask's scheduler and workers, embedded or elsewhere (docs/decisions/0013).

Where ``SEARCH_WORKERS`` is an address, searches go to the scheduler there; else a scheduler runs in a thread of this
process, and workers in processes beside it.
"""

import os
from collections import Counter
from collections.abc import Callable, Hashable
from queue import Empty, SimpleQueue
from threading import Lock, Thread
from time import monotonic
from typing import Any
from uuid import uuid4

from django.conf import settings

from server.searching.jobs import LANES, Job, Lane
from server.searching.parcels import packed_up
from server.searching.worker import NEWS, work

# Workers come and go: they are counted anew after so many seconds.
_COUNTED_S = 2.0
_CONNECT_S = 5
# A worker that dies is noticed at once, by its connection: heartbeats and Dask's other regular checks may be rare.
# Between searches they are nearly all the processor time that a site takes (measured).
_SELDOM_S = 20.0
_SELDOM = f"{_SELDOM_S:g}s"
_CONFIG = {
    # The scheduler keeps no history of news: each line is heard once.
    "distributed.admin.low-level-log-length": 10,
    "distributed.admin.tick.interval": _SELDOM,
    "distributed.admin.tick.cycle": _SELDOM,
    "distributed.admin.tick.limit": f"{10 * _SELDOM_S:g}s",
    "distributed.admin.system-monitor.interval": _SELDOM,
    "distributed.client.scheduler-info-interval": _SELDOM,
    "distributed.scheduler.active-memory-manager.start": False,
    "distributed.scheduler.work-stealing": False,
    "distributed.worker.profile.enabled": False,
    # Nothing about searches is told to browsers.
    "distributed.scheduler.http.routes": [],
    "distributed.worker.http.routes": [],
}


class NoWorkers(Exception):
    """Nobody is there to search."""


class Running:
    """A job at work."""

    def __init__(self, future: Any, heard: "SimpleQueue[str | None]", over: Callable[[], None]) -> None:
        self._future, self._heard, self._over = future, heard, over
        # Lines told so far: a job that begins anew on another worker tells them again.
        self._told: set[str] = set()

    def next(self, seconds: float) -> str | None:
        """The next line that is told; "" when there is none within so many seconds, None at the end.

        Raises what the job raised, and NoWorkers when the workers it was given to died.
        """
        while True:
            try:
                line = self._heard.get(timeout=seconds)
            except Empty:
                return ""
            if line is None:
                if self._future.status == "error":
                    raise self._future.exception()
                return None
            if line not in self._told:
                self._told.add(line)
                return line

    def end(self) -> None:
        """Lets it go: the worker stops."""
        self._over()
        if not self._future.done():
            self._future.cancel()


class Engine:
    """Made once per process; starts when it is first needed."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._client: Any = None
        self._pid = 0
        self._heard: dict[str, SimpleQueue[str | None]] = {}
        self._workers: list[str] = []
        self._counted_at = 0.0
        # Searches of each lane that are on, by worker.
        self._busy: Counter[tuple[Lane, str]] = Counter()

    def warm_up(self) -> None:
        """Starts in a thread, so that the first search finds it ready."""
        Thread(target=self.client, daemon=True).start()

    def client(self) -> Any:
        """The connection to the scheduler. Raises NoWorkers where there is none."""
        with self._lock:
            if self._client is None or self._pid != os.getpid():
                self._client, self._pid = _connected(), os.getpid()
                self._client.subscribe_topic(NEWS, self._hear)
            return self._client

    def places(self) -> int:
        """Workers that are there."""
        return max(1, len(self._there()))

    def _there(self) -> list[str]:
        if monotonic() - self._counted_at > _COUNTED_S:
            self._workers = sorted(self.client().scheduler_info(n_workers=-1)["workers"])
            self._counted_at = monotonic()
        return self._workers

    def begin(self, job: Job, about: Hashable = None) -> Running:
        """Gives a job to a worker. about: who had one about the same before remembers much of it, and is asked again
        unless others have less to do."""
        client, name, there = self.client(), uuid4().hex, self._there()
        heard = self._heard[name] = SimpleQueue()
        turned = hash(about) % max(1, len(there))
        best = min([*there[turned:], *there[:turned]], key=lambda one: self._busy[job.lane, one], default=None)
        # Where that one dies, another does it.
        where = {"workers": [best], "allow_other_workers": True} if best else {}
        lane = {"key": f"{job.lane}-{name}", "resources": {job.lane: 1}}
        place = job.lane, best or ""
        self._busy[place] += 1
        future = client.submit(work, packed_up(job), name, pure=False, **lane, **where)
        future.add_done_callback(lambda _: heard.put(None))

        def over() -> None:
            if self._heard.pop(name, None) is not None:
                self._busy[place] -= 1

        return Running(future, heard, over)

    def close(self) -> None:
        """Ends the workers that were started here."""
        with self._lock:
            client, self._client = self._client, None
        if client is not None and self._pid == os.getpid():
            cluster = client.cluster
            client.close()
            if cluster is not None:
                cluster.close()

    def _hear(self, event: Any) -> None:
        name, line = event[1]
        # Another thread may let the search go at any moment, and some searches belong to other processes.
        heard = self._heard.get(name)
        if heard is not None:
            heard.put(line)


def _connected() -> Any:
    # Imported here: it takes a third of a second, and only who searches needs it.
    import dask  # noqa: PLC0415
    from distributed import Client, LocalCluster, scheduler  # noqa: PLC0415

    dask.config.set(_CONFIG)
    address = settings.SEARCH_WORKERS
    if address:
        try:
            return Client(address, timeout=_CONNECT_S, set_as_default=False)
        except OSError as error:
            raise NoWorkers(f"no scheduler of searches at {address}") from error
    # No setting says how often workers send signs of life; Dask reads this function for it.
    scheduler.heartbeat_interval = lambda n: _SELDOM_S
    cluster = LocalCluster(
        n_workers=settings.SEARCH_PROCESSES,
        threads_per_worker=len(LANES),
        processes=True,
        # What others on this machine could connect to asks for a certificate that only these processes know.
        security=True,
        dashboard_address="127.0.0.1:0",
        memory_limit=0,
        resources=dict.fromkeys(LANES, 1),
        preload=["server.searching.worker"],
        silence_logs="ERROR",
    )
    return Client(cluster, set_as_default=False)


ENGINE = Engine()
