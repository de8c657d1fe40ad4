"""What a power bank really gives, in Wh beside the mAh it is sold by (docs/domain/power.md#power-banks)."""

from collections.abc import Iterator, Sequence

from mule.analysis.power.case import PowerCase
from mule.analysis.power.demand import nominal_wh
from mule.analysis.power.packs import BANK_YIELD
from mule.base.units import Frozen
from mule.plan.gear import PowerBank

# Cell voltage that makers of banks quote mAh at, and of common camera packs: only to show what is claimed.
_BANK_V = 3.6
_PACK_V = 7.2


class Claim(Frozen):
    """What a bank really gives: in Wh beside the mAh it is sold by. refills: of a pack of the type.

    claimed: refills that dividing mAh by mAh suggests, the common mistake.
    """

    item: str
    energy_wh: float
    gives_wh: float
    type: str
    refills: float
    claimed: float


def claims(case: PowerCase, types: Sequence[str]) -> Iterator[Claim]:
    """Every loaded bank against the first of these types of which a pack is owned."""
    whole = nominal_wh(case.gear.values())
    asked = [type_ for type_ in types if type_ in whole]
    for item in case.counts:
        bank = case.gear[item]
        if isinstance(bank, PowerBank) and asked:
            gives = bank.energy_wh * BANK_YIELD
            yield Claim(
                item=item,
                energy_wh=bank.energy_wh,
                gives_wh=gives,
                type=asked[0],
                refills=gives / whole[asked[0]],
                claimed=(bank.energy_wh / _BANK_V) / (whole[asked[0]] / _PACK_V),
            )
