"""The rules that turn answers into findings: small classes in one explicit ordered tuple."""

from collections.abc import Iterable

from mule.findings.codes import FindingCode
from mule.findings.rules.brief import NoDaysRule, NoPeopleRule, NoWantsRule
from mule.findings.rules.case import Case, Rule, TrialRule, Trials
from mule.findings.rules.completeness import (
    ChainsRule,
    ClashesRule,
    FiltersTogetherRule,
    FilterUnservedRule,
    MissingLinkRule,
    OrphansRule,
    OverlapsRule,
)
from mule.findings.rules.gate import MedicineInReachRule, RestrictedThingsRule
from mule.findings.rules.holding import AsksUnmetRule, CoverLeftRule, LightLegsRule, SupportLoadedRule
from mule.findings.rules.kit import (
    AbsentLoadedRule,
    IdleOpticsRule,
    NothingLoadedRule,
    NothingToShootRule,
    OverfullRule,
)
from mule.findings.rules.losses import LostBagsRule, SinglePointsRule
from mule.findings.rules.people import BothInOneBagRule, CarriesWellRule, SetIncompleteRule, TorchEachRule
from mule.findings.rules.place import BackTooLateRule, GoesBackRule, LensChangesRule, LocalRulesRule, ToFetchRule
from mule.findings.rules.policies import BodyPolicyRule, LensPolicyRule, MarksKeptRule
from mule.findings.rules.stamina import (
    BankTooLargeRule,
    BeyondTheEstimateRule,
    CardOldRule,
    CardsFullRule,
    ChargerUselessRule,
    CopiesShortRule,
    CopiesTogetherRule,
    FilmShortRule,
    MirrorOnceRule,
    PowerShortRule,
)
from mule.findings.rules.stations import Station, StationMark, stations_of
from mule.findings.rules.stow import AtTheSeatRule, TooLargeRule, WaterBesideRule
from mule.findings.rules.travel import LegRefusesRule, LoadOnPersonRule, UnplacedRule
from mule.findings.rules.wants import GapsRule, NativeGapsRule, WantUnmetRule
from mule.findings.rules.warmth import TooColdRule
from mule.findings.said import Finding

RULES: tuple[Rule, ...] = (
    NoPeopleRule(),
    NoDaysRule(),
    NoWantsRule(),
    NothingLoadedRule(),
    NothingToShootRule(),
    MissingLinkRule(),
    LegRefusesRule(),
    UnplacedRule(),
    WantUnmetRule(),
    AsksUnmetRule(),
    SupportLoadedRule(),
    LightLegsRule(),
    CoverLeftRule(),
    TooColdRule(),
    MarksKeptRule(),
    LensPolicyRule(),
    BodyPolicyRule(),
    GapsRule(),
    FilterUnservedRule(),
    FiltersTogetherRule(),
    LocalRulesRule(),
    CarriesWellRule(),
    LoadOnPersonRule(),
    OverfullRule(),
    IdleOpticsRule(),
    OrphansRule(),
    BackTooLateRule(),
    GoesBackRule(),
    ClashesRule(),
    LensChangesRule(),
    AbsentLoadedRule(),
    ToFetchRule(),
    SetIncompleteRule(),
    TorchEachRule(),
    BothInOneBagRule(),
    OverlapsRule(),
    NativeGapsRule(),
    PowerShortRule(),
    ChargerUselessRule(),
    BankTooLargeRule(),
    CardsFullRule(),
    FilmShortRule(),
    CardOldRule(),
    CopiesShortRule(),
    CopiesTogetherRule(),
    MirrorOnceRule(),
    BeyondTheEstimateRule(),
    RestrictedThingsRule(),
    MedicineInReachRule(),
    TooLargeRule(),
    AtTheSeatRule(),
    WaterBesideRule(),
)


# These speak of other kits: with the advice, after the others of their severity.
TRIAL_RULES: tuple[TrialRule, ...] = (SinglePointsRule(), LostBagsRule(), ChainsRule())

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
    bags = LostBagsRule().find(trials) if about in (None, FindingCode.LOST_BAG) else ()
    things = SinglePointsRule(most=None).find(trials) if about != FindingCode.LOST_BAG else ()
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
