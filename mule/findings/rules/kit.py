"""What is odd about the loaded things themselves."""

from collections.abc import Iterable
from typing import Literal

from mule.findings import said
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.plan.gear import Insert


class NothingLoadedRule:
    """An empty table is where every kit starts."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the kit is empty."""
        if not case.plan.kit.entries:
            yield said.NothingLoaded()


class NothingToShootRule:
    """Things are loaded but no set-up comes of them."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks when a kit takes no pictures."""
        if case.plan.kit.entries and not case.view.coverage.reach:
            yield said.NoSetUp()


class IdleOpticsRule:
    """A lens no loaded body takes, a converter no loaded lens names: grams for nothing."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per idle thing, when there are set-ups at all."""
        if not case.view.coverage.reach:
            return
        for item in case.view.coverage.idle:
            thing = case.plan.items[item]
            grams = thing.mass_g * case.loaded[item]
            yield said.IdleOptics(items=(item,), mass_g=grams)


class AbsentLoadedRule:
    """What is not here can be planned, but not packed."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per loaded thing that is absent, in the order of the locker."""
        absent = {item: away for item in case.loaded if (away := case.plan.items[item].absent) is not None}
        if not absent:
            return
        for thing in case.plan.gear:
            if (away := absent.get(thing.id)) is not None:
                yield said.AbsentLoaded(items=(thing.id,), reason=away.reason, until=away.until)


class OverfullRule:
    """More litres than the bag has, by outer sizes, before anything is stowed."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per bag or insert whose contents exceed its stated volume."""
        for held in case.loads.bags:
            if held.litres > held.volume_l:
                insert = isinstance(case.plan.items[held.bag], Insert)
                what: Literal["insert", "bag"] = "insert" if insert else "bag"
                yield said.Overfull(items=(held.bag,), what=what, litres=held.litres, volume_l=held.volume_l)
