"""A carrier's rules: data that the user edits (docs/domain/carriers.md)."""

from datetime import date
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from mule.base.units import Flag, Frozen, Grams, ItemId, Name, Note, Number, Sides
from mule.plan.carriers.restrictions import Restriction
from mule.plan.places import PieceKind

SumOfSidesMm = Annotated[Number, Field(ge=1, le=9_000)]


class PieceRule(Frozen):
    """What one kind of piece may be, per person. None means that the carrier states no limit.

    size_mm: length, width and height of the frame, compared sorted. sum_mm: sum of the three sides. soft_only: hard
    cases are not taken.
    """

    piece: PieceKind
    count: int | None = Field(default=None, ge=0, le=20, strict=True)
    size_mm: Sides | None = None
    sum_mm: SumOfSidesMm | None = None
    mass_g: Grams | None = None
    soft_only: Flag = False


class TogetherRule(Frozen):
    """A mass that several kinds of piece share, per person."""

    pieces: tuple[PieceKind, ...] = Field(min_length=1, max_length=3)
    mass_g: Grams


class Carrier(Frozen):
    """One carrier. A kind of piece without a rule is not limited.

    restricted: what it says otherwise than the usual rules. source: where the figures come from; checked: the day
    somebody last looked.
    """

    id: ItemId
    name: Name
    means: Literal["plane", "train", "bus", "ferry", "boat", "car", "on-foot"] = "plane"
    pieces: tuple[PieceRule, ...] = ()
    together: tuple[TogetherRule, ...] = Field(default=(), max_length=4)
    restricted: tuple[Restriction, ...] = Field(default=(), max_length=30)
    source: Note = ""
    checked: date | None = None

    @model_validator(mode="after")
    def _one_rule_per_kind(self) -> Self:
        kinds = [rule.piece for rule in self.pieces]
        if len(set(kinds)) != len(kinds):
            raise PydanticCustomError("twice", "use one rule for each kind of bag")
        if len({r.sort for r in self.restricted}) != len(self.restricted):
            raise PydanticCustomError("twice", "use one rule for each kind of restricted item")
        return self

    def rule(self, piece: PieceKind) -> PieceRule | None:
        """The rule for a kind of piece, if the carrier states one."""
        return next((rule for rule in self.pieces if rule.piece == piece), None)
