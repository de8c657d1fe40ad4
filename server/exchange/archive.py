"""All of an account in one file, and back: a zip of open files that can be read without this app.

In it: ``archive.json`` (what it is, when, preferences), ``README.txt``, ``locker.json`` and ``locker.csv``,
``carriers.json``, ``pictures`` of things, and for each trip a plan file with its kits, what was noted and what pictures
said, beside a file of undo steps, and where everything was packed.
"""

import io
import json
import zipfile
from collections.abc import Callable, Iterator, Mapping
from dataclasses import asdict, dataclass, field
from typing import Any

from django.contrib.auth.models import User
from django.utils import timezone
from pydantic import TypeAdapter, ValidationError

from mule.base.errors import InvalidInput, Problem, invalid, shorten
from mule.packing import Stowage
from mule.plan import MAX_BYTES, Plan, read, write
from mule.plan.carriers import Carrier as CarrierValue
from mule.plan.gear import Gear
from mule.plan.kit import Kit as KitValue
from server.accounts.services import preferences
from server.exchange.lists import locker_rows
from server.exchange.services import Ids, bring_in, export_plan, store_plan
from server.kernel.documents import writing
from server.kernel.tables import as_csv
from server.library.carriers.services import carriers as carrier_rows
from server.library.carriers.services import value_of as carrier_of
from server.library.locker.convert import locker_of
from server.library.locker.pictures import is_small_picture, pictures_of, put_pictures
from server.trips.convert import entries_of
from server.trips.models import Kit, KitPacking, KitStep, Trip

FORMAT, VERSION = "narrow-mule-archive", 1
# What is read of an archive: so many files, none and all together larger than this when unpacked.
MOST_FILES, MOST_BYTES, MOST_ZIPPED = 4_000, 400_000_000, 100_000_000
_GEAR = TypeAdapter(tuple[Gear, ...])
_CARRIERS = TypeAdapter(tuple[CarrierValue, ...])
_README = """Narrow Mule: everything in the account "{name}", exported on {day}.

locker.json, locker.csv   {things} items with every field; the table opens in any spreadsheet
carriers.json             {carriers} carriers with their rules
pictures/*.webp           {pictures} pictures of items, by their names in locker.json
trips/*.plan.json         {trips} trips: each a plan file with its kits, marks and picture frames
trips/*.memory.json       undo steps, and where everything was packed
archive.json              format, version and preferences

Restore it under Settings, or with: manage.py restore_account NAME FILE
"""


def archive_of(owner: User) -> bytes:
    """The archive of an account."""
    held = io.BytesIO()
    gear = locker_of(owner)
    carriers = tuple(map(carrier_of, carrier_rows(owner)))
    trips = list(Trip.objects.filter(owner=owner))
    taste = preferences(owner)
    head = {
        "format": FORMAT,
        "version": VERSION,
        "made": timezone.now().isoformat(timespec="seconds"),
        "preferences": {"units": taste.units, "theme": taste.theme},
    }
    with zipfile.ZipFile(held, "w", zipfile.ZIP_DEFLATED, compresslevel=4) as out:
        pictures = pictures_of(owner, (thing.picture for thing in gear if thing.picture))
        counts = {"pictures": len(pictures), "things": len(gear), "carriers": len(carriers), "trips": len(trips)}
        day = timezone.now().date().isoformat()
        out.writestr("README.txt", _README.format(name=owner.get_username(), day=day, **counts))
        out.writestr("archive.json", json.dumps(head, indent=1))
        out.writestr("locker.json", _GEAR.dump_json(gear, indent=1))
        out.writestr("locker.csv", as_csv(*locker_rows(gear)))
        out.writestr("carriers.json", _CARRIERS.dump_json(carriers, indent=1))
        for name, image in pictures.items():
            # Packed as they are: there is nothing left to be squeezed.
            out.writestr(f"pictures/{name}.webp", image, zipfile.ZIP_STORED)
        for number, trip in enumerate(trips, 1):
            kit = trip.kits.filter(slug=trip.open_kit).first() or trip.kits.first()
            if kit is None:
                continue
            name = f"trips/{number:03}-{trip.slug}"
            out.writestr(f"{name}.plan.json", write(export_plan(kit)))
            out.writestr(f"{name}.memory.json", json.dumps(_memory_of(trip)))
    return held.getvalue()


