"""What each thing needs from the others: to work (a link), and to be of use (a purpose)."""

from collections.abc import Iterable, Sequence

from mule.analysis.completeness.keys import Key, Need, thread, up_to
from mule.plan.gear import (
    ANY_PLUG,
    Battery,
    Body,
    Card,
    Charger,
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
    Reader,
    Remote,
    Sound,
    StepRing,
    Teleconverter,
    Tripod,
    fits_wall,
)

_COMPUTER = Key("computer")


def needs_of(thing: Gear, walls: Sequence[str] = (), *, nights: bool = True) -> list[Need]:
    """What a thing needs when it is loaded. walls: plug shapes of the place; nights: whether packs are charged."""
    found = list(_by_kind(thing, walls, nights=nights))
    if thing.needs:
        found.append(_link("thing", thing.needs[0], *(Key("thing", item) for item in thing.needs)))
    if thing.charging_plug and nights:
        found.append(_link("lead", thing.charging_plug, Key("lead", thing.charging_plug)))
    return found


def _by_kind(thing: Gear, walls: Sequence[str], *, nights: bool) -> Iterable[Need]:
    match thing:
        case Body() | Lens() | Teleconverter() | MountAdapter():
            return _optics(thing)
        case Filter() | FilterHolder() | StepRing():
            return _filters(thing)
        case Battery() | Charger():
            return _power(thing, walls, nights=nights)
        case Card() | Reader() | Drive() | Link():
            return _media(thing, walls)
        case Tripod() | OtherSupport() | Head() | Plate():
            return _support(thing)
        case Light() | Sound() | Remote() | Drone():
            return _extras(thing)
        case Other():
            return _other(thing)
        case _:
            return ()


def _link(what: str, label: str, *keys: Key, when: Key | None = None) -> Need:
    return Need("link", what, label, keys, when)


def _purpose(what: str, label: str, *keys: Key, when: Key | None = None) -> Need:
    return Need("purpose", what, label, keys, when)


def _optics(thing: Body | Lens | Teleconverter | MountAdapter) -> Iterable[Need]:
    match thing:
        case Body():
            if thing.mount:
                yield _purpose("lens", thing.mount, *up_to("glass", thing.mount, 1))
            if thing.battery_type:
                yield _link("pack", thing.battery_type, Key("pack", thing.battery_type))
            if thing.film:
                yield _link("film", thing.film, Key("refill", thing.film))
            if thing.slots:
                types = tuple(dict.fromkeys(slot.card_type for slot in thing.slots))
                yield _link("card", " or ".join(types), *(Key("card", type_) for type_ in types))
        case Lens():
            yield _purpose("body", thing.mount, *up_to("mount", thing.mount, 1))
        case Teleconverter():
            yield _purpose("lens", "", Key("names", thing.id))
        case MountAdapter():
            yield _purpose("body", thing.body_mount, Key("mount", thing.body_mount))
            yield _purpose("lens", thing.lens_mount, Key("glass", thing.lens_mount))


def _filters(thing: Filter | FilterHolder | StepRing) -> Iterable[Need]:
    match thing:
        case Filter(thread_mm=mm, plate_width_mm=width, adapter=adapter, body=body):
            if mm:
                yield _purpose("thread", thread(mm), *up_to("thread", thread(mm)))
            if width:
                yield _link("holder", thread(width), Key("holder", thread(width)))
            if adapter:
                yield _purpose("adapter", adapter, Key("adapter", adapter))
            if body:
                yield _purpose("thing", body, Key("thing", body))
        case FilterHolder():
            yield _purpose("thread", thread(thing.thread_mm), *up_to("thread", thread(thing.thread_mm)))
            yield _purpose("plate-filter", thread(thing.plate_width_mm), Key("plates", thread(thing.plate_width_mm)))
        case StepRing(lens_thread_mm=low, filter_thread_mm=high):
            if high <= low:
                yield _purpose("step-up", thread(low))
                return
            yield _purpose("thread", thread(low), *up_to("thread", thread(low), 1))
            yield _purpose("filter", thread(high), Key("wears", thread(high)))


