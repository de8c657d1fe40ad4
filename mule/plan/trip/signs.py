"""The crew's own marks: how somebody sees in the dark which pack is charged and which card is full.

See docs/domain/lookback.md.
"""

from typing import Annotated

from pydantic import StringConstraints

from mule.base.units import Frozen

Sign = Annotated[str, StringConstraints(strip_whitespace=True, max_length=120)]


class Signs(Frozen):
    """In words, since some read the same mark opposite: "contacts out", "in the red pouch", "taped over"."""

    pack_ready: Sign = ""
    pack_spent: Sign = ""
    card_blank: Sign = ""
    card_full: Sign = ""
    card_copied: Sign = ""
