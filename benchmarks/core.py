"""The core by itself, on edit after edit: a thing is loaded or left, and everything is answered anew."""

import random
from collections.abc import Callable, Iterator
from pathlib import Path

from benchmarks.lockers import SEED, plan
from benchmarks.timing import p50, p95, samples_ms
from mule.analysis.optics import OPTICAL
from mule.base.errors import InvalidInput
from mule.findings.advise import advise
from mule.findings.assess import assess
from mule.findings.cures import cure, look_for_cures
from mule.findings.said import Finding
from mule.plan import Plan, read
from mule.plan.editing import apply
from mule.plan.edits import Leave, Load
from mule.plan.gear import Bag, Gear, Insert

_DEMO = Path(__file__).parents[1] / "demo"


def edited(start: Plan, count: int) -> list[Plan]:
    """The plan after one more edit each, loading and leaving in turn: every third a piece of optics, else no bags."""
    chance = random.Random(SEED)
    optics: list[Gear] = [t for t in start.gear if isinstance(t, OPTICAL)]
    rest: list[Gear] = [t for t in start.gear if not isinstance(t, (*OPTICAL, Bag, Insert))]
    return list(_walk(start, count, chance, (optics, rest, rest)))


def _walk(start: Plan, count: int, chance: random.Random, kinds: tuple[list[Gear], ...]) -> Iterator[Plan]:
    at, made = start, 0
    while made < count:
        leave = made % 2 == 1
        able = [[t for t in kind if (t.id in at.loaded) == leave] for kind in (kinds[made % len(kinds)], *kinds)]
        thing = chance.choice(next(kind for kind in able if kind))
        try:
            then = apply(at, [Leave(item=thing.id) if leave else Load(item=thing.id)])
        except InvalidInput:
            continue
        at, made = then, made + 1
        yield then


def _each(answer: Callable[[Plan], object], plans: list[Plan]) -> list[float]:
    """Milliseconds of each answer, after a few untimed ones."""
    todo = iter(plans)
    return samples_ms(lambda: answer(next(todo)), len(plans) - 3)


def _with_more_loaded(answer: Callable[[Plan], object], rounds: int, rounds_loaded: int) -> dict[str, float]:
    """An answer of 200 things with 40 loaded, 12 wants and 9 days with nights; how much dearer it is of 400 loaded."""
    few = _each(answer, edited(plan(200), rounds))
    loaded = _each(answer, edited(plan(2_000, loaded=400), rounds_loaded))
    dearer = round(p50(loaded) / p50(few), 1)
    return {"p50_ms": p50(few), "p95_ms": p95(few), "times_dearer_at_400_loaded": dearer}


def bench_assess() -> dict[str, float]:
    """The facts, and how much dearer more things in the locker and more of them loaded are."""
    found = _with_more_loaded(assess, 160, 40)
    many = _each(assess, edited(plan(2_000), 60))
    return found | {"times_dearer_at_2000": round(p50(many) / found["p50_ms"], 1)}


def bench_advise() -> dict[str, float]:
    """The advice on the same: it is asked for after the facts."""
    return _with_more_loaded(advise, 60, 12)


def _demo_kits() -> list[Plan]:
    plans = [read(path.read_bytes()) for path in sorted(_DEMO.glob("*.plan.json"))]
    return [plan.with_kit(kit) for plan in plans for kit in plan.kits]


def bench_assess_demo() -> dict[str, float]:
    """The worst of all kits of the three demo plans, edit after edit."""
    taken = [_each(assess, edited(kit, 80)) for kit in _demo_kits()]
    return {"p50_ms": max(map(p50, taken)), "p95_ms": max(map(p95, taken))}


def bench_cures_demo() -> dict[str, float]:
    """All findings of the worst of all kits of the three demo plans with their cures, edit after edit."""
    taken = [_each(cure, edited(kit, 24)) for kit in _demo_kits()]
    first = [_each(_first_cure, edited(kit, 24)) for kit in _demo_kits()]
    return {"p50_ms": max(map(p50, taken)), "p95_ms": max(map(p95, taken)), "first_p95_ms": max(map(p95, first))}


def _first_cure(plan: Plan) -> Finding | None:
    return next((finding for finding in look_for_cures(plan) if finding.cures), None)


def bench_advise_demo() -> dict[str, float]:
    """The advice on the worst of all kits of the three demo plans, edit after edit."""
    taken = [_each(advise, edited(kit, 40)) for kit in _demo_kits()]
    return {"p50_ms": max(map(p50, taken)), "p95_ms": max(map(p95, taken))}
