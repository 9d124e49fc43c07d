"""Everything a layer may name: the shelf, a garden's own materials, and its mixes."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence

from nolbet_core.blend.mix import Mix
from nolbet_core.built.checked import Checked
from nolbet_core.built.crops import gather_crops
from nolbet_core.built.mixes import made_mixes
from nolbet_core.plan.garden import OwnMaterial
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.planting import OwnCrop
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.planting.crops import Crop, standard_crops
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.material import Material, own_material


class Supplies:
    """Materials and mixes by key; a mix is among the materials too. crops: by key, the shelf's where none are given."""

    __slots__ = ("crops", "materials", "mixes")

    def __init__(
        self, materials: Mapping[str, Material], mixes: Mapping[str, Mix], crops: Mapping[str, Crop] | None = None
    ) -> None:
        self.materials = materials
        self.mixes = mixes
        self.crops = crops if crops is not None else standard_crops()


def gather_supplies(
    own: Iterable[OwnMaterial], mixes: Sequence[PlanMix], own_crops: Iterable[OwnCrop] = ()
) -> Checked[Supplies]:
    """The shelf with a garden's own materials, mixes and crops, those left out that don't hold.

    One that is called as the shelf's that it is like stands for that one, as the gardener measured it.

    Problems: a key that stands twice, a material like none of the shelf, mixes that can't be mixed or contain each
    other.
    """
    materials: dict[str, Material] = dict(standard_shelf())
    measured: set[str] = set()
    problems: list[PlanProblem] = []
    for index, entry in enumerate(own):
        path = f"materials[{index}]"
        if entry.key == entry.like and entry.key in materials and entry.key not in measured:
            measured.add(entry.key)
            materials[entry.key] = _own(entry)
        elif entry.key in materials:
            problems.append(PlanProblem(f"{path}.key", f"'{entry.key}' is taken already"))
        elif entry.like not in standard_shelf():
            problems.append(unknown_key(f"{path}.like", entry.like, standard_shelf()))
        else:
            materials[entry.key] = _own(entry)
    made = made_mixes(materials, mixes, problems)
    materials |= {key: mix.material for key, mix in made.items()}
    crops = gather_crops(own_crops)
    return Checked(Supplies(materials, made, crops.value), (*problems, *crops.problems))


def _own(entry: OwnMaterial) -> Material:
    figures = entry.model_dump(exclude={"key", "like", "name", "grain"}, exclude_none=True)
    return own_material(entry.key, entry.name, standard_shelf()[entry.like], figures, entry.grain)
