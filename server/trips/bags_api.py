"""Endpoints of bags, backs and spares: which bags could carry a kit, who carries what of it, what to have twice."""

from typing import Annotated

from django.http import HttpResponse, StreamingHttpResponse
from ninja import Router, Schema
from pydantic import Field

from mule.findings.spares import Spare
from mule.plan.edits import Edit
from mule.search.split import USUAL_S, Shared, Split, shared_so
from server.accounts.signed_in import SignedInRequest
from server.kernel.answers import written
from server.searching.answers import Question, streamed, within_limits
from server.searching.jobs import Answering, SortingBags, sharing, spare_things
from server.searching.kept import answer, answered
from server.searching.lines import BagSetLine
from server.trips import services

router = Router()


class BagsAsked(Schema):
    """How long to look at sets of bags."""

    seconds: Annotated[float, Field(ge=0.01, le=600)] = 60


class SomeActs(Schema):
    """Moves of a kit to be judged, not done."""

    edits: Annotated[list[Edit], Field(max_length=500)]


@router.get("/{slug}/kits/{kit}/split", response=Split)
def share_out(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """The sharing of a kit that loads the most loaded least, as moves that can be taken one by one."""
    plan = services.find_plan(request.auth, slug, kit)
    seconds = within_limits(USUAL_S, 1)["seconds"]
    told = answer(Answering(plan, sharing, (seconds,)), request.auth.searcher, _is_proved)
    return HttpResponse(told, content_type="application/json")


def _is_proved(split: str) -> bool:
    return Split.model_validate_json(split).proved


@router.post("/{slug}/kits/{kit}/split/so", response=Shared)
def judge_moves(request: SignedInRequest, slug: str, kit: str, payload: SomeActs) -> HttpResponse:
    """What some moves of a kit come to; nothing is stored."""
    return written(shared_so(services.find_plan(request.auth, slug, kit), payload.edits))


@router.get("/{slug}/kits/{kit}/spares", response=list[Spare])
def show_spares(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """Which one thing more covers most, when any one thing may be lost."""
    plan = services.find_plan(request.auth, slug, kit)
    told = answer(Answering(plan, spare_things), request.auth.searcher)
    return HttpResponse(told, content_type="application/json")


@router.post("/{slug}/kits/{kit}/bags", response=BagSetLine)
def stream_bag_sets(request: SignedInRequest, slug: str, kit: str, payload: BagsAsked) -> StreamingHttpResponse:
    """Sets of bags that could carry a kit, one BagSetLine per line of text. Hanging up stops the search."""
    plan = services.find_plan(request.auth, slug, kit)
    job = SortingBags(plan, within_limits(payload.seconds, 1)["seconds"])
    question = Question(request.auth.searcher, ("bags", request.auth.owner.pk, slug, kit))
    return streamed(answered(job, question, lambda line: bool(BagSetLine.read(line).whole)))
