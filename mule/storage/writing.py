"""Cards in cameras: which card a camera writes to, in which slot, and what happens when it is full."""

from collections.abc import Sequence
from dataclasses import dataclass, field

from mule.gear import Body
from mule.storage.answer import CardUse, Medium
from mule.trip import CardSchool, SlotMode

TINY_GB = 1e-9
# Cards that are only thought of are numbered from here.
_MADE_FROM = 10_000


@dataclass(eq=False)
class Sheet:
    """One card: what it holds, and from which days."""

    id: str
    item: str
    type: str
    capacity_gb: float
    held_gb: float = 0.0
    used_once: bool = False
    chunks: list["Chunk"] = field(default_factory=list)

    @property
    def free_gb(self) -> float:
        """Room left."""
        return self.capacity_gb - self.held_gb


@dataclass(eq=False)
class Chunk:
    """Pictures of one day that lie in the same places."""

    day: int
    gb: float
    places: set[str]


@dataclass(eq=False)
class Camera:
    """A camera with the cards in its slots."""

    body: Body
    id: str
    mode: SlotMode
    inside: list[Sheet | None]


class Writing:
    """All cards of the trip, and the cameras that write to them."""

    def __init__(self, cards: Sequence[Sheet], school: CardSchool, *, endless: bool) -> None:
        """endless: a card that is missing is made, to count how many it takes."""
        self.cards = {card.id: card for card in cards}
        self._school, self._endless = school, endless
        self.blanks: dict[str, list[Sheet]] = {}
        self._largest: dict[str, Sheet] = {}
        for card in cards:
            self.blanks.setdefault(card.type, []).append(card)
            if card.type not in self._largest or card.capacity_gb > self._largest[card.type].capacity_gb:
                self._largest[card.type] = card
        self.uses: dict[tuple[str, str, int], CardUse] = {}
        # Whether a camera ever wanted a card and there was none.
        self.missed = False

    def morning(self, cameras: Sequence[Camera]) -> None:
        """A new day: with a fresh card a day, what was written to stays out of the cameras."""
        self.uses = {}
        for camera in cameras:
            for slot, sheet in enumerate(camera.inside):
                stale = sheet and sheet.held_gb > TINY_GB and self._school == "fresh-daily"
                if sheet and (stale or sheet.free_gb <= TINY_GB):
                    camera.inside[slot] = None

    def write(self, camera: Camera, day: int, gb: float, medium: Medium) -> tuple[list[Chunk], float]:
        """Writes a day's pictures of one medium. Returns what lies where, and GB that found no card."""
        slots = list(range(len(camera.body.slots)))
        if camera.mode == "mirror" and len(slots) > 1:
            return self._mirror(camera, day, gb)
        if camera.mode == "split" and len(slots) > 1:
            slots = slots[1:] if medium == "video" else slots[:1]
        return self._overflow(camera, day, gb, slots)

    def _overflow(self, camera: Camera, day: int, gb: float, slots: Sequence[int]) -> tuple[list[Chunk], float]:
        made: list[Chunk] = []
        while gb > TINY_GB:
            slot = next((s for s in slots if self._ready(camera, s, gb, fresh=False)), None)
            if slot is None:
                # An empty slot is written to before a full card is changed.
                order = sorted(slots, key=lambda s: camera.inside[s] is not None)
                slot = next((s for s in order if self._ready(camera, s, gb, fresh=True)), None)
            if slot is None:
                break
            sheet = camera.inside[slot]
            assert sheet is not None
            part = min(gb, sheet.free_gb)
            chunk = Chunk(day, part, {sheet.id})
            self._put(camera, slot, sheet, part, chunk)
            made.append(chunk)
            gb -= part
        return made, max(0.0, gb)

    def _mirror(self, camera: Camera, day: int, gb: float) -> tuple[list[Chunk], float]:
        """Every frame twice; where one of the two slots finds no card, once."""
        made: list[Chunk] = []
        while gb > TINY_GB:
            able = [s for s in (0, 1) if self._ready(camera, s, gb, fresh=True)]
            sheets = [(s, sheet) for s in able if (sheet := camera.inside[s]) is not None]
            if not sheets:
                break
            part = min(gb, *(sheet.free_gb for _, sheet in sheets))
            chunk = Chunk(day, part, {sheet.id for _, sheet in sheets})
            for slot, sheet in sheets:
                self._put(camera, slot, sheet, part, chunk)
            made.append(chunk)
            gb -= part
        return made, max(0.0, gb)

    def _ready(self, camera: Camera, slot: int, gb: float, *, fresh: bool) -> bool:
        """Whether a slot has a card with room; a fresh one is put in when asked for."""
        sheet = camera.inside[slot]
        if sheet is not None and sheet.free_gb > TINY_GB:
            return True
        # A camera's first slot always gets a card before the others are written to.
        if not fresh and not (slot == 0 and sheet is None):
            return False
        blank = self._blank(camera.body.slots[slot].card_type, gb)
        if blank is not None:
            camera.inside[slot] = blank
        return blank is not None

    def _blank(self, type_: str, gb: float) -> Sheet | None:
        """A blank card: the smallest that holds all of it, else the largest; with few big cards the largest."""
        able = self.blanks.get(type_, [])
        if able:
            index = min(range(len(able)), key=lambda i: self._rank(able[i], gb))
            return able.pop(index)
        like = self._largest.get(type_)
        if not self._endless or like is None:
            self.missed = True
            return None
        made = Sheet(f"{like.item}#{_MADE_FROM + len(self.cards)}", like.item, type_, like.capacity_gb)
        self.cards[made.id] = made
        return made

    def _rank(self, card: Sheet, gb: float) -> tuple[bool, float]:
        if self._school == "few-big" or card.capacity_gb < gb:
            return card.capacity_gb < gb and self._school != "few-big", -card.capacity_gb
        return False, card.capacity_gb

    def erase(self, card: Sheet, cameras: Sequence[Camera]) -> None:
        """Makes a card blank again; it leaves the camera it is in."""
        card.chunks, card.held_gb = [], 0.0
        for camera in cameras:
            camera.inside = [None if inside is card else inside for inside in camera.inside]
        self.blanks[card.type].append(card)

    def _put(self, camera: Camera, slot: int, sheet: Sheet, gb: float, chunk: Chunk) -> None:
        sheet.used_once = True
        sheet.held_gb = sheet.capacity_gb if gb == sheet.free_gb else sheet.held_gb + gb
        sheet.chunks.append(chunk)
        key = (sheet.id, camera.id, slot)
        before = self.uses[key].gb if key in self.uses else 0.0
        self.uses[key] = CardUse(
            card=sheet.id,
            item=sheet.item,
            body=camera.body.id,
            slot=slot + 1,
            gb=before + gb,
            held_gb=sheet.held_gb,
            capacity_gb=sheet.capacity_gb,
        )
