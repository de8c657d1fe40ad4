"""Endpoints of trips and kits. A change to a kit returns its new assessment: one round trip per act."""

from collections.abc import Sequence

from django.http import HttpResponse, StreamingHttpResponse
from ninja import Router, Status

from mule.advise import Advice, advise
from mule.assess import assess
from mule.choosing import Asking, kept_in_any_case, require_brief
from mule.compare import Comparison, compare
from mule.editing import apply
from mule.filters.lightest import LightestSet, lightest_set
from mule.fronts import filter_case
from mule.gate import GateCheckPlan, gate_check_plan
from mule.kit import Kit as KitValue
from mule.loadouts import Outing, carried, find, outing
from mule.optics import cover
from mule.packing import PlacingOptions
from mule.plan import Plan
from mule.power import PowerAdvice, advise_power
from mule.shopping import Wanted
from mule.stamina import in_short, last, power_case
from server.accounts.signed_in import SignedInRequest
from server.answers import written
from server.locker.convert import gear_of
from server.locker.schemas import ThingOut
from server.locker.services import things
from server.searching.answers import AHEAD, Question, lines_of, streamed, within_limits
from server.searching.jobs import Choosing, Curing, Stowing
from server.searching.lines import ChoiceLine, CureLine, StowLine
from server.searching.turns import Changes
from server.trips import services
from server.trips.convert import stamp_of, trip_of
from server.trips.models import Kit, Trip
from server.trips.packed import packing, wanted
from server.trips.schemas import (
    AdviceOut,
    AtVersion,
    Bench,
    ChangedStow,
    ChangedTrip,
    Edits,
    KitName,
    KitState,
    NewKit,
    NewTrip,
    PackingTime,
    RenamedKit,
    StaminaReport,
    StaminaTry,
    Thought,
    TripOut,
    WhatIf,
)

router = Router()
# What is being looked for about a kit must not hold up the next click on it.
_KITS = Changes()


def _trip(row: Trip) -> TripOut:
    return TripOut(version=row.version, trip=trip_of(row), open_kit=row.open_kit)


def _name(kit: Kit) -> KitName:
    return KitName(id=kit.slug, name=kit.name, note=kit.note)


def _state(kit: Kit) -> KitState:
    stamp = stamp_of(kit)
    return _told(services.Edited(kit, services.plan_for(kit, at=stamp), stamp))


def _cures_of(slug: str, kit: str) -> tuple[str, ...]:
    return "cures", slug, kit


def _told(edited: services.Edited) -> KitState:
    can_undo, can_redo = services.can_travel(edited.kit)
    return KitState(
        kit=edited.plan.kit,
        version=edited.kit.version,
        stamp=str(edited.stamp),
        can_undo=can_undo,
        can_redo=can_redo,
        assessment=assess(edited.plan),
    )


@router.get("", response=list[TripOut])
def list_trips(request: SignedInRequest) -> list[TripOut]:
    """All trips of yours."""
    return [_trip(row) for row in services.trips(request.user)]


@router.post("", response={201: TripOut})
def add_trip(request: SignedInRequest, payload: NewTrip) -> Status[TripOut]:
    """Add a trip with one empty kit."""
    return Status(201, _trip(services.add_trip(request.user, payload.trip)))


@router.get("/{slug}", response=TripOut)
def show_trip(request: SignedInRequest, slug: str) -> TripOut:
    """One trip, as it is stored."""
    return _trip(services.find_trip(request.user, slug))


@router.put("/{slug}", response=TripOut)
def change_trip(request: SignedInRequest, slug: str, payload: ChangedTrip) -> TripOut:
    """Store an edited trip."""
    return _trip(services.replace_trip(request.user, slug, payload.version, payload.trip))


@router.delete("/{slug}", response={204: None})
def remove_trip(request: SignedInRequest, slug: str) -> Status[None]:
    """Remove a trip with its kits."""
    services.remove_trip(request.user, slug)
    return Status(204, None)


