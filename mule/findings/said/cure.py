"""Ways out of a finding: one type for each sort, told apart by its code."""

from typing import TYPE_CHECKING, Annotated, Literal

from pydantic import Field

from mule.base.units import Frozen, ItemId
from mule.findings.codes import CureCode
from mule.findings.said.gets import ToGet
from mule.plan.edits import Edit

if TYPE_CHECKING:
    from mule.findings.said import Finding


MovingCode = Literal[CureCode.HAND_OVER, CureCode.MOVE, CureCode.OUTSIDE, CureCode.WEAR]
ChargingCode = Literal[
    CureCode.POWER_BANK_BY_DAY, CureCode.POWER_CHARGE_NIGHTLY, CureCode.POWER_PACKS_ONLY, CureCode.POWER_USB_C
]


class WayOut(Frozen):
    """What every cure has.

    edits: may be empty when it is a way of working (crop mode, stitching), or a thing to get.

    gets: what is not owned and would have to be got; ``brings`` names it by its id. mass_change_g: of
    all that is loaded; on: of what each person carries. points: of the brief, that it costs. power_days: that packs
    carry more, or less. wants: by how much the cover of each changes, -1 to 1. partly: something of the finding stays;
    rest: the share of it that does. brings: what stands then and did not before: its price. also: what else is gone
    then.
    """

    code: CureCode
    edits: tuple[Edit, ...] = ()
    gets: tuple[ToGet, ...] = ()
    mass_change_g: float = 0
    on: dict[ItemId, float] = Field(default={})
    points: float = 0
    power_days: int = 0
    wants: dict[ItemId, float] = Field(default={})
    partly: bool = False
    rest: float = 0
    brings: tuple["Finding", ...] = ()
    also: tuple["Finding", ...] = ()


class Doing(WayOut):
    """Something to load, to leave, to take instead, to take off, or to get."""

    code: Literal[
        CureCode.GET,
        CureCode.LEAVE,
        CureCode.LOAD,
        CureCode.LOAD_MAY_PASS,
        CureCode.SWAP_BAG,
        CureCode.TAKE_OFF,
        CureCode.TRAVEL_AS,
    ]


class InPart(WayOut):
    """Something to load that closes a gap of a want in part. cover_after: of the want, 0 to 1."""

    code: Literal[CureCode.LOAD_PARTLY] = CureCode.LOAD_PARTLY
    cover_after: float


class Moving(WayOut):
    """Something to carry elsewhere. moved_g: of all of it."""

    code: MovingCode
    moved_g: float


class CropMode(WayOut):
    """Crop a stretch. to_mm: how far it reaches then, as a full-frame equivalent."""

    code: Literal[CureCode.CROP_MODE] = CureCode.CROP_MODE
    crop: float
    to_mm: float
    megapixels: float


class Stitch(WayOut):
    """Stitch several frames. to_mm: the focal length whose view they have together, as a full-frame equivalent."""

    code: Literal[CureCode.STITCH] = CureCode.STITCH
    frames: int
    to_mm: float


class Charging(WayOut):
    """Another way of charging."""

    code: ChargingCode


class FewBig(WayOut):
    """Fill each card before it is changed."""

    code: Literal[CureCode.FEW_BIG] = CureCode.FEW_BIG


class EraseAfter(WayOut):
    """Erase a card once there are so many copies of it."""

    code: Literal[CureCode.ERASE_AFTER] = CureCode.ERASE_AFTER
    copies: int


class StayAtBase(WayOut):
    """Leave it where one sleeps, on so many days."""

    code: Literal[CureCode.AT_BASE] = CureCode.AT_BASE
    days: int


Cure = Annotated[
    Doing | InPart | Moving | CropMode | Stitch | Charging | FewBig | EraseAfter | StayAtBase,
    Field(discriminator="code"),
]
WAYS_OUT: tuple[type[WayOut], ...] = (
    Doing,
    InPart,
    Moving,
    CropMode,
    Stitch,
    Charging,
    FewBig,
    EraseAfter,
    StayAtBase,
)
