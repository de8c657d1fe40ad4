"""The schools the photographer picked, and the marks they set."""

from collections.abc import Callable, Iterable, Mapping

from mule.findings import said
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.plan.gear import Body, Lens, is_zoom, twins
from mule.plan.trip import MOST_OF_A_TRIO

_LENSES: Mapping[str, Callable[..., Finding]] = {
    "one-zoom": said.OneZoom,
    "trio-of-zooms": said.TrioOfZooms,
    "primes": said.Primes,
}
_BODIES: Mapping[str, Callable[..., Finding]] = {
    "none": said.NoneBody,
    "twin": said.TwinBody,
    "specialist": said.SpecialistBody,
}


class LensPolicyRule:
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
            worth = case.view.worth if extra else {}
            going = [*strangers, *sorted(zooms, key=lambda t: worth.get(t.id, 0.0))[:extra]]
            yield _LENSES[policy](items=tuple(t.id for t in going), lenses=len(lenses), zooms=len(zooms))


class BodyPolicyRule:
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
            yield _BODIES[policy](items=tuple(t.id for t in bodies), bodies=len(bodies))


class MarksKeptRule:
    """What must come is not loaded, what must stay is, or a slot holds two."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per mark that the kit does not keep; silent while the kit is empty."""
        marks = case.plan.trip.marks
        if not case.loaded:
            return
        for item in marks.must_take:
            if item not in case.loaded:
                yield said.MustTake(items=(item,))
        for item in marks.must_leave:
            if item in case.loaded:
                yield said.MustLeave(items=(item,))
        for slot in marks.slots:
            both = tuple(item for item in slot.items if item in case.loaded)
            if len(both) > 1:
                yield said.SlotFull(items=both, slot=slot.name)
