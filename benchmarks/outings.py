"""The day's bag: proposed outings of the demo, and the whole trip by its days."""

from pathlib import Path
from time import perf_counter

from mule.plan import read
from mule.search.outings import OutingAsked, judge_days, propose, ways_of

DEMO = Path(__file__).resolve().parent.parent / "demo" / "lofoten.plan.json"


def bench_outing_propose() -> dict[str, float]:
    """Every day of the demo: seconds to the lightest bag, and to all ways; the slowest day counts."""
    plan = read(DEMO.read_bytes())
    lightest, all_ways, proved = [], [], []
    for day in plan.trip.days:
        start = perf_counter()
        asked = OutingAsked(days=(day.date,), person="ines", seconds=60)
        for way in ways_of(plan, asked):
            made = propose(plan, asked.model_copy(update={"way": way}))
            if way == "any":
                lightest.append(perf_counter() - start)
                proved.append(made is not None and made.proved)
        all_ways.append(perf_counter() - start)
    return {
        "seconds": round(max(lightest), 2),
        "all_ways_s": round(max(all_ways), 2),
        "proved_share": sum(proved) / len(proved),
    }


def bench_days() -> dict[str, float]:
    """The trip by its days after a change of the kit: the worst of twenty."""
    plan = read(DEMO.read_bytes())
    times = []
    for count in range(20):
        # Another kit each time, so that nothing of it is known from before but what does not hang on it.
        out = plan.kit.stow.loadouts[count % len(plan.kit.stow.loadouts)]
        less = out.model_copy(update={"entries": out.entries[: len(out.entries) - 1 - count % 3]})
        loadouts = tuple(less if one.id == out.id else one for one in plan.kit.stow.loadouts)
        kit = plan.kit.model_copy(update={"stow": plan.kit.stow.model_copy(update={"loadouts": loadouts})})
        start = perf_counter()
        judge_days(plan.with_kit(kit))
        times.append(1_000 * (perf_counter() - start))
    return {"p50_ms": round(sorted(times)[10], 1), "worst_ms": round(max(times), 1)}
