"""What a plan must hold together beyond the form of each key: names that exist, amounts that are one of four."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from nolbet_core.blend.mix import Mix
from nolbet_core.plan.bed import Bed, Layer, filled_with
from nolbet_core.plan.build import built_bed
from nolbet_core.plan.check_plot import check_plot
from nolbet_core.plan.garden import OwnMaterial, Plan, PlanSupplier, Stock
from nolbet_core.plan.mix import PlanMix
from nolbet_core.plan.mixes import with_mixes
from nolbet_core.plan.problems import PlanProblem, unknown_key
from nolbet_core.plan.reservoir import store_of
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.material import Material, own_material

AMOUNTS = ("thickness_m", "volume_m3", "share", "fill")
SHEET_KEYS = ("plies", "lap_m", "up_sides_m", "skirt_m", "piece_m", "roll_width_m", "on_hand")
BULK_KEYS = (*AMOUNTS, "infill", "lifts")


class Supplies:
    """Everything a layer may name: shelf, own materials and mixes, by key."""

    __slots__ = ("materials", "mixes")

    def __init__(self, materials: Mapping[str, Material], mixes: Mapping[str, Mix]) -> None:
        self.materials = materials
        self.mixes = mixes


def gather_supplies(own: Iterable[OwnMaterial], mixes: Iterable[PlanMix]) -> Supplies:
    """The shelf with a garden's own materials and mixes.

    Raises PlanProblem where a key stands twice, a material is like none of the shelf, or mixes contain each other.
    """
    materials: dict[str, Material] = dict(standard_shelf())
    for index, entry in enumerate(own):
        path = f"materials[{index}]"
        if entry.key in materials:
            raise PlanProblem(f"{path}.key", f"'{entry.key}' is taken already")
        if entry.like not in standard_shelf():
            raise unknown_key(f"{path}.like", entry.like, standard_shelf())
        materials[entry.key] = _own(entry)
    return Supplies(*with_mixes(materials, list(mixes)))


def _own(entry: OwnMaterial) -> Material:
    figures = entry.model_dump(exclude={"key", "like", "name", "grain"}, exclude_none=True)
    return own_material(entry.key, entry.name, standard_shelf()[entry.like], figures, entry.grain)


def check_plan(plan: Plan, supplies: Supplies) -> None:
    """Raise PlanProblem for the first thing in a plan that doesn't hold together."""
    _check_twice("beds", [bed.key for bed in plan.beds])
    _check_twice("suppliers", [supplier.key for supplier in plan.suppliers])
    for index, bed in enumerate(plan.beds):
        check_bed(bed, supplies.materials, f"beds[{index}]")
    if plan.garden.plot is not None:
        check_plot(plan.garden.plot, supplies.materials, "garden.plot")
    check_stock(plan.stock, supplies.materials)
    check_suppliers(plan.suppliers, supplies.materials)


def check_stock(stock: Iterable[Stock], materials: Mapping[str, Material]) -> None:
    """Raise PlanProblem for the first heap of something that isn't on the shelf."""
    for index, heap in enumerate(stock):
        if heap.material not in materials:
            raise unknown_key(f"stock[{index}].material", heap.material, materials)


def check_suppliers(suppliers: Iterable[PlanSupplier], materials: Mapping[str, Material]) -> None:
    """Raise PlanProblem for the first offer of something that isn't on the shelf."""
    for index, supplier in enumerate(suppliers):
        for place, offer in enumerate(supplier.offers):
            if offer.material not in materials:
                raise unknown_key(f"suppliers[{index}].offers[{place}].material", offer.material, materials)


def _check_twice(path: str, keys: list[str]) -> None:
    seen: set[str] = set()
    for index, key in enumerate(keys):
        if key in seen:
            raise PlanProblem(f"{path}[{index}].key", f"'{key}' is taken already")
        seen.add(key)


