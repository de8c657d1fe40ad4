"""Proposals done on a copy of the plan: what is gone then, what comes instead, and what it costs."""

from collections.abc import Callable, Iterable, Sequence
from itertools import islice, takewhile
from math import inf
from typing import NamedTuple

from mule.base.errors import InvalidInput
from mule.findings import said
from mule.findings.assess import case_of
from mule.findings.codes import NoWay, Severity
from mule.findings.cures.getting import with_gets
from mule.findings.cures.problem import heavier, is_revealed, lighter, problems, weighty
from mule.findings.cures.proposers import proposed, why_not
from mule.findings.cures.room import finds_room
from mule.findings.rules import OF_LOSSES, Case, Trials, speak, speak_of_losses
from mule.findings.said import Finding
from mule.findings.said.cure import Cure
from mule.plan.editing import apply
from mule.plan.edits import Edit

# What is offered at most, and what is tried for it.
MOST_CURES = 3
_MOST_TRIED = 8
_MOST_TRIED_OF_NOTES = 3
# Proposals that bring blockers along and are looked at again, and ways out of these, where nothing else helps.
_MOST_MENDED = 4
# Points of the brief that nobody would miss.
_NO_POINTS = 0.005
_NO_COVER = 0.005
_NO_GRAMS = 0.5
# What is not mended on the way: to look for what would takes longer than to look at another cure.
_SLOW = (said.PowerShort, said.CardsFull, said.CopiesShort)
# What leaves more of a problem than this is no way out.
_MOST_REST = 0.9


class _Outcome(NamedTuple):
    """What a proposal comes to. case: the facts then. brings: what is new of what the rules say then. gone: whether the
    finding is; rest: the share of it that stays. also: what else of blockers and cautions is gone; eased: how many of
    them are gone or less."""

    cure: Cure
    case: Case
    brings: tuple[Finding, ...]
    gone: bool
    rest: float
    also: tuple[Finding, ...]
    eased: int


class _Offer(NamedTuple):
    """A cure that does what it says. eased: how many other blockers and cautions it makes less. mended: whether more
    had to be done than was proposed."""

    cure: Cure
    eased: int = 0
    mended: bool = False

    @property
    def whole(self) -> bool:
        """Whether nothing of the finding stays, nothing new comes, and nothing has to be got."""
        return not (self.cure.partly or self.cure.brings or self.cure.gets)

    @property
    def got(self) -> bool:
        """Whether what it gets does all of it: what is proposed later weighs more."""
        return bool(self.cure.gets) and not self.cure.partly and not self.cure.brings

    @property
    def plain(self) -> bool:
        """Whether it costs no picture: what is proposed later is hardly cheaper."""
        return self.whole and not self.mended and not self.cure.points


