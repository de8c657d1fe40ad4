"""Gear as people write it in a message: "24-70 2.8, 2 bodies 24 mp, 4 packs, sd 128 x4".

A text falls into things at line ends, commas and semicolons. Each is held against a table of typical things: by its
words, by the figure that sorts its kind (MP, GB, Wh, litres, a thread), for a lens by focal lengths and f-number.
What could be two things equally well is decided by the cameras that are there: packs that fit them, cards for their
slots, lenses of their mount. What is not understood says so; nothing is guessed from nothing.
"""

import re
from collections.abc import Container, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from difflib import get_close_matches
from functools import lru_cache
from math import log, log2

from mule.intake.typed_words import FIGURES, KIND_WORDS, SAME
from mule.plan.gear import GEAR, Body, Gear, Lens, Source, words_of

MOST_LINES = 300
_LIKES = 6
# Below this much in common, a typical thing is no more than a guess.
_ENOUGH = 1.0

# Kinds whose figure may be another than the typical thing's: nothing else about them changes with it.
_TOLD = ("body", "card", "drive", "battery", "power-bank")
_UNITS = r"mp|gb|tb|wh|mah|mm|w|l|x|stops?"
# What only says more of the thing before it.
_ADDS = re.compile(rf"(?:f/?)?\d+(?:\.\d+)?\s*(?:{_UNITS}|inch|g|kg)|fast|plain|[x×]\s*\d+", re.IGNORECASE)
_NUMBER = re.compile(rf"(?<![\w.])(\d+(?:\.\d+)?)\s*({_UNITS})?(?![\w.])", re.IGNORECASE)
_MASS = re.compile(r"(?<![\w.])(\d+(?:\.\d+)?)\s*(kg|g)\b", re.IGNORECASE)
_COUNT = re.compile(
    r"^(\d{1,2})\s*[x×]\s*(?=\D|\d)|\s*[x×]\s*(\d{1,2})$|\s*\((\d{1,2})\)$|^(\d{1,2})\s+(?=[a-z])", re.IGNORECASE
)
_GLASS = re.compile(
    r"(?<![\w.])(\d{1,4}(?:\.\d)?)(?:\s*-\s*(\d{1,4}))?\s*(mm)?"
    r"(?:[\s/]*(?:(f)\s*/?\s*)?(?<!\d)(\d{1,2}(?:\.\d{1,2})?)(?:\s*-\s*(\d{1,2}(?:\.\d)?))?)?(?![\w.])",
    re.IGNORECASE,
)


@dataclass(frozen=True)
class Understood:
    """One thing of a text. typed: what stood there. count: pieces. thing: as it would come into the locker, with the
    id "new"; None where nothing typical is near. likes: ids of typical things it could be, nearest first.
    """

    typed: str
    count: int
    thing: Gear | None
    likes: tuple[str, ...]


def glass_of(text: str, *, lens: bool = True) -> dict[str, float]:
    """Focal lengths in mm and f-numbers that a text says: "24-70 f/2.8", "40mm F2", "100-400", "50 1.4".

    lens: the text is known to be about a lens, so that one bare number ("a 35") counts. Empty when it says none.
    """
    for found in _GLASS.finditer(_plain(text)):
        low, high, mm, f, fast, slow = found.groups()
        if float(low) < 4 or (high and float(high) <= float(low)):
            continue
        if fast and not f and (not 0.7 <= float(fast) <= 22 or (not high and not mm and "." not in fast)):
            fast = None
        if not (high or mm or f or (fast and "." in fast) or lens):
            continue
        glass = {"focal_min_mm": float(low), "focal_max_mm": float(high or low)}
        if fast:
            glass |= {"f_at_min": float(fast), "f_at_max": float(slow or fast)}
        return glass
    return {}


def unlike(lens: Lens, glass: Mapping[str, float]) -> float:
    """How far a lens is from what a name says, in octaves of focal length and stops of light (log2 of f squared)."""
    return sum(abs(log2(getattr(lens, field) / value)) for field, value in glass.items() if value > 0)


def understand(
    text: str, table: Sequence[Gear], owned: Iterable[Gear] = (), picks: Mapping[str, str] | None = None
) -> list[Understood]:
    """The things that a text names, at most MOST_LINES, in its order.

    table: typical things. owned: what is there already; its cameras decide between packs, cards and mounts.
    picks: typed line -> id of the typical thing that it is, where somebody said so.
    """
    lines = _lines(text, {_name(thing) for thing in table})
    weights = _weights(table)
    bodies = [thing for thing in owned if isinstance(thing, Body)]
    # Cameras first: the text may name its packs before them.
    for line in lines:
        made = _one(line, table, weights, bodies)
        if isinstance(made.thing, Body):
            bodies = [*bodies, made.thing]
    found = [_one(line, table, weights, bodies) for line in lines]
    by_id = {thing.id: thing for thing in table}
    return [_picked(one, by_id.get((picks or {}).get(one.typed, ""))) for one in found]