def check_bed(bed: Bed, materials: Mapping[str, Material], path: str) -> None:
    """Raise PlanProblem for the first thing of a bed that doesn't hold together: its layers, shape and places."""
    check_layers(bed, materials, path)
    for index, aside in enumerate(bed.set_aside):
        way = filled_with(bed, aside)
        check_layers(way, materials, f"{path}.set_aside[{index}]")
        store_of(way, built_bed(bed, path), materials, f"{path}.set_aside[{index}]")
    _check_top_up(bed, materials, path)
    store_of(bed, built_bed(bed, path), materials, path)
    if len(bed.places) > bed.count:
        alike = "one bed" if bed.count == 1 else f"{bed.count} beds alike"
        raise PlanProblem(f"{path}.places[{bed.count}]", f"is one place more than there are beds ({alike})")


def _check_top_up(bed: Bed, materials: Mapping[str, Material], path: str) -> None:
    material = materials.get(bed.top_up)
    if material is None:
        raise unknown_key(f"{path}.top_up", bed.top_up, materials)
    if material.is_sheet:
        raise PlanProblem(f"{path}.top_up", f"{bed.top_up} is a sheet; name what is laid on each spring, as compost")


def check_layers(bed: Bed, materials: Mapping[str, Material], path: str) -> None:
    """Raise PlanProblem for the first layer of a bed that doesn't hold together."""
    filling = None
    for index, layer in enumerate(bed.layers):
        here = f"{path}.layers[{index}]"
        material = materials.get(layer.material)
        if material is None:
            raise unknown_key(f"{here}.material", layer.material, materials)
        if material.is_sheet:
            _refuse_keys(layer, BULK_KEYS, here, f"{layer.material} is a sheet and has no such key")
            _check_sheet(layer, here)
            _check_amendment(layer, materials, here)
            continue
        _refuse_keys(layer, SHEET_KEYS, here, f"only sheets have it, and {layer.material} is none")
        _check_amount(layer, here)
        if bed.shape.kind == "flat_area" and (layer.fill or layer.share is not None):
            key = "fill" if layer.fill else "share"
            raise PlanProblem(f"{here}.{key}", "a flat area has no rim to fill to; give a thickness or a volume")
        if layer.fill and filling is not None:
            raise PlanProblem(f"{here}.fill", f"layers[{filling}] fills the rest already; only one layer can")
        filling = index if layer.fill else filling
        _check_infill(layer, materials, here)
        _check_amendment(layer, materials, here)


def _check_sheet(layer: Layer, path: str) -> None:
    if layer.roll_width_m is not None and layer.piece_m is not None:
        raise PlanProblem(f"{path}.roll_width_m", "stands beside piece_m; a sheet comes in pieces or from a roll")
    if layer.on_hand is not None and layer.piece_m is None:
        raise PlanProblem(f"{path}.on_hand", "counts pieces, so piece_m has to say how large one is")


def _check_amendment(layer: Layer, materials: Mapping[str, Material], path: str) -> None:
    if layer.amendment is None:
        return
    key = layer.amendment.material
    material = materials.get(key)
    if material is None:
        raise unknown_key(f"{path}.amendment.material", key, materials)
    if material.is_sheet or material.grain != "fine":
        raise PlanProblem(f"{path}.amendment.material", f"{key} can't be scattered; name a meal, pellets or compost")


def _refuse_keys(layer: Layer, keys: Iterable[str], path: str, message: str) -> None:
    for key in keys:
        if getattr(layer, key) is not None:
            raise PlanProblem(f"{path}.{key}", message)


def _check_amount(layer: Layer, path: str) -> None:
    given = [key for key in AMOUNTS if getattr(layer, key) is not None]
    if not given:
        raise PlanProblem(path, f"needs one of {', '.join(AMOUNTS)}")
    if len(given) > 1:
        raise PlanProblem(f"{path}.{given[1]}", f"stands beside {given[0]}; a layer takes one of {', '.join(AMOUNTS)}")


def _check_infill(layer: Layer, materials: Mapping[str, Material], path: str) -> None:
    if layer.infill is None:
        return
    fines = materials.get(layer.infill.material)
    if fines is None:
        raise unknown_key(f"{path}.infill.material", layer.infill.material, materials)
    if fines.is_sheet or fines.void_share:
        raise PlanProblem(f"{path}.infill.material", f"{layer.infill.material} isn't fine enough to pack voids")
    if not materials[layer.material].void_share:
        raise PlanProblem(f"{path}.infill", f"{layer.material} has no voids to pack")