class Trying:
    """Tries proposals on one kit. facts: the findings about its facts. should_stop: is asked before each trial."""

    def __init__(self, trials: Trials, facts: Sequence[Finding], should_stop: Callable[[], bool]) -> None:
        self._should_stop = should_stop
        self._trials, self._before = trials, problems((*facts, *(losses := speak_of_losses(trials))))
        self._weighty = {one.subject(): one for one in facts if weighty(one)}
        # Where they are no more than notes, nobody has to be told that a cure brings one.
        self._losses_weigh = trials.plan.trip.stakes == "paid" or any(map(weighty, losses))
        self._known: dict[tuple[object, object], tuple[Case, tuple[Finding, ...]] | None] = {}

    def offer(self, finding: Finding) -> tuple[tuple[Cure, ...], NoWay | None]:
        """The cures of a finding that do what they say, cheapest first; and why there are none."""
        found: list[_Offer] = []
        worse: list[_Outcome] = []
        tried = 0
        # For a note nobody buys anything.
        idle = not weighty(finding)
        most = _MOST_TRIED_OF_NOTES if idle else _MOST_TRIED
        for cure in takewhile(lambda _: not self._should_stop(), proposed(self._trials, finding)):
            # What would have to be got comes last, and cheap ways are proposed first.
            if sum(one.plain for one in found) >= MOST_CURES or (
                cure.gets and (idle or any(one.whole or one.got for one in found))
            ):
                break
            if not cure.edits and not cure.gets:
                # A way of shooting, or of charging and copying, which was gone through when it was proposed.
                found.append(_Offer(cure))
                continue
            tried += 1
            made = self._tried(cure, finding) if tried <= most or cure.gets else None
            if made is None:
                continue
            # A way that needs more than was proposed comes after every plain one.
            if made.brings and not any(one.plain for one in found) and (not idle or len(made.brings) == 1):
                made = self._mended(made, finding) or made
            if _worth_saying(finding, made.brings):
                mended = len(made.cure.edits) > len(cure.edits)
                found.append(_Offer(self._priced(made), made.eased, mended))
            else:
                worse.append(made)
        if not found and weighty(finding):
            rescued = filter(None, (self._without_blockers(made, finding) for made in worse[:_MOST_MENDED]))
            found = [_Offer(self._priced(made), mended=True) for made in islice(rescued, 1)]
        return tuple(_cheapest(found)), None if found else why_not(self._trials, finding, worse=bool(worse))

    def _tried(self, cure: Cure, asked: Finding) -> _Outcome | None:
        then = self._then(cure)
        if then is None:
            return None
        case, heard = then
        if self._losses_weigh or isinstance(asked, OF_LOSSES):
            # Who is not told of other losses as a price need not know them.
            about = None if self._losses_weigh else type(asked)
            heard = (*heard, *speak_of_losses(Trials(case), about))
        after = problems(heard)
        problem, rest = asked.subject(), 0.0
        now, before = after.get(problem), self._before[problem]
        if not lighter(now, before):
            return None
        if now is not None:
            rest = now[1] / before[1] if before[1] else 1.0
            if now[0] == before[0] and rest > _MOST_REST:
                return None
        brings = tuple(
            one
            for one in heard
            if weighty(one)
            and heavier(after[one.subject()], self._before.get(one.subject()))
            and not is_revealed(one, by=asked)
        )
        others = {key: one for key, one in self._weighty.items() if key != problem}
        also = tuple(one for key, one in others.items() if key not in after)
        eased = sum(lighter(after.get(key), self._before[key]) for key in others)
        return _Outcome(cure, case, brings, now is None, rest, also, eased)

    def _then(self, cure: Cure) -> tuple[Case, tuple[Finding, ...]] | None:
        """The facts after a cure and what the rules say of them; None where it cannot be done."""
        key = cure.edits, cure.gets
        if key not in self._known:
            self._known[key] = self._worked_out(cure)
        return self._known[key]

    def _worked_out(self, cure: Cure) -> tuple[Case, tuple[Finding, ...]] | None:
        plan, more = with_gets(self._trials.plan, cure.gets) if cure.gets else (self._trials.plan, ())
        try:
            then = apply(plan, (*cure.edits, *more))
        except InvalidInput:
            return None
        if not finds_room(plan, then, cure.edits):
            return None
        # Who asks whether to stop may want to let others pass first: a trial is a long step.
        if self._should_stop():
            return None
        case = case_of(then)
        return None if self._should_stop() else (case, speak(case))

    def _mended(self, made: _Outcome, asked: Finding) -> _Outcome | None:
        """With the first way out of everything that it brings along, if that leaves nothing new."""
        if any(isinstance(one, _SLOW) for one in made.brings):
            return None
        trials, more = Trials(made.case), list[Edit]()
        for one in made.brings:
            way = next((c for c in islice(proposed(trials, one), 1) if _adds(c, made.cure)), None)
            if way is None:
                return None
            more += [edit for edit in way.edits if edit not in more]
        tried = self._tried(_with(made.cure, more), asked)
        return None if tried is None or tried.brings else tried

    def _without_blockers(self, made: _Outcome, asked: Finding) -> _Outcome | None:
        """With ways out of the blockers that it brings along, one after the other; None where one stays."""
        for _ in range(_MOST_MENDED):
            blockers = _blockers(made.brings)
            if not blockers:
                return made
            ways = islice(proposed(Trials(made.case), blockers[0]), _MOST_MENDED)
            better = (self._tried(_with(made.cure, way.edits), asked) for way in ways if _adds(way, made.cure))
            found = next((one for one in better if one and len(_blockers(one.brings)) < len(blockers)), None)
            if found is None:
                return None
            made = found
        return None if _blockers(made.brings) else made

    def _priced(self, made: _Outcome) -> Cure:
        """With the difference of the facts as its price."""
        now, then = self._trials.case, made.case
        points = now.view.coverage.score - then.view.coverage.score
        before = {who.person: who.carried_g for who in now.loads.people}
        carried = {p.person: p.carried_g - before[p.person] for p in then.loads.people}
        covers = zip(now.view.coverage.wants, then.view.coverage.wants, strict=True)
        wants = {was.want: is_.cover - was.cover for was, is_ in covers}
        return made.cure.model_copy(
            update={
                "mass_change_g": then.loads.total_g - now.loads.total_g,
                "on": {who: grams for who, grams in carried.items() if abs(grams) >= _NO_GRAMS},
                "points": points if points > _NO_POINTS else 0.0,
                "power_days": then.stamina.power.days_carried - now.stamina.power.days_carried,
                "wants": {want: change for want, change in wants.items() if abs(change) >= _NO_COVER},
                "partly": not made.gone,
                "rest": 0.0 if made.gone else made.rest,
                "brings": tuple(one.told for one in made.brings),
                "also": tuple(one.told for one in made.also),
            }
        )


