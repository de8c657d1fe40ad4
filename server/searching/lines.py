"""Lines of JSON that searches tell."""

from typing import Self

from pydantic import BaseModel

from mule.findings.said import Finding
from mule.packing import Stowage
from mule.search.bag_sets import BagNews
from mule.search.choosing import Choice, KeptThing, Point
from mule.search.outings import ProposedOuting


class StreamLine(BaseModel):
    """ahead: while it waits for its turn, how many searches come before it. replaced: a newer one of the same owner
    took its place; nothing follows."""

    ahead: int | None = None
    replaced: bool | None = None

    @classmethod
    def read(cls, text: str) -> Self:
        """A line that was written."""
        return cls.model_validate_json(text)

    def written(self) -> str:
        """The line without what it does not say. What it says, it says whole: readers are promised every field, also
        those in which there is nothing."""
        return self.model_dump_json(exclude={name for name, value in self if value is None})


class ChoiceLine(StreamLine):
    """One line of a streamed choice: first what stays in any case, then each point as it is found, at last the whole
    answer; empty to say it is alive.

    standing: with each point, the indices of the points on the curve so far, lightest first.
    """

    kept: tuple[KeptThing, ...] | None = None
    point: Point | None = None
    standing: tuple[int, ...] | None = None
    choice: Choice | None = None


class CureLine(StreamLine):
    """A line of the answer about cures: first the stamp of what is said, then a finding each, at last whether these are
    all: not where the kit was changed meanwhile."""

    stamp: str | None = None
    finding: Finding | None = None
    whole: bool | None = None


class OutingLine(StreamLine):
    """A line of the answer about ways to go out: one way each, at last whether these are all."""

    proposal: ProposedOuting | None = None
    whole: bool | None = None


class BagSetLine(StreamLine):
    """A line of the answer about sets of bags: news of the search, at last whether all were looked at."""

    found: BagNews | None = None
    whole: bool | None = None


class StowLine(StreamLine):
    """One line of a packing as it is found. final: whether all bags are done."""

    stowage: Stowage | None = None
    final: bool | None = None
