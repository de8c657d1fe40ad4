"""Long searches at work: in a thread of their own, telling what they find as they find it, over when nobody listens."""

from collections import Counter
from collections.abc import Callable, Hashable, Iterator
from dataclasses import dataclass
from queue import Empty, SimpleQueue
from threading import Event, Thread
from typing import Generic, TypeVar

from django.http import StreamingHttpResponse

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


Search = Callable[[Callable[[News], None], Callable[[], bool]], object]


def streamed(search: Search[News], write: Callable[[News], str]) -> StreamingHttpResponse:
    """An answer of one line of JSON for all that a search tells. An empty line now and then tells nothing, but is
    noticed when nobody listens any more: hanging up ends the search."""
    lines = (("" if news is None else write(news)) + "\n" for news in stream_of(search))
    response = StreamingHttpResponse(lines, content_type="application/x-ndjson")
    response["Cache-Control"] = "no-store"
    return response


class Changes:
    """Which things were changed since somebody began to look at them. Kept per process."""

    def __init__(self) -> None:
        self._times: Counter[Hashable] = Counter()

    def note(self, about: Hashable) -> None:
        """It is changed: what is being worked out about it answers a question that nobody asks any more."""
        self._times[about] += 1

    def since_now(self, about: Hashable) -> Callable[[], bool]:
        """Whether it was changed after this was asked for."""
        begun = self._times[about]
        return lambda: self._times[about] != begun


def stream_of(search: Search[News]) -> Iterator[News | None]:
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
