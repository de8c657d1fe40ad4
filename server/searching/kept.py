"""Answers kept by the value of what was asked: who asks the very same again has it at once."""

import json
from collections.abc import Callable, Iterator
from dataclasses import fields
from hashlib import sha256

from django.core.cache import cache
from pydantic import BaseModel

from server.searching.answers import Question, found, lines_of
from server.searching.jobs import Job
from server.searching.lines import StreamLine
from server.searching.parcels import digests

KEEP_S = 24 * 3600
# Longer answers are not worth the room they take.
_MOST_CHARS = 4_000_000


def value_of(job: Job) -> str:
    """A digest of all that a search is about."""
    shared, rest = digests(job.plan)
    asked = {field.name: getattr(job, field.name) for field in fields(job) if field.name != "plan"}  # type: ignore[arg-type]
    told = json.dumps(asked, default=_plain, sort_keys=True)
    return sha256("".join([type(job).__name__, *shared, rest, told]).encode()).hexdigest()


def _plain(value: object) -> object:
    if isinstance(value, BaseModel):
        return value.model_dump(mode="json")
    if isinstance(value, frozenset | set):
        return sorted(value)
    return getattr(value, "__qualname__", None) or repr(value)


def answered(job: Job, question: Question, ended: Callable[[str], bool]) -> Iterator[str]:
    """Lines of a search, those of before where the very same came to its end.

    ended: whether a line, the last one, says that it did.
    """
    key = f"answered-{value_of(job)}"
    yield from (line.written() for line in question.first)
    if (kept := cache.get(key)) is not None:
        yield from kept
        return
    told: list[str] = []
    for text in lines_of(job, question._replace(first=())):
        # Neither that it is alive nor how many come before it is a part of the answer.
        if text and StreamLine.read(text).ahead is None:
            told.append(text)
        yield text
    if told and ended(told[-1]) and sum(map(len, told)) <= _MOST_CHARS:
        cache.set(key, told, KEEP_S)


def answer(job: Job, owner: object, ended: Callable[[str], bool] = bool) -> str:
    """The only line of a search, that of before where it was the very same.

    ended: whether more time would change nothing; by default so, where it says something.
    """
    key = f"answer-{value_of(job)}"
    kept: str | None = cache.get(key)
    if kept is None:
        kept = found(job, owner)
        if ended(kept):
            cache.set(key, kept, KEEP_S)
    return kept
