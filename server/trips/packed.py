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
from server.searching.jobs import WANTED, Shopping, Stowing
from server.searching.lines import StowLine

_KEEP_S = 24 * 3600
# For a packing that did not come to its end, when nobody waits for it any more.
_LONGER_S = 40.0


def packed(plan: Plan, owner: Hashable) -> Stowage:
    """The packing of a plan's open kit: the one of before, as long as nothing in it has changed."""
    kept = _kept(plan)
    if kept is None:
        line = StowLine.model_validate_json(found(_usual(plan), Question(owner, ("packed", plan.trip.id, plan.kit.id))))
        assert line.stowage is not None, "the last line of a packing is the whole"
        kept = line.stowage
        _keep(plan, kept)
    return kept


def packing(plan: Plan, question: Question, job: Stowing | None = None) -> Iterator[str]:
    """Lines of a packing: the one of before at once, or bag by bag as it is found.

    Where something stays over and it is not proved that it must, it is tried again with more time; the last line is the
    better one, if there is. job: with other time or options than usual; it is searched in any case.
    """
    kept = _kept(plan) if job is None else None
    if kept is None:
        for text in lines_of(job or _usual(plan), question):
            if '"final":true' in text:
                kept = StowLine.model_validate_json(text).stowage
                assert kept is not None, "the final line of a packing is the whole"
                before = _kept(plan)
                if before is None or _left(kept) <= _left(before):
                    _keep(plan, kept)
            yield text
    else:
        yield StowLine(stowage=kept, final=True).written()
    if kept is not None and job is None and any(over.proof == "ran-out" for over in kept.left):
        yield from _longer(plan, question, kept)


def _longer(plan: Plan, question: Question, kept: Stowage) -> Iterator[str]:
    seconds = within_limits(_LONGER_S, USUAL.workers)["seconds"]
    for text in lines_of(Stowing(plan, seconds, USUAL, lane="long"), question._replace(first=())):
        if '"final":true' not in text:
            yield ""
            continue
        made = StowLine.model_validate_json(text).stowage
        if made is not None and _left(made) < _left(kept):
            _keep(plan, made)
            yield text


def wanted(plan: Plan, owner: Hashable) -> tuple[Wanted, ...]:
    """What is to be bought, hired or borrowed for a plan's open kit."""
    told = found(Shopping(plan), Question(owner, ("shopping", plan.trip.id, plan.kit.id)))
    return tuple(WANTED.validate_json(told))


def _usual(plan: Plan) -> Stowing:
    return Stowing(plan, within_limits(USUAL_S, USUAL.workers)["seconds"], USUAL)


def _left(stowage: Stowage) -> int:
    return sum(over.count for over in stowage.left)


def _key(plan: Plan) -> str:
    told = [plan.kit.model_dump_json(include={"entries", "stow"}), plan.trip.marks.model_dump_json()]
    told += [plan.items[item].model_dump_json() for item in sorted(plan.loaded)]
    return f"packed-{sha256(''.join(told).encode()).hexdigest()}"


def _kept(plan: Plan) -> Stowage | None:
    kept = cache.get(_key(plan))
    return None if kept is None else Stowage.model_validate_json(kept)


def _keep(plan: Plan, stowage: Stowage) -> None:
    cache.set(_key(plan), stowage.model_dump_json(), _KEEP_S)
