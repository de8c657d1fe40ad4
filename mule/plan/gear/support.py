"""What holds a camera still."""

from typing import ClassVar, Literal

from mule.base.units import Flag, Grams, Label, Millimetres, Number
from mule.plan.gear.base import Group, Thing


class Tripod(Thing):
    """Three legs. ``size`` is the folded size; ``max_load_g`` what they carry."""

    kind: Literal["tripod"] = "tripod"
    group: ClassVar[Group] = Group.SUPPORT

    max_load_g: Grams
    max_height_mm: Millimetres
    head_included: Flag = False


class OtherSupport(Thing):
    """A monopod, clamp, bean bag, flat plate: what passes where legs are barred."""

    kind: Literal["other-support"] = "other-support"
    group: ClassVar[Group] = Group.SUPPORT

    form: Literal["monopod", "clamp", "bean-bag", "flat-plate", "pole", "gimbal"]
    max_load_g: Grams


class Head(Thing):
    """Sits on legs, takes a plate of ``plate_type``."""

    kind: Literal["head"] = "head"
    group: ClassVar[Group] = Group.SUPPORT

    plate_type: Label
    max_load_g: Grams


class Plate(Thing):
    """Screws to a body or a lens foot, clicks into a head."""

    kind: Literal["plate"] = "plate"
    group: ClassVar[Group] = Group.SUPPORT

    plate_type: Label
    angle_bracket: Flag = False
    offset_mm: Number = 0
