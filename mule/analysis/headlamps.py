"""Lights to walk by: who has which on a way in the dark, for how long they burn, and what cells are short."""

from collections.abc import Sequence
from math import ceil

from mule.analysis.power.demand import LAMP_H
from mule.base.units import Frozen
from mule.plan import Plan
from mule.plan.gear import Battery, Light
from mule.plan.places import AsPiece, InBag, Worn


class Lamps(Frozen):
    """What one person has to see the way by. hours: that the longest of their lights burns, None without one.

    short: cells that are lacking for it to burn all the way in the dark, by type.
    """

    person: str
    lights: int
    hours: float | None
    short: dict[str, int]


def lamps(plan: Plan, people: Sequence[str], dark_h: float) -> tuple[Lamps, ...]:
    """Lights of each person, with the cells along shared out evenly over all lights that eat them. Whoever has several
    gives one to who has none.

    >>> from tests import cast
    >>> [one.lights for one in lamps(cast.plan([]), ["ines"], 2.0)]
    [0]
    """
    held: dict[str, list[Light]] = {person: [] for person in people}
    for light, person in _lights(plan):
        held.setdefault(person if person in held else people[0], []).append(light)
    for person in people:
        richest = max(people, key=lambda one: len(held[one]))
        if not held[person] and len(held[richest]) > 1:
            held[person].append(held[richest].pop())
    every = [light for person in people for light in held[person]]
    return tuple(_of(plan, person, held[person], every, dark_h) for person in people)


def _of(plan: Plan, person: str, mine: Sequence[Light], every: Sequence[Light], dark_h: float) -> Lamps:
    burns = [(_hours(plan, light, every), light) for light in mine]
    if not burns:
        return Lamps(person=person, lights=0, hours=None, short={})
    hours, light = max(burns, key=lambda one: one[0])
    short: dict[str, int] = {}
    if hours < dark_h and light.battery_type:
        once_h = light.runs_h or LAMP_H[light.form]
        short = {light.battery_type: (ceil(dark_h / once_h) - round(hours / once_h)) * light.cells}
    return Lamps(person=person, lights=len(mine), hours=hours, short=short)


def _hours(plan: Plan, light: Light, every: Sequence[Light]) -> float:
    """Hours of a light with its share of the cells along; a light that eats none burns once.

    Cells that nobody put into a bag are in the lights, as far as there are any.
    """
    once_h = light.runs_h or LAMP_H[light.form]
    if not light.battery_type:
        return once_h
    cells = [t for t in plan.gear if isinstance(t, Battery) and t.battery_type == light.battery_type]
    eaten = sum(other.cells for other in every if other.battery_type == light.battery_type)
    along = sum(plan.loaded.get(cell.id, 0) for cell in cells)
    inside = min(eaten, sum(cell.count for cell in cells))
    return once_h * (max(along, inside) // eaten)


def _lights(plan: Plan) -> list[tuple[Light, str]]:
    """Each light to walk by that is along, with whoever has it."""
    kit = plan.kit
    pieces, roots = kit.luggage(), kit.outermost()
    worn = {entry.item: entry.place.person for entry in kit.entries if isinstance(entry.place, Worn)}
    found: list[tuple[Light, str]] = []
    for entry in kit.entries:
        thing = plan.items[entry.item]
        if not isinstance(thing, Light) or thing.form not in ("torch", "head-torch"):
            continue
        match entry.place:
            case Worn(person=person) | AsPiece(person=person):
                who = person
            case InBag(bag=bag):
                root = roots[bag]
                who = pieces[root].person if root in pieces else worn.get(root, "")
        found += [(thing, who)] * entry.count
    return found
