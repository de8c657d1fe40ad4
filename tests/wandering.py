"""Plans that nobody has made up: the demo's lockers and trips, packed and changed at random from a seed."""

import random
from collections.abc import Sequence
from datetime import timedelta
from functools import cache
from pathlib import Path

import pytest
from _pytest.mark import ParameterSet

from mule.base.errors import InvalidInput
from mule.base.memo import by_identity
from mule.findings.cures import look_for_cures
from mule.findings.said import Finding
from mule.plan import Plan, read
from mule.plan.carriers import Carrier, PieceRule, TogetherRule
from mule.plan.editing import apply
from mule.plan.edits import Edit, Leave, Load, Move
from mule.plan.gear import AIDS, Bag
from mule.plan.kit import Stow, Wish
from mule.plan.places import AsPiece, InBag, PieceKind, Place, Worn
from mule.plan.trip import AidWish, LocalRule, Marks, Policies, Slot, Trip, Want, Weather

_DEMO = Path(__file__).parents[1] / "demo"


@cache
def demo_plans() -> tuple[Plan, ...]:
    """Every kit of the demo, open."""
    plans = [read(path.read_bytes()) for path in sorted(_DEMO.glob("*.plan.json"))]
    return tuple(plan.with_kit(kit) for plan in plans for kit in plan.kits)


# Of 60 seeds, those that between them bring nearly every finding, fix and reason that any of them does: each of the
# first brings at least three that those before it do not.
HARD = (7, 17, 36, 30, 41, 2, 57, 11, 0, 34, 16, 13, 40, 46, 54, 3, 19, 47, 58, 14, 22, 50, 59)
HARDEST = HARD[:8]


def every(seeds: Sequence[int]) -> list[ParameterSet]:
    """The demo's plans and wandered ones as cases of a test; those of one plan run in one process and share what is
    found about it."""
    named = [(f"demo-{n}", plan) for n, plan in enumerate(demo_plans())]
    named += [(f"seed-{seed}", wandered(seed)) for seed in seeds]
    return [pytest.param(plan, id=name, marks=pytest.mark.xdist_group(name)) for name, plan in named]


@by_identity(64)
def cured(plan: Plan) -> tuple[Finding, ...]:
    """Everything that is found about a plan, with its fixes: looked for once."""
    return tuple(look_for_cures(plan))


@cache
def wandered(seed: int) -> Plan:
    """A kit of the demo after some random edits, for a trip that is stricter or poorer than it was."""
    chance = random.Random(seed)
    start = chance.choice(demo_plans())
    plan = Plan.model_construct(
        gear=start.gear,
        carriers=tuple(_carrier(chance, carrier) for carrier in start.carriers),
        trip=_trip(chance, start),
        kits=start.kits,
        open_kit=start.open_kit,
    )
    if chance.random() < 0.3:
        plan = plan.with_kit(plan.kit.model_copy(update={"entries": ()}))
    for _ in range(chance.randrange(40)):
        try:
            plan = apply(plan, [_edit(chance, plan)])
        except InvalidInput:
            continue
    return _with_seats(chance, plan)


def _edit(chance: random.Random, plan: Plan) -> Edit:
    loaded = list(plan.loaded)
    kind = chance.random()
    if kind < 0.55 or not loaded:
        thing = chance.choice(plan.gear)
        return Load(item=thing.id, count=chance.randint(1, min(3, thing.count)))
    item = chance.choice(loaded)
    if kind < 0.75:
        return Leave(item=item, count=chance.choice([None, 1]))
    return Move(item=item, place=_place(chance, plan, item))


def _place(chance: random.Random, plan: Plan, item: str) -> Place:
    person = chance.choice(plan.trip.people).id
    if isinstance(plan.items[item], Bag):
        return AsPiece(piece=chance.choice(list(PieceKind)), person=person)
    bags = [i for i in plan.loaded if isinstance(plan.items[i], Bag)]
    if not bags or chance.random() < 0.2:
        return Worn(person=person)
    return InBag(bag=chance.choice(bags), outside=chance.random() < 0.15)


