"""What each single loss would take: counted as pictures are made, copied and erased, not searched for anew."""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date

from mule.analysis.storage.answer import Gone
from mule.analysis.storage.writing import TINY_GB, Chunk
from mule.base.units import NumberedPiece


@dataclass(frozen=True)
class Whereabouts:
    """In which piece of luggage each piece of an item is, in order; None is on a person. hold: checked pieces."""

    roots: Mapping[str, Sequence[str | None]]
    hold: frozenset[str] = frozenset()

    def of(self, place: NumberedPiece) -> str | None:
        """The piece of luggage of a card, drive or computer."""
        roots = self.roots.get(place.item, ())
        return roots[place.number - 1] if place.number <= len(roots) else None


# A sort of keeper with its piece, or "bag" or "hold" with the bag.
Loss = tuple[str, NumberedPiece | str]


class Losses:
    """Pictures that hang on one thing, on one bag, or on the hold alone."""

    def __init__(self, keepers: Sequence[tuple[str, NumberedPiece]], where: Whereabouts) -> None:
        """keepers: everything that keeps pictures, as what it is and which piece; none where nobody looks."""
        self._where, self._looked_at = where, bool(keepers)
        self._sorts = {place: what for what, place in keepers}
        roots = dict.fromkeys(
            root for what, place in keepers if what != "camera" and (root := where.of(place)) is not None
        )
        keys: list[Loss] = [*keepers, *(("bag", root) for root in roots if root not in where.hold)]
        keys += [("hold", "hold")] if where.hold else []
        self._gb: dict[Loss, float] = dict.fromkeys(keys, 0.0)
        self._days: dict[Loss, Counter[int]] = {key: Counter() for key in keys}
        self._worst: dict[Loss, tuple[float, int | None, tuple[int, ...]]] = dict.fromkeys(keys, (0.0, None, ()))
        self._touched: set[Loss] = set()
        self.together = False

    def count(self, chunk: Chunk, sign: int) -> None:
        """Counts pictures in, or out again before their places change."""
        if not self._looked_at:
            return
        roots = {self._where.of(place) for place in chunk.places}
        keys: list[Loss] = []
        if len(chunk.places) == 1:
            (place,) = chunk.places
            keys.append((self._sorts.get(place, "card"), place))
        if chunk.inside and len(chunk.inside) == len(chunk.places):
            keys.append(("camera", chunk.camera))
            self.together = self.together or (sign > 0 and len(chunk.places) > 1)
        if len(roots) == 1 and None not in roots:
            (root,) = roots
            if root not in self._where.hold:
                keys.append(("bag", str(root)))
            self.together = self.together or sign > 0
        if roots and roots <= self._where.hold:
            keys.append(("hold", "hold"))
        for key in keys:
            if key in self._gb:
                self._gb[key] += sign * chunk.gb
                self._days[key][chunk.day] += sign
                self._touched.add(key)

    def take_out(self, chunk: Chunk, card: NumberedPiece) -> None:
        """A card with these pictures leaves its camera."""
        if len(chunk.inside) < len(chunk.places):
            # They are elsewhere, too: no loss hung on the camera.
            chunk.inside.discard(card)
            return
        self.count(chunk, -1)
        chunk.inside.discard(card)
        self.count(chunk, 1)

    def erase(self, chunk: Chunk, card: NumberedPiece) -> None:
        """A card with these pictures is blank again."""
        self.count(chunk, -1)
        chunk.places.discard(card)
        chunk.inside.discard(card)
        self.count(chunk, 1)

    def night(self, index: int) -> None:
        """Keeps the worst night of each loss."""
        for key in self._touched:
            if self._gb[key] > self._worst[key][0] + TINY_GB:
                days = tuple(sorted(day for day, n in self._days[key].items() if n > 0))
                self._worst[key] = (self._gb[key], index, days)
        self._touched.clear()

    def told(self, dates: Sequence[date]) -> tuple[Gone, ...]:
        """Every single loss on its worst night, worst first."""
        found = [
            Gone.model_validate(
                {
                    "what": what,
                    "item": lost.item if isinstance(lost, NumberedPiece) else lost,
                    "number": lost.number if isinstance(lost, NumberedPiece) else None,
                    "days": tuple(dates[d] for d in days),
                    "gb": gb,
                    "on": dates[night] if night is not None else None,
                }
            )
            for (what, lost), (gb, night, days) in self._worst.items()
        ]
        return tuple(sorted(found, key=lambda gone: -gone.gb))
