"""What wants the same place at once, and what does the same as another thing."""

from collections.abc import Callable, Iterable, Mapping, Sequence
from itertools import combinations
from math import log
from typing import Any

from mule.analysis.completeness.answer import Clash, Overlap
from mule.plan.gear import (
    Body,
    Charger,
    Computer,
    Drone,
    Gear,
    Head,
    Lens,
    Light,
    Other,
    Reader,
    Remote,
    Sound,
    Tripod,
    is_zoom,
    twins,
)

# Zooms that share this much of the shorter range do the same work.
_SAME_RANGE = 2 / 3
# So many things of one form are one too many.
_MANY = 3
# Legs that stand on a table or on the ground.
_TABLE_MM = 500
# From this focal length on (full-frame equivalent or not) a zoom is a long one.
_LONG_MM = 250


def clashes(things: Sequence[Gear], counts: Mapping[str, int]) -> tuple[Clash, ...]:
    """Hot shoes, phones and base plates that more than one thing wants."""
    return tuple(_clashes(things, counts))


def _clashes(things: Sequence[Gear], counts: Mapping[str, int]) -> Iterable[Clash]:
    bodies = [t for t in things if isinstance(t, Body)]
    on_shoe = tuple(t.id for t in things if isinstance(t, Light | Sound | Remote | Other) and t.uses_shoe)
    shoes = sum(body.hot_shoes * counts[body.id] for body in bodies)
    if bodies and sum(counts[item] for item in on_shoe) > shoes:
        yield Clash(over="hot-shoe", items=on_shoe, places=shoes)
    phones = tuple(t.id for t in things if isinstance(t, Computer) and t.form == "phone")
    drones = tuple(t.id for t in things if isinstance(t, Drone) and t.needs_phone)
    if drones and sum(counts[item] for item in phones) == 1:
        yield Clash(over="phone", items=(*phones, *drones), places=1)
    heads = [t for t in things if isinstance(t, Head)]
    pieces = sum(counts[body.id] for body in bodies)
    under = [t for t in things if isinstance(t, Other) and t.uses_plate]
    wanted = len({head.plate_type for head in heads}) + sum(counts[t.id] for t in under)
    if bodies and wanted > pieces:
        yield Clash(over="base-plate", items=tuple(t.id for t in (*heads, *under)), places=pieces)


def overlaps(things: Sequence[Gear]) -> tuple[Overlap, ...]:
    """Things that do the same: twin bodies, zooms over one range, chargers, readers, and uses that come up often."""
    found = [
        *_pairs("twin-bodies", [t for t in things if isinstance(t, Body)], twins),
        *_pairs("one-range", [t for t in things if isinstance(t, Lens) and is_zoom(t)], _one_range),
        *_pairs("long-zooms", [t for t in things if isinstance(t, Lens) and is_zoom(t)], _long_on_two_mounts),
        *_pairs("one-charge", [t for t in things if isinstance(t, Charger)], _one_charge),
        *_pairs("one-card", [t for t in things if isinstance(t, Reader)], _one_card),
    ]
    uses: dict[str, list[Gear]] = {}
    for thing in things:
        # Things filed under one use (three tools, tent and mat) do not do the same; things of one form do.
        match thing:
            case Sound(form=form) | Light(form="panel" as form) | Light(form="flash" as form):
                uses.setdefault(form, []).append(thing)
            case Tripod(max_height_mm=high) if high <= _TABLE_MM:
                uses.setdefault("table-tripod", []).append(thing)
    found += [_overlap(use, same) for use, same in uses.items() if len(same) >= _MANY]
    return tuple(found)


def _pairs(by: str, things: Sequence[Gear], same: Callable[[Any, Any], bool]) -> Iterable[Overlap]:
    return (_overlap(by, pair) for pair in combinations(things, 2) if same(*pair))


def _overlap(by: str, things: Sequence[Gear]) -> Overlap:
    return Overlap(by=by, items=tuple(t.id for t in things), meant=any(t.backup or t.for_other for t in things))


def _one_range(one: Lens, other: Lens) -> bool:
    """Whether two zooms for one sort of sensor share most of the shorter one's range, counted in octaves."""
    if (one.mount, one.image_circle_mm) != (other.mount, other.image_circle_mm):
        return False
    low = max(one.focal_min_mm, other.focal_min_mm)
    high = min(one.focal_max_mm, other.focal_max_mm)
    shortest = min(log(t.focal_max_mm / t.focal_min_mm) for t in (one, other))
    return high > low and log(high / low) >= _SAME_RANGE * shortest


def _long_on_two_mounts(one: Lens, other: Lens) -> bool:
    """Whether two zooms on different mounts both are for what is far away."""
    return one.mount != other.mount and min(one.focal_max_mm, other.focal_max_mm) >= _LONG_MM


def _one_charge(one: Charger, other: Charger) -> bool:
    return not set(one.battery_types).isdisjoint(other.battery_types)


def _one_card(one: Reader, other: Reader) -> bool:
    return not set(one.card_types).isdisjoint(other.card_types)
