"""One type for each thing that a rule can say, told apart by its code."""

from typing import Annotated

from pydantic import Field

from mule.findings.said.brief import NoDays, NoPeople, NoWants
from mule.findings.said.completeness import (
    ChainOfLinks,
    ClashBasePlate,
    ClashHotShoe,
    ClashPhone,
    FiltersTogether,
    FilterUnserved,
    MissingLink,
    PiecesShort,
    SeenTwice,
    ServesNothing,
)
from mule.findings.said.cure import WAYS_OUT
from mule.findings.said.gate import GateAsk, GateNo, MedicineHeld
from mule.findings.said.holding import AidMissing, CoverLeft, LightLegs, NotHeld, SupportLoaded
from mule.findings.said.kit import AbsentLoaded, IdleOptics, NoSetUp, NothingLoaded, Overfull
from mule.findings.said.losses import LostBag, PicturesInOneBag, SinglePoint
from mule.findings.said.people import BothInOneBag, CarriesWell, SetIncomplete, TooCold, TorchEach
from mule.findings.said.place import (
    BackTooLate,
    BigBagsBarred,
    DronesBarred,
    GoesBack,
    LensChanges,
    ToFetch,
    TripodsBarred,
)
from mule.findings.said.policies import (
    MustLeave,
    MustTake,
    NoneBody,
    OneZoom,
    Primes,
    SlotFull,
    SpecialistBody,
    TrioOfZooms,
    TwinBody,
)
from mule.findings.said.stamina import (
    BankTooLarge,
    BeyondCold,
    CardOld,
    CardsFull,
    ChargerVolts,
    CopiesShort,
    CopiesTogether,
    FilmShort,
    MirrorOneCard,
    MirrorOneSlot,
    PowerShort,
    PowerThin,
)
from mule.findings.said.stow import NotAtSeat, TooLarge, WaterBeside
from mule.findings.said.travel import HeavyLoad, LegCount, LegMass, LegSize, LegSoft, LegSum, LegTogether, Unplaced
from mule.findings.said.wants import NativeGapOfWants, WantGap, WantUnmet

# Whatever a rule says: the type is told by the code.
Finding = Annotated[
    AbsentLoaded
    | AidMissing
    | BackTooLate
    | BankTooLarge
    | BeyondCold
    | BigBagsBarred
    | BothInOneBag
    | CardOld
    | CardsFull
    | CarriesWell
    | ChainOfLinks
    | ChargerVolts
    | ClashBasePlate
    | ClashHotShoe
    | ClashPhone
    | CopiesShort
    | CopiesTogether
    | CoverLeft
    | DronesBarred
    | FilmShort
    | FilterUnserved
    | FiltersTogether
    | WantGap
    | GateAsk
    | GateNo
    | GoesBack
    | HeavyLoad
    | IdleOptics
    | LegCount
    | LegMass
    | LegSize
    | LegSoft
    | LegSum
    | LegTogether
    | LensChanges
    | LightLegs
    | LostBag
    | MedicineHeld
    | MirrorOneCard
    | MirrorOneSlot
    | MissingLink
    | MustLeave
    | MustTake
    | NativeGapOfWants
    | NoDays
    | NoPeople
    | NoSetUp
    | NoWants
    | NoneBody
    | NotAtSeat
    | NotHeld
    | NothingLoaded
    | OneZoom
    | ServesNothing
    | Overfull
    | SeenTwice
    | PicturesInOneBag
    | PiecesShort
    | PowerShort
    | PowerThin
    | Primes
    | SetIncomplete
    | SinglePoint
    | SlotFull
    | SpecialistBody
    | SupportLoaded
    | ToFetch
    | TooCold
    | TooLarge
    | TorchEach
    | TrioOfZooms
    | TripodsBarred
    | TwinBody
    | Unplaced
    | WantUnmet
    | WaterBeside,
    Field(discriminator="code"),
]

# What a way out brings along is findings again.
for _way in WAYS_OUT:
    _way.model_rebuild(_types_namespace={"Finding": Finding})

__all__ = [
    "AbsentLoaded",
    "AidMissing",
    "BackTooLate",
    "BankTooLarge",
    "BeyondCold",
    "BigBagsBarred",
    "BothInOneBag",
    "CardOld",
    "CardsFull",
    "CarriesWell",
    "ChainOfLinks",
    "ChargerVolts",
    "ClashBasePlate",
    "ClashHotShoe",
    "ClashPhone",
    "CopiesShort",
    "CopiesTogether",
    "CoverLeft",
    "DronesBarred",
    "FilmShort",
    "FilterUnserved",
    "FiltersTogether",
    "Finding",
    "GateAsk",
    "GateNo",
    "GoesBack",
    "HeavyLoad",
    "IdleOptics",
    "LegCount",
    "LegMass",
    "LegSize",
    "LegSoft",
    "LegSum",
    "LegTogether",
    "LensChanges",
    "LightLegs",
    "LostBag",
    "MedicineHeld",
    "MirrorOneCard",
    "MirrorOneSlot",
    "MissingLink",
    "MustLeave",
    "MustTake",
    "NativeGapOfWants",
    "NoDays",
    "NoPeople",
    "NoSetUp",
    "NoWants",
    "NoneBody",
    "NotAtSeat",
    "NotHeld",
    "NothingLoaded",
    "OneZoom",
    "Overfull",
    "PicturesInOneBag",
    "PiecesShort",
    "PowerShort",
    "PowerThin",
    "Primes",
    "SeenTwice",
    "ServesNothing",
    "SetIncomplete",
    "SinglePoint",
    "SlotFull",
    "SpecialistBody",
    "SupportLoaded",
    "ToFetch",
    "TooCold",
    "TooLarge",
    "TorchEach",
    "TrioOfZooms",
    "TripodsBarred",
    "TwinBody",
    "Unplaced",
    "WantGap",
    "WantUnmet",
    "WaterBeside",
]
