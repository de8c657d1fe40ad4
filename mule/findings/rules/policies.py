"""The schools the photographer picked, and the marks they set."""

from collections.abc import Iterable, Mapping

from mule.findings.finding import Finding, FindingCode, Severity, StationName
from mule.findings.rules.case import Case, say
from mule.plan.gear import Body, Lens, is_zoom, twins
from mule.plan.trip import MOST_OF_A_TRIO

_LENSES: Mapping[str, FindingCode] = {
    "one-zoom": FindingCode.POLICY_ONE_ZOOM,
    "trio-of-zooms": FindingCode.POLICY_TRIO_OF_ZOOMS,
    "primes": FindingCode.POLICY_PRIMES,
}
_BODIES: Mapping[str, FindingCode] = {
    "none": FindingCode.POLICY_NONE_BODY,
    "twin": FindingCode.POLICY_TWIN_BODY,
    "specialist": FindingCode.POLICY_SPECIALIST_BODY,
}


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
            worth = case.view.worth if extra else {}
            going = [*strangers, *sorted(zooms, key=lambda t: worth.get(t.id, 0.0))[:extra]]
            yield say(
                _LENSES[policy],
                Severity.CAUTION,
                StationName.BENCH,
                numbers={"lenses": len(lenses), "zooms": len(zooms)},
                items=tuple(t.id for t in going),
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
            yield say(
                _BODIES[policy],
                Severity.CAUTION,
                StationName.BENCH,
                numbers={"bodies": len(bodies)},
                items=tuple(t.id for t in bodies),
            )


class MarksKept:
    """What must come is not loaded, what must stay is, or a slot holds two."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per mark that the kit does not keep; silent while the kit is empty."""
        marks = case.plan.trip.marks
        if not case.loaded:
            return
        for item in marks.must_take:
            if item not in case.loaded:
                yield _mark(FindingCode.MUST_TAKE, (item,))
        for item in marks.must_leave:
            if item in case.loaded:
                yield _mark(FindingCode.MUST_LEAVE, (item,))
        for slot in marks.slots:
            both = tuple(item for item in slot.items if item in case.loaded)
            if len(both) > 1:
                yield _mark(
                    FindingCode.SLOT_FULL,
                    both,
                    {"slot": slot.name},
                )


def _mark(code: FindingCode, items: tuple[str, ...], refs: Mapping[str, str] | None = None) -> Finding:
    return say(code, Severity.CAUTION, StationName.BENCH, items=items, refs=refs)
