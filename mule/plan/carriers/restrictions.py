"""Things that carriers restrict, with the usual answers: data that the user edits per carrier.

See docs/domain/carriers.md.

Usual air rules only: the carrier and the authority of the country decide.
"""

from typing import Annotated, Literal

from pydantic import Field

from mule.base.units import Frozen, Hazard, Note, WattHours

RestrictedSort = Literal["spare-lithium", "power-bank", "device-lithium", "dry-cells", "tripod", "drone"] | Hazard
# yes: goes. ask: goes on a condition, or is decided at the gate. no: does not go.
Answer = Literal["yes", "ask", "no"]
MostPieces = Annotated[int, Field(strict=True, ge=0, le=200)]


class Restriction(Frozen):
    """What one carrier says of one sort of thing. cabin, hold: on the person and in bags kept close, or checked in.

    most: pieces a person. free_wh: energy of a piece that needs no asking. approval_wh: most with the carrier's
    approval, approval_most of them; None when the carrier says nothing.
    """

    sort: RestrictedSort
    cabin: Answer
    hold: Answer
    most: MostPieces | None = None
    free_wh: WattHours | None = None
    approval_wh: WattHours | None = None
    approval_most: MostPieces | None = None
    note: Note = ""


_LITHIUM = {"free_wh": 100.0, "approval_wh": 160.0, "approval_most": 2}
# Usual air rules (docs/domain/carriers.md), as generally published for passengers.
USUAL: tuple[Restriction, ...] = (
    Restriction(sort="spare-lithium", cabin="yes", hold="no", most=20, note="Contacts covered.", **_LITHIUM),
    Restriction(sort="power-bank", cabin="yes", hold="no", note="Some carriers take one or two.", **_LITHIUM),
    Restriction(
        sort="device-lithium",
        cabin="yes",
        hold="ask",
        note="Switched off, and secured against switching on.",
        **_LITHIUM,
    ),
    Restriction(sort="dry-cells", cabin="yes", hold="yes"),
    Restriction(sort="tripod", cabin="ask", hold="yes", note="Some gates treat it as a pole."),
    Restriction(sort="drone", cabin="ask", hold="ask", note="Each country has its own rules."),
    Restriction(sort="blade", cabin="no", hold="yes"),
    Restriction(sort="multi-tool", cabin="no", hold="yes"),
    Restriction(sort="tool", cabin="no", hold="yes", note="Over 6 cm; rules vary."),
    Restriction(sort="spray", cabin="no", hold="no"),
    Restriction(sort="gas", cabin="no", hold="no"),
    Restriction(sort="compressed-air", cabin="no", hold="no"),
    Restriction(sort="matches", cabin="ask", hold="no", note="One box, on the person."),
    Restriction(sort="lighter", cabin="ask", hold="no", note="One, on the person."),
    Restriction(sort="liquid", cabin="ask", hold="yes", note="Small bottles in a clear bag."),
    Restriction(sort="film", cabin="ask", hold="no", note="Request a hand check: hold scanners are strong."),
)
