"""Ready-made sets of wants to start from. Figures are where most people begin; everyone changes them."""

from mule.base.units import Frozen, ItemId, Name
from mule.plan.trip.wants import EffectWish, SubjectTest, Trait, TraitWish, Want


class WantSet(Frozen):
    """Wants of one kind of journey."""

    id: ItemId
    name: Name
    wants: tuple[Want, ...]


def _traits(*traits: Trait, essential: tuple[Trait, ...] = ()) -> tuple[TraitWish, ...]:
    return tuple(TraitWish(trait=t, essential=t in essential) for t in traits)


_AUTOFOCUS = _traits(Trait.AUTOFOCUS, essential=(Trait.AUTOFOCUS,))
_SEALED = _traits(Trait.SEALED)


def _animal(id_: str, name: str, subject: SubjectTest, importance: int) -> Want:
    low, high = subject.focal_mm()
    return Want(
        id=id_,
        name=name,
        focal_min_mm=low,
        focal_max_mm=high,
        max_f_number=6.3,
        megapixels=12,
        traits=_AUTOFOCUS,
        subject=subject,
        importance=importance,
    )


SETS: tuple[WantSet, ...] = (
    WantSet(
        id="sea-coast",
        name="Sea coast",
        wants=(
            Want(
                id="shore",
                name="Shore and rocks",
                focal_min_mm=16,
                focal_max_mm=50,
                megapixels=24,
                traits=_SEALED,
                static_subject=True,
                importance=5,
                steady=True,
            ),
            Want(
                id="slow-water",
                name="Slow water",
                focal_min_mm=20,
                focal_max_mm=70,
                max_f_number=11,
                megapixels=24,
                static_subject=True,
                importance=4,
                effects=(EffectWish(effect="nd", stops=6), EffectWish(effect="polariser")),
                steady=True,
            ),
            Want(
                id="waves",
                name="Waves and spray",
                focal_min_mm=70,
                focal_max_mm=200,
                max_f_number=5.6,
                megapixels=20,
                traits=_traits(Trait.AUTOFOCUS, Trait.SEALED),
            ),
        ),
    ),
    WantSet(
        id="night-sky",
        name="Night sky",
        wants=(
            Want(
                id="stars",
                name="Stars over land",
                focal_min_mm=14,
                focal_max_mm=24,
                max_f_number=2.8,
                light="equivalent",
                megapixels=20,
                importance=5,
                steady=True,
            ),
            Want(
                id="moon",
                name="Moon behind a ridge",
                focal_min_mm=200,
                focal_max_mm=600,
                max_f_number=8,
                megapixels=16,
                static_subject=True,
                importance=2,
                steady=True,
            ),
        ),
    ),
    WantSet(
        id="mountain",
        name="Mountain",
        wants=(
            Want(
                id="valleys",
                name="Valleys and ridges",
                focal_min_mm=16,
                focal_max_mm=35,
                megapixels=24,
                static_subject=True,
                importance=5,
            ),
            Want(
                id="layers",
                name="Layers far off",
                focal_min_mm=70,
                focal_max_mm=200,
                megapixels=24,
                static_subject=True,
                importance=4,
                effects=(EffectWish(effect="polariser"),),
            ),
            Want(
                id="walkers",
                name="People on the way",
                focal_min_mm=24,
                focal_max_mm=85,
                max_f_number=4,
                megapixels=16,
                traits=_traits(Trait.AUTOFOCUS),
            ),
        ),
    ),
    WantSet(
        id="city-doorways",
        name="City doorways",
        wants=(
            Want(
                id="doorways",
                name="Doorways and streets",
                focal_min_mm=24,
                focal_max_mm=50,
                max_f_number=4,
                megapixels=16,
                importance=4,
            ),
            Want(
                id="interiors",
                name="Interiors without a tripod",
                focal_min_mm=14,
                focal_max_mm=28,
                max_f_number=2.8,
                light="equivalent",
                megapixels=16,
                traits=_traits(Trait.STABILISED),
            ),
            Want(
                id="faces",
                name="Faces",
                focal_min_mm=50,
                focal_max_mm=105,
                max_f_number=2.8,
                light="equivalent",
                megapixels=16,
                traits=_traits(Trait.AUTOFOCUS),
            ),
        ),
    ),
    WantSet(
        id="hide",
        name="Wildlife from a hide",
        wants=(
            _animal("small-birds", "Small birds near", SubjectTest(size_m=0.15, near_m=6, far_m=10, share=0.5), 4),
            _animal("large-birds", "Large birds", SubjectTest(size_m=0.9, near_m=25, far_m=60, share=0.5), 5),
            _animal("deer", "Deer in their place", SubjectTest(size_m=1.6, near_m=40, far_m=100, share=0.4), 3),
        ),
    ),
    WantSet(
        id="woodland",
        name="Woodland close up",
        wants=(
            Want(
                id="fungi",
                name="Fungi and leaves",
                focal_min_mm=60,
                focal_max_mm=105,
                megapixels=16,
                traits=_traits(Trait.MACRO),
                static_subject=True,
                importance=4,
                steady=True,
            ),
            Want(
                id="stems",
                name="Stems in mist",
                focal_min_mm=50,
                focal_max_mm=135,
                megapixels=24,
                traits=_SEALED,
                static_subject=True,
                effects=(EffectWish(effect="polariser"),),
            ),
        ),
    ),
)
