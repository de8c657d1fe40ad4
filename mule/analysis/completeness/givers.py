"""The lightest owned things that give a key."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from mule.analysis.completeness.answer import Missing
from mule.analysis.completeness.graph import DependencyGraph
from mule.analysis.completeness.keys import Key, Need
from mule.analysis.completeness.requirements import Requirements
from mule.plan.gear import Battery, Gear, at_hand

Given = tuple[float, tuple[str, ...]]


@dataclass(frozen=True)
class LightestGivers:
    """Looks among what is not loaded; what it found for a key is remembered."""

    graph: DependencyGraph
    gear: Mapping[str, Gear]
    loaded: Mapping[str, int]
    _known: dict[tuple[Key, str], Given | None] = field(default_factory=dict, repr=False)

    def lightest(self, item: str, need: Need) -> Given | None:
        """Grams and ids of the lightest left things that meet a need; None when nothing that is here does."""
        found = (self._cheapest(key, item) for key in need.keys)
        return min((cure for cure in found if cure), default=None)

    def _cheapest(self, key: Key, but: str) -> Given | None:
        givers = self.graph.givers.get(key, ())
        at = key, but if any(item == but for item, _ in givers) else ""
        if at not in self._known:
            self._known[at] = min(
                (cure for item, through in givers if item != at[1] and (cure := self._with(item, through, but))),
                default=None,
            )
        return self._known[at]

    def _with(self, item: str, through: Key | None, but: str) -> Given | None:
        """The cure that goes by one giver; nothing is weighed for what is loaded."""
        if item not in self.loaded and not at_hand(self.gear[item]):
            return None
        rest: Given | None = (0.0, ()) if through is None else self._cheapest(through, but)
        if rest is None or item in self.loaded:
            return rest
        return rest[0] + self.gear[item].mass_g, (*rest[1], item)

    def for_missing(self, missing: Missing, requirements: Requirements) -> Given | None:
        """Grams and ids of what would give a missing link, or the pieces of one that are short."""
        if missing.short:
            pack = self._pack(missing.label, missing.short)
            return (pack.mass_g * missing.short, (pack.id,)) if pack else None
        told = missing.item, missing.what, missing.label
        need = next(n for item, n in requirements.unmet if (item, n.what, n.label) == told)
        return self.lightest(missing.item, need)

    def _pack(self, battery_type: str, count: int) -> Battery | None:
        """The lightest pack of a type of which so many more lie at hand."""
        packs = (t for t in self.gear.values() if isinstance(t, Battery) and t.battery_type == battery_type)
        able = [t for t in packs if at_hand(t) and t.count - self.loaded.get(t.id, 0) >= count]
        return min(able, key=lambda t: t.mass_g, default=None)
