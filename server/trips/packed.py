"""Searches that several screens ask for. Packings are kept by what they hang on: Stow, Pack-out and the field ask for
the same one again and again."""

from collections.abc import Hashable, Iterator
from hashlib import sha256

from django.core.cache import cache

from mule.packing import USUAL_S, Stowage
from mule.packing.placements import USUAL
from mule.plan import Plan
from mule.shopping import Wanted
from server.searching.answers import Question, found, lines_of, within_limits
from server.searching.jobs import WANTED, Answering, Stowing, shopping
from server.searching.lines import StowLine

_KEEP_S = 24 * 3600
# For a packing that did not come to its end, when nobody waits for it any more.
_LONGER_S = 40.0
# In the line of a packing of which all bags are done.
_FINAL = '"final":true'


class _Kept:
    """The packing of a plan's open kit that was found before, by all that it hangs on."""

    def __init__(self, plan: Plan) -> None:
        told = [plan.kit.model_dump_json(include={"entries", "stow"}), plan.trip.marks.model_dump_json()]
        told += [plan.items[item].model_dump_json() for item in sorted(plan.loaded)]
        self._key = f"packed-{sha256(''.join(told).encode()).hexdigest()}"

    def get(self) -> Stowage | None:
        kept = cache.get(self._key)
        return None if kept is None else Stowage.model_validate_json(kept)

    def put(self, stowage: Stowage) -> None:
        cache.set(self._key, stowage.model_dump_json(), _KEEP_S)


def packed(plan: Plan, owner: Hashable) -> Stowage:
    """The packing of a plan's open kit: the one of before, as long as nothing in it has changed."""
    known = _Kept(plan)
    kept = known.get()
    if kept is None:
        kept = _whole(found(_usual(plan), owner))
        known.put(kept)
    return kept


def packing(plan: Plan, question: Question, job: Stowing | None = None) -> Iterator[str]:
    """Lines of a packing: the one of before at once, or bag by bag as it is found.

    Where something stays over and it is not proved that it must, it is tried again with more time; the last line is the
    better one, if there is. job: with other time or options than usual; it is searched in any case.
    """
    known = _Kept(plan)
    before = known.get()
    kept = before if job is None else None
    if kept is None:
        for text in lines_of(job or _usual(plan), question):
            if _FINAL in text:
                kept = _whole(text)
                if before is None or _left(kept) <= _left(before):
                    known.put(kept)
            yield text
    else:
        yield StowLine(stowage=kept, final=True).written()
    if kept is not None and job is None and any(over.proof == "ran-out" for over in kept.left):
        yield from _longer(plan, question, known, kept)


def _longer(plan: Plan, question: Question, known: _Kept, kept: Stowage) -> Iterator[str]:
    seconds = within_limits(_LONGER_S, USUAL.workers)["seconds"]
    for text in lines_of(Stowing(plan, seconds, USUAL, lane="long"), question._replace(first=())):
        if _FINAL in text and _left(made := _whole(text)) < _left(kept):
            known.put(made)
            yield text
        else:
            yield ""


def wanted(plan: Plan, owner: Hashable) -> tuple[Wanted, ...]:
    """What is to be bought, hired or borrowed for a plan's open kit."""
    return tuple(WANTED.validate_json(found(Answering(plan, shopping), owner)))


def _usual(plan: Plan) -> Stowing:
    return Stowing(plan, within_limits(USUAL_S, USUAL.workers)["seconds"], USUAL)


def _whole(final: str) -> Stowage:
    """What the final line of a packing tells."""
    stowage = StowLine.model_validate_json(final).stowage
    assert stowage is not None
    return stowage


def _left(stowage: Stowage) -> int:
    return sum(over.count for over in stowage.left)
