"""Lines of searches can be read again as what they are: whoever reads one finds every field that is promised."""

from mule.search.bag_sets import bag_sets
from mule.search.choosing import Asking
from mule.search.outings import OutingAsked, propose
from mule.search.suggest import suggest
from server.searching.lines import BagSetLine, ChoiceLine, OutingLine, StreamLine
from tests.tiny import on_the_road


def told() -> list[StreamLine]:
    # Nobody on this trip said what they weigh or carry well: there is much that is nothing.
    plan, _ = on_the_road(0)
    choice = suggest(plan, Asking(points=2, seconds=4, by_days=True))
    assert choice.points
    loaded = plan.with_kit(choice.points[-1].kit)
    outing = OutingAsked(days=(plan.trip.days[0].date,), person="ines", seconds=4)
    return [
        ChoiceLine(choice=choice),
        OutingLine(proposal=propose(loaded, outing)),
        BagSetLine(found=next(iter(bag_sets(loaded, 2)))),
    ]


def test_a_line_reads_as_it_was_told() -> None:
    every = told()
    for line in every:
        assert type(line).model_validate_json(line.written()) == line
        assert "ahead" not in line.written()
    assert any("null" in line.written() for line in every)
