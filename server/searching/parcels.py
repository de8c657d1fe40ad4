"""Jobs on their way to a worker: what seldom changes is sent in parts that workers know again.

What is remembered of a locker hangs on the very object (``mule.memo``). A worker that unpickled it anew for each click
would work everything out anew: so it keeps the last ones, by their content, and puts them in.
"""

import pickle
from collections.abc import Mapping
from dataclasses import dataclass
from hashlib import sha256
from io import BytesIO
from typing import Any

from mule.memo import Kept, by_identity
from server.searching.jobs import Job

# Lockers and trips that are kept ready.
_MOST = 64
_KNOWN: Kept[Any] = Kept(_MOST)


@dataclass(frozen=True)
class Parcel:
    """A pickled job. parts: pickled values by digest, to which it refers."""

    parts: Mapping[str, bytes]
    job: bytes


@by_identity(_MOST)
def _part(value: object) -> tuple[str, bytes]:
    raw = pickle.dumps(value, pickle.HIGHEST_PROTOCOL)
    return sha256(raw).hexdigest(), raw


class _Packer(pickle.Pickler):
    """Puts a reference where a part stands, or one of its things."""

    def __init__(self, file: BytesIO, parts: list[object]) -> None:
        super().__init__(file, pickle.HIGHEST_PROTOCOL)
        self.sent = {}
        self._refs: dict[int, tuple[str, int | None]] = {}
        for part in parts:
            digest, raw = _part(part)
            self.sent[digest] = raw
            self._refs[id(part)] = digest, None
            if isinstance(part, tuple):
                self._refs.update({id(thing): (digest, index) for index, thing in enumerate(part)})

    def persistent_id(self, obj: object) -> tuple[str, int | None] | None:
        """Where a value stands among the parts; None of what is sent with the job."""
        return self._refs.get(id(obj))


class _Unpacker(pickle.Unpickler):
    def __init__(self, parcel: Parcel) -> None:
        super().__init__(BytesIO(parcel.job))
        self._parts = parcel.parts

    def persistent_load(self, pid: tuple[str, int | None]) -> object:
        """The part, or one of its things."""
        digest, index = pid
        part = _KNOWN.get(digest, lambda: pickle.loads(self._parts[digest]))
        return part if index is None else part[index]


def packed_up(job: Job) -> Parcel:
    """A job as it is sent."""
    file = BytesIO()
    packer = _Packer(file, [job.plan.gear, job.plan.trip])
    packer.dump(job)
    return Parcel(packer.sent, file.getvalue())


def unpacked(parcel: Parcel) -> Job:
    """The job of a parcel, about the very locker and trip that were known before if they are the same."""
    job: Job = _Unpacker(parcel).load()
    return job
