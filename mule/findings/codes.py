"""The closed lists of what can be said: each code has a type of its own in ``mule.findings.said``."""

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


class FindingCode(StrEnum):
    """Every rule's words have one of these; the interface has a sentence for each."""

    ABSENT_LOADED = "absent-loaded"
    AID_MISSING = "aid-missing"
    BACK_TOO_LATE = "back-too-late"
    BANK_TOO_LARGE = "bank-too-large"
    BEYOND_COLD = "beyond-cold"
    BIG_BAGS_BARRED = "big-bags-barred"
    BOTH_IN_ONE_BAG = "both-in-one-bag"
    CARD_OLD = "card-old"
    CARDS_FULL = "cards-full"
    CARRIES_WELL = "carries-well"
    CHAIN = "chain"
    CHARGER_VOLTS = "charger-volts"
    CLASH_BASE_PLATE = "clash-base-plate"
    CLASH_HOT_SHOE = "clash-hot-shoe"
    CLASH_PHONE = "clash-phone"
    COPIES_SHORT = "copies-short"
    COPIES_TOGETHER = "copies-together"
    COVER_LEFT = "cover-left"
    DRONES_BARRED = "drones-barred"
    FILM_SHORT = "film-short"
    FILTER_UNSERVED = "filter-unserved"
    FILTERS_TOGETHER = "filters-together"
    GAP = "gap"
    GATE_ASK = "gate-ask"
    GATE_NO = "gate-no"
    GOES_BACK = "goes-back"
    HEAVY_LOAD = "heavy-load"
    IDLE_OPTICS = "idle-optics"
    LEG_COUNT = "leg-count"
    LEG_MASS = "leg-mass"
    LEG_SIZE = "leg-size"
    LEG_SOFT = "leg-soft"
    LEG_SUM = "leg-sum"
    LEG_TOGETHER = "leg-together"
    LENS_CHANGES = "lens-changes"
    LIGHT_LEGS = "light-legs"
    LOST_BAG = "lost-bag"
    MEDICINE_HELD = "medicine-held"
    MIRROR_ONE_CARD = "mirror-one-card"
    MIRROR_ONE_SLOT = "mirror-one-slot"
    MISSING_LINK = "missing-link"
    MUST_LEAVE = "must-leave"
    MUST_TAKE = "must-take"
    NATIVE_GAP = "native-gap"
    NO_DAYS = "no-days"
    NO_PEOPLE = "no-people"
    NO_SET_UP = "no-set-up"
    NO_WANTS = "no-wants"
    NOT_AT_SEAT = "not-at-seat"
    NOT_HELD = "not-held"
    NOTHING_LOADED = "nothing-loaded"
    ORPHAN = "orphan"
    OVERFULL = "overfull"
    OVERLAP = "overlap"
    PICTURES_IN_ONE_BAG = "pictures-in-one-bag"
    PIECES_SHORT = "pieces-short"
    POLICY_NONE_BODY = "policy-none-body"
    POLICY_ONE_ZOOM = "policy-one-zoom"
    POLICY_PRIMES = "policy-primes"
    POLICY_SPECIALIST_BODY = "policy-specialist-body"
    POLICY_TRIO_OF_ZOOMS = "policy-trio-of-zooms"
    POLICY_TWIN_BODY = "policy-twin-body"
    POWER_SHORT = "power-short"
    POWER_THIN = "power-thin"
    SET_INCOMPLETE = "set-incomplete"
    SINGLE_POINT = "single-point"
    SLOT_FULL = "slot-full"
    SUPPORT_LOADED = "support-loaded"
    TO_FETCH = "to-fetch"
    TOO_COLD = "too-cold"
    TOO_LARGE = "too-large"
    TORCH_EACH = "torch-each"
    TRIPODS_BARRED = "tripods-barred"
    UNPLACED = "unplaced"
    WANT_UNMET = "want-unmet"
    WATER_BESIDE = "water-beside"


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