def _some(chance: random.Random, ids: Sequence[str], most: int) -> tuple[str, ...]:
    return tuple(chance.sample(list(ids), chance.randrange(most + 1)))


def _trip(chance: random.Random, plan: Plan) -> Trip:
    trip, ids = plan.trip, [thing.id for thing in plan.gear]
    take, leave, slot = _some(chance, ids, 3), _some(chance, ids, 6), tuple(chance.sample(ids, 3))
    marks = Marks(
        must_take=take,
        must_leave=tuple(i for i in leave if i not in take),
        slots=(Slot(id="either", name="Either", items=slot),) if chance.random() < 0.3 else (),
    )
    marks = marks.model_copy(update={"must_leave": tuple(i for i in marks.must_leave if i not in marks.slotted())})
    policies = Policies(
        lenses=chance.choice(["any", "any", "one-zoom", "trio-of-zooms", "primes"]),
        gaps=chance.choice(["allowed", "refused"]),
        second_body=chance.choice(["any", "any", "none", "twin", "specialist"]),
        cabin=chance.choice(["comply", "light-looking"]),
    )
    people = tuple(p.model_copy(update={"carries_well_kg": chance.choice([None, None, 5.0, 9.0])}) for p in trip.people)
    longer = chance.choice([1.0, 1.0, 3.0])
    return trip.model_copy(
        update={
            "stakes": chance.choice(["leisure", "paid"]),
            "people": people,
            "local_rules": _rules(chance, trip),
            "policies": policies,
            "marks": marks,
            "stamina": trip.stamina.model_copy(
                update={"power": chance.choice(["packs-only", "charge-nightly", "bank-by-day", "usb-c"])}
            ),
            "wants": tuple(_asking(chance, want) for want in trip.wants),
            "days": tuple(
                day.model_copy(update={"date": trip.days[0].date + timedelta(days=i)} | _weather(chance))
                for i, day in enumerate(trip.days * int(longer))
            ),
        }
    )


def _asking(chance: random.Random, want: Want) -> Want:
    """A want that asks for more than it did, now and then."""
    aids = tuple(AidWish(aid=aid, count=chance.randint(1, 2)) for aid in AIDS if chance.random() < 0.1)
    return want.model_copy(update={"aids": aids, "steady": want.steady or chance.random() < 0.2})


def _weather(chance: random.Random) -> dict[str, object]:
    return {"weather": (Weather.WIND, Weather.RAIN)} if chance.random() < 0.2 else {}


def _rules(chance: random.Random, trip: Trip) -> tuple[LocalRule, ...]:
    last = trip.days[0].date if chance.random() < 0.5 else None
    made = [
        LocalRule(name="No legs", effect="tripods-barred", last_day=last),
        LocalRule(name="No drones", effect="drones-barred", last_day=last),
        LocalRule(name="Small bags", effect="big-bags-barred", largest_mm=(450, 300, 200), last_day=last),
    ]
    return tuple(rule for rule in made if chance.random() < 0.3)


def _carrier(chance: random.Random, carrier: Carrier) -> Carrier:
    share = chance.choice([0.5, 0.8, 1.0])
    pieces = tuple(
        PieceRule(
            piece=rule.piece,
            count=chance.choice([rule.count, 0, 1]),
            size_mm=tuple(side * chance.choice([0.8, 1.0]) for side in rule.size_mm) if rule.size_mm else None,
            sum_mm=rule.sum_mm,
            mass_g=rule.mass_g * share if rule.mass_g else chance.choice([None, 7000.0]),
        )
        for rule in carrier.pieces
    )
    together = carrier.together
    if chance.random() < 0.3:
        together = (TogetherRule(pieces=(PieceKind.CABIN, PieceKind.PERSONAL), mass_g=8000),)
    return carrier.model_copy(update={"pieces": pieces, "together": together})


def _with_seats(chance: random.Random, plan: Plan) -> Plan:
    loaded = [i for i in plan.loaded if not isinstance(plan.items[i], Bag)]
    if not loaded or chance.random() < 0.6:
        return plan
    wish = Wish(item=chance.choice(loaded), seat=True)
    return plan.with_kit(plan.kit.model_copy(update={"stow": Stow(wishes=(wish,))}))
