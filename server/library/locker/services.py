"""Verbs of the locker."""

from collections.abc import Sequence
from typing import Any

from django.contrib.auth.models import User

from mule.base.errors import InvalidInput, Problem
from mule.plan import MOST_THINGS
from mule.plan.gear import GEAR, Gear, Source
from server.kernel.documents import (
    FreeSlugs,
    find,
    find_for_edit,
    require_room,
    slug_from,
    slugs,
    spec_of,
    store,
    writing,
)
from server.kernel.errors import NotFound
from server.library.locker.convert import gear_of, typical
from server.library.locker.models import Thing
from server.library.uses import ids_taken, thing_to_change, thing_to_go


def things(owner: User) -> list[Thing]:
    """All rows of an owner's locker, oldest first."""
    return list(Thing.objects.filter(owner=owner))


def versions(owner: User) -> dict[str, int]:
    """The version of each thing of an owner's locker, by its id."""
    return dict(Thing.objects.filter(owner=owner).values_list("slug", "version"))


def taken_slugs(owner: User) -> set[str]:
    """Ids that no new thing gets: the owner's own, and those of what others lent to their trips."""
    elsewhere: list[tuple[Any, Any]] = ids_taken.send(Thing, owner=owner)
    return slugs(Thing, owner).union(*(ids for _, ids in elsewhere))


def add(owner: User, gear: Gear) -> Thing:
    """Puts a thing into the locker; when its id is taken, it gets the next free one."""
    with writing(owner):
        require_room(Thing, owner, 1, MOST_THINGS, "things")
        wanted = gear.id if gear.id != "new" else slug_from(gear.name)
        slug = FreeSlugs(taken_slugs(owner)).take(wanted)
        spec = spec_of(gear.model_copy(update={"id": slug}))
        return Thing.objects.create(owner=owner, slug=slug, name=gear.name, kind=gear.kind, spec=spec)


def add_typical(owner: User, typical_id: str, count: int) -> Thing:
    """Puts ``count`` of a generic thing into the locker. Raises NotFound."""
    thing = typical().get(typical_id)
    if thing is None:
        raise NotFound("typical thing", typical_id)
    return add(owner, thing.model_copy(update={"count": count}))


def replace(owner: User, slug: str, version: int, gear: Gear) -> Thing:
    """Stores an edited thing. Raises Stale, NotFound, InvalidInput, and InUse when kits load more than are left."""
    with writing(owner):
        row = find_for_edit(Thing, owner, slug, "thing", version=version, sent_id=gear.id)
        if gear.kind != row.kind:
            raise InvalidInput([Problem("kind", gear.kind, f"{row.kind}: a thing keeps its kind")])
        thing_to_change.send(Thing, owner=owner, gear=gear)
        return store(row, gear)


def weigh_in(owner: User, slug: str, version: int, mass_g: float) -> Thing:
    """Stores what the scale said; the mass is measured from then on."""
    row = find(Thing, owner, slug, "thing")
    data = gear_of(row).model_dump() | {"mass_g": mass_g, "mass_source": Source.MEASURED}
    return replace(owner, slug, version, GEAR.validate_python(data))


def remove(owner: User, slug: str) -> None:
    """Takes a thing out of the locker. Raises InUse while a kit loads it or a trip marks it."""
    with writing(owner):
        row = find(Thing, owner, slug, "thing")
        thing_to_go.send(Thing, owner=owner, slug=slug, name=row.name)
        row.delete()


def change_many(owner: User, put: Sequence[tuple[int, Gear]], gone: Sequence[str]) -> list[Thing]:
    """Puts and removes many things, all or nothing. put: (version, thing), version 0 being a new one.

    Raises what :func:`add`, :func:`replace` and :func:`remove` raise, naming the thing.
    """
    rows = []
    with writing(owner):
        for slug in gone:
            remove(owner, slug)
        for version, gear in put:
            try:
                rows.append(replace(owner, gear.id, version, gear) if version else add(owner, gear))
            except InvalidInput as error:
                told = [Problem(f"{gear.name}: {p.field}", p.value, p.rule) for p in error.problems]
                raise InvalidInput(told) from error
    return rows