def _power(thing: Battery | Charger, walls: Sequence[str], *, nights: bool) -> Iterable[Need]:
    match thing:
        case Battery(battery_type=type_):
            yield _purpose("eater", type_, Key("eats", type_))
            if thing.rechargeable and nights:
                yield _link("charger", type_, Key("charge", type_))
        case Charger():
            types = thing.battery_types
            yield _purpose("pack", " or ".join(types), *(Key("rechargeable", type_) for type_ in types))
            if thing.input == "usb-c":
                yield _link("usb-power", "", Key("usb-power"))
            elif thing.input == "mains" and thing.plug and walls and not fits_wall(thing.plug, walls):
                yield _link("wall", thing.plug, *up_to("wall", thing.plug))


def _media(thing: Card | Reader | Drive | Link, walls: Sequence[str]) -> Iterable[Need]:
    match thing:
        case Card(card_type=type_):
            yield _purpose("slot", type_, Key("slot", type_))
            # Cards are read out where there is something to copy to.
            yield _link("reader", type_, Key("read", type_), when=_COMPUTER)
        case Reader():
            yield _purpose("card", " or ".join(thing.card_types), *(Key("card", type_) for type_ in thing.card_types))
            yield _link("port", thing.plug, *up_to("port", thing.plug))
        case Drive():
            yield _link("port", thing.plug, *up_to("port", thing.plug))
        case Link():
            ports = tuple(dict.fromkeys(thing.to_ports))
            yield _purpose("plug", " or ".join(ports), *(Key("plug", port) for port in ports))
            if walls and len(thing.from_plug) == 1 and not fits_wall(thing.from_plug, walls):
                yield _link("wall", thing.from_plug, *up_to("wall", thing.from_plug))


def needs_head(thing: Tripod | OtherSupport) -> bool:
    """Whether a head has to go on it: on legs without one, and on a flat plate, which is legs and nothing else."""
    return not thing.head_included if isinstance(thing, Tripod) else thing.form == "flat-plate"


def _support(thing: Tripod | OtherSupport | Head | Plate) -> Iterable[Need]:
    match thing:
        case Tripod() | OtherSupport():
            if needs_head(thing):
                yield _link("head", "", Key("head"))
        case Head():
            yield _purpose("legs", "", Key("legs"))
            yield _link("plate", thing.plate_type, Key("plate", thing.plate_type))
        case Plate(plate_type=type_):
            yield _purpose("head", type_, Key("clamp-for", type_), Key("clamp-for", ANY_PLUG))


def _extras(thing: Light | Sound | Remote | Drone) -> Iterable[Need]:
    if thing.battery_type:
        yield _link("pack", thing.battery_type, Key("pack", thing.battery_type))
    match thing:
        case Light(trigger=str() as trigger):
            yield _link("trigger", trigger, Key("trigger", trigger))
        case Sound(form="wind-cover"):
            yield _purpose("microphone", "", Key("microphone"))
        case Remote(socket=socket) if socket != "radio":
            yield _purpose("socket", socket, Key("socket", socket), when=Key("sockets-known"))
        case Drone(needs_phone=True):
            yield _link("phone", "", Key("phone"))


def _other(thing: Other) -> Iterable[Need]:
    """What a thing of no kind of its own needs: cells, a bank, what it uses up, and for a refill what uses it up."""
    if thing.battery_type:
        yield _link("pack", thing.battery_type, Key("pack", thing.battery_type))
    if thing.draws_w:
        yield _link("bank", "", Key("bank"))
    if thing.eats and not thing.bought_there:
        yield _link("refill", thing.eats, Key("refill", thing.eats))
    if thing.refill:
        yield _purpose("user", thing.refill, Key("uses", thing.refill))
    if thing.solar_w:
        yield _purpose("bank", "", Key("bank"))
