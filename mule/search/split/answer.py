"""What sharing out between people answers with. Grams; shares are of what somebody carries well, or of body mass."""

from typing import Literal

from mule.base.units import Frozen
from mule.findings.said import Finding
from mule.plan.edits import Move

# By what backs are compared: what everybody carries well, their body mass, or grams where neither is known of all.
Measure = Literal["carries-well", "body-mass", "grams"]


class Act(Frozen):
    """One move of the sharing: a thing, or a lens on its body, from somebody's bag into somebody else's, or into
    another bag of the same person. edits: what does it."""

    items: tuple[str, ...]
    count: int
    mass_g: float
    from_person: str
    to_person: str
    edits: tuple[Move, ...]


class OnBack(Frozen):
    """What one person carries, base load included, before and after. before_share, after_share: by the measure, None
    where that is grams."""

    person: str
    before_g: float
    after_g: float
    before_share: float | None
    after_share: float | None


class OverLimit(Frozen):
    """Bags that are too heavy for a leg together, before or after. over: more than nothing where they are."""

    leg: str
    bags: tuple[str, ...]
    allowed_g: float
    before_over_g: float
    after_over_g: float


class Shared(Frozen):
    """What some moves come to. gone, new: what is amiss before and not after, and the other way round."""

    measure: Measure
    people: tuple[OnBack, ...]
    over: tuple[OverLimit, ...]
    gone: tuple[Finding, ...]
    new: tuple[Finding, ...]


class Split(Frozen):
    """The sharing that loads the most loaded least. acts: none where nothing is worth moving. proved: no other way to
    share is better by what counts (docs/algorithms/split.md), every bag that gained something packed and proved.

    together: pairs that still lie in one bag, and things that are still with others than whose they are.
    """

    acts: tuple[Act, ...]
    comes_to: Shared
    together: int
    proved: bool
