"""Jobs on their way to a worker: what seldom changes is sent in parts that workers know again.

What is remembered of a locker hangs on the very object (``mule.base.memo``). A worker that unpickled it anew for each
click would work everything out anew: so it keeps the last ones, by their content, and puts them in.
"""

import pickle
from dataclasses import fields
from functools import partial
from hashlib import sha256
from typing import Any, NamedTuple

from mule.base.memo import Kept, by_identity
from mule.plan import Plan
from server.searching.jobs import Job

# Lockers and trips that are kept ready.
_MOST = 64
_KNOWN: Kept[Any] = Kept(_MOST)
_PARTS = ("gear", "carriers", "trip")


class Parcel(NamedTuple):
    """A pickled job. parts: of its plan, by name, with the digest of each. rest: of its plan, then of the job."""

    job: type[Job]
    parts: dict[str, tuple[bytes, bytes]]
    rest: bytes


@by_identity(_MOST)
def _part(value: object) -> tuple[bytes, bytes]:
    raw = pickle.dumps(value, pickle.HIGHEST_PROTOCOL)
    return sha256(raw).digest(), raw


def digests(plan: Plan) -> tuple[list[str], str]:
    """Of a plan's locker, carriers and trip, which seldom change, and all the rest of it as JSON."""
    return [_part(getattr(plan, name))[0].hex() for name in _PARTS], plan.model_dump_json(exclude=set(_PARTS))


def packed_up(job: Job) -> bytes:
    """A job as it is sent."""
    plan, parts = job.plan, {name: _part(getattr(job.plan, name)) for name in _PARTS}
    others = {name: getattr(plan, name) for name in Plan.model_fields if name not in parts}
    asked = {field.name: getattr(job, field.name) for field in fields(job) if field.name != "plan"}  # type: ignore[arg-type]
    rest = pickle.dumps((others, asked), pickle.HIGHEST_PROTOCOL)
    return pickle.dumps(Parcel(type(job), parts, rest), pickle.HIGHEST_PROTOCOL)


def unpacked(parcel: bytes) -> Job:
    """The job of a parcel, about the very locker and trip that were known before if they are the same."""
    job, parts, rest = pickle.loads(parcel)
    others, asked = pickle.loads(rest)
    known = {name: _KNOWN.get(digest, partial(pickle.loads, raw)) for name, (digest, raw) in parts.items()}
    # It was a plan before it was sent: it is not looked at once more.
    made: Job = job(plan=Plan.model_construct(**known, **others), **asked)
    return made
