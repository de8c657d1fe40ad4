"""What the place does to the kit: local rules, weather while changing lenses, and things that are not back in time."""

from collections import Counter
from collections.abc import Callable, Iterable, Mapping, Sequence

from mule.analysis.load import weigh
from mule.analysis.loadouts import carried, find
from mule.findings import said
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.plan.gear import Drone, Gear, Standing, Tripod
from mule.plan.places import PieceKind
from mule.plan.trip import Day, LocalRule

_BARRED: Mapping[str, Callable[..., Finding]] = {
    "tripods-barred": said.TripodsBarred,
    "drones-barred": said.DronesBarred,
    "big-bags-barred": said.BigBagsBarred,
}


class LocalRulesRule:
    """Tripods, drones or big bags are barred on some days."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per rule that touches what goes along on a day of the trip: what stays at the base passes."""
        days = case.plan.trip.days
        for rule in case.plan.trip.local_rules:
            # Days of one loadout are one question.
            along = Counter(self._loadout(case, day) for day in days if rule.holds_on(day.date))
            known = {loadout: self._barred(case, rule, loadout) for loadout in (along if days else (None,))}
            on = sum(along[loadout] for loadout, found in known.items() if found)
            barred = dict.fromkeys(t.id for found in known.values() for t in found)
            if barred:
                yield _BARRED[rule.effect](items=tuple(barred), rule=rule.name, days=on, of_days=len(days))

    def _loadout(self, case: Case, day: Day) -> str | None:
        """The loadout of a day; None where all of the kit goes along."""
        return next((o.id for o in case.plan.kit.stow.loadouts if day.date in o.days), None)

    def _barred(self, case: Case, rule: LocalRule, loadout: str | None) -> Sequence[Gear]:
        """What the rule bars of a loadout, or of all of the kit."""
        kit = case.plan.kit
        if loadout is not None:
            kit = carried(kit, case.plan.items, find(kit, loadout))
        loaded = [case.plan.items[item] for item in (case.loaded if loadout is None else kit.loaded())]
        match rule.effect:
            case "tripods-barred":
                return [t for t in loaded if isinstance(t, Tripod)]
            case "drones-barred":
                return [t for t in loaded if isinstance(t, Drone)]
            case _:
                plan = case.plan
                loads = case.loads
                if loadout is not None:
                    loads = weigh(plan.items, kit, plan.trip.people, plan.weighed)
                return [plan.items[p.bag] for p in loads.pieces if self._too_big(rule, p.size_mm, p.piece)]

    def _too_big(self, rule: LocalRule, size_mm: Sequence[float], piece: PieceKind) -> bool:
        """Whether a bag that is carried, with what is strapped to it, is over the size; hold bags stay behind."""
        largest = sorted(rule.largest_mm or (), reverse=True)
        return piece != PieceKind.HOLD and any(
            side > most for side, most in zip(sorted(size_mm, reverse=True), largest, strict=True)
        )


class LensChangesRule:
    """Lenses to change in rain, spray, dust or on a ridge."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding for all exposed days."""
        exposed = [day for day in case.lens_changes if day.exposed]
        if not exposed:
            return
        worst = max(exposed, key=lambda day: day.changes)
        yield said.LensChanges(items=worst.lenses, days=len(exposed), changes=worst.changes, day=worst.date)


class BackTooLateRule:
    """A loaded thing that is away, and back only after the trip has begun."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per thing whose day of return is not before the first day."""
        days = case.plan.trip.days
        for item in case.loaded:
            thing = case.plan.items[item]
            if days and thing.absent and thing.absent.until and thing.absent.until >= days[0].date:
                yield said.BackTooLate(items=(item,), until=thing.absent.until, start=days[0].date)


class GoesBackRule:
    """A loaded thing that goes back to whom it was hired or borrowed from before the trip is over."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per thing."""
        days = case.plan.trip.days
        for item in case.loaded:
            due = case.plan.items[item].return_by
            if days and due and due < days[-1].date:
                yield said.GoesBack(items=(item,), due=due, last=days[-1].date)


class ToFetchRule:
    """Loaded things that are to be rented or borrowed first."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note for all of them."""
        wanted = [i for i in case.loaded if case.plan.items[i].standing != Standing.OWNED]
        if wanted:
            undated = sum(case.plan.items[i].return_by is None for i in wanted)
            yield said.ToFetch(items=tuple(wanted), undated=undated)
