"""Endpoints of trips and kits. A change to a kit returns its new assessment: one round trip per act."""

from django.http import HttpResponse, StreamingHttpResponse
from ninja import Router, Status

from mule.analysis.filters.fronts import filter_case
from mule.analysis.filters.lightest import LightestSet, lightest_set
from mule.analysis.gate import GateCheckPlan
from mule.analysis.loadouts import Outing, outing
from mule.analysis.optics import cover
from mule.analysis.power import PowerAdvice, advise_power
from mule.analysis.storage.stamina import in_short, last, power_case
from mule.findings.advise import Advice, advise
from mule.findings.assess import assess
from mule.findings.shopping import Wanted
from mule.plan import Plan
from mule.plan.editing import apply
from mule.plan.kit import Kit as KitValue
from mule.search.choosing import Asking, require_brief
from mule.search.compare import Comparison, compare
from mule.search.suggest import kept_in_any_case
from server.accounts.signed_in import SignedInRequest
from server.kernel.actor import Actor
from server.kernel.answers import written
from server.library.locker.schemas import ThingOut
from server.library.locker.services import versions
from server.searching.answers import AHEAD, Question, lines_of, streamed, within_limits
from server.searching.jobs import Choosing, Curing
from server.searching.kept import answered
from server.searching.lines import ChoiceLine, CureLine, StowLine
from server.searching.turns import Changes
from server.trips import services
from server.trips.convert import stamp_of
from server.trips.models import Kit
from server.trips.packed import drilled, packing, wanted
from server.trips.schemas import (
    AdviceOut,
    AtVersion,
    Bench,
    ChangedStow,
    Edits,
    KitName,
    KitState,
    NewKit,
    PackingTime,
    RenamedKit,
    StaminaReport,
    StaminaTry,
    Thought,
    WhatIf,
)
from server.trips.shelf import trip_out

router = Router()
# What is being looked for about a kit must not hold up the next click on it.
_KITS = Changes()


def _name(kit: Kit) -> KitName:
    return KitName(id=kit.slug, name=kit.name, note=kit.note, version=kit.named)


def _as_stored(actor: Actor, kit: Kit) -> services.Edited:
    stamp = stamp_of(kit)
    return services.Edited(kit, services.plan_for(actor, kit, at=stamp), stamp)


def _cures_of(request: SignedInRequest, slug: str, kit: str) -> tuple[object, ...]:
    return "cures", request.auth.owner.pk, slug, kit


def _told(edited: services.Edited) -> KitState:
    behind, ahead = services.steps_beside(edited.kit)
    return KitState(
        kit=edited.plan.kit,
        version=edited.kit.version,
        stamp=str(edited.stamp),
        can_undo=behind is not None,
        can_redo=ahead is not None,
        undo_by=behind or "",
        redo_by=ahead or "",
        assessment=assess(edited.plan),
    )


def _shown(actor: Actor, row: Kit) -> Bench:
    """A kit for a guest: only what is loaded, without serial numbers, values and what people weigh."""
    loaded = {entry["item"] for entry in row.entries}
    stored = _as_stored(actor, row)
    gear = [ThingOut(version=0, thing=thing) for thing in stored.plan.gear if thing.id in loaded]
    return Bench(trip=trip_out(actor, row.trip), kits=[_name(row)], gear=gear, state=_told(stored))


