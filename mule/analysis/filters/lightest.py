"""The lightest set of owned filters, rings and holders that gives the asked effects on the asked lenses."""

from collections.abc import Mapping, Sequence

from ortools.sat.python import cp_model

from mule.analysis.filters.asked import ways
from mule.analysis.filters.fitting import FilterGear, Front
from mule.base.deadline import Deadline
from mule.base.solving import Solved, solve
from mule.base.units import Frozen
from mule.plan.gear import Gear
from mule.plan.trip import Want

# Masses are compared in tenths of a gram.
_PER_GRAM = 10
# The search is tiny (a dozen threads); this only guards against a locker nobody has.
_MOST_S = 5.0


class LightestSet(Frozen):
    """The set, its grams, and the lens and effect pairs that nothing owned serves. proved: nothing lighter does."""

    items: tuple[str, ...]
    mass_g: float
    unserved: tuple[tuple[str, str], ...]
    proved: bool


def lightest_set(
    fronts: Sequence[Front], bag: FilterGear, wants: Sequence[Want], gear: Mapping[str, Gear]
) -> LightestSet:
    """Solved exactly: each lens that sees a want gets each effect the want asks for, with the fewest grams in all."""
    model = cp_model.CpModel()
    takes: dict[str, cp_model.IntVar] = {}
    unserved: list[tuple[str, str]] = []
    pairs = [(want, front) for want in wants for front in fronts if front.sees(want)]
    for want, front in pairs:
        for wish in want.effects:
            able = ways(front, wish, bag)
            if not able:
                unserved.append((front.lens, wish.effect))
                continue
            model.add_bool_or([_all_of(model, takes, fit.parts) for _, fit in able])
    model.minimize(sum(round(gear[item].mass_g * _PER_GRAM) * take for item, take in takes.items()))
    ending = solve(model, Deadline(_MOST_S))
    # Taking all of them serves whatever can be served: out of time, that is the answer, and not proved.
    items = tuple(item for item, take in takes.items() if not isinstance(ending, Solved) or ending.value(take))
    return LightestSet(
        items=items,
        mass_g=sum(gear[item].mass_g for item in items),
        unserved=tuple(dict.fromkeys(unserved)),
        proved=isinstance(ending, Solved) and ending.best,
    )


def _all_of(model: cp_model.CpModel, takes: dict[str, cp_model.IntVar], parts: Sequence[str]) -> cp_model.IntVar:
    """A choice that brings all of these parts."""
    way = model.new_bool_var("")
    for item in parts:
        take = takes.setdefault(item, model.new_bool_var(item))
        model.add_implication(way, take)
    return way
