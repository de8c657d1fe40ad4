"""Plan against what happened: frames, gigabytes, packs, mass and cold."""

from collections.abc import Iterable
from typing import TypeVar

from mule.analysis.load import weigh
from mule.analysis.storage.stamina import last
from mule.plan import Plan
from mule.plan.field import Cold, Field, Filled, Swapped
from mule.trail.debrief.answer import Against

T = TypeVar("T", Filled, Swapped)


def against(plan: Plan, field: Field, seen: int) -> Iterable[Against]:
    """Each figure with what was planned and what was noted. seen: frames with metadata, where no card was counted."""
    lasting = last(plan)
    made = [one for day in lasting.pictures.days for one in day.made]
    shot = sum(f.frames for f in _of(field, Filled)) or seen
    yield Against(what="frames", planned=float(sum(m.frames for m in made)), happened=float(shot) if shot else None)
    gb = sum(f.gb for f in _of(field, Filled))
    yield Against(what="gb", planned=sum(m.stills_gb + m.video_gb for m in made), happened=gb or None)
    packs = sum(p.drawn_wh / p.full_wh for day in lasting.power.days for p in day.packs if p.full_wh)
    swaps = len(_of(field, Swapped))
    yield Against(what="packs", planned=round(packs, 1), happened=float(swaps) if swaps else None)
    totals = {contents.bag: contents.planned_g for contents in weigh(plan.items, plan.kit, plan.trip.people).bags}
    for bag, weighed in field.weighed().items():
        yield Against(what="mass", planned=totals.get(bag), happened=weighed.grams, ref=bag)
    cold = [mark.what.lowest_c for mark in field.now.values() if isinstance(mark.what, Cold)]
    lowest = min((day.lowest_c for day in plan.trip.days), default=None)
    yield Against(what="cold", planned=lowest, happened=min(cold, default=None))


def _of(field: Field, kind: type[T]) -> list[T]:
    return [mark.what for mark in field.log if isinstance(mark.what, kind)]
