"""What two people share, and who carries it."""

from collections.abc import Iterable
from itertools import combinations

from mule.analysis.load import roots
from mule.findings import said
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.plan.gear import Body, Drive, Light, Other, Safety, back_each_other_up


class CarriesWellRule:
    """More on somebody's back than they carry well."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per person over their own figure."""
        room = {p.id: self._room_g(case, p.id) for p in case.plan.trip.people}
        for who in case.loads.people:
            over = -room[who.person]
            if over > 0:
                yield said.CarriesWell(person=who.person, carried_g=who.carried_g, over_g=over)

    def _room_g(self, case: Case, person: str) -> float:
        most = next(p.carries_well_kg for p in case.plan.trip.people if p.id == person)
        carried = next(who.carried_g for who in case.loads.people if who.person == person)
        return float("inf") if most is None else most * 1000 - carried


class BothInOneBagRule:
    """Two things that back each other up ride in one bag: it takes both along when it is lost."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per pair of twin bodies or drives in one piece of luggage"""
        where = roots(case.plan.kit)
        kept = {i: {bag for bag, _ in places} for i, places in where.bags.items()}
        paired = [t for i in kept if isinstance(t := case.plan.items[i], Body | Drive)]
        for one, other in combinations(paired, 2):
            if back_each_other_up(one, other) and kept[one.id] == kept[other.id] and len(kept[one.id]) == 1:
                (bag,) = kept[one.id]
                yield said.BothInOneBag(items=(one.id, other.id, bag))


class SetIncompleteRule:
    """Things that everybody has, or nobody: an avalanche set, crampons, helmets."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per set of which something is loaded and not all of it for everybody: names what lacks most."""
        people = len(case.plan.trip.people)
        have: dict[str, int] = {}
        for item, count in case.loaded.items():
            thing = case.plan.items[item]
            if isinstance(thing, Safety | Other):
                have[thing.filed_as] = have.get(thing.filed_as, 0) + count
        for each in case.plan.trip.sets:
            counts = {use: have.get(use.lower(), 0) for use in each.uses}
            if any(counts.values()) and min(counts.values()) < people:
                use = min(counts, key=lambda use: counts[use])
                yield said.SetIncomplete(
                    set=each.id,
                    name=each.name,
                    use=use,
                    have=counts[use],
                    people=people,
                    lacking=sum(max(0, people - n) for n in counts.values()),
                )


class TorchEachRule:
    """Lights to walk by are per person."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks when head torches are loaded or owned, but fewer than people are loaded."""
        people = len(case.plan.trip.people)
        torches = [t for t in case.plan.gear if isinstance(t, Light) and t.form == "head-torch"]
        have = sum(case.loaded.get(t.id, 0) for t in torches)
        if not torches or have >= people or not case.loaded:
            return
        yield said.TorchEach(have=have, people=people)
