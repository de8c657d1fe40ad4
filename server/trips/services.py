"""Verbs of trips and kits."""

from collections.abc import Sequence
from typing import NamedTuple

from django.contrib.auth.models import User

from mule.analysis.loadouts import carried
from mule.analysis.loadouts import find as find_loadout
from mule.base.errors import InvalidInput, Problem
from mule.plan import Plan
from mule.plan.editing import apply
from mule.plan.edits import Edit
from mule.plan.gear import Gear
from mule.plan.kit import Entry, Stow
from mule.plan.kit import Kit as KitValue
from mule.plan.trip import Person, Stamina
from mule.plan.trip import Trip as TripValue
from mule.search.outings import with_edits
from server.kernel.actor import Actor
from server.kernel.documents import (
    FreeSlugs,
    find,
    require_same_id,
    require_version,
    slug_from,
    slugs,
    spec_of,
    store,
    writing,
)
from server.kernel.errors import InUse, NotFound
from server.library.locker.convert import locker_of
from server.trips.convert import Stamp, entries_of, plan_of, scale_of, stamp_of, trip_of
from server.trips.lending import gear_for
from server.trips.models import Kit, KitPacking, KitStep, Trip
from server.trips.seen import gear_and_trip, require_seen, trip_for, with_unseen_marks

# Older steps are forgotten; a session of packing rarely takes more.
MOST_STEPS = 200
KIT_IDS = "abcdefghijklmnopqrstuvwxyz"


def trips(owner: User) -> list[Trip]:
    """All trips of an owner, newest first."""
    return list(Trip.objects.filter(owner=owner).order_by("-id").prefetch_related("kits"))


def find_trip(owner: User, slug: str) -> Trip:
    """One trip of an owner. Raises NotFound."""
    row = find(Trip, owner, slug, "trip")
    # Known: no need to read it again.
    row.owner = owner
    return row


def with_traveller(owner: User, trip: TripValue) -> TripValue:
    """The trip with somebody to carry: its owner, where it names nobody yet."""
    if trip.people:
        return trip
    return trip.model_copy(update={"people": (Person(id="me", name=owner.username[:80] or "Me"),)})


def add_trip(owner: User, trip: TripValue) -> Trip:
    """Adds a trip with one empty kit A. Where it names nobody who travels, its owner does."""
    with writing(owner):
        slug = FreeSlugs(slugs(Trip, owner)).take(slug_from(trip.name) if trip.id == "new" else trip.id)
        value = with_traveller(owner, trip.model_copy(update={"id": slug}))
        _require_whole(owner, value, [Kit(slug="a", name="Kit A")], locker_of(owner))
        row = Trip.objects.create(owner=owner, slug=slug, name=value.name, spec=spec_of(value))
        Kit.objects.create(trip=row, slug="a", name="Kit A")
        return row


def replace_trip(actor: Actor, slug: str, version: int, trip: TripValue) -> Trip:
    """Stores an edited trip. Raises Stale, NotFound, and InvalidInput when a removed person still carries things."""
    owner = actor.owner
    with writing(owner):
        row = find_trip(owner, slug)
        # Both sides of a conflict are shown: the stored one as whoever asks may see it.
        require_version(row.version, version, "trip", lambda: spec_of(trip_for(actor, row)))
        require_same_id(slug, trip.id, "trip")
        kits = list(row.kits.all())
        row.changed_by = actor.signature
        if actor.guest:
            trip = with_unseen_marks(trip, row)
        _refuse_if_carrying(trip_of(row), trip, kits)
        _require_whole(owner, trip, kits, gear_for(row))
        return store(row, trip)


def _require_whole(owner: User, trip: TripValue, kits: list[Kit], gear: tuple[Gear, ...]) -> None:
    """Raises InvalidInput, with the trip's own fields, when trip, kits and carriers do not make a plan together."""
    try:
        plan_of(owner, trip, kits, kits[0].slug, gear)
    except InvalidInput as error:
        fields = [Problem(p.field.removeprefix("trip."), p.value, p.rule) for p in error.problems]
        raise InvalidInput(fields) from error


def _refuse_if_carrying(before: TripValue, after: TripValue, kits: Sequence[Kit]) -> None:
    staying = {p.id for p in after.people}
    for person in before.people:
        for kit in kits:
            if person.id not in staying and any(e["place"].get("person") == person.id for e in kit.entries):
                rule = f"{person.name} still carries gear in kit “{kit.name}”: move or leave them first"
                raise InvalidInput([Problem("people", person.name, rule)])


def remove_trip(owner: User, slug: str) -> None:
    """Removes a trip with its kits."""
    find(Trip, owner, slug, "trip").delete()


