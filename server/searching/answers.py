"""Searches as answers over HTTP."""

from collections.abc import Callable, Generator, Hashable, Iterator
from typing import NamedTuple, TypedDict

from django.conf import settings
from django.http import StreamingHttpResponse

from server.searching.ahead import Ahead
from server.searching.engine import ENGINE, Running
from server.searching.jobs import Job
from server.searching.lines import StreamLine
from server.searching.turns import Turn, Turns

# How often a search that finds nothing new says that it is still alive, in seconds; a connection that was hung up is
# noticed when something is written to it.
_BEAT_S = 0.1
TURNS = Turns(ENGINE.places)
AHEAD = Ahead(TURNS, ENGINE)


def _never() -> bool:
    return False


class Question(NamedTuple):
    """Who asks. kind: one search of a kind is on for an owner, the newest. first: told before its turn comes.

    about: what tells it from another of the kind, where it may have been begun ahead.

    outdated: whether the question is not asked any more; then ``last`` is told.
    """

    owner: Hashable
    kind: Hashable
    first: tuple[StreamLine, ...] = ()
    outdated: Callable[[], bool] = _never
    last: StreamLine | None = None
    about: Hashable = None


class Limits(TypedDict):
    """seconds: time for a search; workers: threads that search side by side."""

    seconds: float
    workers: int


def within_limits(seconds: float, workers: int) -> Limits:
    """What a client asked for, as far as the site lets anybody have it."""
    return {"seconds": min(seconds, settings.SEARCH_SECONDS), "workers": min(workers, settings.SEARCH_THREADS)}


def streamed(lines: Iterator[str]) -> StreamingHttpResponse:
    """An answer of one line of JSON for all that a search tells. An empty line now and then tells nothing, but is
    noticed when nobody listens any more: hanging up ends the search."""
    response = StreamingHttpResponse((line + "\n" for line in lines), content_type="application/x-ndjson")
    response["Cache-Control"] = "no-store"
    return response


def found(job: Job, owner: Hashable) -> str:
    """The last line that a search tells; waits for it. Raises what the search raises.

    Whoever waits gets it: no newer search takes its place.
    """
    last = ""
    for line in lines_of(job, Question(owner, object())):
        last = line or last
    return last


def lines_of(job: Job, question: Question) -> Generator[str, None, None]:
    """What a search tells, in its turn; "" now and then. Closing the iterator ends it."""
    begun = None if question.about is None else AHEAD.take(question.owner, question.kind, question.about)
    turn = begun.turn if begun else TURNS.take(job.lane, question.owner, question.kind)
    running = begun.running if begun else None
    try:
        for line in question.first:
            yield line.written()
        told = -1
        while not turn.wait(_BEAT_S):
            ahead = turn.ahead
            yield StreamLine(ahead=ahead).written() if ahead != told else ""
            told = ahead
        if not turn.replaced:
            running = running or ENGINE.begin(job, (turn.owner, turn.kind))
            yield from _at_work(running, turn, question.outdated)
        if question.last is not None and question.outdated():
            yield question.last.written()
        elif turn.replaced:
            yield StreamLine(replaced=True).written()
    finally:
        if running:
            running.end()
        turn.over()


def _at_work(running: Running, turn: Turn, outdated: Callable[[], bool]) -> Iterator[str]:
    while not turn.replaced and not outdated():
        line = running.next(_BEAT_S)
        if line is None:
            return
        yield line
