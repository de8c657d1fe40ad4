"""Lines of searches can be read again as what they are: whoever reads one finds every field that is promised."""

from pathlib import Path

from mule.bag_sets import bag_sets
from mule.choosing import Asking
from mule.outings import OutingAsked, propose
from mule.plan import read
from mule.suggest import suggest
from server.searching.lines import BagSetLine, ChoiceLine, Line, OutingLine

KARST = read((Path(__file__).parents[2] / "demo" / "karst.plan.json").read_bytes())


def told() -> list[Line]:
    # Nobody on this trip said what they weigh or carry well: there is much that is nothing.
    day = KARST.trip.days[1].date
    asking = Asking(points=2, seconds=20, by_days=True)
    bag_set = next(iter(bag_sets(KARST, 5)))
    return [
        ChoiceLine(choice=suggest(KARST, asking)),
        OutingLine(proposal=propose(KARST, OutingAsked(days=(day,), person="ines", seconds=20))),
        BagSetLine(found=bag_set),
    ]


def test_a_line_reads_as_it_was_told() -> None:
    every = told()
    for line in every:
        assert type(line).model_validate_json(line.written()) == line
        assert "ahead" not in line.written()
    assert any("null" in line.written() for line in every)