def _memory_of(trip: Trip) -> dict[str, Any]:
    kits = {}
    for kit in trip.kits.all():
        steps = [{"number": s.number, "before": s.before, "after": s.after} for s in kit.steps.all()]
        lain = [{"loadout": p.loadout, "asked": p.asked, "stowage": p.stowage} for p in kit.packings.all()]
        kits[kit.slug] = {"at_step": kit.at_step, "steps": steps, "packings": lain}
    return {"kits": kits}


@dataclass
class Restored:
    """What came back. new: added here; same: was here already, as it is in the archive; renamed: came in under another
    name or id because another of its own is here.
    """

    things: dict[str, int] = field(default_factory=lambda: {"new": 0, "same": 0, "renamed": 0})
    carriers: dict[str, int] = field(default_factory=lambda: {"new": 0, "same": 0, "renamed": 0})
    trips: dict[str, int] = field(default_factory=lambda: {"new": 0, "same": 0, "renamed": 0})
    preferences: bool = False

    def told(self) -> dict[str, Any]:
        """As plain values."""
        return asdict(self)


def restore(owner: User, raw: bytes) -> Restored:
    """Puts an archive into an account: everything, or nothing at all. Raises InvalidInput, naming the file inside.

    Into an empty account it comes back as it was. Into a full one: what is the same is used, what differs is added
    under a free id, no trip is written over; preferences are taken over only where nothing else was here.
    """
    with _opened(raw) as archive:
        head = _json(archive, "archive.json")
        if not isinstance(head, dict) or head.get("format") != FORMAT:
            raise _no_archive("archive.json", "missing: this is no Narrow Mule export")
        if head.get("version") != VERSION:
            raise _no_archive("archive.json", f"this app reads version {VERSION}")
        gear = _values(archive, "locker.json", _GEAR)
        carriers = _values(archive, "carriers.json", _CARRIERS)
        told = Restored()
        with writing(owner):
            empty = not (Trip.objects.filter(owner=owner).exists() or locker_of(owner))
            put_pictures(owner, _pictures(archive))
            ids = bring_in(owner, gear, carriers)
            _count(told.things, ids.gear, ids.new)
            _count(told.carriers, ids.carriers, ids.new_carriers)
            for name, plan in _plans(archive):
                memory = _json(archive, name.replace(".plan.json", ".memory.json"), missing={"kits": {}})
                _restore_trip(owner, plan, memory, ids, told)
            if empty:
                told.preferences = _restore_taste(owner, head.get("preferences"))
    return told


def _restore_trip(owner: User, plan: Plan, memory: Any, ids: Ids, told: Restored) -> None:
    there = Trip.objects.filter(owner=owner, slug=plan.trip.id).first()
    kit = there and (there.kits.filter(slug=plan.open_kit).first())
    if kit and export_plan(kit) == plan:
        told.trips["same"] += 1
        return
    # What others lent to it is in no locker of the archive: it comes in with the trip, marked as theirs.
    lent = [thing for thing in plan.gear if thing.id not in ids.gear]
    if lent:
        ids.gear.update(bring_in(owner, lent, ()).gear)
    trip = store_plan(owner, plan, ids)
    told.trips["renamed" if trip.slug != plan.trip.id else "new"] += 1
    kept = all(ids.gear.get(entry.item) == entry.item for kit in plan.kits for entry in kit.entries)
    kits = memory.get("kits", {}) if isinstance(memory, dict) else {}
    # Steps and layouts name things by the ids they had.
    for row in trip.kits.all() if kept else ():
        _restore_memory(row, kits.get(row.slug, {}))


def _restore_memory(kit: Kit, memory: Mapping[str, Any]) -> None:
    try:
        steps = [
            KitStep(kit=kit, number=int(s["number"]), before=_entries(s["before"]), after=_entries(s["after"]))
            for s in memory["steps"]
        ]
        lain = [
            KitPacking(kit=kit, loadout=str(p["loadout"]), asked=str(p["asked"]), stowage=_stowage(p["stowage"]))
            for p in memory["packings"]
        ]
        at_step = int(memory["at_step"])
    except (KeyError, TypeError, ValueError):
        # Without it nothing is missing but what could be undone.
        return
    KitStep.objects.bulk_create(steps)
    KitPacking.objects.bulk_create(lain)
    kit.at_step = at_step
    kit.save(update_fields=["at_step"])


