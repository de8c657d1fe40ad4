"""The rules that turn answers into findings: small classes in one explicit ordered tuple."""

from collections.abc import Iterable

from mule.findings.codes import FindingCode
from mule.findings.rules.brief import NoDays, NoPeople, NoWants
from mule.findings.rules.case import Case, Rule, TrialRule, Trials
from mule.findings.rules.completeness import (
    Chains,
    Clashes,
    FiltersTogether,
    FilterUnserved,
    MissingLink,
    Orphans,
    Overlaps,
)
from mule.findings.rules.gate import MedicineInReach, RestrictedThings
from mule.findings.rules.holding import AsksUnmet, CoverLeft, LightLegs, SupportLoaded
from mule.findings.rules.kit import AbsentLoaded, IdleOptics, NothingLoaded, NothingToShoot, Overfull
from mule.findings.rules.losses import LostBags, SinglePoints
from mule.findings.rules.people import BothInOneBag, CarriesWell, SetIncomplete, TorchEach
from mule.findings.rules.place import BackTooLate, GoesBack, LensChanges, LocalRules, ToFetch
from mule.findings.rules.policies import BodyPolicy, LensPolicy, MarksKept
from mule.findings.rules.stamina import (
    BankTooLarge,
    BeyondTheEstimate,
    CardOld,
    CardsFull,
    ChargerUseless,
    CopiesShort,
    CopiesTogether,
    FilmShort,
    MirrorOnce,
    PowerShort,
)
from mule.findings.rules.stations import Station, StationMark, stations_of
from mule.findings.rules.stow import AtTheSeat, TooLarge, WaterBeside
from mule.findings.rules.travel import LegRefuses, LoadOnPerson, Unplaced
from mule.findings.rules.wants import Gaps, NativeGaps, WantUnmet
from mule.findings.rules.warmth import TooCold
from mule.findings.said import Finding

RULES: tuple[Rule, ...] = (
    NoPeople(),
    NoDays(),
    NoWants(),
    NothingLoaded(),
    NothingToShoot(),
    MissingLink(),
    LegRefuses(),
    Unplaced(),
    WantUnmet(),
    AsksUnmet(),
    SupportLoaded(),
    LightLegs(),
    CoverLeft(),
    TooCold(),
    MarksKept(),
    LensPolicy(),
    BodyPolicy(),
    Gaps(),
    FilterUnserved(),
    FiltersTogether(),
    LocalRules(),
    CarriesWell(),
    LoadOnPerson(),
    Overfull(),
    IdleOptics(),
    Orphans(),
    BackTooLate(),
    GoesBack(),
    Clashes(),
    LensChanges(),
    AbsentLoaded(),
    ToFetch(),
    SetIncomplete(),
    TorchEach(),
    BothInOneBag(),
    Overlaps(),
    NativeGaps(),
    PowerShort(),
    ChargerUseless(),
    BankTooLarge(),
    CardsFull(),
    FilmShort(),
    CardOld(),
    CopiesShort(),
    CopiesTogether(),
    MirrorOnce(),
    BeyondTheEstimate(),
    RestrictedThings(),
    MedicineInReach(),
    TooLarge(),
    AtTheSeat(),
    WaterBeside(),
)


# These speak of other kits: with the advice, after the others of their severity.
TRIAL_RULES: tuple[TrialRule, ...] = (SinglePoints(), LostBags(), Chains())

# What ``speak_of_losses`` says.
OF_LOSSES = frozenset({FindingCode.LOST_BAG, FindingCode.SINGLE_POINT, FindingCode.PICTURES_IN_ONE_BAG})


def speak(case: Case) -> tuple[Finding, ...]:
    """What every rule finds, blockers first, in the order of RULES within one severity.

    >>> from mule.findings.assess import case_of
    >>> from tests import cast
    >>> [said.code.value for said in speak(case_of(cast.plan([])))]
    ['nothing-loaded']
    """
    return tuple(sorted((said for rule in RULES for said in rule.find(case)), key=_rank))


def speak_of_trials(trials: Trials) -> tuple[Finding, ...]:
    """What only other kits show."""
    return tuple(said for rule in TRIAL_RULES for said in rule.find(trials))


def speak_of_losses(trials: Trials, about: FindingCode | None = None) -> tuple[Finding, ...]:
    """Every loss that is worth a line, not only the worst few: for who compares kits.

    about: where only one sort is asked for, the others are not worked out.
    """
    bags = LostBags().find(trials) if about in (None, FindingCode.LOST_BAG) else ()
    things = SinglePoints(most=None).find(trials) if about != FindingCode.LOST_BAG else ()
    return (*things, *bags)


def in_order(findings: Iterable[Finding]) -> tuple[Finding, ...]:
    """Blockers first, as ``speak`` does."""
    return tuple(sorted(findings, key=_rank))


def _rank(finding: Finding) -> int:
    return -finding.severity.gravity


__all__ = [
    "OF_LOSSES",
    "RULES",
    "TRIAL_RULES",
    "Case",
    "Rule",
    "Station",
    "StationMark",
    "Trials",
    "in_order",
    "speak",
    "speak_of_losses",
    "speak_of_trials",
    "stations_of",
]
