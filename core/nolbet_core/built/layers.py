"""From layers as the plan file writes them to layers as the stack takes them, with all that is wrong with them."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence

from nolbet_core.plan.bed import Layer
from nolbet_core.plan.defaults import LAP_M
from nolbet_core.plan.problems import PlanProblem
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.ripeness import StateProblem, ripened
from nolbet_core.stack.layers import USUAL_ROLL_M, Asked, Bulk, By, Packing, Scattered, Sheet

AMOUNTS = ("thickness_m", "volume_m3", "share", "fill")
SHEET_KEYS = ("plies", "lap_m", "up_sides_m", "skirt_m", "piece_m", "roll_width_m", "on_hand", "cover", "band_m")

USUAL_PIECE_M = {"cardboard": (0.7, 1.0), "newspaper": (0.4, 0.6)}
"""Width and length of a piece where none is said [m]: a box laid flat, a spread of newspaper."""

BULK_KEYS = (*AMOUNTS, "infill", "lifts", "ripeness")


def build_layers(
    layers: Sequence[Layer], shape_kind: str, materials: Mapping[str, Material], path: str, problems: list[PlanProblem]
) -> tuple[Asked, ...]:
    """Layers as the stack takes them; those that don't hold are left out.

    shape_kind: of the bed they lie in. path: how the bed is called. problems: takes what is wrong with them. A name
    that isn't there is no matter of theirs: `unknown_names` tells it for the whole bed.
    """
    asked: list[Asked] = []
    filling: int | None = None
    for index, layer in enumerate(layers):
        here = f"{path}.layers[{index}]"
        material = materials.get(layer.material)
        if material is None or not _named(layer, materials):
            continue
        found = [*_wrong_with(layer, material, shape_kind, here), *_wrong_with_extras(layer, materials, here)]
        if layer.cover == "rest" and not band_beside(layers, index):
            said = "is rest, and no sheet beside it is a band along the edge (cover edge)"
            found.append(PlanProblem(f"{here}.cover", said))
        if layer.fill and not material.is_sheet:
            if filling is not None:
                message = f"layers[{filling}] fills the rest already; only one layer can"
                found.append(PlanProblem(f"{here}.fill", message))
            filling = index
        if layer.ripeness and not material.is_sheet:
            try:
                material = ripened(material, layer.ripeness)
            except StateProblem as problem:
                found.append(PlanProblem(f"{here}.ripeness", str(problem)))
        problems += found
        if not found:
            asked.append(
                _sheet(layer, material, materials, band_beside(layers, index))
                if material.is_sheet
                else _bulk(layer, material, materials)
            )
    return tuple(asked)


def _named(layer: Layer, materials: Mapping[str, Material]) -> bool:
    named = [layer.infill.material] if layer.infill else []
    return all(key in materials for key in (*named, *(each.material for each in layer.scattered)))


def _wrong_with(layer: Layer, material: Material, shape_kind: str, path: str) -> Iterator[PlanProblem]:
    if material.is_sheet:
        yield from _foreign_keys(layer, BULK_KEYS, path, f"{layer.material} is a sheet and has no such key")
        yield from _wrong_with_sheet(layer, path)
        yield from _wrong_with_cover(layer, shape_kind, path)
        return
    yield from _foreign_keys(layer, SHEET_KEYS, path, f"only sheets have it, and {layer.material} is none")
    yield from _wrong_with_amount(layer, path)
    if shape_kind == "flat_area" and (layer.fill or layer.share is not None):
        key = "fill" if layer.fill else "share"
        yield PlanProblem(f"{path}.{key}", "a flat area has no rim to fill to; give a thickness or a volume")


def _foreign_keys(layer: Layer, keys: Iterable[str], path: str, message: str) -> Iterator[PlanProblem]:
    for key in keys:
        if getattr(layer, key) is not None:
            yield PlanProblem(f"{path}.{key}", message)


def _wrong_with_sheet(layer: Layer, path: str) -> Iterator[PlanProblem]:
    if layer.roll_width_m is not None and layer.piece_m is not None:
        yield PlanProblem(f"{path}.roll_width_m", "stands beside piece_m; a sheet comes in pieces or from a roll")
    if layer.on_hand is not None and layer.piece_m is None:
        yield PlanProblem(f"{path}.on_hand", "counts pieces, so piece_m has to say how large one is")


def _wrong_with_cover(layer: Layer, shape_kind: str, path: str) -> Iterator[PlanProblem]:
    if layer.band_m is not None and layer.cover != "edge":
        yield PlanProblem(f"{path}.band_m", "belongs to a sheet whose cover is edge")
    if layer.cover == "edge" and not layer.band_m and not layer.up_sides_m and not layer.skirt_m:
        yield PlanProblem(f"{path}.band_m", "has to be given for a band along the edge, or up_sides_m, or skirt_m")
    if layer.cover in ("walls", "edge") and shape_kind in WITHOUT_EDGE:
        kind = shape_kind.replace("_", " ")
        yield PlanProblem(f"{path}.cover", f"is {layer.cover}, and a {kind} has no walls for it to lie along")
    if layer.cover == "walls" and layer.skirt_m:
        yield PlanProblem(f"{path}.skirt_m", "runs out past the edge, and this sheet lies on the walls alone")
    if layer.cover == "walls" and shape_kind == "flat_area":
        yield PlanProblem(f"{path}.cover", "is walls, and a flat area has none")


WITHOUT_EDGE = frozenset({"hipped_mound", "round_mound", "herb_spiral", "ring_spiral"})
"""Shapes that no sheet lies along the edge of."""


def band_beside(layers: Sequence[Layer], index: int) -> float:
    """Width of the band [m] that other sheets on a sheet's level lie in along the edge; 0 where none does.

    Sheets lie on one level where nothing with a thickness is between them; a layer between says how much it is.
    """
    low = high = index
    while low > 0 and _has_no_amount(layers[low - 1]):
        low -= 1
    while high + 1 < len(layers) and _has_no_amount(layers[high + 1]):
        high += 1
    return max((each.band_m or 0.0 for each in layers[low : high + 1] if each.cover == "edge"), default=0.0)


def _has_no_amount(layer: Layer) -> bool:
    return all(getattr(layer, key) is None for key in AMOUNTS)


def _wrong_with_amount(layer: Layer, path: str) -> Iterator[PlanProblem]:
    given = [key for key in AMOUNTS if getattr(layer, key) is not None]
    if not given:
        yield PlanProblem(path, f"needs one of {', '.join(AMOUNTS)}")
    if len(given) > 1:
        yield PlanProblem(f"{path}.{given[1]}", f"stands beside {given[0]}; a layer takes one of {', '.join(AMOUNTS)}")


def _wrong_with_extras(layer: Layer, materials: Mapping[str, Material], path: str) -> Iterator[PlanProblem]:
    """What is wrong with what packs a layer and what is scattered on it; both are there."""
    if layer.infill is not None and not materials[layer.material].is_sheet:
        fines = materials[layer.infill.material]
        if fines.is_sheet or fines.takes_fines:
            yield PlanProblem(f"{path}.infill.material", f"{layer.infill.material} isn't fine enough to pack voids")
        if not materials[layer.material].takes_fines:
            yield PlanProblem(f"{path}.infill", f"{layer.material} has no voids to pack")
    places = [f"{path}.amendment"] if layer.amendment else []
    places += [f"{path}.amendments[{index}]" for index in range(len(layer.amendments or []))]
    for where, fed in zip(places, layer.scattered, strict=True):
        if materials[fed.material].is_sheet or materials[fed.material].grain != "fine":
            message = f"{fed.material} can't be scattered; name a meal, pellets or compost"
            yield PlanProblem(f"{where}.material", message)


def _sheet(layer: Layer, material: Material, materials: Mapping[str, Material], beside_m: float) -> Sheet:
    cover = layer.cover or "floor"
    piece_m, roll_m = _usual_of(layer, material)
    return Sheet(
        material,
        layer.plies or 1,
        LAP_M if layer.lap_m is None else layer.lap_m,
        layer.up_sides_m or 0.0,
        layer.skirt_m or 0.0,
        (layer.piece_m[0], layer.piece_m[1]) if layer.piece_m else piece_m,
        layer.roll_width_m,
        layer.on_hand,
        _scattered(layer, materials),
        cover,
        beside_m if cover == "rest" else layer.band_m or 0.0,
        roll_m,
        usual_piece=piece_m is not None,
    )


def _usual_of(layer: Layer, material: Material) -> tuple[tuple[float, float] | None, float | None]:
    """The usual piece [m, m], or the width of the usual roll [m], of a sheet that says neither."""
    if layer.piece_m or layer.roll_width_m:
        return None, None
    piece_m = USUAL_PIECE_M.get(material.like or material.key)
    return (piece_m, None) if piece_m else (None, USUAL_ROLL_M)


def _bulk(layer: Layer, material: Material, materials: Mapping[str, Material]) -> Bulk:
    by, amount = _amount(layer)
    packing = Packing(materials[layer.infill.material], layer.infill.share) if layer.infill else None
    return Bulk(material, by, amount, packing, layer.lifts or 1, _scattered(layer, materials))


def _scattered(layer: Layer, materials: Mapping[str, Material]) -> tuple[Scattered, ...]:
    return tuple(Scattered(materials[fed.material], fed.mass_kg) for fed in layer.scattered)


def _amount(layer: Layer) -> tuple[By, float]:
    if layer.thickness_m is not None:
        return "thickness", layer.thickness_m
    if layer.volume_m3 is not None:
        return "volume", layer.volume_m3
    if layer.share is not None:
        return "share", layer.share
    return "fill", 0.0