def _entries(told: Any) -> Any:
    return entries_of(KitValue.model_validate({"id": "a", "name": "a", "entries": told}))


def _stowage(told: str) -> str:
    return Stowage.model_validate_json(told).model_dump_json()


def _restore_taste(owner: User, told: Any) -> bool:
    if not isinstance(told, dict) or told.get("units") not in ("metric", "imperial"):
        return False
    taste = preferences(owner)
    taste.units = told["units"]
    taste.theme = told["theme"] if told.get("theme") in ("day", "night", "red") else taste.theme
    taste.save()
    return True


def _count(told: dict[str, int], ids: Mapping[str, str], new: set[str]) -> None:
    for id_, here in ids.items():
        told["same" if id_ not in new else "renamed" if here != id_ else "new"] += 1


def _no_archive(where: str, rule: str) -> InvalidInput:
    return InvalidInput([Problem(where, "", rule)])


def _opened(raw: bytes) -> zipfile.ZipFile:
    if len(raw) > MOST_ZIPPED:
        raise InvalidInput([Problem("file", f"{len(raw):,} bytes", f"at most {MOST_ZIPPED:,} bytes")])
    try:
        archive = zipfile.ZipFile(io.BytesIO(raw))
    except (zipfile.BadZipFile, ValueError, NotImplementedError) as error:
        raise _no_archive("file", "must be a complete zip file, as exported") from error
    inside = archive.infolist()
    if len(inside) > MOST_FILES or sum(one.file_size for one in inside) > MOST_BYTES:
        raise _no_archive("file", f"at most {MOST_FILES:,} files of {MOST_BYTES:,} bytes in all")
    return archive


def _bytes(archive: zipfile.ZipFile, name: str) -> bytes:
    try:
        with archive.open(name) as file:
            # What a zip says of its own sizes is not believed.
            raw = file.read(MAX_BYTES + 1)
    except KeyError as error:
        raise _no_archive(shorten(name), "missing from the export") from error
    except (zipfile.BadZipFile, RuntimeError, OSError, EOFError, ValueError, NotImplementedError) as error:
        raise _no_archive(shorten(name), "must be a complete file, as exported") from error
    if len(raw) > MAX_BYTES:
        raise _no_archive(shorten(name), f"at most {MAX_BYTES:,} bytes")
    return raw


def _json(archive: zipfile.ZipFile, name: str, missing: Any = None) -> Any:
    if missing is not None and name not in archive.namelist():
        return missing
    try:
        return json.loads(_bytes(archive, name))
    except (ValueError, RecursionError) as error:
        raise _no_archive(shorten(name), "must be a complete JSON document") from error


def _values(archive: zipfile.ZipFile, name: str, shape: TypeAdapter[Any]) -> Any:
    raw = _bytes(archive, name)
    return _placed(name, lambda: shape.validate_json(raw))


def _plans(archive: zipfile.ZipFile) -> Iterator[tuple[str, Plan]]:
    for name in sorted(n for n in archive.namelist() if n.startswith("trips/") and n.endswith(".plan.json")):
        raw = _bytes(archive, name)
        yield name, _placed(name, lambda raw=raw: read(raw))  # type: ignore[misc]


def _pictures(archive: zipfile.ZipFile) -> dict[str, bytes]:
    found = {}
    for path in archive.namelist():
        if path.startswith("pictures/") and path.endswith(".webp"):
            name = path.removeprefix("pictures/").removesuffix(".webp")
            found[name] = _bytes(archive, path)
            if not is_small_picture(name, found[name]):
                raise _no_archive(shorten(path), "must be a picture, as exported")
    return found


def _placed(name: str, make: Callable[[], Any]) -> Any:
    """What is made of a file; what is wrong with it is told with the file's name."""
    try:
        return make()
    except ValidationError as error:
        problems = invalid(error).problems
    except InvalidInput as error:
        problems = error.problems
    raise InvalidInput([Problem(f"{shorten(name)}: {p.field}", p.value, p.rule) for p in problems])
