"""What is odd about the loaded things themselves."""

from collections.abc import Iterable
from functools import partial

from mule.finding import Cure, CureCode, FindingCode, Leave, Severity, StationName
from mule.gear import Body, Gear, Insert, Lens, MountAdapter, at_hand
from mule.rules.case import Case, Said, Trials, load, say


class NothingLoaded:
    """An empty table is where every kit starts."""

    def find(self, case: Case) -> Iterable[Said]:
        """Speaks while the kit is empty."""
        if not case.plan.kit.entries:
            # Neither is a station done of which nothing could be judged.
            stations = StationName.BENCH, StationName.STAMINA, StationName.GATE
            yield say(FindingCode.NOTHING_LOADED, Severity.CAUTION, *stations)


class NothingToShoot:
    """Things are loaded but no set-up comes of them."""

    def find(self, case: Case) -> Iterable[Said]:
        """Speaks when a kit takes no pictures."""
        if case.plan.kit.entries and not case.view.coverage.reach:
            stations = StationName.BENCH, StationName.STAMINA
            yield say(FindingCode.NO_SET_UP, Severity.BLOCKER, *stations, cures=self._cures)

    def _cures(self, trials: Trials) -> Iterable[Cure]:
        """The lightest body that fits, or lens that fits a body."""
        loaded = [t for t in trials.plan.gear if t.id in trials.loaded]
        left = [t for t in trials.plan.gear if t.id not in trials.loaded and at_hand(t)]
        return [load(t) for t in sorted((t for t in left if _completes(t, loaded)), key=lambda t: t.mass_g)[:2]]


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

    def find(self, case: Case) -> Iterable[Said]:
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
                cures=partial(self._cures, thing=thing, grams=grams),
            )

    def _cures(self, trials: Trials, thing: Gear, grams: float) -> Iterable[Cure]:
        """The lightest left adapter or body that would put an idle lens to use; or it stays at home."""
        if isinstance(thing, Lens):
            yield from self._mate(trials, thing)
        yield Cure(code=CureCode.LEAVE, edits=(Leave(item=thing.id),), mass_change_g=-grams)

    def _mate(self, trials: Trials, lens: Lens) -> Iterable[Cure]:
        gear, loaded = trials.plan.gear, trials.loaded
        mounts = {t.mount for t in gear if isinstance(t, Body) and t.id in loaded}
        able = [
            t
            for t in gear
            if t.id not in loaded
            and at_hand(t)
            and (
                (isinstance(t, MountAdapter) and t.lens_mount == lens.mount and t.body_mount in mounts)
                or (isinstance(t, Body) and t.mount == lens.mount)
            )
        ]
        if able:
            yield load(min(able, key=lambda t: t.mass_g))


class AbsentLoaded:
    """What is not here can be planned, but not packed."""

    def find(self, case: Case) -> Iterable[Said]:
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

    def find(self, case: Case) -> Iterable[Said]:
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
