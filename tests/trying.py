"""The plainest way to choose from a tiny locker (tests/tiny.py): try every set of things."""

from collections.abc import Iterator, Sequence
from itertools import product
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

from mule.analysis.completeness.keys import Key
from mule.analysis.completeness.links import graph_of
from mule.analysis.optics import table_of
from mule.analysis.optics.setups import SetUp, set_ups
from mule.analysis.optics.table import Parts
from mule.analysis.power import types_lacking
from mule.analysis.resilience import serving, survives_any_single_loss
from mule.analysis.storage.stamina import power_case, runs_out
from mule.base.memo import by_identity
from mule.plan import Plan
from mule.plan.gear import Battery, Body, Gear, Lens, is_zoom, twins
from mule.plan.trip import Want

# Scores that differ by less are one: rounding takes up to a millionth of a point per thing and want.
SAME = 1e-4
Counts = NDArray[np.int64]
Flags = NDArray[np.bool_]


def stays(plan: Plan) -> dict[str, int]:
    """What a choice does not decide about: of these lockers the bag, and a computer where no copies are asked for."""
    copies = bool(plan.trip.days) and plan.trip.copies > 1
    return {i: n for i, n in plan.kit.loaded().items() if i in ("bag", "phone") or (i == "laptop" and not copies)}


def kits(plan: Plan) -> Iterator[dict[str, int]]:
    """Every count of every thing that does not stay."""
    return _as_counts(plan, *_every(plan))


def _every(plan: Plan) -> tuple[list[Gear], Counts]:
    """Things that do not stay, and every way to count them, a row each."""
    fixed = stays(plan)
    free = [t for t in plan.gear if t.id not in fixed]
    # Twins stand together, the lighter one first: which camera is a kit's first is a matter of that order.
    twin = sorted((t for t in free if t.id in ("b1", "b2")), key=lambda t: t.mass_g)
    if len(twin) == 2:
        at = min(free.index(t) for t in twin)
        free = [*(t for t in free[:at]), *twin, *(t for t in free[at:] if t not in twin)]
    most = [t.count if t.kind == "battery" else 1 for t in free]
    return free, np.array(list(product(*(range(n + 1) for n in most))), dtype=np.int64)


def _as_counts(plan: Plan, free: Sequence[Gear], rows: Counts) -> Iterator[dict[str, int]]:
    fixed = stays(plan)
    for row in rows.tolist():
        yield fixed | {t.id: n for t, n in zip(free, row, strict=True) if n}


def _obeying(plan: Plan, limit_g: float) -> Iterator[dict[str, int]]:
    """Of every way to count things those within the limit and the marks, with no orphan, and no link missing that
    something owned could give; what stays in any case may lack what it likes."""
    free, rows = _every(plan)
    graph, fixed, marks = graph_of(plan), stays(plan), plan.trip.marks
    at = {t.id: index for index, t in enumerate(free)}

    def has(item: str) -> Flags:
        return rows[:, at[item]] > 0 if item in at else np.full(len(rows), item in fixed)

    def gives(key: Key, but: str = "") -> Flags:
        found = np.zeros(len(rows), dtype=bool)
        for item, through in graph.givers.get(key, ()):
            if item != but:
                found |= has(item) if through is None else has(item) & gives(through, but)
        return found

    grams = sum(plan.items[i].mass_g * n for i, n in fixed.items())
    keep = rows @ np.array([t.mass_g for t in free]) + grams <= limit_g + 1e-9
    for item in marks.must_take:
        keep &= has(item)
    for item in marks.must_leave:
        keep &= ~has(item)
    for slot in marks.slots:
        keep &= sum(has(item).astype(int) for item in slot.items) <= 1
    for item in at:
        for need in graph.needs[item]:
            # Whether packs are charged at all, the days say.
            by_the_days = need.what == "charger" and plan.trip.days
            owned = any(graph.gives(key, set(plan.items), but=item) for key in need.keys)
            if by_the_days or not (owned or need.sort == "purpose"):
                continue
            met = np.logical_or.reduce([gives(key, item) for key in need.keys])
            if need.when is not None:
                met |= ~gives(need.when)
            keep &= ~has(item) | met
    return _as_counts(plan, free, rows[keep])