@router.get("/{slug}/kits/{kit}", response=Bench)
def open_bench(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """Put a kit on the table: trip, kits, locker and assessment."""
    actor = request.auth
    if actor.only_visits:
        return written(_shown(actor, services.find_kit(actor.owner, slug, kit)))
    row = services.open_kit(actor, slug, kit)
    stored = _as_stored(actor, row)
    # Only what is one's own can be changed from the bench: it has the version to send back.
    own = {} if actor.guest else versions(actor.owner)
    bench = Bench(
        trip=trip_out(actor, row.trip),
        kits=[_name(k) for k in row.trip.kits.all()],
        gear=[ThingOut(version=own.get(thing.id, 0), thing=thing) for thing in stored.plan.gear],
        state=_told(stored),
    )
    return written(bench)


@router.post("/{slug}/kits", response={201: KitName})
def add_kit(request: SignedInRequest, slug: str, payload: NewKit) -> Status[KitName]:
    """Add a kit, empty or as a copy."""
    return Status(201, _name(services.add_kit(request.auth, slug, payload.name, payload.copy_of, payload.entries)))


@router.put("/{slug}/kits/{kit}", response=KitName)
def rename_kit(request: SignedInRequest, slug: str, kit: str, payload: RenamedKit) -> KitName:
    """Give a kit another name and note."""
    return _name(services.rename_kit(request.auth.owner, slug, kit, payload.version, payload.name, payload.note))


@router.delete("/{slug}/kits/{kit}", response={204: None})
def remove_kit(request: SignedInRequest, slug: str, kit: str) -> Status[None]:
    """Remove a kit."""
    services.remove_kit(request.auth.owner, slug, kit)
    return Status(204, None)


@router.post("/{slug}/kits/{kit}/edits", response=KitState)
def edit_kit(request: SignedInRequest, slug: str, kit: str, payload: Edits) -> HttpResponse:
    """Load, leave or move things; several edits are one step."""
    _KITS.note((request.auth.owner.pk, slug, kit))
    edited = services.edit_kit(request.auth, slug, kit, payload.version, payload.edits)
    return _changed(request, slug, kit, edited)


def _changed(request: SignedInRequest, slug: str, kit: str, edited: services.Edited) -> HttpResponse:
    """What a kit has become. The screen asks for its cures as soon as it has the answer: they are begun with it."""
    AHEAD.begin(Curing(edited.plan), request.auth.searcher, _cures_of(request, slug, kit), about=str(edited.stamp))
    return written(_told(edited))


@router.get("/{slug}/kits/{kit}/advice", response=AdviceOut)
def advise_on(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """What trying other kits says about this one, with the stamp of what it was said about."""
    row = services.find_kit(request.auth.owner, slug, kit)
    stamp = stamp_of(row)
    return written(AdviceOut(stamp=str(stamp), advice=advise(services.plan_for(request.auth, row, at=stamp))))


@router.post("/{slug}/kits/{kit}/what-if", response=Thought)
def think(request: SignedInRequest, slug: str, kit: str, payload: WhatIf) -> HttpResponse:
    """What edits would make of a kit; nothing is stored."""
    plan = _thought(services.find_plan(request.auth, slug, kit), payload)
    return written(Thought(kit=plan.kit, assessment=assess(plan)))


@router.post("/{slug}/kits/{kit}/cures", response=CureLine)
def stream_cures(request: SignedInRequest, slug: str, kit: str, payload: WhatIf) -> StreamingHttpResponse:
    """Everything the rules say of a kit, or of what edits would make of it: one CureLine per line of text, each finding
    as soon as its cures are known. Nothing is stored; hanging up stops it."""
    row = services.find_kit(request.auth.owner, slug, kit)
    stamp = stamp_of(row)
    plan = _thought(services.plan_for(request.auth, row, at=stamp), payload)
    as_it_is = payload == WhatIf()
    question = Question(
        request.auth.searcher,
        _cures_of(request, slug, kit) if as_it_is else (*_cures_of(request, slug, kit), "thought"),
        first=(CureLine(stamp=str(stamp)),),
        outdated=_KITS.since_now((request.auth.owner.pk, slug, kit)),
        last=CureLine(whole=False),
        about=str(stamp) if as_it_is else None,
    )
    return streamed(lines_of(Curing(plan), question))


@router.get("/{slug}/kits/{kit}/shopping", response=list[Wanted])
def list_shopping(request: SignedInRequest, slug: str, kit: str) -> list[Wanted]:
    """What is to be bought, hired or borrowed for a kit: what is loaded and not here, and what the cures would get."""
    return wanted(services.find_plan(request.auth, slug, kit), request.auth.searcher)


@router.post("/{slug}/kits/{kit}/what-if/advice", response=Advice)
def advise_on_thought(request: SignedInRequest, slug: str, kit: str, payload: WhatIf) -> HttpResponse:
    """The advice on what edits would make of a kit; nothing is stored."""
    return written(advise(_thought(services.find_plan(request.auth, slug, kit), payload)))


def _thought(plan: Plan, what_if: WhatIf) -> Plan:
    """The plan with the edits done. Raises InvalidInput when one of them cannot be."""
    if what_if.entries is not None:
        plan = plan.with_kit(KitValue(id=plan.kit.id, name=plan.kit.name, entries=tuple(what_if.entries)))
    return apply(plan, what_if.edits)


@router.post("/{slug}/kits/{kit}/stamina", response=StaminaReport)
def report_stamina(request: SignedInRequest, slug: str, kit: str, payload: StaminaTry) -> HttpResponse:
    """Packs, cards and copies day by day; with settings to be tried, which are not stored."""
    plan = services.trying(services.find_plan(request.auth, slug, kit), payload.stamina)
    lasting = last(plan)
    lasts = in_short(lasting.power, lasting.pictures, plan.trip)
    return written(StaminaReport(power=lasting.power, pictures=lasting.pictures, lasts=lasts))


@router.post("/{slug}/kits/{kit}/stamina/advice", response=PowerAdvice)
def advise_stamina(request: SignedInRequest, slug: str, kit: str, payload: StaminaTry) -> HttpResponse:
    """Fewest packs, what would save some, the schools side by side, and what banks really give."""
    plan = services.trying(services.find_plan(request.auth, slug, kit), payload.stamina)
    return written(advise_power(power_case(plan)))


@router.get("/{slug}/kits/{kit}/lightest-filters", response=LightestSet)
def lightest_filters(request: SignedInRequest, slug: str, kit: str) -> LightestSet:
    """The lightest owned filters and rings that give the asked effects on every lens that sees the want."""
    plan = services.find_plan(request.auth, slug, kit)
    view = cover(plan.gear, plan.loaded, plan.trip.wants)
    return lightest_set(*filter_case(plan, view.coverage), plan.items)


@router.post("/{slug}/kits/{kit}/choose", response=ChoiceLine)
def stream_choice(request: SignedInRequest, slug: str, kit: str, payload: Asking) -> StreamingHttpResponse:
    """The best kits as they are found, one ChoiceLine per line of text. Hanging up stops the search."""
    plan = services.find_plan(request.auth, slug, kit, all_kits=True)
    require_brief(plan)
    kept = kept_in_any_case(plan, payload)
    asking = payload.model_copy(update=within_limits(payload.seconds, payload.workers))
    question = Question(request.auth.searcher, "choice", first=(ChoiceLine(kept=kept),))
    return streamed(answered(Choosing(plan, asking), question, _came_to_its_end))


def _came_to_its_end(line: str) -> bool:
    """Whether more time would change nothing."""
    choice = ChoiceLine.read(line).choice
    return choice is not None and not choice.stopped


@router.get("/{slug}/kits/{kit}/loadouts/{loadout}", response=Outing)
def show_loadout(request: SignedInRequest, slug: str, kit: str, loadout: str) -> Outing:
    """A loadout as it is carried: what it weighs on whom, what moves, what stays."""
    return outing(services.find_plan(request.auth, slug, kit), loadout)


@router.get("/{slug}/kits/{kit}/gate-drill", response=list[GateCheckPlan])
def drill_gate(request: SignedInRequest, slug: str, kit: str) -> list[GateCheckPlan]:
    """Each cabin bag refused in turn: what comes out, and whether what stays takes it."""
    return drilled(services.find_plan(request.auth, slug, kit), request.auth.searcher)


@router.put("/{slug}/kits/{kit}/stow", response=KitState)
def change_stow(request: SignedInRequest, slug: str, kit: str, payload: ChangedStow) -> HttpResponse:
    """Store pins, pairs and wishes for packing a kit."""
    return changed_stow(request.auth, services.change_stow(request.auth, slug, kit, payload.version, payload.stow))


def changed_stow(actor: Actor, kit: Kit) -> HttpResponse:
    """What a kit has become by packing it otherwise."""
    return written(_told(_as_stored(actor, kit)))


@router.post("/{slug}/kits/{kit}/stowage", response=StowLine)
def stream_stowage(
    request: SignedInRequest, slug: str, kit: str, payload: PackingTime, loadout: str = ""
) -> StreamingHttpResponse:
    """Where everything lies, one StowLine per bag that is done; of a loadout, if one is named. Hanging up stops it."""
    row = services.find_kit(request.auth.owner, slug, kit)
    plan = services.plan_as(request.auth, row, loadout)
    asked = payload if payload != PackingTime() else None
    return streamed(
        packing(
            plan,
            Question(request.auth.searcher, ("stow", request.auth.owner.pk, slug, kit, loadout)),
            row,
            loadout,
            asked,
        )
    )


@router.get("/{slug}/compare", response=Comparison)
def compare_kits(request: SignedInRequest, slug: str, kits: str) -> Comparison:
    """Two to four kits side by side; ``kits`` names them, with commas between."""
    wanted = kits.split(",")
    return compare(services.find_plan(request.auth, slug, wanted[0], all_kits=True), wanted)


@router.post("/{slug}/kits/{kit}/undo", response=KitState)
def undo(request: SignedInRequest, slug: str, kit: str, payload: AtVersion) -> HttpResponse:
    """Take the last step back."""
    _KITS.note((request.auth.owner.pk, slug, kit))
    return _changed(request, slug, kit, services.undo(request.auth, slug, kit, payload.version))


@router.post("/{slug}/kits/{kit}/redo", response=KitState)
def redo(request: SignedInRequest, slug: str, kit: str, payload: AtVersion) -> HttpResponse:
    """Do the next step again."""
    _KITS.note((request.auth.owner.pk, slug, kit))
    return _changed(request, slug, kit, services.redo(request.auth, slug, kit, payload.version))
