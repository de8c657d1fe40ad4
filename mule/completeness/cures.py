"""The lightest owned things that give a key."""

from collections.abc import Collection, Mapping

from mule.completeness.keys import Key, Need
from mule.completeness.web import Web
from mule.gear import Gear, at_hand

Cure = tuple[float, tuple[str, ...]]


def lightest(web: Web, gear: Mapping[str, Gear], item: str, need: Need, loaded: Collection[str]) -> Cure | None:
    """Grams and ids of the lightest left things that meet a need; None when nothing that is here does."""
    found = (_cheapest(web, gear, key, loaded, item) for key in need.keys)
    return min((cure for cure in found if cure), default=None)


def _cheapest(web: Web, gear: Mapping[str, Gear], key: Key, loaded: Collection[str], but: str) -> Cure | None:
    best: Cure | None = None
    for item, through in web.givers.get(key, ()):
        thing = gear[item]
        if item == but or (item not in loaded and not at_hand(thing)):
            continue
        rest: Cure | None = (0.0, ()) if through is None else _cheapest(web, gear, through, loaded, but)
        if rest is None:
            continue
        cure = rest if item in loaded else (rest[0] + thing.mass_g, (*rest[1], item))
        best = cure if best is None else min(best, cure)
    return best
