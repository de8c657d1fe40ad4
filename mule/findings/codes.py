"""Closed lists that findings and cures draw on. The code of a finding stands in its type (``mule.findings.said``)."""

from enum import StrEnum


class Severity(StrEnum):
    """blocker: the trip fails on it; caution: a picture or a comfort is lost; note: good to know."""

    BLOCKER = "blocker"
    CAUTION = "caution"
    NOTE = "note"

    @property
    def gravity(self) -> int:
        """How grave it is: higher is graver, a note 0."""
        return _BY_GRAVITY.index(self)


_BY_GRAVITY = tuple(reversed(Severity))


class StationName(StrEnum):
    """A stop of the trail, in the order of work."""

    BRIEF = "brief"
    BENCH = "bench"
    STAMINA = "stamina"
    STOW = "stow"
    GATE = "gate"
    PACKOUT = "packout"
    TRAIL = "trail"
    LOOKBACK = "lookback"


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