def _follows(plan: Plan, things: list[Gear]) -> bool:
    policies = plan.trip.policies
    lenses = [t for t in things if isinstance(t, Lens)]
    zooms = [t for t in lenses if is_zoom(t)]
    bodies = [t for t in things if isinstance(t, Body)]
    fits_lenses = {
        "any": True,
        "one-zoom": len(lenses) == len(zooms) <= 1,
        "trio-of-zooms": len(lenses) == len(zooms) <= 3,
        "primes": not zooms,
    }[policies.lenses]
    fits_bodies = {
        "any": True,
        "none": len(bodies) == 1,
        "twin": len(bodies) == 2 and twins(*bodies),
        "specialist": len(bodies) == 2 and not twins(*bodies),
    }
    return fits_lenses and (policies.second_body == "any" or fits_bodies[policies.second_body])


def _eats(plan: Plan, counts: dict[str, int]) -> bool:
    """Whether there is a pack for each camera, as far as any of its type are owned."""
    gear = plan.items
    for type_ in {t.battery_type for t in plan.gear if isinstance(t, Battery)}:
        eaters = sum(n for i, n in counts.items() if isinstance(t := gear[i], Body) and t.battery_type == type_)
        packs = sum(n for i, n in counts.items() if isinstance(t := gear[i], Battery) and t.battery_type == type_)
        if packs < eaters:
            return False
    return True


def value(plan: Plan, counts: dict[str, int]) -> tuple[float, float, float]:
    """Score, steady share and grams of a kit."""
    return _value(plan, _seen_by(plan, frozenset(counts)), counts)


class Seen(NamedTuple):
    """What a set of things sees of the brief. ways: by want, what serves it."""

    score: float
    ways: tuple[Sequence[Parts], ...]


def _seen_by(plan: Plan, loaded: frozenset[str]) -> Seen:
    table = table_of([t for t in plan.gear if t.id in loaded], dict.fromkeys(loaded, 1), plan.trip.wants)
    return Seen(table.score(), tuple(serving(table)))


def _value(plan: Plan, seen: Seen, counts: dict[str, int]) -> tuple[float, float, float]:
    wants = plan.trip.wants
    steady = sum(
        w.importance for w, ways in zip(wants, seen.ways, strict=True) if survives_any_single_loss(ways, counts)
    )
    grams = sum(plan.items[i].mass_g * n for i, n in counts.items())
    return seen.score, steady / sum(w.importance for w in wants), grams


def best(plan: Plan, limit_g: float) -> tuple[float, float, float] | None:
    """The best value of any kit that lasts: highest score, then steadiest, then lightest. None when there is no kit."""
    found = able(plan, limit_g)
    if not found:
        return None
    top = max(made[0] for made in found)
    rest = [made for made in found if made[0] >= top - SAME]
    steady = max(made[1] for made in rest)
    return min((made for made in rest if made[1] >= steady - 1e-9), key=lambda made: made[2])


def able(plan: Plan, limit_g: float) -> list[tuple[float, float, float]]:
    """The value of every kit that obeys, works and lasts: score, steady share, grams."""
    return [made for made, _ in able_kits(plan, limit_g)]