def find_kit(owner: User, trip_slug: str, kit_slug: str) -> Kit:
    """A kit of an owner's trip. Raises NotFound."""
    mine = Kit.objects.filter(trip__owner=owner, trip__slug=trip_slug, slug=kit_slug)
    kit = mine.select_related("trip").first()
    if kit is None:
        find(Trip, owner, trip_slug, "trip")
        raise NotFound("kit", kit_slug)
    kit.trip.owner = owner
    return kit


def plan_for(actor: Actor, kit: Kit, *, all_kits: bool = False, at: Stamp | None = None) -> Plan:
    """The plan of a kit's trip with this kit open; the other kits only when asked for. at: its stamp, when known.

    For others than the owner it holds nothing of the locker that they may not see: what is in no plan is in no answer.
    """
    row = kit.trip
    kits = list(row.kits.all()) if all_kits else [kit]
    gear, trip = gear_and_trip(actor, row, at.locker if at else None)
    return plan_of(row.owner, trip, kits, kit.slug, gear, at.carriers if at else None, scale_of(row))


def find_plan(actor: Actor, trip_slug: str, kit_slug: str, *, all_kits: bool = False) -> Plan:
    """The plan of a kit that is named, as for ``plan_for``. Raises NotFound."""
    return plan_for(actor, find_kit(actor.owner, trip_slug, kit_slug), all_kits=all_kits)


def plan_as(actor: Actor, kit: Kit, loadout: str) -> Plan:
    """The plan of a kit as one of its loadouts carries it; as a whole where none is named. Raises InvalidInput."""
    plan = plan_for(actor, kit)
    return plan.with_kit(carried(plan.kit, plan.items, find_loadout(plan.kit, loadout))) if loadout else plan


def trying(plan: Plan, stamina: Stamina | None) -> Plan:
    """The plan with other settings of stamina; nothing is stored."""
    return plan.with_trip(plan.trip.model_copy(update={"stamina": stamina})) if stamina else plan


def open_kit(actor: Actor, trip_slug: str, kit_slug: str) -> Kit:
    """Remembers which kit is on the table: on the owner's, whoever else looks at which."""
    kit = find_kit(actor.owner, trip_slug, kit_slug)
    if not actor.guest and kit.trip.open_kit != kit_slug:
        kit.trip.open_kit = kit_slug
        kit.trip.save(update_fields=["open_kit"])
    return kit


def add_kit(
    actor: Actor, trip_slug: str, name: str, copy_of: str | None, entries: Sequence[Entry] | None = None
) -> Kit:
    """Adds a kit: empty, as a copy of another, or with what it is to hold. Raises InvalidInput for what cannot be."""
    owner = actor.owner
    with writing(owner):
        trip = find_trip(owner, trip_slug)
        taken = {kit.slug for kit in trip.kits.all()}
        free = [letter for letter in KIT_IDS if letter not in taken]
        if not free:
            raise InvalidInput([Problem("name", name, f"at most {len(KIT_IDS)} kits for one trip")])
        copied = find_kit(owner, trip_slug, copy_of) if copy_of else None
        held = copied.entries if copied else []
        if entries is not None:
            require_seen(actor, trip, KitValue(id=free[0], name=name, entries=tuple(entries)).named())
            held = entries_of(KitValue(id=free[0], name=name, entries=tuple(entries)))
        kit = Kit.objects.create(trip=trip, slug=free[0], name=name, entries=held, stow=copied.stow if copied else {})
        plan_for(actor, kit)
        # A copy is packed as what it is a copy of.
        packings = copied.packings.all() if copied else []
        KitPacking.objects.bulk_create(
            KitPacking(kit=kit, loadout=one.loadout, asked=one.asked, stowage=one.stowage) for one in packings
        )
        return kit


def rename_kit(owner: User, trip_slug: str, kit_slug: str, version: int, name: str, note: str) -> Kit:
    """Gives a kit another name and note. Raises NotFound, Stale."""
    with writing(owner):
        kit = find_kit(owner, trip_slug, kit_slug)
        require_version(kit.named, version, "kit’s name or note", lambda: {"name": kit.name, "note": kit.note})
        kit.name, kit.note, kit.named = name, note, kit.named + 1
        kit.save(update_fields=["name", "note", "named"])
        return kit


