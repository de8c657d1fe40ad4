"""What can charge what here: chargers that fit the wall, leads and ports, cameras that charge a pack inside."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from mule.analysis.power.answer import Useless
from mule.plan.gear import ANY_PLUG, MOST_LINKS, Battery, Body, Charger, Computer, Gear, Light, Link, Other, fits_wall
from mule.plan.trip import Mains, PowerSchool

# A camera fills its pack through its own port in this time (estimate).
BODY_H = 2.5
# What a device takes when its data sheet was not read (estimates).
DEVICE_W = {"laptop": 65.0, "tablet": 20.0, "phone": 20.0}
LAMP_W = 5.0
# What a port gives when nobody rated it (estimate).
PORT_W = 20.0
# What a car's socket is called.
CAR_PLUGS = ("12V", "12 V", "car")


@dataclass(frozen=True, slots=True)
class PackCharger:
    """Something that fills packs: a charger's bays, or a camera (no bays: one pack inside, a port for as long)."""

    by: str
    types: tuple[str, ...]
    bays: int
    hours: float


@dataclass(frozen=True, slots=True)
class WallPlug:
    """A wall plug with ports for USB."""

    item: str
    ports: int
    watts: float


@dataclass(frozen=True)
class ChargingSources:
    """All means of charging that work here. leads: outlets won by extension leads. watts: of devices, by item.

    resting: banks, by item, on which nothing hangs at night. frugal: banks are left for what will be short.
    """

    mains: tuple[PackCharger, ...] = ()
    usb: tuple[PackCharger, ...] = ()
    car: tuple[PackCharger, ...] = ()
    plugs: tuple[WallPlug, ...] = ()
    leads: int = 0
    watts: Mapping[str, float] = field(default_factory=dict)
    useless: tuple[Useless, ...] = ()
    resting: frozenset[str] = frozenset()
    frugal: bool = False

    def in_school(self, school: PowerSchool) -> "ChargingSources":
        """What is left of them in a school: no packs charged, or only in cameras."""
        if school == "packs-only":
            return ChargingSources(plugs=self.plugs, leads=self.leads, watts=self.watts)
        if school == "usb-c":
            usb = tuple(charger for charger in self.usb if charger.bays == 0)
            return ChargingSources(usb=usb, plugs=self.plugs, leads=self.leads, watts=self.watts)
        return self

    def fills_by_usb(self, type_: str) -> bool:
        """Whether anything could fill packs of a type over USB, by day."""
        return any(type_ in charger.types for charger in self.usb)


def charging_sources(gear: Mapping[str, Gear], counts: Mapping[str, int], mains: Mains | None) -> ChargingSources:
    """Sorts the loaded things into what charges, and what is of no use here.

    gear: by id. counts: pieces loaded by item id. mains: what comes out of the wall; None where nobody said.
    """
    plugs: Sequence[str] = mains.plugs if mains else ()
    things = [(gear[i], n) for i, n in counts.items()]
    burnt = {t.id for t, _ in things if isinstance(t, Link) and mains and t.volts_max and t.volts_max < mains.volts}
    links = _plugged_in([(t, n) for t, n in things if isinstance(t, Link) and t.id not in burnt], plugs)
    adapted = {port for link, _ in links for port in link.to_ports}
    leads = sum((len(link.to_ports) - 1) * n for link, n in links if all(len(p) == 1 for p in link.to_ports))
    packs = {t.battery_type for t, _ in things if isinstance(t, Battery) and t.rechargeable}
    found: dict[str, list[PackCharger]] = {"mains": [], "usb-c": [], "car": []}
    useless = [Useless(item=item, why="volts") for item in burnt]
    for charger, count in things:
        if not isinstance(charger, Charger):
            continue
        why = _why_useless(charger, mains, adapted, packs)
        if why:
            useless.append(Useless.model_validate({"item": charger.id, "why": why}))
        else:
            one = PackCharger(charger.id, charger.battery_types, charger.bays, charger.hours_per_charge)
            found[charger.input] += [one] * count
    watts = {t.id: t.charge_w or DEVICE_W[t.form] for t, _ in things if isinstance(t, Computer)}
    watts |= {t.id: LAMP_W for t, _ in things if isinstance(t, Light) or (isinstance(t, Other) and t.energy_wh)}
    watts |= {t.id: t.energy_wh / BODY_H for t, _ in things if isinstance(t, Body) and t.energy_wh}
    return ChargingSources(
        mains=tuple(found["mains"]),
        usb=(*found["usb-c"], *_cameras(things)),
        car=(*found["car"], *_on_inverters(things, found["mains"], gear)),
        plugs=tuple(_wall_plugs(links)),
        leads=leads,
        watts=watts,
        useless=tuple(useless),
    )


def _plugged_in(links: Sequence[tuple[Link, int]], plugs: Sequence[str]) -> list[tuple[Link, int]]:
    """The links that get into the wall: by themselves, or behind an adapter as completeness follows it."""
    found = [one for one in links if fits_wall(one[0].from_plug, plugs)]
    for _ in range(MOST_LINKS):
        shapes = {port for link, _ in found for port in link.to_ports}
        found += [
            one for one in links if one not in found and len(one[0].from_plug) == 1 and one[0].from_plug in shapes
        ]
    return found


def _wall_plugs(links: Sequence[tuple[Link, int]]) -> list[WallPlug]:
    return [
        WallPlug(link.id, usb, link.rating_w or PORT_W)
        for link, n in links
        if (usb := sum(port.startswith("USB") for port in link.to_ports))
        for _ in range(n)
    ]


def _on_inverters(
    things: Sequence[tuple[Gear, int]], chargers: Sequence[PackCharger], gear: Mapping[str, Gear]
) -> list[PackCharger]:
    """Chargers from home that stand on an inverter while a car or boat runs: one for each of its sockets."""
    sockets = [
        port
        for t, n in things
        if isinstance(t, Link) and t.from_plug in CAR_PLUGS
        for port in t.to_ports * n
        if len(port) == 1 or port == ANY_PLUG
    ]
    found = []
    for one in chargers:
        plug = getattr(gear[one.by], "plug", None)
        socket = next((s for s in sockets if plug is None or ANY_PLUG in (s, plug) or s == plug), None)
        if socket is not None:
            sockets.remove(socket)
            found.append(one)
    return found


def _cameras(things: Sequence[tuple[Gear, int]]) -> list[PackCharger]:
    return [
        PackCharger(b.id, (b.battery_type,), 0, BODY_H)
        for b, n in things
        if isinstance(b, Body) and b.usb_charging and b.battery_type
        for _ in range(n)
    ]


def _why_useless(charger: Charger, mains: Mains | None, adapted: set[str], packs: set[str]) -> str | None:
    if packs.isdisjoint(charger.battery_types):
        return "no-pack"
    if charger.input != "mains" or mains is None:
        return None
    low, high = charger.volts_min or 0.0, charger.volts_max or float("inf")
    if not low <= mains.volts <= high:
        return "volts"
    if charger.plug and not fits_wall(charger.plug, mains.plugs) and charger.plug not in adapted:
        return "plug"
    return None
