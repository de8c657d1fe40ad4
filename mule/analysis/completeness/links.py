"""The links of a plan: its dependency graph, and what its wants ask of the kit beside optics."""

from collections.abc import Iterable, Sequence
from itertools import combinations

from mule.analysis.completeness import DependencyGraph, Need, Requirement, Requirements, dependency_graph
from mule.analysis.filters import FilterFit
from mule.analysis.optics import Aids, AskedAid
from mule.plan import Plan
from mule.plan.gear import Gear, serves
from mule.plan.trip import Trait, Want

# So many lights that a want asks for are looked at as one set.
_MOST_TOGETHER = 4


def graph_of(plan: Plan) -> DependencyGraph:
    """The dependency graph over a plan's locker, for its mains and its nights.

    >>> from tests import cast
    >>> graph = graph_of(cast.plan([cast.body(), cast.normal_zoom()]))
    >>> [(need.label, graph.met("normal", need, {"body"})) for need in graph.needs["normal"]]
    [('K', True)]
    """
    mains = plan.trip.mains
    return dependency_graph(plan.gear, mains.plugs if mains else (), nights=len(plan.trip.days) != 1)


def requirements_of(plan: Plan, filters: FilterFit, aids: Aids) -> Requirements:
    """What the loaded things, and the wants, need of each other. filters, aids: of the same kit."""
    return Requirements(graph_of(plan), plan.loaded, tuple(_asked(plan, filters, aids)))


def _asked(plan: Plan, filters: FilterFit, aids: Aids) -> Iterable[Requirement]:
    """What wants ask of the kit, as far as it is met: filter effects, something to hold still, lights."""
    for asked in filters.asked:
        if asked.ways:
            need = Need("asked", "filter", asked.effect, ())
            yield Requirement(asked.want, need, tuple(map(frozenset, asked.ways)))
    for asked_ in aids.asked:
        if ways := tuple(_enough(asked_)):
            yield Requirement(plan.trip.wants[asked_.want].id, Need("asked", asked_.aid, "", ()), ways)
    yield from _implied(plan.trip.wants, [plan.items[item] for item in plan.loaded])


def _implied(wants: Sequence[Want], things: Sequence[Gear]) -> Iterable[Requirement]:
    """What is loaded serves wants that do not name it: a release what is held still, a microphone a film."""
    for aid, of in (("remote", [w for w in wants if w.steady]), ("sound", [w for w in wants if _is_film(w)])):
        ways = tuple(frozenset((t.id,)) for t in things if serves(t) == aid)
        named = (w for w in of if all(wish.aid != aid for wish in w.aids))
        if ways:
            yield from (Requirement(want.id, Need("asked", aid, "", ()), ways) for want in named)


def _is_film(want: Want) -> bool:
    return any(wish.trait == Trait.VIDEO for wish in want.traits)


def _enough(asked: AskedAid) -> Iterable[frozenset[str]]:
    """The sets of loaded things that are as many as a want asks for, none with a needless one."""
    here_of = dict(asked.givers)
    for size in range(1, min(len(here_of), asked.pieces, _MOST_TOGETHER) + 1):
        for some in combinations(here_of, size):
            here = sum(here_of[item] for item in some)
            if here >= asked.pieces and all(here - here_of[item] < asked.pieces for item in some):
                yield frozenset(some)