def _blockers(brings: Iterable[Finding]) -> list[Finding]:
    return [one for one in brings if one.severity == Severity.BLOCKER]


def _adds(way: Cure, to: Cure) -> bool:
    """Whether a way out can be added to a cure: it takes back nothing of it, and needs nothing that is not owned."""
    touched = {edit.item for edit in to.edits}
    return bool(way.edits) and not way.gets and touched.isdisjoint(edit.item for edit in way.edits)


def _with(cure: Cure, more: Iterable[Edit]) -> Cure:
    return cure.model_copy(update={"edits": (*cure.edits, *more)})


def _worth_saying(finding: Finding, brings: Sequence[Finding]) -> bool:
    """Nobody is helped out of a note into a caution, or by a blocker."""
    if not brings:
        return True
    return finding.severity != Severity.NOTE and all(one.severity != Severity.BLOCKER for one in brings)


def _cheapest(offers: Iterable[_Offer]) -> list[Cure]:
    """At most three, none of which does needless things: in each sort by points, what else they ease, grams, acts."""
    kept: list[Cure] = []
    for cure in (offer.cure for offer in sorted(offers, key=_rank)):
        if not any(_does(cure, more_than=k) for k in kept):
            kept.append(cure)
    return kept[:MOST_CURES]


def _rank(offer: _Offer) -> tuple[float, ...]:
    cure = offer.cure
    points, grams = round(cure.points, 3), round(max(0.0, cure.mass_change_g), 1)
    # Who can keep a thing by putting it elsewhere does not leave it.
    changes = any(edit.act != "move" for edit in cure.edits)
    return _sort(offer), points, changes, -offer.eased, grams, len(cure.edits)


def _acts(cure: Cure) -> dict[tuple[str, ...], float]:
    """How often a cure does what: pieces loaded, left, moved or got."""
    edits = ((e.act, e.item, str(getattr(e, "place", None))) for e in cure.edits)
    counts = (inf if (count := getattr(e, "count", None)) is None else float(count) for e in cure.edits)
    found: dict[tuple[str, ...], float] = dict(zip(edits, counts, strict=True))
    gets = {("get", got.what, got.which): float(got.count) for got in cure.gets}
    return found | gets


def _does(cure: Cure, *, more_than: Cure) -> bool:
    """Whether a cure does all that another does, and only more of it or something beside."""
    less, more = _acts(more_than), _acts(cure)
    return bool(less) and all(more.get(act, 0.0) >= count for act, count in less.items())


def _sort(offer: _Offer) -> int:
    """Plain whole ways with what is here, ways of working, whole ways that needed more, things to get; then what helps
    in part, then what has a price."""
    cure = offer.cure
    if cure.brings:
        return 5
    if cure.partly:
        return 4
    if cure.gets:
        return 3
    return 2 if offer.mended else 0 if cure.edits else 1
