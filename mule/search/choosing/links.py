"""Nothing comes without what it needs, nor without anything it serves; and what the wants ask for.

See docs/domain/completeness.md.
"""

from collections.abc import Iterator

from mule.analysis.completeness import Key, packs_eaten
from mule.analysis.filters import FilterGear, Front, ways
from mule.base.solving import total
from mule.plan.gear import Battery, Lens, MountAdapter
from mule.plan.trip import EffectWish, Want
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.draft import Draft, Truth
from mule.search.choosing.reasons import MustServe


def link(draft: Draft) -> None:
    """Every need, every pack, every filter that is asked for."""
    _Needs(draft).add()
    _packs(draft)
    _filters(draft)


class _Needs:
    def __init__(self, draft: Draft) -> None:
        self._draft = draft
        self._givers = draft.case.graph.givers
        trip = draft.case.plan.trip
        self._judged = bool(trip.days) or trip.stamina.power == "packs-only"
        self._known: dict[tuple[Key, str], Truth] = {}

    def add(self) -> None:
        draft = self._draft
        must_take = set(draft.case.plan.trip.marks.must_take)
        for item, take in draft.takes.items():
            for need in draft.case.graph.needs[item]:
                met = [self._given(key, item) for key in need.keys]
                if need.what == "charger" and self._judged:
                    # Whether packs are charged at all, the days say (``choosing.lasting``).
                    continue
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
                    when.append(draft.reason(MustServe(item=item, what=need.what, label=need.label)))
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


def _packs(draft: Draft) -> None:
    """As many packs of a type as are held at one time. What stays lacks packs only if there are not enough."""
    case, gear = draft.case, draft.case.plan.items
    for type_ in sorted({t.battery_type for t in case.free.values() if isinstance(t, Battery)}):
        packs = [i for i, t in case.free.items() if isinstance(t, Battery) and t.battery_type == type_]
        eaters = {i: h[1] for i in (*case.fixed, *draft.takes) if (h := packs_eaten(gear[i])) and h[0] == type_}
        there = sum(n for i, n in case.fixed.items() if isinstance(t := gear[i], Battery) and t.battery_type == type_)
        stays = sum(n * case.fixed[i] for i, n in eaters.items() if i in case.fixed)
        eaten = [(draft.pieces[i], -n) for i, n in eaters.items() if i in draft.takes]
        lacking = min(stays - there, sum(case.most[i] for i in packs))
        draft.cp.add(total([*((draft.pieces[i], 1) for i in packs), *eaten]) >= lacking)


def _filters(draft: Draft) -> None:
    """Where a lens that sees a want comes along, one of those gets each effect the want asks for, if any can."""
    for _, _, seeing, found in filter_ways(draft.case):
        served = [draft.both([draft.take(item) for item in way]) for way in found]
        if any(way is not False for way in served):
            for item in seeing:
                take = draft.take(item)
                draft.demand(served, when=[take] if not isinstance(take, bool) else [])


def filter_ways(case: Candidates) -> Iterator[tuple[Want, EffectWish, list[str], list[list[str]]]]:
    """Each effect that a want asks for: what sees the want, and sets of things that give the effect on some of it."""
    gear = [t for i, t in case.plan.items.items() if i in case.free or i in case.fixed]
    bag = FilterGear.of(gear, [t.id for t in gear])
    adapters = tuple(t.id for t in gear if isinstance(t, MountAdapter))
    for want in case.plan.trip.wants:
        seeing = case.optics.seeing(want) if want.effects else []
        for wish in want.effects:
            found: list[list[str]] = []
            for item, widest in seeing:
                thing = case.plan.items[item]
                glass = thing if isinstance(thing, Lens) else getattr(thing, "fixed_lens", None)
                front = Front(item, glass.thread_mm if glass else None, widest, adapters)
                found += [[item, *f.parts] for _, f in ways(front, wish, bag)]
            yield want, wish, [item for item, _ in seeing], found
