"""In a worker process: it is made ready once, then does jobs.

Loaded by ``dask worker --preload server.searching.worker``.
"""

import os

from distributed import Worker, get_worker

from mule.base.deadline import WallClock, WorkClock, measured_here_by
from server.kernel.process import keep_what_is_loaded
from server.searching.parcels import unpacked

# Clicks are answered first: they take moments, a search takes what is left.
_NICE = int(os.environ.get("SEARCH_NICE", "10"))
# For tests: each search gets so much work, not so many seconds, and says the same on every machine, however busy.
_CLOCK = WorkClock if os.environ.get("SEARCHES_BY_WORK") else WallClock
# Where news of all searches is told; each line says of which.
NEWS = "narrow-mule-news"


def dask_setup(worker: Worker) -> None:
    """Called by the engine when a worker process starts."""
    os.nice(_NICE)
    keep_what_is_loaded()


def work(parcel: bytes, name: str) -> None:
    """Does a job. name: of the search that its news belong to."""
    worker = get_worker()
    key = worker.get_current_task()

    def nobody_waits() -> bool:
        # Here it is seen at once, without asking the scheduler, that the task was let go.
        task = worker.state.tasks.get(key)
        return task is None or task.state != "executing"

    with measured_here_by(_CLOCK()):
        unpacked(parcel).run(lambda line: worker.log_event(NEWS, (name, line)), nobody_waits)
