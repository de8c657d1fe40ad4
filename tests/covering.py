"""Fewer but harder cases: of many seeded plans the few in which every two traits meet that meet in any of them.

An oracle that tries everything costs seconds a case, and most random cases are alike. Faults of a search sit where
traits meet: a slot with a twin, a policy with a mark, a limit with an effect.
"""

from collections.abc import Callable, Iterable, Sequence
from itertools import combinations

from mule.plan import Plan
from mule.plan.gear import Filter, MountAdapter, PowerBank, Teleconverter

Trait = tuple[str, object]


def traits(plan: Plan, limit_g: float | None = None) -> frozenset[Trait]:
    """What makes a tiny plan hard: its marks, policies, wants, gear that works through other gear, days and limit."""
    trip, kinds = plan.trip, {t.kind for t in plan.gear}
    marks, policies, stamina = trip.marks, trip.policies, trip.stamina
    found: set[Trait] = {
        ("lenses", policies.lenses),
        ("second body", policies.second_body),
        ("gaps", policies.gaps),
        ("wants", len(trip.wants)),
        ("bodies", sum(t.kind == "body" for t in plan.gear)),
        ("lens count", min(4, sum(t.kind == "lens" for t in plan.gear))),
        ("power", stamina.power),
        ("cards", stamina.cards),
        ("copies", stamina.copies),
        ("slot", bool(marks.slots)),
        ("must take", next((plan.items[i].kind for i in marks.must_take), None)),
        ("must leave", next((plan.items[i].kind for i in marks.must_leave), None)),
        ("effect", any(want.effects for want in trip.wants) and any(isinstance(t, Filter) for t in plan.gear)),
        ("essential", any(t.essential for want in trip.wants for t in want.traits)),
        ("static", any(want.static_subject for want in trip.wants)),
        ("through", frozenset(t.kind for t in plan.gear if isinstance(t, Teleconverter | MountAdapter))),
        ("bank", any(isinstance(t, PowerBank) for t in plan.gear)),
        ("computer", "computer" in kinds),
        ("reader", "reader" in kinds),
        ("mains", max((trip.night(day).mains_h for day in trip.days), default=0) > 0),
        ("cold", min((day.lowest_c if day.lowest_c is not None else 20 for day in trip.days), default=20) < 0),
    }
    if limit_g is not None:
        stays_g = sum(plan.items[e.item].mass_g for e in plan.kit.entries)
        found.add(("limit", next((g for g in (1_500, 2_500, 4_000) if limit_g - stays_g <= g), None)))
    return frozenset(found)


def covering(of: Callable[[int], tuple[Plan, float]], seeds: Iterable[int], most: int) -> Sequence[int]:
    """The seeds, at most so many, in which most pairs of traits meet: greedily, the richest first."""
    pairs = {seed: set(combinations(sorted(traits(*of(seed)), key=repr), 2)) for seed in seeds}
    chosen: list[int] = []
    while pairs and len(chosen) < most:
        best = max(pairs, key=lambda seed: len(pairs[seed]))
        met = pairs.pop(best)
        if not met:
            break
        chosen.append(best)
        pairs = {seed: others - met for seed, others in pairs.items()}
    return sorted(chosen)


# What covering gives of the lockers of tests/tiny.py: 50 of tiny's 200 hold 97 of 100 pairs, 60 of 300 on the road 98.
TINY = (
    *(0, 3, 4, 8, 9, 12, 14, 16, 20, 21, 26, 33, 38, 39, 45, 50, 54, 58, 66, 70, 85, 86, 91, 92, 94),
    *(100, 106, 107, 108, 115, 117, 118, 119, 133, 137, 139, 140, 141, 142, 150, 152, 153, 154, 165, 184, 190, 193),
    *(194, 195, 197),
)
ON_THE_ROAD = (
    *(1000, 1005, 1006, 1007, 1020, 1021, 1022, 1023, 1030, 1040, 1047, 1050, 1061, 1065, 1066, 1069, 1073, 1075),
    *(1084, 1096, 1098, 1100, 1106, 1107, 1121, 1125, 1128, 1129, 1131, 1139, 1142, 1145, 1152, 1154, 1157, 1162),
    *(1183, 1186, 1187, 1190, 1196, 1201, 1205, 1206, 1208, 1213, 1218, 1223, 1229, 1230, 1231, 1235, 1244, 1246),
    *(1248, 1254, 1257, 1272, 1284, 1285),
)
OFF_THE_GRID = (0, 2, 3, 4, 6, 8, 10, 14, 15, 16)
# Fewer where each case is tried in several ways.
TINY_FEW = (0, 2, 3, 4, 7, 8, 9, 17, 20, 21, 29, 30, 38, 39)
ON_THE_ROAD_FEW = (1000, 1005, 1006, 1011, 1015, 1016, 1021, 1022, 1023, 1025, 1027, 1030, 1035, 1036)
ALL_ALONG = (
    *(0, 3, 4, 8, 9, 20, 21, 24, 39, 49, 54, 58, 67, 70, 80, 85, 86, 99, 100, 106, 108, 112, 119, 122, 137, 139, 140),
    *(142, 150, 152, 154, 195),
)
BY_DAYS = (0, 2, 3, 4, 8, 9, 10, 17, 20, 21, 25, 29)
TWINNED = (0, 3, 4, 8, 9, 10, 13, 15, 23, 26, 29, 30, 33, 38, 39, 42, 43, 45, 46, 49, 50, 57, 58, 59)