def remove_kit(owner: User, trip_slug: str, kit_slug: str) -> None:
    """Removes a kit. Raises InUse for the last one."""
    with writing(owner):
        kit = find_kit(owner, trip_slug, kit_slug)
        others = list(kit.trip.kits.exclude(pk=kit.pk))
        if not others:
            raise InUse("A trip keeps one kit.", Problem("kit", kit_slug, "add another kit before removing this one"))
        if kit.trip.open_kit == kit_slug:
            kit.trip.open_kit = others[0].slug
            kit.trip.save(update_fields=["open_kit"])
        kit.delete()


class Edited(NamedTuple):
    """A kit after a change, with its plan and its stamp, so that nothing is read twice."""

    kit: Kit
    plan: Plan
    stamp: Stamp


def edit_kit(actor: Actor, trip_slug: str, kit_slug: str, version: int, edits: Sequence[Edit]) -> Edited:
    """Applies edits as one step that can be undone. Raises Stale, NotFound, InvalidInput; all or nothing."""
    with writing(actor.owner):
        kit = find_kit(actor.owner, trip_slug, kit_slug)
        require_version(kit.version, version, "kit", lambda: kit.entries)
        stamp = stamp_of(kit)
        plan = apply(plan_for(actor, kit, at=stamp), edits)
        after = entries_of(plan.kit)
        number = kit.at_step + 1
        # What was undone cannot be redone any more, and the oldest steps are forgotten.
        kit.steps.exclude(number__gt=number - MOST_STEPS, number__lt=number).delete()
        KitStep.objects.create(kit=kit, number=number, before=kit.entries, after=after, by=actor.signature)
        _put(kit, after, number)
        return Edited(kit, plan, stamp._replace(kit=kit.version))


def change_stow(actor: Actor, trip_slug: str, kit_slug: str, version: int, stow: Stow) -> Kit:
    """Stores how a kit is to be packed. Raises Stale, NotFound."""
    with writing(actor.owner):
        kit = find_kit(actor.owner, trip_slug, kit_slug)
        require_version(kit.version, version, "kit", lambda: kit.stow)
        require_seen(actor, kit.trip, stow.named())
        return _stowed(kit, stow)


def edit_loadout(actor: Actor, trip_slug: str, kit_slug: str, version: int, loadout: str, edits: Sequence[Edit]) -> Kit:
    """Does edits on what a loadout carries. Raises Stale, NotFound, InvalidInput; all or nothing."""
    with writing(actor.owner):
        kit = find_kit(actor.owner, trip_slug, kit_slug)
        require_version(kit.version, version, "kit", lambda: kit.stow)
        plan = plan_for(actor, kit)
        changed = with_edits(plan, loadout, edits)
        loadouts = tuple(changed if one.id == loadout else one for one in plan.kit.stow.loadouts)
        return _stowed(kit, plan.kit.stow.model_copy(update={"loadouts": loadouts}))


def _stowed(kit: Kit, stow: Stow) -> Kit:
    kit.stow = stow.model_dump(mode="json")
    kit.version += 1
    kit.save(update_fields=["stow", "version"])
    return kit


def undo(actor: Actor, trip_slug: str, kit_slug: str, version: int) -> Edited:
    """Takes the last step back. Raises InvalidInput when there is none, or when it no longer fits the locker."""
    return _travel(actor, trip_slug, kit_slug, version, back=True)


def redo(actor: Actor, trip_slug: str, kit_slug: str, version: int) -> Edited:
    """Does the next step again. Raises InvalidInput when there is none, or when it no longer fits the locker."""
    return _travel(actor, trip_slug, kit_slug, version, back=False)


def _travel(actor: Actor, trip_slug: str, kit_slug: str, version: int, *, back: bool) -> Edited:
    with writing(actor.owner):
        kit = find_kit(actor.owner, trip_slug, kit_slug)
        require_version(kit.version, version, "kit", lambda: kit.entries)
        step = kit.steps.filter(number=kit.at_step if back else kit.at_step + 1).first()
        if step is None:
            raise InvalidInput([Problem("", "", "there is nothing to undo" if back else "there is nothing to redo")])
        _put(kit, step.before if back else step.after, kit.at_step - 1 if back else kit.at_step + 1)
        stamp = stamp_of(kit)
        return Edited(kit, plan_for(actor, kit, at=stamp), stamp)


def _put(kit: Kit, entries: list[dict[str, object]], at_step: int) -> None:
    kit.entries, kit.at_step = entries, at_step
    kit.version += 1
    kit.save()


def steps_beside(kit: Kit) -> tuple[str | None, str | None]:
    """By whom the step behind is, to undo, and the undone one ahead, to redo: empty for the owner, None for no step."""
    steps = dict(kit.steps.filter(number__in=(kit.at_step, kit.at_step + 1)).values_list("number", "by"))
    return steps.get(kit.at_step), steps.get(kit.at_step + 1)