def _lines(text: str, names: Container[str]) -> list[str]:
    """One thing each: "SD card, 128 GB, fast; hat" is two, for a figure alone belongs to what stood before, and so
    does what makes a name of the table whole.
    """
    found: list[str] = []
    for row in re.split(r"[\n\r;]+", text):
        parts = [part.strip(" -•*·.–") for part in re.split(r",(?!\d)", row.replace("\t", " "))]
        parts, begun = [part for part in parts if part], len(found)
        while parts:
            ends = range(len(parts), 1, -1)
            whole = next((end for end in ends if _plain(", ".join(parts[:end])).lower() in names), 1)
            line, parts = ", ".join(parts[:whole]), parts[whole:]
            named = len(found) > begun and any(map(str.isalpha, found[-1]))
            if named and (_ADDS.fullmatch(line) or line.isdecimal()):
                found[-1] += f", {line}"
            else:
                found.append(line[:200])
    return found[:MOST_LINES]


def _picked(one: Understood, like: Gear | None) -> Understood:
    if like is None:
        return one
    return replace(one, thing=as_typed(one.typed, like, one.count), likes=tuple(dict.fromkeys([like.id, *one.likes])))


def as_typed(line: str, like: Gear, count: int = 1) -> Gear:
    """A thing like a typical one with what the line says otherwise: its figure, its glass, its mass, its own name."""
    rest, _, mass = _parts(line)
    plain = rest.lower()
    spec = like.model_dump() | {"id": "new", "count": count}
    name = like.name
    if isinstance(like, Lens) and (glass := glass_of(plain)):
        spec |= glass
        if unlike(like, glass) > 0:
            name = _lens_name(glass, spec)
    told = next(iter(_figures(plain, like.kind)), None)
    field = FIGURES[like.kind][0] if like.kind in FIGURES else ""
    was = spec.get(field)
    if told and was and like.kind in _TOLD and told != was:
        spec[field] = told
        name = re.sub(rf"\b{was:g}\b", f"{told:g}", name)
    if _own_words(plain, like):
        name = rest[:80]
    if mass:
        spec |= {"mass_g": mass, "mass_source": Source.STATED}
    return GEAR.validate_python(spec | {"name": name})


def _one(line: str, table: Sequence[Gear], weights: Mapping[str, float], bodies: Sequence[Body]) -> Understood:
    rest, count, mass = _parts(line)
    plain = rest.lower()
    words = _words(plain, weights)
    hint = next((kind for word, kind in KIND_WORDS.items() if word in words), None)
    glass = glass_of(plain, lens=hint == "lens") if hint in (None, "lens") and not _unit_kind(plain) else {}
    # A bare number says nothing.
    named = bool(words - _numbers(words)) or _unit_kind(plain) is not None
    scored = []
    for place, thing in enumerate(table):
        if glass and not (words - _numbers(words) - {"mm", "f"}) and not isinstance(thing, Lens):
            continue
        score = sum(weights[word] for word in words & _of(thing))
        if isinstance(thing, Lens) and glass:
            score += 6 - 2 * unlike(thing, glass)
        elif named and (told := _figures(plain, thing.kind)) and (has := getattr(thing, FIGURES[thing.kind][0], None)):
            score += 1 - 2 * min(abs(log2(figure / has)) for figure in told)
        if plain == _name(thing):
            score += 20
        if hint == thing.kind or _unit_kind(plain) == thing.kind:
            score += 3
        if score > 0 and mass:
            score -= 0.5 * abs(log2(mass / thing.mass_g))
        if score > 0:
            # What is kept for need comes last where it is not asked for by name.
            score += (
                _fits(thing, bodies) - 0.1 * (thing.kind == "safety") - 0.004 * len(_of(thing) - words) - 0.0005 * place
            )
        scored.append((-score, place, thing))
    near = [thing for score, _, thing in sorted(scored, key=lambda s: s[:2]) if -score >= _ENOUGH][:_LIKES]
    made = as_typed(line, near[0], count) if near else None
    return Understood(typed=line, count=count, thing=made, likes=tuple(like.id for like in near))


def _name(thing: Gear) -> str:
    return _plain(thing.name).lower().rstrip(".").replace(".,", ",")


def _plain(text: str) -> str:
    """With one kind of dash, and "1,8" as 1.8 where people write decimals so."""
    text = re.sub(r"[\u2010-\u2015\u2212]", "-", text)
    return re.sub(r"(\d),(\d)", r"\1.\2", text)


