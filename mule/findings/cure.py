"""Ways out of a finding, and why there is none."""

from enum import StrEnum
from typing import TYPE_CHECKING, Annotated

from pydantic import Field

from mule.base.units import Count, Frozen, ItemId, Name
from mule.plan.edits import Edit

if TYPE_CHECKING:
    from mule.findings.said import Finding


class CureCode(StrEnum):
    """Every way out; the interface has words for each."""

    AT_BASE = "at-base"
    CROP_MODE = "crop-mode"
    ERASE_AFTER = "erase-after"
    FEW_BIG = "few-big"
    GET = "get"
    HAND_OVER = "hand-over"
    LEAVE = "leave"
    LOAD = "load"
    LOAD_MAY_PASS = "load-may-pass"
    LOAD_PARTLY = "load-partly"
    MOVE = "move"
    OUTSIDE = "outside"
    POWER_BANK_BY_DAY = "power-bank-by-day"
    POWER_CHARGE_NIGHTLY = "power-charge-nightly"
    POWER_PACKS_ONLY = "power-packs-only"
    POWER_USB_C = "power-usb-c"
    STITCH = "stitch"
    SWAP_BAG = "swap-bag"
    TAKE_OFF = "take-off"
    TRAVEL_AS = "travel-as"
    WEAR = "wear"


class ToGet(Frozen):
    """Something to buy, hire or borrow: what of it there is, typically.

    what: a link (``pack``, ``charger``, ``card``), a kind of thing (``drive``, ``lens``), or ``same`` for more of
    ``item``. label: type, thread or effect. numbers: of a lens, ``from_mm``, ``to_mm`` and
    ``f_number``. mass_g: of one.
    """

    what: Name
    label: Annotated[str, Field(max_length=200)] = ""
    item: ItemId | None = None
    count: Count = 1
    mass_g: Annotated[float, Field(ge=0)]
    numbers: dict[str, float] = Field(default={})


class Cure(Frozen):
    """One way out. ``edits`` may be empty when the cure is a way of working (crop mode, stitching), or a thing to get.

    gets: what is not owned and would have to be got; ``brings`` names the Nth of them ``to-get-N``. mass_change_g: of
    all that is loaded; on: of what each person carries. numbers: ``points`` of the brief that it costs, ``power_days``
    that packs carry more or less, and figures of its sentence. wants: by how much the cover of each changes, -1 to 1.
    partly: something of the finding stays. brings: what stands then and did not before: its price. also: what else is
    gone then.
    """

    code: CureCode
    edits: tuple[Edit, ...] = ()
    gets: tuple[ToGet, ...] = ()
    mass_change_g: float = 0
    on: dict[ItemId, float] = Field(default={})
    numbers: dict[str, float] = Field(default={})
    wants: dict[ItemId, float] = Field(default={})
    partly: bool = False
    brings: tuple["Finding", ...] = ()
    also: tuple["Finding", ...] = ()


class NoWay(StrEnum):
    """Why there is no way out to click on. brief: the brief has to say something. bench: something has to be loaded.
    word: somebody else decides. loadout: it is mended where the loadout is made up. safety: only by leaving safety
    gear, which is not proposed. worse: what helps brings something along that blocks. none: nothing helps."""

    BENCH = "bench"
    BRIEF = "brief"
    LOADOUT = "loadout"
    NONE = "none"
    SAFETY = "safety"
    WORD = "word"
    WORSE = "worse"
