"""What carriers say: models that the user edits. Judged by ``mule.analysis.carriers``."""

from mule.plan.carriers.restrictions import USUAL, RestrictedSort, Restriction
from mule.plan.carriers.rules import Carrier, PieceRule, TogetherRule

__all__ = ["USUAL", "Carrier", "PieceRule", "RestrictedSort", "Restriction", "TogetherRule"]
