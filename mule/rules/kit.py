"""What is odd about the loaded things themselves."""

from collections.abc import Iterable

from mule.finding import Cure, Finding, Leave, Severity
from mule.gear import Body, Gear, Insert, Lens, MountAdapter, at_hand
from mule.rules.case import Case, load


class NothingLoaded:
    """An empty table is where every kit starts."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the kit is empty."""
        if not case.plan.kit.entries:
            yield Finding(code="nothing-loaded", severity=Severity.CAUTION, station="bench")


class NothingToShoot:
    """Things are loaded but no set-up comes of them."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks when a kit takes no pictures; the cure is the lightest body that fits, or lens that fits a body."""
        if not case.plan.kit.entries or case.coverage.reach:
            return
        loaded = [t for t in case.plan.gear if t.id in case.loaded]
        left = [t for t in case.plan.gear if t.id not in case.loaded and at_hand(t)]
        cures = [load(t) for t in sorted((t for t in left if _completes(t, loaded)), key=lambda t: t.mass_g)[:2]]
        yield Finding(code="no-set-up", severity=Severity.BLOCKER, station="bench", cures=tuple(cures))


def _completes(thing: Gear, loaded: list[Gear]) -> bool:
    bodies = [t for t in loaded if isinstance(t, Body)]
    lenses = [t for t in loaded if isinstance(t, Lens)]
    match thing:
        case Body(fixed_lens=fixed, mount=mount):
            return fixed is not None or any(lens.mount == mount for lens in lenses)
        case Lens(mount=mount):
            return any(body.mount == mount for body in bodies)
        case MountAdapter(lens_mount=lens_mount, body_mount=body_mount):
            return any(b.mount == body_mount for b in bodies) and any(x.mount == lens_mount for x in lenses)
        case _:
            return False


class IdleOptics:
    """A lens no loaded body takes, a converter no loaded lens names: grams for nothing."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per idle thing, when there are set-ups at all."""
        if not case.coverage.reach:
            return
        for item in case.coverage.idle:
            thing = case.plan.items[item]
            grams = thing.mass_g * case.loaded[item]
            yield Finding(
                code="idle-optics",
                severity=Severity.CAUTION,
                station="bench",
                numbers={"mass_g": grams},
                items=(item,),
                cures=(*_mates(case, thing), Cure(code="leave", edits=(Leave(item=item),), mass_change_g=-grams)),
            )


def _mates(case: Case, thing: Gear) -> list[Cure]:
    """The lightest left adapter or body that would put an idle lens to use."""
    if not isinstance(thing, Lens):
        return []
    mounts = {t.mount for t in case.plan.gear if isinstance(t, Body) and t.id in case.loaded}
    able = [
        t
        for t in case.plan.gear
        if t.id not in case.loaded
        and at_hand(t)
        and (
            (isinstance(t, MountAdapter) and t.lens_mount == thing.mount and t.body_mount in mounts)
            or (isinstance(t, Body) and t.mount == thing.mount)
        )
    ]
    lightest = min(able, key=lambda t: t.mass_g, default=None)
    return [load(lightest)] if lightest else []


class AbsentLoaded:
    """What is not here can be planned, but not packed."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per loaded thing that is absent."""
        for thing in case.plan.gear:
            if thing.absent is not None and thing.id in case.loaded:
                refs = {"reason": thing.absent.reason.value}
                if thing.absent.until:
                    refs["until"] = thing.absent.until.isoformat()
                yield Finding(
                    code="absent-loaded", severity=Severity.NOTE, station="bench", items=(thing.id,), refs=refs
                )


class Overfull:
    """More litres than the bag has, by outer sizes, before anything is stowed."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per bag or insert whose contents exceed its stated volume."""
        for held in case.loads.bags:
            if held.litres > held.volume_l:
                insert = isinstance(case.plan.items[held.bag], Insert)
                yield Finding(
                    code="overfull",
                    severity=Severity.CAUTION,
                    station="bench",
                    numbers={"litres": held.litres, "volume_l": held.volume_l},
                    items=(held.bag,),
                    refs={"what": "insert" if insert else "bag"},
                )
