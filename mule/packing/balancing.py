"""How bags hang on the person who carries them: left and right, in front and behind (docs/domain/load.md)."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Literal

from mule.packing.answer import Hung, OnPerson, Placed, RoomUse
from mule.plan.gear import Bag, Gear
from mule.plan.kit import Hang, Kit
from mule.plan.places import AsPiece, InBag, PieceKind

# From the middle of a body to its back or its chest, and to where a bag hangs on a hip (estimates).
HALF_DEEP_MM, HALF_WIDE_MM = 110, 200
# Less than this is no reason to hang something elsewhere.
_WORTH_G = 200

_Riding = Literal["back", "front", "left", "right"]


@dataclass(frozen=True)
class _Weight:
    """Grams at a spot: millimetres to the right of a body's middle, and behind it."""

    grams: float
    right: float
    behind: float


def on_people(
    gear: Mapping[str, Gear], kit: Kit, rooms: Sequence[RoomUse], placed: Sequence[Placed]
) -> Iterator[OnPerson]:
    """Everybody who carries a bag on foot. Bags in the hold roll or ride.

    rooms, placed: as packed. What hangs somewhere without a side counts as on the front of its bag.
    """
    bearers: dict[str, list[str]] = {}
    for entry in kit.entries:
        if isinstance(entry.place, AsPiece) and entry.place.piece != PieceKind.HOLD:
            bearers.setdefault(entry.place.person, []).append(entry.item)
    inside = {bag.id: _inside(bag, kit, gear, rooms, placed) for bag in gear.values() if isinstance(bag, Bag)}
    for person, bags in bearers.items():
        riding = {bag: _riding(bag, bags, kit, gear) for bag in bags}
        now = _Carried(gear, kit, riding, inside, kit.stow.hangs)
        yield now.told(person, _better(now))


def _riding(bag: str, bags: Sequence[str], kit: Kit, gear: Mapping[str, Gear]) -> _Riding:
    """As somebody said, or else the largest on the back, and the others in front."""
    said = next((r.at for r in kit.stow.rides if r.bag == bag), None)
    largest = max(bags, key=lambda id_: (gear[id_].size.litres(), id_))
    return said or ("back" if bag == largest else "front")


def _inside(
    bag: Bag, kit: Kit, gear: Mapping[str, Gear], rooms: Sequence[RoomUse], placed: Sequence[Placed]
) -> list[_Weight]:
    """A bag and what lies in it, right of its middle and out from its back: pockets lie at the front, sleeves at the
    back."""
    thick = bag.size.sides_mm()[2]
    found = [_Weight(bag.mass_g, 0, thick / 2)]
    for room in rooms:
        if room.bag != bag.id:
            continue
        deep = min(room.size_mm[2], thick)
        start = thick - deep if room.sort == "pocket" else 0.0
        here = [one for one in placed if one.room == room.room]
        found += [
            _Weight(
                p.mass_g, p.at_mm[1] + p.size_mm[1] / 2 - room.size_mm[1] / 2, start + p.at_mm[2] + p.size_mm[2] / 2
            )
            for p in here
        ]
        found.append(_Weight(room.mass_g - sum(p.mass_g for p in here), 0, start + deep / 2))
    return found


@dataclass(frozen=True)
class _Carried:
    """One person's bags, with what hangs on them where."""

    gear: Mapping[str, Gear]
    kit: Kit
    riding: Mapping[str, _Riding]
    inside: Mapping[str, Sequence[_Weight]]
    hangs: Sequence[Hang]

    def strapped(self) -> Iterator[tuple[str, str, float]]:
        """Thing, bag and grams of what hangs outside."""
        for entry in self.kit.entries:
            if isinstance(entry.place, InBag) and entry.place.outside and entry.place.bag in self.riding:
                yield entry.item, entry.place.bag, self.gear[entry.item].mass_g * entry.count

    def side(self, item: str, bag: str) -> str:
        """On which side of its bag a thing hangs."""
        return next((h.side for h in self.hangs if (h.item, h.bag) == (item, bag)), "out")

    def weights(self) -> Iterator[_Weight]:
        """All there is, on the person."""
        for bag in self.riding:
            for one in self.inside[bag]:
                yield self._on(bag, one)
        for item, bag, grams in self.strapped():
            yield self._on(bag, self._hung(item, bag, grams))

    def _hung(self, item: str, bag: str, grams: float) -> _Weight:
        _, across, thick = self.gear[bag].size.sides_mm()
        thin = self.gear[item].size.sides_mm()[2]
        beside = (across + thin) / 2
        match self.side(item, bag):
            case "left":
                return _Weight(grams, -beside, thick / 2)
            case "right":
                return _Weight(grams, beside, thick / 2)
            case "out":
                return _Weight(grams, 0, thick + thin / 2)
        return _Weight(grams, 0, thick / 2)

    def _on(self, bag: str, one: _Weight) -> _Weight:
        """From a bag to the body that it rides on. In front left and right are turned; on a hip it faces outwards."""
        match self.riding[bag]:
            case "back":
                return _Weight(one.grams, one.right, HALF_DEEP_MM + one.behind)
            case "front":
                return _Weight(one.grams, -one.right, -HALF_DEEP_MM - one.behind)
            case "left":
                return _Weight(one.grams, -HALF_WIDE_MM - one.behind, -one.right)
        return _Weight(one.grams, HALF_WIDE_MM + one.behind, one.right)

    @property
    def level_g(self) -> float:
        """Grams on the left hip that would level it; less than 0 on the right."""
        return sum(one.grams * one.right for one in self.weights()) / HALF_WIDE_MM

    def told(self, person: str, better: Hung | None) -> OnPerson:
        """As the answer has it."""
        all_ = list(self.weights())
        mass = sum(one.grams for one in all_)
        rides = {at: sum(self._mass(bag) for bag, where in self.riding.items() if where == at) for at in _SIDES}
        hangs = {side: sum(g for item, bag, g in self.strapped() if self.side(item, bag) == side) for side in _SIDES}
        return OnPerson(
            person=person,
            mass_g=mass,
            behind_mm=sum(one.grams * one.behind for one in all_) / mass if mass else 0,
            right_mm=sum(one.grams * one.right for one in all_) / mass if mass else 0,
            back_g=rides["back"],
            front_g=rides["front"],
            left_g=rides["left"] + hangs["left"],
            right_g=rides["right"] + hangs["right"],
            level_g=self.level_g,
            riding=dict(self.riding),
            better=better,
        )

    def _mass(self, bag: str) -> float:
        return sum(one.grams for one in self.inside[bag]) + sum(
            grams for item, on, grams in self.strapped() if on == bag and self.side(item, on) not in ("left", "right")
        )


_SIDES = ("back", "front", "left", "right")


def _better(now: _Carried) -> Hung | None:
    """Each strapped thing tried on the other sides of its bag: the one that levels most, where that is worth it."""
    found: Hung | None = None
    for item, bag, _ in now.strapped():
        for side in ("left", "right", "out"):
            others = tuple(h for h in now.hangs if (h.item, h.bag) != (item, bag))
            level = replace(now, hangs=(*others, Hang(item=item, bag=bag, side=side))).level_g
            if abs(level) + _WORTH_G <= abs(now.level_g) and (found is None or abs(level) < abs(found.level_g)):
                found = Hung(item=item, bag=bag, side=side, level_g=level)
    return found
