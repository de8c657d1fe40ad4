"""Nothing comes without what it needs, nor without anything it serves; and what the wants ask for.

See docs/domain/completeness.md.
"""

from collections.abc import Mapping, Sequence

from mule.choosing.draft import Draft, Truth, total
from mule.choosing.scoring import Optics
from mule.completeness import Key, packs_eaten
from mule.filters import FilterGear, Front, ways
from mule.gear import Battery, Body, Card, Charger, Drone, Lens, MountAdapter, Reader


def link(draft: Draft, optics: Optics) -> None:
    """Every need, every pack, every filter, support and other aid that is asked for."""
    _Needs(draft).add()
    _keep_what_serves(draft)
    _packs(draft)
    _filters(draft, optics)
    for lacking, givers in draft.case.aids.values():
        here = [t.id for t in givers if t.id in draft.case.free]
        # As many pieces as a want asks for, or all that there are.
        draft.cp.add(total((draft.pieces[i], 1) for i in here) >= min(lacking, sum(draft.case.most[i] for i in here)))


class _Needs:
    def __init__(self, draft: Draft) -> None:
        self._draft = draft
        self._givers = draft.case.graph.givers
        self._known: dict[tuple[Key, str], Truth] = {}

    def add(self) -> None:
        draft = self._draft
        must_take = set(draft.case.plan.trip.marks.must_take)
        for item, take in draft.takes.items():
            for need in draft.case.graph.needs[item]:
                met = [self._given(key, item) for key in need.keys]
                if need.sort == "link" and all(truth is False for truth in met):
                    # Nothing in play gives it: no choice mends that. It stays a finding.
                    continue
                when = [take]
                if need.when is not None:
                    applies = self._asked_for(need.when)
                    if applies is False:
                        continue
                    when += [applies] if not isinstance(applies, bool) else []
                if item in must_take:
                    when.append(draft.reason("need", {"item": item, "what": need.what, "label": need.label}))
                draft.demand(met, when=when)

    def _asked_for(self, key: Key) -> Truth:
        """True whenever something that comes along gives a key by itself."""
        givers = [self._draft.take(i) for i, through in self._givers.get(key, ()) if through is None]
        if any(truth is True for truth in givers):
            return True
        free = [truth for truth in givers if not isinstance(truth, bool)]
        if not free:
            return False
        literal = self._draft.cp.new_bool_var("")
        self._draft.cp.add_max_equality(literal, free)
        return literal

    def _given(self, key: Key, but: str) -> Truth:
        """True only when something that comes along, other than ``but``, gives a key."""
        offers = self._givers.get(key, ())
        at = key, but if any(item == but for item, _ in offers) else ""
        if at not in self._known:
            self._known[at] = self._draft.either(
                self._draft.both((self._draft.take(item), True if through is None else self._given(through, at[1])))
                for item, through in offers
                if item != at[1]
            )
        return self._known[at]


def _keep_what_serves(draft: Draft) -> None:
    """Chargers and readers of the open kit stay as long as the packs and cards come along that they are loaded for.

    How long the power lasts is not reckoned here; whoever packed a charger has a reason.
    """
    case = draft.case
    for item, take in draft.takes.items():
        if item in case.now and isinstance(case.free[item], Charger | Reader) and not case.must_stay(item):
            for key in (key for need in case.graph.needs[item] if need.sort == "purpose" for key in need.keys):
                for giver, _ in case.graph.givers.get(key, ()):
                    served = draft.take(giver)
                    if served is not False:
                        draft.demand([take], when=[] if served is True else [served])


def _packs(draft: Draft) -> None:
    """As many packs of a type as are eaten at one time, and no fewer packs and cards than the open kit has."""
    gear, free = draft.case.plan.items, draft.case.free
    in_play = (*draft.case.fixed, *draft.takes)
    for type_ in {t.battery_type for t in free.values() if isinstance(t, Battery)}:
        packs = [i for i, t in free.items() if isinstance(t, Battery) and t.battery_type == type_]
        _supply(draft, packs, {i: h[1] for i in in_play if (h := packs_eaten(gear[i])) and h[0] == type_})
    for type_ in {t.card_type for t in free.values() if isinstance(t, Card)}:
        cards = [i for i, t in free.items() if isinstance(t, Card) and t.card_type == type_]
        slotted = [
            i for i in in_play if isinstance(t := gear[i], Body | Drone) and any(s.card_type == type_ for s in t.slots)
        ]
        _supply(draft, cards, dict.fromkeys(slotted, 0))


def _supply(draft: Draft, givers: Sequence[str], eaters: Mapping[str, int]) -> None:
    """eaters: pieces that each holds at one time."""
    case = draft.case
    have = [(draft.pieces[i], 1) for i in givers]
    elsewhere = sum(case.fixed[i] for i in case.fixed if case.graph.offers[i] == case.graph.offers[givers[0]])
    now = sum(case.now.get(i, 0) for i in givers)
    # What stays may lack packs already: it keeps those it has.
    stays = min(now + elsewhere, sum(n * case.fixed[i] for i, n in eaters.items() if i in case.fixed))
    eaten = [(draft.pieces[i], -n) for i, n in eaters.items() if i in draft.takes and n]
    draft.cp.add(total([*have, *eaten]) >= stays - elsewhere)
    for item in eaters:
        if item in draft.takes:
            draft.cp.add(total([*have, (draft.takes[item], -now)]) >= 0)


def _filters(draft: Draft, optics: Optics) -> None:
    """Where a lens that sees a want comes along, one of those gets each effect the want asks for, if any can."""
    case = draft.case
    gear = [t for i, t in case.plan.items.items() if i in case.free or i in case.fixed]
    bag = FilterGear.of(gear, [t.id for t in gear])
    adapters = tuple(t.id for t in gear if isinstance(t, MountAdapter))
    for want in case.plan.trip.wants:
        seeing = optics.seeing(want) if want.effects else []
        for wish in want.effects:
            served: list[Truth] = []
            for item, widest in seeing:
                thing = case.plan.items[item]
                glass = thing if isinstance(thing, Lens) else getattr(thing, "fixed_lens", None)
                front = Front(item, glass.thread_mm if glass else None, widest, adapters)
                served += [draft.both([draft.take(i) for i in (item, *f.parts)]) for _, f in ways(front, wish, bag)]
            if any(way is not False for way in served):
                for item, _ in seeing:
                    take = draft.take(item)
                    draft.demand(served, when=[take] if not isinstance(take, bool) else [])