def _parts(line: str) -> tuple[str, int, float | None]:
    """The line without its count and mass, the count, the mass in g."""
    rest, count = _plain(line).strip(), 1
    mass = _MASS.search(rest)
    if mass:
        rest = (rest[: mass.start()] + rest[mass.end() :]).strip(" -()")
    found = _COUNT.search(rest)
    if found and not re.match(rf"^\d+\s+(?:{_UNITS})\b", rest[found.start() :], re.IGNORECASE):
        told = int(next(g for g in found.groups() if g))
        without = (rest[: found.start()] + rest[found.end() :]).strip()
        # "100 macro" and "25 backpack" are a lens and a bag: so many is nobody's count. "2x converter" is one.
        if without and told and not (found[4] and told >= 10) and "converter" not in without.lower():
            rest, count = without, told
    grams = float(mass[1]) * (1000 if mass[2].lower() == "kg" else 1) if mass else None
    return rest, count, grams or None


def _stem(word: str) -> str:
    """A word as one of a kind: bodies, lenses and packs are body, lens and pack."""
    if len(word) < 4 or not word.endswith("s") or word.endswith(("ss", "ens")):
        return word
    return re.sub(r"(ie|(?<=sh)e|(?<=ch)e|(?<=ns)e|)s$", lambda end: "y" if end[1] == "ie" else "", word)


def _stems(text: str) -> frozenset[str]:
    """Words and numbers of a text, each in the table's spelling: one of a kind, what people say for what it says."""
    stems = map(_stem, words_of(re.sub(r"[^\w\s.]", " ", text)))
    return frozenset(word for stem in stems for word in SAME.get(stem, stem).split())


def _words(plain: str, weights: Mapping[str, float]) -> frozenset[str]:
    """Words of a line that tell something; what is spelt nearly as a word of the table is that word."""
    found: set[str] = set()
    for word in _stems(plain):
        known = word in weights or word in KIND_WORDS or len(word) < 5
        found.update([word] if known else get_close_matches(word, weights, 1, 0.82))
    return frozenset(word for word in found if word in weights or word in KIND_WORDS)


def _own_words(plain: str, like: Gear) -> bool:
    """Whether a line has a word that the typical thing's name knows nothing of: a name of its own."""
    knows = [*_of(like), *KIND_WORDS, "zoom", "frame", "mah"]
    told = [word for word in _stems(plain) if word.isalpha() and len(word) > 2]
    return any(word not in knows and not get_close_matches(word, knows, 1, 0.82) for word in told)


def _of(thing: Gear) -> frozenset[str]:
    return _named(f"{thing.name} {thing.kind}")


@lru_cache(4096)
def _named(text: str) -> frozenset[str]:
    return _stems(text)


def _numbers(words: Iterable[str]) -> frozenset[str]:
    return frozenset(word for word in words if not word.isalpha())


def _weights(table: Sequence[Gear]) -> dict[str, float]:
    """How much a word tells: the rarer, the more. Figures are told by their fields."""
    seen: dict[str, int] = {}
    for thing in table:
        for word in _of(thing):
            seen[word] = seen.get(word, 0) + 1
    few = len(table) + 1
    return {word: log(few / n) / 2 if word.isalpha() and len(word) > 1 else 0.3 for word, n in seen.items()}


def _unit_kind(plain: str) -> str | None:
    found = next((m[2] for m in _NUMBER.finditer(plain) if m[2] in ("mp", "gb", "mah")), None)
    return {"mp": "body", "gb": "card", "mah": "power-bank"}.get(found or "")


def _figures(plain: str, kind: str) -> list[float]:
    """Figures of a line that may be the one of a kind, in the units of its field: with their unit first."""
    if kind not in FIGURES:
        return []
    units = FIGURES[kind][1]
    found = [(m[2] or "", float(m[1])) for m in _NUMBER.finditer(plain)]
    told = [value * units[unit] for unit, value in found if unit and unit in units]
    return [
        figure for figure in told or [value * units[""] for unit, value in found if not unit and "" in units] if figure
    ]


def _fits(thing: Gear, bodies: Sequence[Body]) -> float:
    """What speaks for a typical thing: it goes with a camera that is there."""
    wants = {body.battery_type for body in bodies}
    if thing.kind == "battery":
        return 0.9 * (thing.battery_type in wants)
    if thing.kind == "charger":
        return 0.9 * bool(wants & set(thing.battery_types))
    if thing.kind == "card":
        return 0.9 * any(slot.card_type == thing.card_type for body in bodies for slot in body.slots)
    if isinstance(thing, Lens):
        mounted = [body for body in bodies if body.mount == thing.mount]
        wide = max((body.sensor_width_mm for body in mounted), default=0)
        return 0.9 * bool(mounted) - 0.6 * (wide > thing.image_circle_mm)
    return 0.0


def _lens_name(glass: Mapping[str, float], spec: Mapping[str, float]) -> str:
    low, high = glass["focal_min_mm"], glass["focal_max_mm"]
    fast, slow = spec["f_at_min"], spec["f_at_max"]
    reach = f"{low:g}" if low == high else f"{low:g}–{high:g}"
    return f"{reach} f/{fast:g}" + (f"–{slow:g}" if slow != fast else "")
