"""Wants as people say them: "milky way, waterfalls, birds", or with figures, "ruins 24-70 f/4"."""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from difflib import get_close_matches

from mule.intake.typed import glass_of
from mule.plan.trip.sets import SETS
from mule.plan.trip.wants import AidWish, EffectWish, SubjectTest, Trait, TraitWish, Want, free_want_id

MOST_WANTS = 30
_AUTOFOCUS = (TraitWish(trait=Trait.AUTOFOCUS, essential=True),)
_MACRO = (TraitWish(trait=Trait.MACRO),)


def _want(id_: str, low: float, high: float, **more: object) -> Want:
    spec = {"id": id_, "name": id_, "focal_min_mm": low, "focal_max_mm": high, "megapixels": 16, **more}
    return Want.model_validate(spec)


def _far(id_: str, size_m: float, near_m: float, far_m: float, share: float = 0.5) -> Want:
    subject = SubjectTest(size_m=size_m, near_m=near_m, far_m=far_m, share=share)
    low, high = subject.focal_mm()
    return _want(id_, low, high, max_f_number=6.3, megapixels=12, traits=_AUTOFOCUS, subject=subject)


_READY = {want.id: want for ready in SETS for want in ready.wants}
_STILL = {"static_subject": True, "steady": True}
_DARK = {"max_f_number": 2.8, "light": "equivalent", "steady": True}
# Words that name a subject -> where most people begin with it (estimates, as in the ready-made sets).
_SUBJECTS: tuple[tuple[str, Want], ...] = (
    ("milky way stars night sky astro nightscape", _READY["stars"]),
    ("aurora northern lights", _want("aurora", 14, 24, **_DARK)),
    ("moon", _READY["moon"]),
    ("waterfall cascade stream creek long exposure slow water", _READY["slow-water"]),
    ("bird songbird small birds", _READY["small-birds"]),
    ("eagle heron goose swan seabird large birds raptor", _READY["large-birds"]),
    ("deer elk reindeer moose wildlife animal mammal", _READY["deer"]),
    ("whale seal dolphin orca", _far("whale", 4, 30, 150, 0.4)),
    ("safari lion elephant", _far("safari", 2, 20, 120, 0.4)),
    ("coast shore beach rocks sea seascape", _READY["shore"]),
    ("wave surf spray", _READY["waves"]),
    ("mountain ridge valley landscape vista view sunrise sunset dune fjord", _READY["valleys"]),
    ("layer peak distant detail far", _READY["layers"]),
    ("hiker walker climber people action", _READY["walkers"]),
    ("street doorway market city town village travel", _READY["doorways"]),
    ("interior church cave architecture building temple", _READY["interiors"]),
    ("portrait face fisherfolk family friend wedding", _READY["faces"]),
    ("fungi mushroom leaf leaves flower plant moss", _READY["fungi"]),
    ("forest wood tree mist woodland autumn", _READY["stems"]),
    ("macro insect butterfly close up texture ice", _want("macro", 60, 105, traits=_MACRO, **_STILL)),
    ("panorama", _want("panorama", 24, 70, megapixels=40, **_STILL)),
    ("sport football race skiing", _want("sport", 70, 300, max_f_number=4, traits=_AUTOFOCUS)),
    ("concert stage", _want("concert", 35, 200, max_f_number=2.8, light="equivalent", traits=_AUTOFOCUS)),
    ("timelapse time lapse", _want("timelapse", 16, 50, **_STILL)),
    ("food still life", _want("food", 35, 105, max_f_number=4)),
    ("video film clip interview", _want("video", 24, 70, max_f_number=4, traits=(TraitWish(trait=Trait.VIDEO),))),
    ("aerial drone", _want("aerial", 24, 35, aids=(AidWish(aid="drone"),))),
    ("lake reflection", _want("lake", 16, 50, effects=(EffectWish(effect="polariser"),), **_STILL)),
)
_WORDS = {word: want for said, want in reversed(_SUBJECTS) for word in said.split()}
_PHRASES = (
    "milky way",
    "northern lights",
    "night sky",
    "slow water",
    "large birds",
    "small birds",
    "time lapse",
    "close up",
)


@dataclass(frozen=True)
class Wanting:
    """One want of a text. typed: what stood there. want: None where no word names a subject and no figure a range."""

    typed: str
    want: Want | None


def understand_wants(text: str, taken: Iterable[str] = ()) -> list[Wanting]:
    """The wants that a text names, at most MOST_WANTS. taken: ids that are in use already.

    A number from 1 to 5 at the end of a want is how much it matters; focal lengths and an f-number set its range.
    """
    parts = [part.strip(" -•*·.") for part in re.split(r"[\n\r;,+&]+|\band\b", text)]
    used, found = set(taken), []
    for part in [p[:80] for p in parts if p][:MOST_WANTS]:
        want = _one(part)
        if want is not None:
            want = want.model_copy(update={"id": free_want_id(want.id, used)})
            used.add(want.id)
        found.append(Wanting(part, want))
    return found


def _one(typed: str) -> Want | None:
    matters = re.search(r"\s+([1-5])$", typed)
    said = typed[: matters.start()] if matters else typed
    glass = glass_of(said, lens=False)
    like = _like(said)
    if like is None and not glass:
        return None
    spec = (like or _want("want", 24, 70)).model_dump()
    if glass:
        spec |= {"subject": None, **{k: glass[k] for k in ("focal_min_mm", "focal_max_mm")}}
        spec["max_f_number"] = glass.get("f_at_min", spec["max_f_number"])
    if matters:
        spec["importance"] = int(matters[1])
    name = re.sub(r"\s+\d.*$", "", said) or said
    return Want.model_validate(spec | {"name": name[:1].upper() + name[1:]})


def _like(said: str) -> Want | None:
    plain = said.lower()
    phrase = next((p for p in _PHRASES if p in plain), None)
    if phrase:
        return next(want for words, want in _SUBJECTS if phrase in words)
    # "Sea eagles in the mist" are eagles: what comes last before the first of such words is what it is about.
    about = re.split(r"\b(?:in|on|at|of|with|from|by|under|over|behind|before)\b", plain)
    for word in [w for part in about for w in reversed(re.findall(r"[a-z]+", part))]:
        for form in (word, word.removesuffix("s"), word.removesuffix("es"), re.sub("ies$", "y", word)):
            if form in _WORDS:
                return _WORDS[form]
    near = (get_close_matches(word, _WORDS, 1, 0.84) for word in re.findall(r"[a-z]{5,}", plain))
    return next((_WORDS[match[0]] for match in near if match), None)
