"""Shapes of the field's endpoints."""

from typing import Annotated, Any

from ninja import Schema
from pydantic import Field as Limits

from mule.plan.field import Conflict, Mark
from server.field.pictures import Odd


class FieldOut(Schema):
    """All marks of a trip in the order in which they came, and what they come to.

    now: by subject, the mark that came last. conflicts: subjects on which devices disagree.
    """

    marks: list[Mark]
    now: dict[str, Mark]
    conflicts: list[Conflict]


class SentMarks(Schema):
    """Marks that a device sends. They are looked at one by one, so that a bad one holds up no other."""

    marks: Annotated[list[dict[str, Any]], Limits(max_length=1_000)]


class Refusal(Schema):
    """A mark that cannot be taken: which, and why."""

    id: str
    field: str
    value: str
    rule: str


class TakenMarks(Schema):
    """What became of the marks that were sent. taken: ids that stand now, those that stood before included."""

    taken: list[str]
    refused: list[Refusal]
    field: FieldOut


class ReadPictures(Schema):
    """What became of the files that were sent. known: pictures that had been read before."""

    taken: int
    known: int
    odd: list[Odd]
