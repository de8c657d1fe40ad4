"""Long searches at work: in a thread of their own, telling what they find as they find it, over when nobody listens."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from queue import Empty, SimpleQueue
from threading import Event, Thread
from typing import Generic, TypeVar

News = TypeVar("News")
# How often a search that finds nothing new says that it is still alive, in seconds; a connection that was hung up is
# noticed when something is written to it.
_BEAT_S = 0.25


@dataclass(frozen=True)
class _Ended:
    error: BaseException | None


@dataclass(frozen=True)
class _Told(Generic[News]):
    news: News


def stream_of(search: Callable[[Callable[[News], None], Callable[[], bool]], object]) -> Iterator[News | None]:
    """What a search tells, as it tells it; None now and then while there is nothing new.

    search: is given where to tell news, and the question whether to stop. Closing the iterator ends the search; what
    it raises is raised here.
    """
    stop = Event()
    queue: SimpleQueue[_Told[News] | _Ended] = SimpleQueue()

    def work() -> None:
        try:
            search(lambda news: queue.put(_Told(news)), stop.is_set)
        except BaseException as error:
            queue.put(_Ended(error))
        else:
            queue.put(_Ended(None))

    thread = Thread(target=work, daemon=True)
    thread.start()
    try:
        while True:
            try:
                heard = queue.get(timeout=_BEAT_S)
            except Empty:
                yield None
                continue
            if isinstance(heard, _Told):
                yield heard.news
            elif heard.error is not None:
                raise heard.error
            else:
                return
    finally:
        stop.set()
        thread.join()
