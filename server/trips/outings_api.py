"""Endpoints of the day's bag: the trip by its days, what is amiss with a bag and ways out, and proposed outings."""

from datetime import date

from django.http import HttpResponse, StreamingHttpResponse
from ninja import Router

from mule.findings.advise import Advice, advise
from mule.search.outings import AtBase, ByDays, OutingAsked, base_on, day_of, day_plan, judge_days, loadout_on, ways_of
from server.accounts.signed_in import SignedInRequest
from server.kernel.answers import written
from server.searching.answers import Question, lines_of, streamed, within_limits
from server.searching.jobs import Answering, CuringDay, Proposing, left_at_base
from server.searching.kept import answer, answered
from server.searching.lines import CureLine, OutingLine
from server.trips import services
from server.trips.api import changed_stow
from server.trips.schemas import Edits, KitState

router = Router()


@router.get("/{slug}/kits/{kit}/days", response=ByDays)
def judge_by_days(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """The trip by its days: what goes out of the door on each, and which wants that serves."""
    return written(judge_days(services.find_plan(request.auth, slug, kit)))


@router.post("/{slug}/kits/{kit}/days/{on}/cures", response=CureLine)
def stream_day_cures(request: SignedInRequest, slug: str, kit: str, on: date) -> StreamingHttpResponse:
    """What is amiss with the bag of a day, with ways out of what lies at the base: one CureLine per line of text.
    Hanging up stops it."""
    plan = services.find_plan(request.auth, slug, kit)
    day_of(plan, on)
    question = Question(request.auth.searcher, ("day-cures", request.auth.owner.pk, slug, kit))
    return streamed(lines_of(CuringDay(plan, on), question))


@router.get("/{slug}/kits/{kit}/days/{on}/advice", response=Advice)
def advise_day(request: SignedInRequest, slug: str, kit: str, on: date) -> HttpResponse:
    """What each thing in the bag of a day earns then, what goes first, and what of the base would add most."""
    plan = services.find_plan(request.auth, slug, kit)
    day = day_of(plan, on)
    return written(advise(day_plan(plan, (day,), loadout_on(plan, day))))


@router.get("/{slug}/kits/{kit}/days/{on}/base", response=AtBase)
def show_base(request: SignedInRequest, slug: str, kit: str, on: date) -> HttpResponse:
    """What lies at the base on a day: what of it the safe takes, and which packs lie in the cold."""
    plan = services.find_plan(request.auth, slug, kit)
    base_on(plan, day_of(plan, on))
    told = answer(Answering(plan, left_at_base, (on,)), request.auth.searcher, _is_proved)
    return HttpResponse(told, content_type="application/json")


def _is_proved(base: str) -> bool:
    return AtBase.model_validate_json(base).proved


@router.post("/{slug}/kits/{kit}/propose", response=OutingLine)
def stream_outings(
    request: SignedInRequest, slug: str, kit: str, payload: OutingAsked, shares: bool = False
) -> StreamingHttpResponse:
    """Ways to go out on some days, the lightest first, one OutingLine per line of text; shares: one way instead, from
    complete to light. Hanging up stops the search."""
    plan = services.find_plan(request.auth, slug, kit)
    # Told before the first line: afterwards nothing can be refused any more.
    ways_of(plan, payload)
    asked = payload.model_copy(update={"seconds": within_limits(payload.seconds, 1)["seconds"]})
    question = Question(request.auth.searcher, ("outings", shares, request.auth.owner.pk, slug, kit))
    return streamed(answered(Proposing(plan, asked, shares), question, lambda line: bool(OutingLine.read(line).whole)))


@router.post("/{slug}/kits/{kit}/loadouts/{loadout}/edits", response=KitState)
def edit_loadout(request: SignedInRequest, slug: str, kit: str, loadout: str, payload: Edits) -> HttpResponse:
    """Put things into a day's bag, or leave them at the base."""
    return changed_stow(
        request.auth, services.edit_loadout(request.auth, slug, kit, payload.version, loadout, payload.edits)
    )
