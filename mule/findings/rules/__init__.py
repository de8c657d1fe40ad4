"""The rules that turn answers into findings: small classes in one explicit ordered tuple."""

from collections.abc import Iterable

from mule.findings import said
from mule.findings.rules import (
    brief,
    completeness,
    gate,
    holding,
    kit,
    losses,
    people,
    place,
    policies,
    stamina,
    stow,
    travel,
    wants,
    warmth,
)
from mule.findings.rules.case import Case, Rule, TrialRule, Trials
from mule.findings.rules.stations import Station, StationMark, stations_of
from mule.findings.said import Finding

RULES: tuple[Rule, ...] = (
    brief.NoPeopleRule(),
    brief.NoDaysRule(),
    brief.NoWantsRule(),
    kit.NothingLoadedRule(),
    kit.NothingToShootRule(),
    completeness.MissingLinkRule(),
    travel.LegRefusesRule(),
    travel.UnplacedRule(),
    wants.WantUnmetRule(),
    holding.AsksUnmetRule(),
    holding.SupportLoadedRule(),
    holding.LightLegsRule(),
    holding.CoverLeftRule(),
    warmth.TooColdRule(),
    policies.MarksKeptRule(),
    policies.LensPolicyRule(),
    policies.BodyPolicyRule(),
    wants.GapsRule(),
    completeness.FilterUnservedRule(),
    completeness.FiltersTogetherRule(),
    place.LocalRulesRule(),
    people.CarriesWellRule(),
    travel.LoadOnPersonRule(),
    kit.OverfullRule(),
    kit.IdleOpticsRule(),
    completeness.OrphansRule(),
    place.BackTooLateRule(),
    place.GoesBackRule(),
    completeness.ClashesRule(),
    place.LensChangesRule(),
    kit.AbsentLoadedRule(),
    place.ToFetchRule(),
    people.SetIncompleteRule(),
    people.TorchEachRule(),
    people.BothInOneBagRule(),
    completeness.OverlapsRule(),
    wants.NativeGapsRule(),
    stamina.PowerShortRule(),
    stamina.ChargerUselessRule(),
    stamina.BankTooLargeRule(),
    stamina.CardsFullRule(),
    stamina.FilmShortRule(),
    stamina.CardOldRule(),
    stamina.CopiesShortRule(),
    stamina.CopiesTogetherRule(),
    stamina.MirrorOnceRule(),
    stamina.BeyondTheEstimateRule(),
    gate.RestrictedThingsRule(),
    gate.MedicineInReachRule(),
    stow.TooLargeRule(),
    stow.AtTheSeatRule(),
    stow.WaterBesideRule(),
)


# These speak of other kits: with the advice, after the others of their severity.
TRIAL_RULES: tuple[TrialRule, ...] = (losses.SinglePointsRule(), losses.LostBagsRule(), completeness.ChainsRule())

# What ``speak_of_losses`` says.
OF_LOSSES = (said.LostBag, said.SinglePoint, said.PicturesInOneBag)


def speak(case: Case) -> tuple[Finding, ...]:
    """What every rule finds, blockers first, in the order of RULES within one severity.

    >>> from mule.findings.assess import case_of
    >>> from tests import cast
    >>> [one.code for one in speak(case_of(cast.plan([])))]
    ['nothing-loaded']
    """
    return tuple(sorted((one for rule in RULES for one in rule.find(case)), key=_rank))


def speak_of_trials(trials: Trials) -> tuple[Finding, ...]:
    """What only other kits show."""
    return tuple(one for rule in TRIAL_RULES for one in rule.find(trials))


def speak_of_losses(trials: Trials, about: type[Finding] | None = None) -> tuple[Finding, ...]:
    """Every loss that is worth a line, not only the worst few: for who compares kits.

    about: where only one sort is asked for, the others are not worked out.
    """
    bags = losses.LostBagsRule().find(trials) if about in (None, said.LostBag) else ()
    things = losses.SinglePointsRule(most=None).find(trials) if about is not said.LostBag else ()
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
