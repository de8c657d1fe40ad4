"""Marks, policies, pictures to take at all, and which wants bear any loss."""

from collections.abc import Iterator, Sequence
from itertools import combinations

import numpy as np

from mule.analysis.optics import asks_of
from mule.analysis.optics.gaps import GAP_SCORE
from mule.analysis.resilience.single_loss import serving
from mule.base.solving import Var, total
from mule.plan.gear import Body, Lens, is_zoom, serves, twins
from mule.plan.trip import MOST_OF_A_TRIO
from mule.search.choosing.draft import Draft, Truth
from mule.search.choosing.reasons import (
    BodiesAsked,
    BodySchool,
    LensesAsked,
    LensSchool,
    MustCome,
    MustStay,
    NoGapAsked,
    Nothing,
    SlotOfOne,
    TakesPictures,
)
from mule.search.choosing.scoring import Optics


def mark(draft: Draft) -> None:
    """What must come, what must stay, and what shares a slot."""
    case = draft.case
    for item in case.plan.trip.marks.must_take:
        if item not in case.fixed:
            why = draft.reason(MustCome(item=item, here=item in draft.takes))
            draft.demand([draft.take(item)], when=[why])
    for item in case.plan.trip.marks.must_leave:
        if item in draft.takes:
            draft.cp.add_implication(draft.reason(MustStay(item=item, held=False)), ~draft.takes[item])
        elif item in case.fixed:
            draft.cp.add(draft.reason(MustStay(item=item, held=True)) == 0)
    for slot in case.plan.trip.marks.slots:
        free = [(draft.takes[i], 1) for i in slot.items if i in draft.takes]
        taken = sum(i in case.fixed for i in slot.items)
        draft.cp.add(total(free, taken) <= 1).only_enforce_if(draft.reason(SlotOfOne(slot=slot.id)))


def literals_of_classes(draft: Draft, optics: Optics) -> list[Var]:
    """A literal per equivalence class that is true only when some member of it comes along."""
    found = []
    for alike in optics.members.values():
        if len(alike) == 1:
            found.append(draft.takes[alike[0]])
            continue
        literal = draft.cp.new_bool_var("")
        # A linear constraint, so that the solver's relaxation sees it too.
        draft.cp.add(literal <= total((draft.takes[i], 1) for i in alike))
        found.append(literal)
    return found


class Rows:
    """Literals that are true only when everything a row of the table needs comes along."""

    def __init__(self, draft: Draft, optics: Optics, classes: Sequence[Var]) -> None:
        self._draft, self._optics, self._classes = draft, optics, classes
        self._known: dict[int, Var] = {}

    def __getitem__(self, row: int) -> Var:
        if row not in self._known:
            literal = self._known[row] = self._draft.cp.new_bool_var("")
            for number in np.flatnonzero(self._optics.takes[row]).tolist():
                self._draft.cp.add_implication(literal, self._classes[number])
        return self._known[row]


def demand_pictures(draft: Draft, optics: Optics, rows: Rows) -> None:
    """Some set-up serves some want: a kit that takes no picture is none."""
    because: Nothing = "out-of-reach" if optics.table.parts else _why_no_set_up(draft)
    useful: list[Truth] = []
    plain: set[int] = set()
    for want, span in enumerate(optics.spans):
        serve = np.flatnonzero(optics.value[:, span].max(axis=1, initial=0.0) > 0).tolist()
        asked = [draft.at_least(givers, 1 - there) for _, _, givers, there in asks(draft, want)]
        if not asked:
            plain.update(serve)
        elif serve and not any(truth is False for truth in asked):
            useful.append(draft.both([*asked, draft.either(rows[row] for row in serve)]))
    useful += [rows[row] for row in sorted(plain)]
    useful = [truth for truth in useful if truth is not False]
    draft.demand(useful, when=[draft.reason(TakesPictures(because=None if useful else because))])


def asks(draft: Draft, want: int) -> Iterator[tuple[str, int, tuple[str, ...], int]]:
    """What a want asks for beside glass: the aid, how many, what in play gives it, pieces that stay anyway."""
    case = draft.case
    for aid, pieces in asks_of(case.plan.trip.wants[want]):
        there = sum(n for i, n in case.fixed.items() if serves(case.plan.items[i]) == aid)
        yield aid, pieces, case.aids.get(aid, ()), there


def scale_by_aids(draft: Draft, want: int, glass: Var) -> Var:
    """The score of a want whose glass sees so much: less where what it asks beside glass is not there."""
    scaled = None
    for _, pieces, givers, there in asks(draft, want):
        for have in range(there, pieces):
            # At most have / pieces of it, unless more come along.
            more = draft.at_least(givers, have + 1 - there)
            if more is True:
                continue
            if scaled is None:
                scaled = draft.cp.new_int_var(0, draft.case.optics.most[want], "")
                draft.cp.add(scaled <= glass)
            unless = [] if more is False else [~more]
            # Rounded up by a unit, for the rounding of the true score.
            draft.cp.add(pieces * scaled <= have * glass + (pieces if have else 0)).only_enforce_if(unless)
    return glass if scaled is None else scaled


