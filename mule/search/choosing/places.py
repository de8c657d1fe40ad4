"""Where things go, what each piece of luggage and each back carries, and what they may carry."""

from collections.abc import Iterable, Mapping, Sequence

from mule.analysis.gate.limits import mass_limits
from mule.base.solving import Linear, Var, tenths, total
from mule.plan.gear import Bag
from mule.plan.places import PieceKind
from mule.search.choosing.containers import Container
from mule.search.choosing.draft import Draft
from mule.search.choosing.reasons import BackAllows, BagOnLeg, PersonOnLeg, RoomOfBag


def place(draft: Draft) -> None:
    """Every piece goes somewhere; a bag to choose takes things only when it comes along, and one is enough."""
    case, cp = draft.case, draft.cp
    for item, pieces in draft.pieces.items():
        homes = case.homes(item)
        if not homes and not isinstance(case.free[item], Bag):
            cp.add(pieces == 0)
        if len(homes) == 1 and not homes[0].chosen:
            draft.placed[item, homes[0].id] = pieces
            continue
        for home in homes:
            at = draft.placed[item, home.id] = cp.new_int_var(0, case.most[item], "")
            if home.chosen:
                cp.add(at <= case.most[item] * draft.takes[home.id])
        if homes:
            cp.add(total((draft.placed[item, home.id], 1) for home in homes) == pieces)
    bags = [draft.takes[c.id] for c in case.containers if c.chosen]
    if bags:
        cp.add_exactly_one(bags)


def _grams(draft: Draft) -> dict[str, int]:
    return {item: tenths(thing.mass_g) for item, thing in draft.case.free.items()}


def _at(draft: Draft, containers: Iterable[Container], per_piece: Mapping[str, int]) -> list[tuple[Var, int]]:
    """The pieces placed in some containers, each weighted."""
    ids = {c.id for c in containers}
    return [(at, per_piece[item]) for (item, home), at in draft.placed.items() if home in ids]


def carried(draft: Draft) -> Linear:
    """Tenths of grams in all carried bags and on all people, base load left out."""
    grams = _grams(draft)
    bags = [(draft.takes[i], grams[i]) for i, thing in draft.case.free.items() if isinstance(thing, Bag)]
    return total([*bags, *_at(draft, draft.case.containers, grams)], tenths(draft.case.fixed_carried_g))


def _root_g(draft: Draft, roots: Iterable[str]) -> tuple[list[tuple[Var, int]], int]:
    """Tenths of grams of pieces of luggage with all they hold: terms, and what stays in any case."""
    grams, wanted = _grams(draft), set(roots)
    terms = _at(draft, (c for c in draft.case.containers if c.root in wanted), grams)
    fixed = draft.case.fixed_g
    terms += [(draft.takes[root], grams[root]) for root in wanted if root not in fixed]
    return terms, sum(tenths(fixed[root]) for root in wanted if root in fixed)


def limit(draft: Draft) -> None:
    """What legs, backs and bags allow. Whoever travels light-looking takes the risk of being weighed."""
    if draft.case.plan.trip.policies.cabin == "comply":
        _legs(draft)
    _people(draft)
    _volumes(draft)


def _legs(draft: Draft) -> None:
    for one in mass_limits(draft.case.plan, draft.case.root_kinds):
        if one.person is None:
            why = draft.reason(BagOnLeg(leg=one.leg, bag=one.bags[0], allowed_g=one.allowed_g))
            _at_most(draft, one.bags, 0, one.allowed_g, why)
            continue
        hold = draft.case.hold_g.get(one.person, 0.0) if PieceKind.HOLD in one.pieces else 0.0
        why = draft.reason(PersonOnLeg(leg=one.leg, person=one.person, allowed_g=one.allowed_g))
        _at_most(draft, one.bags, tenths(hold), one.allowed_g, why)


def _at_most(draft: Draft, roots: Sequence[str], more: int, allowed_g: float, why: Var) -> None:
    terms, stays = _root_g(draft, roots)
    draft.cp.add(total(terms, stays + more) <= tenths(allowed_g)).only_enforce_if(why)


def _people(draft: Draft) -> None:
    for person in draft.case.plan.trip.people:
        if person.carries_well_kg is None:
            continue
        mine = [c for c in draft.case.containers if c.person == person.id]
        terms, stays = _root_g(draft, [c.root for c in mine if c.root])
        worn = _at(draft, (c for c in mine if c.root is None), _grams(draft))
        base_g = draft.case.worn_g[person.id] + sum(load.mass_g for load in person.base_load)
        most_g = person.carries_well_kg * 1000
        why = draft.reason(BackAllows(person=person.id, allowed_g=most_g))
        draft.cp.add(total([*terms, *worn], stays + tenths(base_g)) <= tenths(most_g)).only_enforce_if(why)


def _volumes(draft: Draft) -> None:
    """Litres by outer size, in whole millilitres: what things take is rounded, what a bag has is not made smaller."""
    millilitres = {item: round(thing.size.litres() * 1000) for item, thing in draft.case.free.items()}
    for container in draft.case.containers:
        if container.root is not None:
            why = draft.reason(RoomOfBag(bag=container.id, room_l=container.litres))
            inside = total(_at(draft, (container,), millilitres))
            draft.cp.add(inside <= round(container.litres * 1000)).only_enforce_if(why)
