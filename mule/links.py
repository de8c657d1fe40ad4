"""The links of a plan: its dependency graph, and what its wants ask of the kit beside optics."""

from collections.abc import Iterable

from mule.completeness import DependencyGraph, Need, Requirement, Requirements, dependency_graph
from mule.filters import FilterFit
from mule.gear import OtherSupport, Tripod
from mule.plan import Plan


def graph_of(plan: Plan) -> DependencyGraph:
    """The dependency graph over a plan's locker, for its mains and its nights.

    >>> from tests import cast
    >>> graph = graph_of(cast.plan([cast.body(), cast.normal_zoom()]))
    >>> [(need.label, graph.met("normal", need, {"body"})) for need in graph.needs["normal"]]
    [('K', True)]
    """
    mains = plan.trip.mains
    return dependency_graph(plan.gear, mains.plugs if mains else (), nights=len(plan.trip.days) != 1)


def requirements_of(plan: Plan, filters: FilterFit) -> Requirements:
    """What the loaded things, and the wants, need of each other. filters: fitted for the same kit."""
    return Requirements(graph_of(plan), plan.loaded, tuple(_asked(plan, filters)))


def _asked(plan: Plan, filters: FilterFit) -> Iterable[Requirement]:
    """What wants ask of the kit, as far as it is met: filter effects, and something to hold still."""
    for asked in filters.asked:
        if asked.ways:
            need = Need("asked", "filter", asked.effect, ())
            yield Requirement(asked.want, need, tuple(map(frozenset, asked.ways)))
    supports = tuple(frozenset((i,)) for i in plan.loaded if isinstance(plan.items[i], Tripod | OtherSupport))
    for want in plan.trip.wants:
        if want.steady and supports:
            yield Requirement(want.id, Need("asked", "support", "", ()), supports)
