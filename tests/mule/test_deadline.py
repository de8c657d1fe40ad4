"""Time for searches: what counts against which of them."""

from concurrent.futures import ThreadPoolExecutor

from mule.base.deadline import Deadline, WorkClock, measured_here_by


def test_work_of_one_search_ends_no_other() -> None:
    with ThreadPoolExecutor(1) as elsewhere, measured_here_by(WorkClock()) as here:
        search = Deadline(1)
        other = elsewhere.submit(Deadline, 1).result()
        here.ran(here.solver_s(2))
        assert (search.stopped, other.stopped) == (True, False)
        assert search.soonest(1).clock is here
        assert other.clock is not here