def _why_no_set_up(draft: Draft) -> Nothing:
    if not any(isinstance(t, Body) for t in draft.case.free.values()):
        return "no-body"
    return "no-lens"


def follow_policies(draft: Draft, optics: Optics, rows: Rows) -> None:
    """The schools that the trip picked."""
    policies = draft.case.plan.trip.policies
    if policies.lenses != "any":
        _lenses(draft, policies.lenses)
    if policies.second_body != "any":
        _bodies(draft, policies.second_body)
    if policies.gaps == "refused":
        for want, span in zip(draft.case.plan.trip.wants, optics.spans, strict=True):
            why = draft.reason(NoGapAsked(want=want.id))
            for column in range(span.start, span.stop):
                closing = np.flatnonzero(optics.table.best[:, column] >= GAP_SCORE).tolist()
                draft.demand([rows[row] for row in closing], when=[why])


def _lenses(draft: Draft, policy: LensSchool) -> None:
    why = draft.reason(LensesAsked(policy=policy))
    lenses = {i: t for i, t in draft.case.free.items() if isinstance(t, Lens)}
    zooms = [draft.takes[i] for i, t in lenses.items() if is_zoom(t)]
    primes = [draft.takes[i] for i, t in lenses.items() if not is_zoom(t)]
    barred, most = (zooms, None) if policy == "primes" else (primes, 1 if policy == "one-zoom" else MOST_OF_A_TRIO)
    for lens in barred:
        draft.cp.add_implication(why, ~lens)
    if most is not None:
        draft.cp.add(total((zoom, 1) for zoom in zooms) <= most).only_enforce_if(why)


def _bodies(draft: Draft, policy: BodySchool) -> None:
    why = draft.reason(BodiesAsked(policy=policy))
    bodies = {i: t for i, t in draft.case.free.items() if isinstance(t, Body)}
    count = total((draft.pieces[i], 1) for i in bodies)
    draft.cp.add(count == (1 if policy == "none" else 2)).only_enforce_if(why)
    if policy == "none":
        return
    for (one, a), (other, b) in combinations(bodies.items(), 2):
        if twins(a, b) != (policy == "twin"):
            draft.cp.add_bool_or([~draft.takes[one], ~draft.takes[other]]).only_enforce_if(why)


def wants_surviving(draft: Draft, optics: Optics, classes: Sequence[Var], rows: Rows) -> list[Var]:
    """Per want, whether some set-up that serves half of it is left when any one thing is lost."""
    index = {parts: row for row, parts in enumerate(optics.table.parts)}
    twice: dict[int, Truth] = {}
    found = []
    for ways in serving(optics.table):
        literal = draft.cp.new_bool_var("")
        serve = [index[parts] for parts in ways]
        draft.demand([rows[row] for row in serve], when=[literal])
        for number in np.flatnonzero(optics.takes[serve].any(axis=0)).tolist() if serve else []:
            if number not in twice:
                twice[number] = _two_of(draft, list(optics.members.values())[number])
            others = [rows[row] for row in serve if not optics.takes[row, number]]
            # Without a way around a class, that class must not be in use, or there must be two of it.
            draft.demand([*others, twice[number]], when=[literal])
        _two_of_each(draft, optics, serve, literal)
        found.append(literal)
    return found


def _two_of_each(draft: Draft, optics: Optics, serve: Sequence[int], literal: Var) -> None:
    """Two bodies and two lenses, whichever they are: it follows from the rest, but the relaxation does not see it."""
    members = list(optics.members.values())
    used = [members[number] for number in np.flatnonzero(optics.takes[serve].any(axis=0)).tolist()] if serve else []
    things = [draft.case.free[item] for alike in used for item in alike]
    bodies = [t.id for t in things if isinstance(t, Body)]
    glass = [t.id for t in things if isinstance(t, Lens) or (isinstance(t, Body) and t.fixed_lens is not None)]
    for needed in (bodies, glass):
        draft.cp.add(total((draft.pieces[item], 1) for item in needed) >= 2 * literal)


def _two_of(draft: Draft, items: Sequence[str]) -> Truth:
    """True only when two pieces of one class come along."""
    if sum(draft.case.most[i] for i in items) < 2:
        return False
    literal = draft.cp.new_bool_var("")
    draft.cp.add(total((draft.pieces[i], 1) for i in items) >= 2).only_enforce_if(literal)
    return literal
