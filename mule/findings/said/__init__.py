"""One type for each thing that a rule can say, told apart by its code."""

from collections.abc import Iterator
from functools import reduce
from operator import or_
from typing import TYPE_CHECKING, Annotated

from pydantic import Field

from mule.findings.said.brief import *
from mule.findings.said.completeness import *
from mule.findings.said.cure import WAYS_OUT
from mule.findings.said.gate import *
from mule.findings.said.holding import *
from mule.findings.said.kit import *
from mule.findings.said.losses import *
from mule.findings.said.people import *
from mule.findings.said.place import *
from mule.findings.said.policies import *
from mule.findings.said.stamina import *
from mule.findings.said.stow import *
from mule.findings.said.told import Told
from mule.findings.said.travel import *
from mule.findings.said.wants import *


def _each(base: type[Told]) -> Iterator[type[Told]]:
    for type_ in base.__subclasses__():
        if "code" in type_.__annotations__:
            yield type_
        yield from _each(type_)


# Every one of them. A type is a finding as soon as it has a code.
FINDINGS: tuple[type[Told], ...] = tuple(sorted(_each(Told), key=lambda type_: type_.__name__))
if TYPE_CHECKING:
    Finding = Told
else:
    Finding = Annotated[reduce(or_, FINDINGS), Field(discriminator="code")]

# What a way out brings along is findings again.
for _way in WAYS_OUT:
    _way.model_rebuild(_types_namespace={"Finding": Finding})