def able_kits(plan: Plan, limit_g: float) -> list[tuple[tuple[float, float, float], dict[str, int]]]:
    """The same with the pieces of each kit.

    Where none lasts in all parts, of those that last in the first of them, as far as can be.
    """
    # How many come along differs between kits of the same things by their packs alone: what does not hang on those is
    # worked out once for each set; None: no kit however many packs there are.
    known: dict[frozenset[str], Seen | None] = {}
    found: list[tuple[tuple[float, float, float], dict[str, int]]] = []
    for counts in _obeying(plan, limit_g):
        loaded = frozenset(counts)
        if loaded not in known:
            ok = _follows(plan, [plan.items[i] for i in loaded]) and _asks_met(plan, loaded)
            ok = ok and _gapless(plan, loaded)
            known[loaded] = _seen_by(plan, loaded) if ok else None
        seen = known[loaded]
        if seen is not None and seen.score > 0 and _eats(plan, counts):
            found.append((_value(plan, seen, counts), counts))
    # Glass and filters neither draw nor give: kits that differ by those alone last alike.
    idle = ("lens", "teleconverter", "mount-adapter", "filter", "step-ring")
    electric = {t.id for t in plan.gear if t.kind not in idle}
    asked: dict[tuple[str, tuple[tuple[str, int], ...]], frozenset[str]] = {}
    for part in PARTS:
        lost = hopeless(plan, part)
        last = []
        for one in found:
            key = part, tuple((i, n) for i, n in one[1].items() if i in electric)
            if key not in asked:
                asked[key] = lacking(plan, dict(key[1]), part) - lost
            if not asked[key]:
                last.append(one)
        found = last or found
    return found


PARTS = ("power", "cards", "copies")


def lacking(plan: Plan, counts: dict[str, int], part: str) -> frozenset[str]:
    """What a kit lacks for a trip: types of pack; cards; places for copies."""
    if not plan.trip.days:
        return frozenset()
    if part == "power":
        return types_lacking(power_case(plan, counts))
    full, short = runs_out(plan.items, counts, plan.trip)
    return frozenset((part,)) if full or (short and part == "copies") else frozenset()


def hopeless(plan: Plan, part: str) -> frozenset[str]:
    """What lacks whatever comes along, beside what stays and what must come."""
    gives = {
        "power": ("battery", "charger", "power-bank", "link"),
        "cards": ("card", "drive", "reader", "computer", "link"),
        "copies": ("card", "drive", "reader", "computer", "link"),
    }[part]
    out = set(plan.trip.marks.must_leave)
    able = {t.id: t.count for t in plan.gear if t.kind in gives and t.id not in out}
    sure = {item: able.get(item, 1) for item in plan.items if item in able or item in plan.trip.marks.must_take}
    return lacking(plan, {**sure, **stays(plan)}, part)


def _asks_met(plan: Plan, loaded: frozenset[str]) -> bool:
    """Where a lens sees a want that asks for ND 6, the filter is on one that does, if all of it is owned."""
    for want in plan.trip.wants:
        if not want.effects:
            continue
        seeing = [i for i in ("wide", "normal") if i in plan.items and _sees(plan, i, want)]
        others = [i for i in ("fifty", "tele", "old", "pocket") if i in plan.items and _sees(plan, i, want)]
        ways = [{"normal", "nd"} if i == "normal" else {"wide", "ring", "nd"} for i in seeing]
        ways = [way for way in ways if way <= set(plan.items)]
        if ways and any(i in loaded for i in (*seeing, *others)) and not any(way <= loaded for way in ways):
            return False
    return True


@by_identity(1)
def _all_set_ups(gear: tuple[Gear, ...]) -> list[SetUp]:
    return list(set_ups(gear))


def _sees(plan: Plan, item: str, want: Want) -> bool:
    """Whether a lens sees part of a want natively on some body in the locker."""
    return any(
        made.native
        and made.converter is None
        and made.low_mm <= want.focal_max_mm
        and made.high_mm >= want.focal_min_mm
        for made in _all_set_ups(plan.gear)
        if (made.lens or made.body) == item
    )


def _gapless(plan: Plan, loaded: frozenset[str]) -> bool:
    if plan.trip.policies.gaps == "allowed":
        return True
    table = table_of([plan.items[i] for i in loaded], dict.fromkeys(loaded, 1), plan.trip.wants)
    return bool(table.parts) and bool((table.cells() >= 0.5).all())