@router.get("/{slug}/kits/{kit}", response=Bench)
def open_bench(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """Put a kit on the table: trip, kits, locker and assessment."""
    row = services.open_kit(request.user, slug, kit)
    bench = Bench(
        trip=_trip(row.trip),
        kits=[_name(k) for k in row.trip.kits.all()],
        gear=[ThingOut(version=t.version, thing=gear_of(t)) for t in things(request.user)],
        state=_state(row),
    )
    return written(bench)


@router.post("/{slug}/kits", response={201: KitName})
def add_kit(request: SignedInRequest, slug: str, payload: NewKit) -> Status[KitName]:
    """Add a kit, empty or as a copy."""
    return Status(201, _name(services.add_kit(request.user, slug, payload.name, payload.copy_of, payload.entries)))


@router.put("/{slug}/kits/{kit}", response=KitName)
def rename_kit(request: SignedInRequest, slug: str, kit: str, payload: RenamedKit) -> KitName:
    """Give a kit another name and note."""
    return _name(services.rename_kit(request.user, slug, kit, payload.name, payload.note))


@router.delete("/{slug}/kits/{kit}", response={204: None})
def remove_kit(request: SignedInRequest, slug: str, kit: str) -> Status[None]:
    """Remove a kit."""
    services.remove_kit(request.user, slug, kit)
    return Status(204, None)


@router.post("/{slug}/kits/{kit}/edits", response=KitState)
def edit_kit(request: SignedInRequest, slug: str, kit: str, payload: Edits) -> HttpResponse:
    """Load, leave or move things; several edits are one step."""
    _KITS.note((request.user.pk, slug, kit))
    edited = services.edit_kit(request.user, slug, kit, payload.version, payload.edits)
    # The screen asks for these as soon as it has the answer.
    AHEAD.begin(Curing(edited.plan), request.user.pk, _cures_of(slug, kit), about=str(edited.stamp))
    return written(_told(edited))


@router.get("/{slug}/kits/{kit}/advice", response=AdviceOut)
def advise_on(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """What trying other kits says about this one, with the stamp of what it was said about."""
    row = services.find_kit(request.user, slug, kit)
    stamp = stamp_of(row)
    return written(AdviceOut(stamp=str(stamp), advice=advise(services.plan_for(row, at=stamp))))


@router.post("/{slug}/kits/{kit}/what-if", response=Thought)
def think(request: SignedInRequest, slug: str, kit: str, payload: WhatIf) -> HttpResponse:
    """What edits would make of a kit; nothing is stored."""
    plan = _thought(services.plan_for(services.find_kit(request.user, slug, kit)), payload)
    return written(Thought(kit=plan.kit, assessment=assess(plan)))


@router.post("/{slug}/kits/{kit}/cures", response=CureLine)
def stream_cures(request: SignedInRequest, slug: str, kit: str, payload: WhatIf) -> StreamingHttpResponse:
    """Everything the rules say of a kit, or of what edits would make of it: one CureLine per line of text, each finding
    as soon as its cures are known. Nothing is stored; hanging up stops it."""
    row = services.find_kit(request.user, slug, kit)
    stamp = stamp_of(row)
    plan = _thought(services.plan_for(row, at=stamp), payload)
    as_it_is = payload == WhatIf()
    question = Question(
        request.user.pk,
        _cures_of(slug, kit) if as_it_is else (*_cures_of(slug, kit), "thought"),
        first=(CureLine(stamp=str(stamp)),),
        outdated=_KITS.since_now((request.user.pk, slug, kit)),
        last=CureLine(whole=False),
        about=str(stamp) if as_it_is else None,
    )
    return streamed(lines_of(Curing(plan), question))


@router.get("/{slug}/kits/{kit}/shopping", response=list[Wanted])
def list_shopping(request: SignedInRequest, slug: str, kit: str) -> Sequence[Wanted]:
    """What is to be bought, hired or borrowed for a kit: what is loaded and not here, and what the cures would get."""
    return wanted(services.plan_for(services.find_kit(request.user, slug, kit)), request.user.pk)


@router.post("/{slug}/kits/{kit}/what-if/advice", response=Advice)
def advise_on_thought(request: SignedInRequest, slug: str, kit: str, payload: WhatIf) -> HttpResponse:
    """The advice on what edits would make of a kit; nothing is stored."""
    return written(advise(_thought(services.plan_for(services.find_kit(request.user, slug, kit)), payload)))


def _thought(plan: Plan, what_if: WhatIf) -> Plan:
    """The plan with the edits done. Raises InvalidInput when one of them cannot be."""
    if what_if.entries is not None:
        plan = plan.with_kit(KitValue(id=plan.kit.id, name=plan.kit.name, entries=tuple(what_if.entries)))
    return apply(plan, what_if.edits)


@router.post("/{slug}/kits/{kit}/stamina", response=StaminaReport)
def report_stamina(request: SignedInRequest, slug: str, kit: str, payload: StaminaTry) -> HttpResponse:
    """Packs, cards and copies day by day; with settings to be tried, which are not stored."""
    plan = services.trying(services.plan_for(services.find_kit(request.user, slug, kit)), payload.stamina)
    lasting = last(plan)
    lasts = in_short(lasting.power, lasting.pictures, plan.trip)
    return written(StaminaReport(power=lasting.power, pictures=lasting.pictures, lasts=lasts))


@router.post("/{slug}/kits/{kit}/stamina/advice", response=PowerAdvice)
def advise_stamina(request: SignedInRequest, slug: str, kit: str, payload: StaminaTry) -> HttpResponse:
    """Fewest packs, what would save some, the schools side by side, and what banks really give."""
    plan = services.trying(services.plan_for(services.find_kit(request.user, slug, kit)), payload.stamina)
    return written(advise_power(power_case(plan)))


@router.get("/{slug}/kits/{kit}/lightest-filters", response=LightestSet)
def lightest_filters(request: SignedInRequest, slug: str, kit: str) -> LightestSet:
    """The lightest owned filters and rings that give the asked effects on every lens that sees the want."""
    plan = services.plan_for(services.find_kit(request.user, slug, kit))
    view = cover(plan.gear, plan.loaded, plan.trip.wants)
    return lightest_set(*filter_case(plan, view.coverage), plan.items)


@router.post("/{slug}/kits/{kit}/choose", response=ChoiceLine)
def stream_choice(request: SignedInRequest, slug: str, kit: str, payload: Asking) -> StreamingHttpResponse:
    """The best kits as they are found, one ChoiceLine per line of text. Hanging up stops the search."""
    plan = services.plan_for(services.find_kit(request.user, slug, kit), all_kits=True)
    require_brief(plan)
    kept = kept_in_any_case(plan, payload)
    asking = payload.model_copy(update=within_limits(payload.seconds, payload.workers))
    question = Question(request.user.pk, "choice", first=(ChoiceLine(kept=kept),))
    return streamed(lines_of(Choosing(plan, asking), question))


@router.get("/{slug}/kits/{kit}/loadouts/{loadout}", response=Outing)
def show_loadout(request: SignedInRequest, slug: str, kit: str, loadout: str) -> Outing:
    """A loadout as it is carried: what it weighs on whom, what moves, what stays."""
    return outing(services.plan_for(services.find_kit(request.user, slug, kit)), loadout)


@router.get("/{slug}/kits/{kit}/gate-drill", response=list[GateCheckPlan])
def drill_gate(request: SignedInRequest, slug: str, kit: str) -> list[GateCheckPlan]:
    """Each cabin bag refused in turn: what comes out, and whether what stays takes it."""
    return list(gate_check_plan(services.plan_for(services.find_kit(request.user, slug, kit))))


@router.put("/{slug}/kits/{kit}/stow", response=KitState)
def change_stow(request: SignedInRequest, slug: str, kit: str, payload: ChangedStow) -> HttpResponse:
    """Store pins, pairs and wishes for packing a kit."""
    return written(_state(services.change_stow(request.user, slug, kit, payload.version, payload.stow)))


@router.post("/{slug}/kits/{kit}/stowage", response=StowLine)
def stream_stowage(
    request: SignedInRequest, slug: str, kit: str, payload: PackingTime, loadout: str = ""
) -> StreamingHttpResponse:
    """Where everything lies, one StowLine per bag that is done; of a loadout, if one is named. Hanging up stops it."""
    plan = services.plan_for(services.find_kit(request.user, slug, kit))
    if loadout:
        plan = plan.with_kit(carried(plan.kit, plan.items, find(plan.kit, loadout)))
    job = None
    if payload != PackingTime():
        limits = within_limits(payload.seconds, payload.workers)
        job = Stowing(plan, limits["seconds"], PlacingOptions(workers=limits["workers"], seed=payload.seed))
    return streamed(packing(plan, Question(request.user.pk, ("stow", slug, kit, loadout)), job))


@router.get("/{slug}/compare", response=Comparison)
def compare_kits(request: SignedInRequest, slug: str, kits: str) -> Comparison:
    """Two to four kits side by side; ``kits`` names them, with commas between."""
    wanted = kits.split(",")
    return compare(services.plan_for(services.find_kit(request.user, slug, wanted[0]), all_kits=True), wanted)


@router.post("/{slug}/kits/{kit}/undo", response=KitState)
def undo(request: SignedInRequest, slug: str, kit: str, payload: AtVersion) -> HttpResponse:
    """Take the last step back."""
    _KITS.note((request.user.pk, slug, kit))
    return written(_state(services.undo(request.user, slug, kit, payload.version)))


@router.post("/{slug}/kits/{kit}/redo", response=KitState)
def redo(request: SignedInRequest, slug: str, kit: str, payload: AtVersion) -> HttpResponse:
    """Do the next step again."""
    _KITS.note((request.user.pk, slug, kit))
    return written(_state(services.redo(request.user, slug, kit, payload.version)))
