"""What each thing offers to the others."""

from collections.abc import Iterable, Sequence

from mule.analysis.completeness.keys import Key, Offer, thread
from mule.plan.gear import (
    ANY_PLUG,
    MOST_LINKS,
    Battery,
    Body,
    Card,
    Charger,
    Computer,
    Drive,
    Drone,
    Filter,
    FilterHolder,
    Gear,
    Head,
    Lens,
    Light,
    Link,
    MountAdapter,
    Other,
    OtherSupport,
    Plate,
    PowerBank,
    Reader,
    Remote,
    Sound,
    StepRing,
    Tripod,
    fits_wall,
)

USB = "USB-C"


def offers_of(thing: Gear, walls: Sequence[str] = ()) -> list[Offer]:
    """What a thing gives when it is loaded. walls: plug shapes of the place."""
    found = [offer if isinstance(offer, Offer) else Offer(offer) for offer in _given(thing, walls)]
    return [*found, Offer(Key("plug", thing.charging_plug))] if thing.charging_plug else found


def _given(thing: Gear, walls: Sequence[str]) -> Iterable[Key | Offer]:
    match thing:
        case Body() | Lens() | MountAdapter():
            yield from _optics(thing)
        case Filter() | FilterHolder() | StepRing():
            yield from _filters(thing)
        case Battery() | Charger() | PowerBank() | Light() | Sound() | Remote() | Drone():
            yield from _power(thing)
        case Card() | Reader() | Drive() | Computer() | Link():
            yield from _media(thing, walls)
        case Tripod() | OtherSupport() | Head() | Plate():
            yield from _support(thing)
        case Other():
            yield from _other(thing)


def _optics(thing: Body | Lens | MountAdapter) -> Iterable[Key | Offer]:
    match thing:
        case Body():
            yield from _body(thing)
        case Lens():
            yield Key("glass", thing.mount)
            yield from (Key("names", converter) for converter in thing.takes_converters)
            if thing.thread_mm:
                yield Key("thread", thread(thing.thread_mm))
        case MountAdapter():
            yield Key("adapter", thing.id)
            yield Offer(Key("mount", thing.lens_mount, 1), Key("mount", thing.body_mount))
            yield Offer(Key("glass", thing.body_mount, 1), Key("glass", thing.lens_mount))


def _body(body: Body) -> Iterable[Key]:
    yield Key("body")
    if body.mount:
        yield Key("mount", body.mount)
    if body.fixed_lens and body.fixed_lens.thread_mm:
        yield Key("thread", thread(body.fixed_lens.thread_mm))
    if body.battery_type:
        yield Key("eats", body.battery_type)
    if body.film:
        yield Key("uses", body.film)
    yield from (Key("slot", slot.card_type) for slot in body.slots)
    yield from (Key("socket", socket) for socket in body.sockets)
    if body.sockets:
        yield Key("sockets-known")
    if body.usb_charging:
        yield Key("plug", USB)
        yield from (Key("read", slot.card_type) for slot in body.slots)
        if body.battery_type:
            yield Key("charge", body.battery_type)


def _filters(thing: Filter | FilterHolder | StepRing) -> Iterable[Key | Offer]:
    match thing:
        case Filter(thread_mm=mm, plate_width_mm=width):
            if mm:
                yield Key("wears", thread(mm))
            if width:
                yield Key("plates", thread(width))
        case FilterHolder():
            yield Key("wears", thread(thing.thread_mm))
            yield Key("holder", thread(thing.plate_width_mm))
        case StepRing(lens_thread_mm=low, filter_thread_mm=high):
            yield Key("wears", thread(low))
            # A step-down ring darkens corners and is refused (docs/domain/filters.md).
            if high > low:
                for links in range(1, MOST_LINKS + 1):
                    yield Offer(Key("thread", thread(high), links), Key("thread", thread(low), links - 1))


def _power(thing: Battery | Charger | PowerBank | Light | Sound | Remote | Drone) -> Iterable[Key]:
    match thing:
        case Battery():
            yield Key("pack", thing.battery_type)
            if thing.rechargeable:
                yield Key("rechargeable", thing.battery_type)
        case Charger():
            yield from (Key("charge", type_) for type_ in thing.battery_types)
            yield Key("plug", USB if thing.input == "usb-c" else thing.plug or "")
        case PowerBank():
            yield from (Key("usb-power"), Key("bank"), Key("plug", USB))
        case _:
            if thing.battery_type:
                yield Key("eats", thing.battery_type)
            if isinstance(thing, Remote):
                yield from (Key("trigger", trigger) for trigger in thing.triggers)
            if isinstance(thing, Drone):
                yield from (Key("slot", slot.card_type) for slot in thing.slots)
            if isinstance(thing, Sound) and thing.form == "microphone":
                yield Key("microphone")


def _media(thing: Card | Reader | Drive | Computer | Link, walls: Sequence[str]) -> Iterable[Key | Offer]:
    match thing:
        case Card():
            yield Key("card", thing.card_type)
        case Reader():
            yield from (Key("read", type_) for type_ in thing.card_types)
            yield Key("plug", thing.plug)
        case Drive():
            yield Key("plug", thing.plug)
        case Computer():
            yield Key("phone" if thing.form == "phone" else "computer")
            if thing.form == "tablet":
                yield Key("phone")
            for port in thing.ports:
                yield Key("port", port)
                yield Key("read", port)
            yield Key("plug", USB)
        case Link():
            yield from _link(thing, walls)


def _link(link: Link, walls: Sequence[str]) -> Iterable[Key | Offer]:
    yield Key("plug", link.from_plug)
    if fits_wall(link.from_plug, walls):
        yield from _from_wall(link)
        return
    if len(link.from_plug) == 1:
        # A lead or plug from home works behind an adapter.
        for links in range(1, MOST_LINKS + 1):
            through = Key("wall", link.from_plug, links - 1)
            yield from (
                Offer(key._replace(links=links if key.what == "wall" else 0), through) for key in _from_wall(link)
            )
        return
    if len(link.to_ports) == 1:
        yield Key("lead", link.to_ports[0])
    for port in set(link.to_ports):
        # A hub with card slots is a reader.
        yield Offer(Key("read", port), Key("port", link.from_plug))
        for links in range(1, MOST_LINKS + 1):
            yield Offer(Key("port", port, links), Key("port", link.from_plug, links - 1))


def _from_wall(link: Link) -> Iterable[Key]:
    """What a link gives when it is in the wall."""
    yield from (Key("wall", port) for port in dict.fromkeys(link.to_ports))
    if any(port.startswith("USB") for port in link.to_ports):
        yield Key("usb-power")


def _support(thing: Tripod | OtherSupport | Head | Plate) -> Iterable[Key]:
    match thing:
        case Tripod():
            yield from (Key("legs"), Key("steady"))
            if thing.head_included:
                yield Key("clamp-for", ANY_PLUG)
        case OtherSupport():
            yield Key("steady")
            if thing.form in ("monopod", "clamp", "flat-plate", "pole"):
                yield Key("legs")
        case Head():
            yield from (Key("head"), Key("clamp-for", thing.plate_type))
        case Plate():
            yield Key("plate", thing.plate_type)


def _other(thing: Other) -> Iterable[Key]:
    if thing.battery_type:
        yield Key("eats", thing.battery_type)
    if thing.eats:
        yield Key("uses", thing.eats)
    if thing.refill:
        yield Key("refill", thing.refill)
