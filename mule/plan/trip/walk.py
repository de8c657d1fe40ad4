"""Goals that are reached on foot, and how fast somebody walks."""

from typing import Annotated, Literal

from pydantic import Field

from mule.base.units import Flag, Frozen, Number

# A clock's time: hours and minutes.
Clock = Annotated[str, Field(pattern=r"^([01]\d|2[0-3]):[0-5]\d$")]
# What light somebody is there for. dark: the sun under -18 degrees and the moon down, as long as there is.
Goal = Literal["first-light", "sunrise", "sunset", "last-light", "dark", "clock"]


class Walk(Frozen):
    """A goal that is reached on foot, and the same way back.

    km, up_m, down_m: of the way there. goal: the light to be there for; at: the clock, where that is the goal.
    early_min: there so long before, to set up; stay_h: from the goal's time on. refills: places to fill up water on the
    way there and back. hot: it is hot. home_by: the latest to be down (a boat, a tide, last light where none is said).
    """

    km: Number = Field(ge=0, le=80)
    up_m: Number = Field(default=0, ge=0, le=4_000)
    down_m: Number = Field(default=0, ge=0, le=4_000)
    goal: Goal = "sunrise"
    at: Clock | None = None
    early_min: Number = Field(default=30, ge=0, le=600)
    stay_h: Number = Field(default=1, ge=0, le=24)
    refills: int = Field(default=0, ge=0, le=20, strict=True)
    hot: Flag = False
    home_by: Clock | None = None


class Pace(Frozen):
    """How somebody walks, drinks and eats: the rule of Naismith with its usual corrections, all to be changed
    (docs/domain/load.md).

    km_h, up_m_h: kilometres on the flat and metres of climb in an hour. gentle_min, steep_min: minutes less and more
    for each 300 m down a gentle and a steep slope. load_slows: share of time more for each share of body mass over a
    tenth (estimate). water_l_h, hot_water_l_h: litres an hour on foot; food_g: a day (estimates).
    """

    km_h: Number = Field(default=5, ge=0.5, le=15)
    up_m_h: Number = Field(default=600, ge=50, le=3_000)
    gentle_min: Number = Field(default=10, ge=0, le=60)
    steep_min: Number = Field(default=10, ge=0, le=60)
    load_slows: Number = Field(default=1, ge=0, le=5)
    water_l_h: Number = Field(default=0.5, ge=0, le=3)
    hot_water_l_h: Number = Field(default=0.75, ge=0, le=3)
    food_g: Number = Field(default=650, ge=0, le=3_000)
