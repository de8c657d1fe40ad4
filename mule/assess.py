"""assess(plan) -> Assessment: the whole answer. Wiring only; the rules speak in ``mule.rules``."""

from collections.abc import Iterable
from enum import StrEnum

from mule import rules
from mule.carriers import LegVerdict, Luggage, check
from mule.completeness import Completeness, Need, Tie, Ties, Web, complete, weave
from mule.filters import Bag as FilterBag
from mule.filters import FilterAsked, FilterFit, Front, fit
from mule.finding import Finding, Severity
from mule.gate import Rehearsal, rehearse
from mule.gear import Lens, MountAdapter, OtherSupport, Tripod
from mule.ledger import Ledger, reckon
from mule.load import Loads, weigh
from mule.loadouts import packings
from mule.optics import Coverage, View, cover
from mule.plan import Plan
from mule.resilience import Resilience, endure
from mule.sky import DayLight, light
from mule.stamina import Lasts, in_short, last
from mule.trip import Want
from mule.units import Frozen


class StationMark(StrEnum):
    """How far a station of the trail is."""

    DONE = "done"
    OPEN = "open"
    BLOCKED = "blocked"


class Station(Frozen):
    """One stop of the trail."""

    name: str
    mark: StationMark


class Assessment(Frozen):
    """All answers for one kit of one plan. sky: the days whose place is known."""

    kit: str
    coverage: Coverage
    loads: Loads
    legs: tuple[LegVerdict, ...]
    filters: FilterFit
    completeness: Completeness
    ledger: Ledger
    resilience: Resilience
    lasts: Lasts
    gate: Rehearsal
    sky: tuple[DayLight, ...]
    findings: tuple[Finding, ...]
    stations: tuple[Station, ...]


STATIONS = ("brief", "bench", "stamina", "stow", "gate")


def assess(plan: Plan) -> Assessment:
    """Everything there is to say about the open kit of ``plan``. Never raises for a valid plan."""
    kit, gear, counts = plan.kit, plan.items, plan.kit.loaded()
    view = cover(plan.gear, counts, plan.trip.wants)
    loads = weigh(gear, kit, plan.trip.people)
    legs = _legs(plan, loads)
    filters = fit(*filter_case(plan, view))
    ties = Ties(weave_plan(plan), counts, tuple(_asked(plan, filters)))
    completeness = complete(ties, gear, counts)
    resilience = endure(plan, view, ties)
    case = rules.Case(
        plan=plan,
        coverage=view.coverage,
        prices=_price(view),
        loads=loads,
        legs=legs,
        filters=filters,
        completeness=completeness,
        ledger=reckon(plan, view, ties, loads, legs),
        resilience=resilience,
        lasting=last(plan),
        gate=rehearse(plan),
    )
    findings = rules.speak(case)
    return Assessment(
        kit=kit.id,
        coverage=view.coverage,
        loads=loads,
        legs=legs,
        filters=filters,
        completeness=completeness,
        ledger=case.ledger,
        resilience=resilience,
        lasts=in_short(case.lasting),
        gate=case.gate,
        sky=tuple(found for day in plan.trip.days if (found := light(day, plan.trip.spot))),
        findings=findings,
        stations=tuple(Station(name=name, mark=_mark(name, findings)) for name in STATIONS),
    )


def _legs(plan: Plan, loads: Loads) -> tuple[LegVerdict, ...]:
    """Each leg against the bags as they are packed on it."""
    carriers = {c.id: c for c in plan.carriers}
    found: dict[str, LegVerdict] = {}
    for packing in packings(plan):
        packed = loads if packing.loadout is None else weigh(plan.items, packing.kit, plan.trip.people)
        legs = [leg for leg in plan.trip.legs if leg.id in packing.legs]
        for verdict in check(legs, carriers, _luggage(packed)):
            found[verdict.leg] = verdict.model_copy(update={"loadout": packing.loadout})
    return tuple(found[leg.id] for leg in plan.trip.legs)


def _luggage(loads: Loads) -> tuple[Luggage, ...]:
    return tuple(
        Luggage(bag=p.bag, person=p.person, piece=p.piece, size_mm=p.size_mm, mass_g=p.mass_g, squeeze_mm=p.squeeze_mm)
        for p in loads.pieces
    )


def _price(view: View) -> rules.Prices:
    wants = view.coverage.wants
    return {(want.want, gap): view.left.close(index, gap) for index, want in enumerate(wants) for gap in want.gaps}


def weave_plan(plan: Plan) -> Web:
    """The web over a plan's locker, for its mains and its nights."""
    mains = plan.trip.mains
    return weave(plan.gear, mains.plugs if mains else (), nights=len(plan.trip.days) != 1)


def filter_case(plan: Plan, view: View) -> tuple[tuple[Front, ...], FilterBag, FilterAsked]:
    """What filters are fitted to: the lenses in use, the filters at hand, and the wants that ask with who sees them."""
    fronts: dict[str, Front] = {}
    adapters = tuple(i for i in plan.kit.loaded() if isinstance(plan.items[i], MountAdapter))
    seen: dict[str, list[tuple[float, float]]] = {}
    for row in view.coverage.reach:
        bars = [bar for bar in row.bars if bar.how == "native" and bar.set_up.converter is None]
        item = row.lens or row.bodies[0]
        thing = plan.items[item]
        glass = thing if isinstance(thing, Lens) else getattr(thing, "fixed_lens", None)
        if glass is not None and bars and item not in fronts:
            widest = min(bar.from_mm for bar in bars)
            fronts[item] = Front(lens=item, thread_mm=glass.thread_mm, widest_mm=widest, adapters=adapters)
        seen.setdefault(item, []).extend((bar.from_mm, bar.to_mm) for bar in bars)
    asked = {
        want.id: (want, [i for i in fronts if any(_overlaps(want, *span) for span in seen[i])])
        for want in plan.trip.wants
        if want.effects
    }
    return tuple(fronts.values()), FilterBag.of(plan.gear, plan.kit.loaded()), asked


def _overlaps(want: Want, low_mm: float, high_mm: float) -> bool:
    return low_mm <= want.focal_max_mm and high_mm >= want.focal_min_mm


def _asked(plan: Plan, filters: FilterFit) -> Iterable[Tie]:
    """What wants ask of the kit beside optics, as far as it is met: filter effects, and something to hold still."""
    for asked in filters.asked:
        if asked.ways:
            need = Need("asked", "filter", asked.effect, ())
            yield Tie(asked.want, need, tuple(map(frozenset, asked.ways)), None)
    supports = tuple(frozenset((i,)) for i in plan.kit.loaded() if isinstance(plan.items[i], Tripod | OtherSupport))
    for want in plan.trip.wants:
        if want.steady and supports:
            yield Tie(want.id, Need("asked", "support", "", ()), supports, None)


def _mark(station: str, findings: tuple[Finding, ...]) -> StationMark:
    """Blocked by a blocker, open while a caution stands, done otherwise; notes leave a station done."""
    # What a carrier refuses is mended on the bench, and stands at the gate too.
    severities = {
        f.severity for f in findings if f.station == station or (station == "gate" and f.code.startswith("leg-"))
    }
    if Severity.BLOCKER in severities:
        return StationMark.BLOCKED
    # That everything fits, only a packing says: it is not part of the assessment.
    return StationMark.OPEN if Severity.CAUTION in severities or station == "stow" else StationMark.DONE
