"""The lightest owned things that give a key."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, field

from mule.completeness.keys import Key, Need
from mule.completeness.web import Web
from mule.gear import Gear, at_hand

Cure = tuple[float, tuple[str, ...]]


@dataclass(frozen=True)
class Cures:
    """Looks for cures among what is left; what it found for a key is remembered."""

    web: Web
    gear: Mapping[str, Gear]
    loaded: Collection[str]
    _known: dict[tuple[Key, str], Cure | None] = field(default_factory=dict, repr=False)

    def lightest(self, item: str, need: Need) -> Cure | None:
        """Grams and ids of the lightest left things that meet a need; None when nothing that is here does."""
        found = (self._cheapest(key, item) for key in need.keys)
        return min((cure for cure in found if cure), default=None)

    def _cheapest(self, key: Key, but: str) -> Cure | None:
        givers = self.web.givers.get(key, ())
        at = key, but if any(item == but for item, _ in givers) else ""
        if at not in self._known:
            self._known[at] = min(
                (cure for item, through in givers if item != at[1] and (cure := self._with(item, through, but))),
                default=None,
            )
        return self._known[at]

    def _with(self, item: str, through: Key | None, but: str) -> Cure | None:
        """The cure that goes by one giver; nothing is weighed for what is loaded."""
        if item not in self.loaded and not at_hand(self.gear[item]):
            return None
        rest: Cure | None = (0.0, ()) if through is None else self._cheapest(through, but)
        if rest is None or item in self.loaded:
            return rest
        return rest[0] + self.gear[item].mass_g, (*rest[1], item)
