"""Tasks and places in words, for paper, tables and calendars."""

from collections.abc import Mapping

from mule.findings.said.gets import ToGet
from mule.findings.shopping import Wanted
from mule.packing import RoomUse
from mule.plan import Plan
from mule.trail.packout import OutLine, Task

_TASKS = {
    "charge": "Charge batteries and power banks",
    "devices": "Charge laptop, tablet, phones",
    "format": "Format cards, once their pictures are copied",
    "firmware": "Camera firmware: update now or leave it",
    "clock": "Set all camera clocks alike",
    "sensor": "Clean sensors",
    "permits": "Permits and local rules",
    "documents": "Documents and tickets",
    "medicine": "Medicine, glasses",
}


def task_head(task: Task, plan: Plan) -> str:
    """What is to be done: "Charge batteries and power banks", "Fetch Hand warmers"."""
    return f"Fetch {task_things(task, plan)}" if task.kind == "fetch" else _TASKS[task.kind]


def task_things(task: Task, plan: Plan) -> str:
    """The things a task is about, by name."""
    return ", ".join(plan.items[item].name for item in task.items)


# Thirds of a space along its three sides: up, across, out.
_THIRDS = (("low", "halfway up", "high"), ("left", "middle", "right"), ("at the back", "halfway out", "at the front"))


def spot_words(line: OutLine, rooms: Mapping[str, RoomUse]) -> str:
    """Where a line goes: "Main: low, left, at the back", "Lid pocket", "outside"; nothing for what is worn."""
    if line.outside:
        return "outside"
    room = rooms.get(line.room or "")
    if room is None:
        return ""
    if line.placed is None:
        return room.name
    middles = [at + size / 2 for at, size in zip(line.placed.at_mm, line.placed.size_mm, strict=True)]
    thirds = [min(2, int(3 * middle / whole)) for middle, whole in zip(middles, room.size_mm, strict=True)]
    spot = ", ".join(words[third] for words, third in zip(_THIRDS, thirds, strict=True))
    return spot if room.compartment is None else f"{room.name}: {spot}"


GET_WORDS: Mapping[str, str] = {
    "pack": "{label} battery",
    "charger": "charger for {label}",
    "usb-power": "USB wall charger",
    "card": "{label} card",
    "reader": "reader for {label}",
    "wall": "plug adapter for {label}",
    "head": "tripod head",
    "tripod": "tripod with a head",
    "cover": "rain cover",
    "plate": "{label} plate",
    "drive": "drive for copies",
    "power-bank": "power bank",
    "lens": "lens of {from_mm:.0f} to {to_mm:.0f} mm, f/{f_number:.1f}",
    "filter": "{thread_mm:.0f} mm {effect} filter",
    "bag": "cabin bag of {volume_l:.0f} l",
    "head-torch": "head torch",
    "light": "light",
    "sound": "microphone",
    "drone": "drone",
    "housing": "underwater housing",
    "remote": "remote release",
    "laptop": "small laptop",
    "lead": "lead with a {label} plug",
    "refill": "refill of {label}",
    "film": "roll of {label} film",
    "safety": "{label}",
}
_HOW = {"get": "buy, rent or borrow", "rent": "rent", "borrow": "borrow", "post": "in the post"}


def wanted_name(line: Wanted, plan: Plan) -> str:
    """What is to be got: a thing of the locker by its name, or something typical of its sort."""
    return _got_name(line.got) if line.got and line.item is None else plan.items[line.item or ""].name


def _got_name(got: ToGet) -> str:
    return GET_WORDS[got.what].format(**got.model_dump())


def wanted_how(line: Wanted) -> str:
    """In which way it comes."""
    return _HOW[line.how]


def clock_of(hours: float) -> str:
    """Hours as somebody says them: "1 h 20 min"."""
    whole, rest = divmod(round(hours * 60), 60)
    return " ".join([*([f"{whole} h"] if whole else []), *([f"{rest} min"] if rest or not whole else [])])
