"""What is proposed for each finding."""

from collections.abc import Iterable, Mapping

from mule.findings import said
from mule.findings.codes import NoWay
from mule.findings.cures import aids, apart, links, luggage, marks, pictures, power, wants
from mule.findings.cures.making import Proposals
from mule.findings.rules import Trials
from mule.findings.said import Finding
from mule.findings.said.cure import Cure
from mule.findings.said.told import Told
from mule.plan.gear import keeps_safe

# Ways of working and things in thought are proposed last: they are tried only where nothing else helps.
PROPOSERS: Proposals = {
    **aids.PROPOSALS,
    **apart.PROPOSALS,
    **links.PROPOSALS,
    **luggage.PROPOSALS,
    **marks.PROPOSALS,
    **pictures.PROPOSALS,
    **power.PROPOSALS,
    **wants.PROPOSALS,
}
# No edit of the kit helps against these; the user only has to know them.
TO_BE_KNOWN: frozenset[type[Told]] = frozenset(
    {
        said.AbsentLoaded,
        said.BeyondCold,
        said.CardOld,
        said.ChainOfLinks,
        said.FiltersTogether,
        said.MirrorOneCard,
        said.MirrorOneSlot,
        said.ToFetch,
    }
)
# Where something else than an edit of the kit has to be said or done.
ELSEWHERE: Mapping[type[Told], NoWay] = {
    said.GateAsk: NoWay.WORD,
    said.NoDays: NoWay.BRIEF,
    said.NoPeople: NoWay.BRIEF,
    said.NoWants: NoWay.BRIEF,
    said.NothingLoaded: NoWay.BENCH,
}


def proposed(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """What could be done about a finding; of loadouts nothing: they are mended where they are made up."""
    proposer = PROPOSERS.get(type(finding))
    if proposer is None or _of_a_loadout(finding):
        return ()
    return (way for way in proposer(trials, finding) if _keeps_to_the_marks(trials, way))


def _of_a_loadout(finding: Finding) -> bool:
    return isinstance(finding, said.GateNo | said.GateAsk) and finding.loadout is not None


def _keeps_to_the_marks(trials: Trials, way: Cure) -> bool:
    """Whether it leaves no safety gear, and loads nothing that is to stay at home."""
    gear = trials.plan.items
    return not any(
        (edit.act == "leave" and keeps_safe(gear[edit.item])) or (edit.act == "load" and edit.item in trials.barred)
        for edit in way.edits
    )


def why_not(trials: Trials, finding: Finding, *, worse: bool) -> NoWay:
    """Why nothing was found for a finding. worse: whether something would help, and bring along what blocks."""
    if type(finding) in ELSEWHERE:
        return ELSEWHERE[type(finding)]
    if _of_a_loadout(finding):
        return NoWay.LOADOUT
    if finding.items and all(keeps_safe(trials.plan.items[item]) for item in finding.items):
        return NoWay.SAFETY
    return NoWay.WORSE if worse else NoWay.NONE
