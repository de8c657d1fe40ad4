"""The lightest set of owned filters, rings and holders that gives the asked effects on the asked lenses."""

from collections.abc import Mapping, Sequence

from ortools.sat.python import cp_model

from mule.deadline import Deadline
from mule.filters import FilterAsked, FilterGear, Front, answers, fits
from mule.gear import Gear
from mule.solving import Solved, solve
from mule.units import Frozen

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


def lightest_set(fronts: Sequence[Front], bag: FilterGear, asked: FilterAsked, gear: Mapping[str, Gear]) -> LightestSet:
    """Solved exactly: each lens that sees a want gets each effect the want asks for, with the fewest grams in all."""
    model = cp_model.CpModel()
    takes: dict[str, cp_model.IntVar] = {}
    by_lens = {front.lens: front for front in fronts}
    unserved: list[tuple[str, str]] = []
    for want, lenses in asked.values():
        for wish in want.effects:
            for lens in lenses:
                ways = [way.parts for f in bag.filters if answers(f, wish) for _, way in fits(by_lens[lens], f, bag)]
                if not ways:
                    unserved.append((lens, wish.effect))
                    continue
                chosen = [_all_of(model, takes, parts) for parts in ways]
                model.add_bool_or(chosen)
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
