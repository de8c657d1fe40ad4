"""The schools the photographer picked, and the marks they set."""

from collections.abc import Iterable, Sequence

from mule.finding import Cure, Finding, Severity
from mule.gear import Body, Lens, at_hand, is_zoom, twins
from mule.rules.case import Case, load
from mule.trip import MOST_OF_A_TRIO


class LensPolicy:
    """One zoom, a trio of zooms, or primes only."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks when the loaded lenses are of another school than the one picked."""
        policy = case.plan.trip.policies.lenses
        lenses = [t for i in case.loaded if isinstance(t := case.plan.items[i], Lens)]
        zooms = [t for t in lenses if is_zoom(t)]
        primes = [t for t in lenses if not is_zoom(t)]
        most = {"one-zoom": 1, "trio-of-zooms": MOST_OF_A_TRIO}.get(policy)
        strangers = zooms if policy == "primes" else primes if policy != "any" else []
        extra = max(0, len(zooms) - most) if most is not None else 0
        if strangers or extra:
            going = strangers or sorted(zooms, key=lambda t: case.worth.get(t.id, 0.0))[:extra]
            yield Finding(
                code=f"policy-{policy}",
                severity=Severity.CAUTION,
                station="bench",
                numbers={"lenses": len(lenses), "zooms": len(zooms)},
                items=tuple(t.id for t in going),
                cures=(case.leave(going),),
            )


class BodyPolicy:
    """No second body, a twin, or another sort."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks when the loaded bodies are not what was picked."""
        policy = case.plan.trip.policies.second_body
        bodies = [t for i in case.loaded if isinstance(t := case.plan.items[i], Body) for _ in range(case.loaded[i])]
        if policy == "any" or not bodies:
            return
        fits = {
            "none": len(bodies) == 1,
            "twin": len(bodies) == 2 and twins(bodies[0], bodies[1]),
            "specialist": len(bodies) == 2 and not twins(bodies[0], bodies[1]),
        }[policy]
        if not fits:
            going = sorted(bodies, key=lambda t: case.worth.get(t.id, 0.0))[: len(bodies) - 1]
            yield Finding(
                code=f"policy-{policy}-body",
                severity=Severity.CAUTION,
                station="bench",
                numbers={"bodies": len(bodies)},
                items=tuple(t.id for t in bodies),
                cures=(case.leave(going),) if policy == "none" else tuple(self._seconds(case, bodies, policy)),
            )

    def _seconds(self, case: Case, bodies: Sequence[Body], policy: str) -> Iterable[Cure]:
        """The lightest left body that makes the pair."""
        if len(bodies) != 1:
            return
        left = [t for t in case.plan.gear if isinstance(t, Body) and t.id not in case.loaded and at_hand(t)]
        able = [t for t in left if twins(t, bodies[0]) == (policy == "twin")]
        lightest = min(able, key=lambda t: t.mass_g, default=None)
        if lightest:
            yield load(lightest)


class MarksKept:
    """What must come is not loaded, what must stay is, or a slot holds two."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per mark that the kit does not keep; silent while the kit is empty."""
        marks, gear = case.plan.trip.marks, case.plan.items
        if not case.loaded:
            return
        for item in marks.must_take:
            if item not in case.loaded:
                yield self._finding("must-take", (item,), (load(gear[item]),))
        for item in marks.must_leave:
            if item in case.loaded:
                yield self._finding("must-leave", (item,), (case.leave([gear[item]]),))
        for slot in marks.slots:
            both = tuple(item for item in slot.items if item in case.loaded)
            if len(both) > 1:
                cures = tuple(case.leave([gear[item]]) for item in both)
                yield self._finding("slot-full", both, cures, {"slot": slot.name})

    def _finding(
        self, code: str, items: tuple[str, ...], cures: tuple[Cure, ...], refs: dict[str, str] | None = None
    ) -> Finding:
        return Finding(code=code, severity=Severity.CAUTION, station="bench", items=items, refs=refs or {}, cures=cures)
