"""The rules that turn answers into findings: small classes in one explicit ordered tuple."""

from collections.abc import Iterable

from mule.finding import Finding
from mule.rules.brief import NoDays, NoPeople, NoWants
from mule.rules.case import Case, Rule, Said, TrialRule, Trials
from mule.rules.completeness import (
    Chains,
    Clashes,
    FiltersTogether,
    FilterUnserved,
    MissingLink,
    Orphans,
    Overlaps,
)
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
    MirrorOnce,
    PowerShort,
)
from mule.rules.stations import Station, StationMark, stations_of
from mule.rules.stow import AtTheSeat, TooLarge
from mule.rules.travel import LegRefuses, LoadOnPerson, Unplaced
from mule.rules.wants import Gaps, NativeGaps, WantUnmet

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
    Clashes(),
    LensChanges(),
    AbsentLoaded(),
    ToFetch(),
    TorchEach(),
    BothInOneBag(),
    Overlaps(),
    NativeGaps(),
    PowerShort(),
    ChargerUseless(),
    BankTooLarge(),
    CardsFull(),
    CopiesShort(),
    CopiesTogether(),
    MirrorOnce(),
    BeyondTheEstimate(),
    RestrictedThings(),
    TooLarge(),
    AtTheSeat(),
)


# These speak of other kits: with the advice, after the others of their severity.
TRIAL_RULES: tuple[TrialRule, ...] = (SinglePoints(), Chains())

_SEVERITIES = ("blocker", "caution", "note")


def speak(case: Case) -> tuple[Said, ...]:
    """What every rule finds, blockers first, in the order of RULES within one severity.

    >>> from mule.assess import case_of
    >>> from tests import cast
    >>> [said.finding.code.value for said in speak(case_of(cast.plan([])))]
    ['nothing-loaded']
    """
    return _in_order(said for rule in RULES for said in rule.find(case))


def advise_on(said: Iterable[Said], trials: Trials) -> tuple[Finding, ...]:
    """What the rules found with its cures, and what only other kits show, in the order of ``speak``."""
    everything = _in_order([*said, *speak_of_trials(trials)])
    return tuple(finding.model_copy(update={"cures": tuple(cures(trials))}) for finding, cures in everything)


def speak_of_trials(trials: Trials) -> tuple[Said, ...]:
    """What only other kits show."""
    return tuple(said for rule in TRIAL_RULES for said in rule.find(trials))


def _in_order(said: Iterable[Said]) -> tuple[Said, ...]:
    return tuple(sorted(said, key=lambda one: _SEVERITIES.index(one.finding.severity)))


__all__ = [
    "RULES",
    "TRIAL_RULES",
    "Case",
    "Rule",
    "Said",
    "Station",
    "StationMark",
    "Trials",
    "advise_on",
    "speak",
    "speak_of_trials",
    "stations_of",
]
