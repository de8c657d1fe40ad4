"""Cards in cameras: which card a camera writes to, in which slot, and what happens when it is full."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from typing import NamedTuple

from mule.analysis.storage.answer import CardUse, Medium
from mule.base.units import NumberedPiece
from mule.plan.gear import Body
from mule.plan.trip import CardSchool, SlotMode

TINY_GB = 1e-9
# Cards that are only thought of are numbered from here.
_MADE_FROM = 10_000


@dataclass(eq=False)
class CardState:
    """One card: what it holds, and from which days. last: written to when no other is left."""

    id: NumberedPiece
    type: str
    capacity_gb: float
    last: bool = False
    held_gb: float = 0.0
    used_once: bool = False
    chunks: list["Chunk"] = field(default_factory=list)

    @property
    def free_gb(self) -> float:
        """Room left."""
        return self.capacity_gb - self.held_gb


@dataclass(eq=False)
class Chunk:
    """Pictures of one day that lie in the same places. camera, inside: the camera and those of the places in it."""

    day: int
    gb: float
    places: set[NumberedPiece]
    camera: NumberedPiece
    inside: set[NumberedPiece]

    @property
    def copies(self) -> int:
        """Places apart from each other: mirrored cards in one camera are one (docs/domain/pictures.md)."""
        return len(self.places) - max(0, len(self.inside) - 1)


@dataclass(eq=False)
class Camera:
    """A camera with the cards in its slots."""

    body: Body
    id: NumberedPiece
    mode: SlotMode
    inside: list[CardState | None]


class _Used(NamedTuple):
    """A card that was written to on a day: how much then, and what it held afterwards."""

    card: CardState
    body: str
    slot: int
    gb: float
    held_gb: float


class Writing:
    """All cards of the trip, and the cameras that write to them."""

    def __init__(self, cards: Sequence[CardState], school: CardSchool, *, endless: bool) -> None:
        """endless: a card that is missing is made, to count how many it takes."""
        self.cards = {card.id: card for card in cards}
        self._school, self._endless = school, endless
        self.blanks: dict[str, list[CardState]] = {}
        self._largest: dict[str, CardState] = {}
        for card in cards:
            self.blanks.setdefault(card.type, []).append(card)
            if card.type not in self._largest or card.capacity_gb > self._largest[card.type].capacity_gb:
                self._largest[card.type] = card
        sizes = {type_: {(card.capacity_gb, card.last) for card in blank} for type_, blank in self.blanks.items()}
        # Where all cards of a type hold as much, the first is as good as any.
        self._alike = {type_ for type_, found in sizes.items() if len(found) == 1}
        self._used: dict[tuple[NumberedPiece, NumberedPiece, int], _Used] = {}
        # Whether a camera ever wanted a card and there was none.
        self.missed = False
        # Cameras that were to write twice and found one card.
        self.once: dict[str, None] = {}
        # Pictures whose card left its camera, until somebody looks.
        self.taken_out: list[tuple[Chunk, NumberedPiece]] = []

    def morning(self, cameras: Sequence[Camera]) -> None:
        """A new day: with a fresh card a day, what was written to stays out of the cameras."""
        self._used = {}
        for camera in cameras:
            for slot, card in enumerate(camera.inside):
                stale = card and card.held_gb > TINY_GB and self._school == "fresh-daily"
                if card and (stale or card.free_gb <= TINY_GB):
                    self._take_out(camera, slot)

    def write(self, camera: Camera, day: int, gb: float, medium: Medium) -> tuple[list[Chunk], float]:
        """Writes a day's pictures of one medium. Returns what lies where, and GB that found no card."""
        if gb <= TINY_GB:
            return [], 0.0
        if camera.mode == "mirror" and len(camera.inside) > 1:
            return self._mirror(camera, day, gb)
        slots = range(len(camera.inside))
        if camera.mode == "split" and len(slots) > 1:
            slots = slots[1:] if medium == "video" else slots[:1]
        return self._overflow(camera, day, gb, slots)

    def _overflow(self, camera: Camera, day: int, gb: float, slots: Sequence[int]) -> tuple[list[Chunk], float]:
        made: list[Chunk] = []
        while gb > TINY_GB:
            slot = self._slot_with_room(camera, slots, gb)
            if slot is None:
                break
            card = camera.inside[slot]
            assert card is not None
            part = min(gb, card.free_gb)
            chunk = Chunk(day, part, {card.id}, camera.id, {card.id})
            self._put(camera, slot, card, part, chunk)
            made.append(chunk)
            gb -= part
        return made, max(0.0, gb)

    def _slot_with_room(self, camera: Camera, slots: Sequence[int], gb: float) -> int | None:
        """The first slot whose card has room; else one that gets a fresh card, an empty slot before a full card."""
        for slot in slots:
            card = camera.inside[slot]
            # A camera's first slot always gets a card before the others are written to.
            if (card is not None and card.free_gb > TINY_GB) or (
                card is None and slot == 0 and self._put_in(camera, slot, gb)
            ):
                return slot
        for empty in (True, False):
            for slot in slots:
                if (camera.inside[slot] is None) is empty and self._put_in(camera, slot, gb):
                    return slot
        return None

    def _mirror(self, camera: Camera, day: int, gb: float) -> tuple[list[Chunk], float]:
        """Every frame twice; where one of the two slots finds no card, once, and told."""
        made: list[Chunk] = []
        while gb > TINY_GB:
            able = [s for s in (0, 1) if self._has_room(camera, s) or self._put_in(camera, s, gb)]
            cards = [(s, card) for s in able if (card := camera.inside[s]) is not None]
            if not cards:
                break
            if len(cards) == 1:
                self.once[camera.body.id] = None
            part = min(gb, *(card.free_gb for _, card in cards))
            names = {card.id for _, card in cards}
            chunk = Chunk(day, part, names, camera.id, set(names))
            for slot, card in cards:
                self._put(camera, slot, card, part, chunk)
            made.append(chunk)
            gb -= part
        return made, max(0.0, gb)

    def _has_room(self, camera: Camera, slot: int) -> bool:
        card = camera.inside[slot]
        return card is not None and card.free_gb > TINY_GB

    def _put_in(self, camera: Camera, slot: int, gb: float) -> bool:
        """Puts a fresh card into a slot, unless there is none."""
        blank = self._blank(camera.body.slots[slot].card_type, gb)
        if blank is not None:
            self._take_out(camera, slot)
            camera.inside[slot] = blank
        return blank is not None

    def _take_out(self, camera: Camera, slot: int) -> None:
        card, camera.inside[slot] = camera.inside[slot], None
        if card is not None:
            self.taken_out += [(chunk, card.id) for chunk in card.chunks]

    def _blank(self, type_: str, gb: float) -> CardState | None:
        """A blank card: the smallest that holds all of it, else the largest; with few big cards the largest."""
        able = self.blanks.get(type_, [])
        if able:
            if type_ in self._alike:
                return able.pop(0)
            index = min(range(len(able)), key=lambda i: self._rank(able[i], gb))
            return able.pop(index)
        like = self._largest.get(type_)
        if not self._endless or like is None:
            self.missed = True
            return None
        made = CardState(NumberedPiece(like.id.item, _MADE_FROM + len(self.cards)), type_, like.capacity_gb)
        self.cards[made.id] = made
        return made

    def _rank(self, card: CardState, gb: float) -> tuple[bool, bool, float]:
        if self._school == "few-big" or card.capacity_gb < gb:
            return card.last, card.capacity_gb < gb and self._school != "few-big", -card.capacity_gb
        return card.last, False, card.capacity_gb

    def erase(self, card: CardState, cameras: Sequence[Camera]) -> None:
        """Makes a card blank again; it leaves the camera it is in."""
        card.chunks, card.held_gb = [], 0.0
        for camera in cameras:
            camera.inside = [None if inside is card else inside for inside in camera.inside]
        self.blanks[card.type].append(card)

    def _put(self, camera: Camera, slot: int, card: CardState, gb: float, chunk: Chunk) -> None:
        card.used_once = True
        card.held_gb = card.capacity_gb if gb == card.free_gb else card.held_gb + gb
        card.chunks.append(chunk)
        key = (card.id, camera.id, slot)
        used = self._used.get(key)
        before = used.gb if used else 0.0
        self._used[key] = _Used(card, camera.body.id, slot, before + gb, card.held_gb)

    def uses(self) -> Iterator[CardUse]:
        """What was written to on this day, and how full it was then."""
        for used in self._used.values():
            yield CardUse(
                card=used.card.id,
                body=used.body,
                slot=used.slot + 1,
                gb=used.gb,
                held_gb=used.held_gb,
                capacity_gb=used.card.capacity_gb,
            )
