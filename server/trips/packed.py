"""Searches that several screens ask for. Packings are kept by what they hang on: Stow, Pack-out and the field ask for
the same one again and again."""

from collections.abc import Hashable, Iterator
from hashlib import sha256

from django.core.cache import cache
from pydantic import ValidationError

from mule.analysis.gate import GateCheckPlan
from mule.findings.shopping import Wanted
from mule.packing import USUAL_S, Before, PlacingOptions, Stowage, cost_of_left
from mule.packing.placements import USUAL
from mule.plan import Plan
from mule.plan.field.lines import packed_in
from server.searching.answers import Question, found, lines_of, within_limits
from server.searching.jobs import DRILL, WANTED, Answering, Stowing, drill, shopping, worth_to_wants
from server.searching.kept import KEEP_S, answer
from server.searching.lines import StowLine
from server.trips.models import Kit, KitPacking
from server.trips.schemas import PackingTime

# For a packing that did not come to its end, when nobody waits for it any more.
_LONGER_S = 40.0


class _Kept:
    """The packing of a plan's open kit that was found before, by all that it hangs on; and how it lay, whatever changed
    since then.

    kit: its row, where that is kept; loadout: as which of its loadouts the plan carries it.
    """

    def __init__(self, plan: Plan, kit: Kit, loadout: str = "") -> None:
        told = [plan.kit.model_dump_json(include={"entries", "stow"}), plan.trip.marks.model_dump_json()]
        told += [plan.items[item].model_dump_json() for item in sorted(plan.loaded)]
        self._asked = _digest("".join(told))
        self._kit, self._loadout = kit, loadout
        self._row = kit.packings.filter(loadout=loadout).first()
        self.before = _read(self._row.stowage) if self._row else None
        # What is ticked on the list lies in its bag already: it does not change its place under one's hands.
        self.hold = frozenset(one for line in kit.trip.ticked if (one := packed_in(line)))
        # What decides about what is left over: what is ticked, and what the wants ask for.
        self._deciding = _digest("\n".join([*sorted(kit.trip.ticked), *map(str, plan.trip.wants)]))

    @property
    def start(self) -> Before | None:
        """Where things lie, and what of it is not to be moved."""
        return Before(self.before, self.hold) if self.before else None

    @property
    def _key(self) -> str:
        """What was packed from the same start is the same packing, in whichever kit."""
        begun = _digest(self._row.stowage) if self._row else ""
        return f"packed-{self._asked}-{begun}-{self._deciding}"

    def get(self) -> Stowage | None:
        if self._row and self.before and self._row.asked == self._asks(self.before):
            return self.before
        kept = cache.get(self._key)
        found = None if kept is None else _read(kept)
        if found is not None:
            # What another kit was packed as is how this one lies now.
            self._keep(found)
        return found

    def _asks(self, stowage: Stowage) -> str:
        """What a packing hangs on: on ticks and wants only where something is left over."""
        return self._asked + (self._deciding if stowage.left else "")

    def put(self, stowage: Stowage) -> None:
        cache.set(self._key, stowage.model_dump_json(), KEEP_S)
        self._keep(stowage)

    def _keep(self, stowage: Stowage) -> None:
        lies = {"asked": self._asks(stowage), "stowage": stowage.model_dump_json()}
        KitPacking.objects.update_or_create(kit=self._kit, loadout=self._loadout, defaults=lies)

    def job(self, plan: Plan) -> Stowing:
        """From where things lie."""
        seconds = within_limits(USUAL_S, USUAL.workers)["seconds"]
        return Stowing(plan, seconds, USUAL, before=self.start)


def _digest(text: str) -> str:
    return sha256(text.encode()).hexdigest()[:32]


def _read(kept: str) -> Stowage | None:
    """A packing of an earlier version may lack what this one tells: then all is packed anew."""
    try:
        return Stowage.model_validate_json(kept)
    except ValidationError:
        return None


def packed(plan: Plan, owner: Hashable, kit: Kit, loadout: str = "") -> Stowage:
    """The packing of a plan's open kit: the one of before, as long as nothing in it has changed.

    kit: its row; loadout: as which of its loadouts the plan carries it.
    """
    known = _Kept(plan, kit, loadout)
    kept = known.get()
    if kept is None:
        kept = _whole(found(known.job(plan), owner))
        assert kept is not None, "the last line of a packing is of all bags"
        known.put(kept)
    return kept


def packing(
    plan: Plan, question: Question, kit: Kit, loadout: str = "", asked: PackingTime | None = None
) -> Iterator[str]:
    """Lines of a packing: the one of before at once, or bag by bag as it is found.

    Where something stays over and it is not proved that it must, it is tried again with more time; the last line is the
    better one, if there is. kit: its row; loadout: as which it is carried. asked: with other time or options than
    usual, or anew; it is searched in any case.
    """
    known = _Kept(plan, kit, loadout)
    before = known.get()
    kept = before if asked is None else None
    if kept is None:
        for text in lines_of(_asked(plan, known, asked) if asked else known.job(plan), question):
            if (whole := _whole(text)) is None:
                yield text
                continue
            kept = whole
            # Packed anew with more left over is not what anybody wished.
            if before is not None and _cost(plan, kept) > _cost(plan, before):
                kept = before
                yield StowLine(stowage=kept, final=True).written()
                continue
            known.put(kept)
            yield text
    else:
        yield StowLine(stowage=kept, final=True).written()
    if (
        kept is not None
        and asked is None
        and any(over.proof == "ran-out" and over.why != "stays" for over in kept.left)
    ):
        yield from _longer(plan, question, known, kept)


def _asked(plan: Plan, known: _Kept, asked: PackingTime) -> Stowing:
    limits = within_limits(asked.seconds, asked.workers)
    options = PlacingOptions(workers=limits["workers"], seed=asked.seed)
    start = None if asked.anew else known.start
    if start and asked.disturb:
        start = Before(start.stowage)
    return Stowing(plan, limits["seconds"], options, before=start)


def _longer(plan: Plan, question: Question, known: _Kept, kept: Stowage) -> Iterator[str]:
    seconds = within_limits(_LONGER_S, USUAL.workers)["seconds"]
    for text in lines_of(
        Stowing(plan, seconds, USUAL, lane="long", before=Before(kept, known.hold)), question._replace(first=())
    ):
        if (made := _whole(text)) is not None and _cost(plan, made) < _cost(plan, kept):
            known.put(made)
            yield text
        else:
            yield ""


def drilled(plan: Plan, owner: Hashable) -> list[GateCheckPlan]:
    """Each cabin bag of a plan's open kit refused at the gate in turn."""
    return DRILL.validate_json(answer(Answering(plan, drill), owner, _all_proved))


def _all_proved(drills: str) -> bool:
    return all(one.proved for one in DRILL.validate_json(drills))


def wanted(plan: Plan, owner: Hashable) -> list[Wanted]:
    """What is to be bought, hired or borrowed for a plan's open kit."""
    return WANTED.validate_json(answer(Answering(plan, shopping), owner))


def _whole(text: str) -> Stowage | None:
    """The packing of all bags, where a line tells it."""
    line = StowLine.read(text) if text else StowLine()
    return line.stowage if line.final else None


def _cost(plan: Plan, stowage: Stowage) -> float:
    """Of leaving what is left over."""
    return cost_of_left(stowage.left, plan.items, worth_to_wants(plan)) if stowage.left else 0.0
