"""What the place does to the kit: local rules, weather while changing lenses, and things that are not back in time."""

from collections.abc import Iterable, Mapping, Sequence
from functools import partial

from mule.finding import Cure, CureCode, FindingCode, Leave, PieceKind, Severity, StationName
from mule.gear import Drone, Gear, OtherSupport, Standing, Tripod, at_hand
from mule.rules.case import Case, Said, Trials, always, leaving, load, no_cures, say
from mule.trip import LocalRule

_BARRED: Mapping[str, FindingCode] = {
    "tripods-barred": FindingCode.TRIPODS_BARRED,
    "drones-barred": FindingCode.DRONES_BARRED,
    "big-bags-barred": FindingCode.BIG_BAGS_BARRED,
}


class LocalRules:
    """Tripods, drones or big bags are barred on some days."""

    def find(self, case: Case) -> Iterable[Said]:
        """One finding per rule that touches a loaded thing on a day of the trip; on all days, the thing may stay."""
        days = case.plan.trip.days
        for rule in case.plan.trip.local_rules:
            on = sum(rule.holds_on(day.date) for day in days)
            barred = self._barred(case, rule)
            if barred and (on or not days):
                yield say(
                    _BARRED[rule.effect],
                    Severity.CAUTION,
                    StationName.BENCH,
                    numbers={"days": on, "of_days": len(days)},
                    items=tuple(t.id for t in barred),
                    refs={"rule": rule.name},
                    cures=partial(self._cures, rule=rule, barred=barred, always=on == len(days)),
                )

    def _barred(self, case: Case, rule: LocalRule) -> Sequence[Gear]:
        loaded = [case.plan.items[item] for item in case.loaded]
        match rule.effect:
            case "tripods-barred":
                return [t for t in loaded if isinstance(t, Tripod)]
            case "drones-barred":
                return [t for t in loaded if isinstance(t, Drone)]
            case _:
                return [case.plan.items[p.bag] for p in case.loads.pieces if self._too_big(rule, p.size_mm, p.piece)]

    def _too_big(self, rule: LocalRule, size_mm: Sequence[float], piece: PieceKind) -> bool:
        """Whether a bag that is carried, with what is strapped to it, is over the size; hold bags stay behind."""
        largest = sorted(rule.largest_mm or (), reverse=True)
        return piece != PieceKind.HOLD and any(
            side > most for side, most in zip(sorted(size_mm, reverse=True), largest, strict=True)
        )

    def _cures(self, trials: Trials, rule: LocalRule, barred: Sequence[Gear], *, always: bool) -> Iterable[Cure]:
        if rule.effect == "tripods-barred":
            passes = [
                t
                for t in trials.plan.gear
                if isinstance(t, OtherSupport) and t.form in ("clamp", "flat-plate", "bean-bag") and at_hand(t)
            ]
            lightest = min((t for t in passes if t.id not in trials.loaded), key=lambda t: t.mass_g, default=None)
            if lightest and not any(t.id in trials.loaded for t in passes):
                yield load(lightest, code=CureCode.LOAD_MAY_PASS)
        if always and rule.effect != "big-bags-barred":
            grams = sum(t.mass_g * trials.loaded[t.id] for t in barred)
            yield Cure(code=CureCode.LEAVE, edits=tuple(Leave(item=t.id) for t in barred), mass_change_g=-grams)


class LensChanges:
    """Lenses to change in rain, spray, dust or on a ridge."""

    def find(self, case: Case) -> Iterable[Said]:
        """One finding for all exposed days; the cure is the lightest body that saves a change."""
        exposed = [day for day in case.lens_changes if day.exposed]
        if not exposed:
            return
        worst = max(exposed, key=lambda day: day.changes)
        second = case.plan.items[worst.second_body] if worst.second_body else None
        yield say(
            FindingCode.LENS_CHANGES,
            Severity.NOTE,
            StationName.BENCH,
            numbers={"days": len(exposed), "changes": worst.changes},
            items=worst.lenses,
            refs={"day": worst.date.isoformat()},
            cures=always(load(second)) if second else no_cures,
        )


class BackTooLate:
    """A loaded thing that is away, and back only after the trip has begun."""

    def find(self, case: Case) -> Iterable[Said]:
        """One caution per thing whose day of return is not before the first day."""
        days = case.plan.trip.days
        for item in case.loaded:
            thing = case.plan.items[item]
            if days and thing.absent and thing.absent.until and thing.absent.until >= days[0].date:
                yield say(
                    FindingCode.BACK_TOO_LATE,
                    Severity.CAUTION,
                    StationName.BENCH,
                    items=(item,),
                    refs={"until": thing.absent.until.isoformat(), "start": days[0].date.isoformat()},
                    cures=leaving(thing),
                )


class ToFetch:
    """Loaded things that are to be rented or borrowed first."""

    def find(self, case: Case) -> Iterable[Said]:
        """One note for all of them."""
        wanted = [i for i in case.loaded if case.plan.items[i].standing != Standing.OWNED]
        if wanted:
            yield say(FindingCode.TO_FETCH, Severity.NOTE, StationName.BENCH, items=tuple(wanted))
