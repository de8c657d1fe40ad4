"""The rules that turn answers into findings: small classes in one explicit ordered tuple."""

from mule.finding import Finding
from mule.rules.brief import NoDays, NoPeople, NoWants
from mule.rules.case import Case, Prices, Rule
from mule.rules.completeness import Chains, Clashes, FilterUnserved, MissingLink, Orphans, Overlaps
from mule.rules.gate import RestrictedThings
from mule.rules.kit import AbsentLoaded, IdleOptics, NothingLoaded, NothingToShoot, Overfull
from mule.rules.losses import SinglePoints
from mule.rules.people import BothInOneBag, CarriesWell, TorchEach
from mule.rules.place import BackTooLate, LensChanges, LocalRules, ToFetch
from mule.rules.policies import BodyPolicy, LensPolicy, MarksKept
from mule.rules.stamina import (
    BankTooLarge,
    BeyondTheEstimate,
    CardsFull,
    ChargerUseless,
    CopiesShort,
    CopiesTogether,
    MirrorOneSlot,
    PowerShort,
)
from mule.rules.stow import AtTheSeat, TooLarge
from mule.rules.travel import LegRefuses, LoadOnPerson
from mule.rules.wants import Gaps, NativeGaps, WantUnmet

RULES: tuple[Rule, ...] = (
    NoPeople(),
    NoDays(),
    NoWants(),
    NothingLoaded(),
    NothingToShoot(),
    MissingLink(),
    LegRefuses(),
    WantUnmet(),
    MarksKept(),
    LensPolicy(),
    BodyPolicy(),
    Gaps(),
    FilterUnserved(),
    LocalRules(),
    CarriesWell(),
    LoadOnPerson(),
    Overfull(),
    IdleOptics(),
    Orphans(),
    BackTooLate(),
    Clashes(),
    SinglePoints(),
    LensChanges(),
    AbsentLoaded(),
    ToFetch(),
    TorchEach(),
    BothInOneBag(),
    Chains(),
    Overlaps(),
    NativeGaps(),
    PowerShort(),
    ChargerUseless(),
    BankTooLarge(),
    CardsFull(),
    CopiesShort(),
    CopiesTogether(),
    MirrorOneSlot(),
    BeyondTheEstimate(),
    RestrictedThings(),
    TooLarge(),
    AtTheSeat(),
)


def speak(case: Case) -> tuple[Finding, ...]:
    """What every rule finds, blockers first, in the order of RULES within one severity."""
    found = [finding for rule in RULES for finding in rule.find(case)]
    order = ("blocker", "caution", "note")
    return tuple(sorted(found, key=lambda finding: order.index(finding.severity)))


__all__ = ["RULES", "Case", "Prices", "Rule", "speak"]
