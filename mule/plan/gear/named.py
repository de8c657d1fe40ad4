"""Gear that names other gear by id: what it does not work without, the converters of a lens, the home of a filter."""

from collections.abc import Callable
from typing import Any

from mule.plan.gear.base import Thing
from mule.plan.gear.glass import Filter
from mule.plan.gear.optical import Lens


def named_elsewhere(thing: Thing, there: Callable[[str], str | None]) -> dict[str, Any]:
    """The fields of a thing that name other gear, with the ids that this gear has in another locker.

    there: the id there, None where it is not there: then the field does not name it.

    >>> from tests import cast
    >>> named_elsewhere(cast.tele_zoom(needs=("foot",)), {"x14": "x14-2"}.get)
    {'needs': (), 'takes_converters': ('x14-2',)}
    """

    def each(ids: tuple[str, ...]) -> tuple[str, ...]:
        return tuple(found for id_ in ids if (found := there(id_)) is not None)

    named: dict[str, Any] = {"needs": each(thing.needs)}
    if isinstance(thing, Lens):
        named["takes_converters"] = each(thing.takes_converters)
    elif isinstance(thing, Filter):
        # Dropped into an adapter, or laid over the sensor of a camera.
        named |= {home: there(at) for home in ("adapter", "body") if (at := getattr(thing, home)) is not None}
    return named
