"""What is odd about the loaded things themselves."""

from collections.abc import Iterable

from mule.findings.finding import Finding, FindingCode, Severity, StationName
from mule.findings.rules.case import Case, say
from mule.plan.gear import Insert


class NothingLoaded:
    """An empty table is where every kit starts."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the kit is empty."""
        if not case.plan.kit.entries:
            # Neither is a station done of which nothing could be judged.
            stations = StationName.BENCH, StationName.STAMINA, StationName.GATE
            yield say(FindingCode.NOTHING_LOADED, Severity.CAUTION, *stations)


class NothingToShoot:
    """Things are loaded but no set-up comes of them."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks when a kit takes no pictures."""
        if case.plan.kit.entries and not case.view.coverage.reach:
            stations = StationName.BENCH, StationName.STAMINA
            yield say(FindingCode.NO_SET_UP, Severity.BLOCKER, *stations)


class IdleOptics:
    """A lens no loaded body takes, a converter no loaded lens names: grams for nothing."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per idle thing, when there are set-ups at all."""
        if not case.view.coverage.reach:
            return
        for item in case.view.coverage.idle:
            thing = case.plan.items[item]
            grams = thing.mass_g * case.loaded[item]
            yield say(
                FindingCode.IDLE_OPTICS,
                Severity.CAUTION,
                StationName.BENCH,
                numbers={"mass_g": grams},
                items=(item,),
            )


class AbsentLoaded:
    """What is not here can be planned, but not packed."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per loaded thing that is absent, in the order of the locker."""
        absent = {item: away for item in case.loaded if (away := case.plan.items[item].absent) is not None}
        if not absent:
            return
        for thing in case.plan.gear:
            if (away := absent.get(thing.id)) is not None:
                refs = {"reason": away.reason.value}
                if away.until:
                    refs["until"] = away.until.isoformat()
                yield say(FindingCode.ABSENT_LOADED, Severity.NOTE, StationName.BENCH, items=(thing.id,), refs=refs)


class Overfull:
    """More litres than the bag has, by outer sizes, before anything is stowed."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per bag or insert whose contents exceed its stated volume."""
        for held in case.loads.bags:
            if held.litres > held.volume_l:
                insert = isinstance(case.plan.items[held.bag], Insert)
                yield say(
                    FindingCode.OVERFULL,
                    Severity.CAUTION,
                    StationName.BENCH,
                    numbers={"litres": held.litres, "volume_l": held.volume_l},
                    items=(held.bag,),
                    refs={"what": "insert" if insert else "bag"},
                )
