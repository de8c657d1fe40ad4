"""What cameras write: to cards, and to what keeps copies. One that writes more stands in for one that writes less."""

from collections.abc import Callable, Mapping
from typing import NamedTuple

from mule.analysis.storage import written_mb
from mule.analysis.storage.stamina import runs_out
from mule.plan.gear import Body, Gear
from mule.plan.trip import Demand, Trip
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.lasting.asks import AtLeast, LastingPart, pieces_of
from mule.search.choosing.lasting.order import OTHER_FIRST, Order


class CameraSort(NamedTuple):
    """Cameras that write alike. kind: slots and habits; of one kind they differ by what a picture takes."""

    kind: tuple[object, ...]
    mb: float
    slots: tuple[str, ...] = ()


class PictureFamily(NamedTuple):
    """Kits whose cameras write at least so much, each for each. first: the sort of the first one; None: whichever."""

    cameras: tuple[tuple[CameraSort, int], ...]
    first: CameraSort | None


class PictureDraws:
    """What the cameras in play of one case write, looked at for one part."""

    def __init__(self, case: Candidates, order: Order, part: LastingPart) -> None:
        self._case, self._order, self._part = case, order, part
        self._sorts = {i: self._sort(t) for i, t in case.free.items() if isinstance(t, Body)}
        stay = [t for i in case.fixed if isinstance(t := case.plan.items[i], Body)]
        self._staying = {slot.card_type for body in stay for slot in body.slots}
        self._items: dict[CameraSort, list[str]] = {}
        for item, sort in self._sorts.items():
            self._items.setdefault(sort, []).append(item)

    def _sort(self, body: Body) -> CameraSort:
        trip = self._case.plan.trip
        habit = trip.stamina.habit(body.id).model_dump(exclude={"body"})
        said = body.id if body.id in self._order.said else ""
        slots = tuple(slot.card_type for slot in body.slots)
        return CameraSort((body.film, slots, *habit.items(), said), written_mb(body, Demand(frames=1_000), trip), slots)

    def family(self, pieces: Mapping[str, int]) -> PictureFamily:
        """All kits whose cameras write as much as those of one. pieces: of things in play."""
        found: dict[CameraSort, int] = {}
        for item, n in pieces.items():
            if item in self._sorts:
                found[self._sorts[item]] = found.get(self._sorts[item], 0) + n
        lead = self._order.first(pieces)
        return PictureFamily(tuple(sorted(found.items(), key=repr)), None if lead is None else self._sorts[lead])

    def reduced(self, family: PictureFamily, short: Callable[[PictureFamily], bool]) -> PictureFamily:
        """A family as wide as can be that still is short, of which the given one is a part."""
        if family.first is not None and self._order.first_does_most and short(fewer := family._replace(first=None)):
            family = fewer
        for sort, count in family.cameras:
            for _ in range(count - (sort == family.first)):
                left = ((s, n - (s == sort)) for s, n in family.cameras)
                fewer = family._replace(cameras=tuple((s, n) for s, n in left if n))
                if not short(fewer):
                    break
                family = fewer
        # Cameras that write less, one after the other, as long as they still write too much.
        for sort, _ in family.cameras:
            at = sort
            for less in sorted((s for s in self._items if s.kind == sort.kind and s.mb < sort.mb), reverse=True):
                if not short(fewer := _in_place(family, at, less)):
                    break
                family, at = fewer, less
        return family

    def given(self, family: PictureFamily) -> tuple[tuple[AtLeast, ...], frozenset[str] | None]:
        """What tells the kits of a family: how many cameras write as much, and which may be the first."""
        found = []
        for sort, _ in family.cameras:
            # Each for each: as many that write as much as this one or more.
            as_many = sum(n for s, n in family.cameras if s.kind == sort.kind and s.mb >= sort.mb)
            found.append(pieces_of(self._like(sort), as_many))
        return tuple(found), None if family.first is None else self._like(family.first)

    def touched_by(self, family: PictureFamily, group: object) -> bool:
        """Whether things of a group (``in_play.effect_of``) could do anything for a family."""
        types = {type_ for sort, _ in family.cameras for type_ in sort.slots} | self._staying
        match group:
            case ("card", type_, *_):
                return type_ in types
            case _:
                # Cards are blank again only where they are erased.
                return self._part == "copies" or self._case.plan.trip.stamina.cards == "erase-after"

    def _like(self, sort: CameraSort) -> frozenset[str]:
        """Cameras that write as one does, or more."""
        return frozenset(i for i, s in self._sorts.items() if s.kind == sort.kind and s.mb >= sort.mb)

    def lacking(
        self, family: PictureFamily, gives: Mapping[str, int], ports: Mapping[str, int], *, ample: bool
    ) -> frozenset[str]:
        """What lacks with so many cameras, and so much that gives beside what stays. gives: pieces by item."""
        lead = {OTHER_FIRST: 1} if family.first is None and self._order.cameras else {}
        cameras: dict[str, int] = {}
        for sort, count in sorted(family.cameras, key=lambda one: one[0] != family.first):
            left = count
            for item in self._items[sort]:
                if left > 0:
                    # There may be fewer of a sort than stand for larger ones here.
                    cameras[item] = left if item == self._items[sort][-1] else min(left, self._case.most[item])
                    left -= cameras[item]
        counts = {**self._case.fixed, **lead, **cameras, **gives}
        return pictures_lacking(self._part, self._order.with_other_first, counts, self._case.plan.trip)


def pictures_lacking(
    part: LastingPart, gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip
) -> frozenset[str]:
    """What lacks of cards or copies with so many pieces by item: where pictures find no card, both."""
    full, short = runs_out(gear, counts, trip)
    return frozenset((part,)) if full or (short and part == "copies") else frozenset()


def _in_place(family: PictureFamily, sort: CameraSort, less: CameraSort) -> PictureFamily:
    """The family with cameras of one sort in place of those of another."""
    found: dict[CameraSort, int] = {}
    for s, n in family.cameras:
        at = less if s == sort else s
        found[at] = found.get(at, 0) + n
    first = less if family.first == sort else family.first
    return PictureFamily(tuple(sorted(found.items(), key=repr)), first)
