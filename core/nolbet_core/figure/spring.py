"""What beds still ask for: those that aren't filled yet, and in spring those that have sunk, as one order."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from nolbet_core.built.bought import on_hand
from nolbet_core.built.buying import stock_of, suppliers_of
from nolbet_core.built.covered import cover_layers, cover_wares
from nolbet_core.built.fixings import bought_fixings, bought_loose, bought_units, fixings_of
from nolbet_core.built.frame import BuiltFrame
from nolbet_core.built.planted_wares import crop_nets, crop_wares
from nolbet_core.built.runoff import soak_wares
from nolbet_core.built.state import frame_stands, is_begun, is_put_off
from nolbet_core.built.supplies import Supplies
from nolbet_core.built.topping import top_up_volumes
from nolbet_core.built.watered import line_wares
from nolbet_core.built.worked import WorkedBed
from nolbet_core.climate.year import coming_spring
from nolbet_core.figure.buying import chosen_haul, haul_figures, need_figures
from nolbet_core.figure.buying_figures import SpringOrder, TopUpOfBed
from nolbet_core.haul.needs import Need, NeedSums
from nolbet_core.haul.offers import TOLERANCE_M3
from nolbet_core.haul.wanted import Board
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.garden import Plan
from nolbet_core.record import record
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.timber import TIMBER
from nolbet_core.stack.fill import bulk_standing
from nolbet_core.stack.layers import Bulk


@record
class _Sunk:
    """A filled bed that has sunk by a month, and the placed volume that brings one back [m3]."""

    worked: WorkedBed
    month: int
    volume_m3: float


def add_bed(sums: NeedSums, worked: WorkedBed) -> None:
    """Add what isn't laid yet of a bed and those alike, its reservoir where nothing lies on that yet, and what its
    planting holes take.
    """
    bed, state = worked.bed, worked.state
    if is_put_off(bed, worked.year.today):
        return
    if state != "emptied":
        _add_planted(sums, worked)
    sums.add(bed.count, worked.filled.layers, bed.key, worked.still_to_lay)
    if worked.scooped is not None and state != "emptied":
        sums.add(bed.count, [worked.scooped], bed.key)
    if worked.pockets is not None and state != "emptied":
        sums.add(bed.count, [worked.pockets], bed.key)
    if worked.wraps and not is_begun(bed, state):
        sums.add(bed.count, worked.wraps, bed.key)
    if not is_begun(bed, state):
        for ware, part in soak_wares(bed):
            sums.add_ware(bed.count, ware, part, bed.key)
    if worked.framed is not None and not frame_stands(bed, state):
        _add_frame(sums, worked.framed, bed)
    if worked.water is None or is_begun(bed, state):
        return
    sums.add(bed.count, worked.water.parts, bed.key)
    for ware, part in worked.water.wares:
        sums.add_ware(bed.count, ware, part, bed.key)


def _add_planted(sums: NeedSums, worked: WorkedBed) -> None:
    """Add what its crops, its cover and its drip lines take, as far as they aren't there."""
    bed = worked.bed
    sums.add(bed.count, crop_nets(worked), bed.key)
    parts = list(crop_wares(worked))
    if bed.cover is not None and not bed.cover.there:
        sums.add(bed.count, cover_layers(worked), bed.key)
        parts += cover_wares(worked)
    if bed.lines is not None and not bed.lines.there:
        parts += line_wares(worked)
    for ware, part in parts:
        sums.add_ware(bed.count, ware, part, bed.key)


def _add_frame(sums: NeedSums, framed: BuiltFrame, bed: Bed) -> None:
    """Add a frame's timber, bricks and the like."""
    for piece in framed.pieces:
        board = Board(piece.material, piece.thickness_m, piece.width_m, piece.length_m, piece.count)
        sums.add_board(bed.count, board, piece.volume_m3 * TIMBER[piece.material].density_kg_m3, bed.key)
    if framed.lining is not None:
        sums.add(bed.count, [framed.lining], bed.key)
    held = fixings_of(framed)
    for ware, box in (*bought_units(framed), *bought_fixings(held)):
        sums.add_ware(bed.count, ware, box, bed.key)
    shelf = standard_shelf()
    for material, loose_m3 in bought_loose(framed, held).items():
        asked = Bulk(shelf[material], "volume", loose_m3)
        sums.add(bed.count, [bulk_standing(asked, (0.0, 0.0), loose_m3 / shelf[material].loose_factor, 0.0)], bed.key)


def spring_order(
    beds: Sequence[WorkedBed], needs: Sequence[Need], plan: Plan, supplies: Supplies
) -> SpringOrder | None:
    """The coming spring's top-ups as one order; None where no filled bed has sunk or today isn't known.

    beds: of the plan. needs: what else they ask for; what lies on hand is used for that first.
    """
    sunk = [each for worked in beds if (each := _sunk(worked, supplies)) is not None]
    today = sunk[0].worked.year.today if sunk else None
    if today is None:
        return None
    sums = NeedSums()
    for each in sunk:
        asked = Bulk(supplies.materials[each.worked.bed.top_up], "volume", each.volume_m3)
        standing = bulk_standing(asked, (0.0, 0.0), each.volume_m3, 0.0)
        sums.add(each.worked.bed.count, [standing], each.worked.bed.key)
    used = {need.material: min(need.stock_m3, need.loose_m3) for need in needs}
    lying = stock_of(on_hand(plan, supplies.materials), today)
    stock = {key: volume - used.get(key, 0.0) for key, volume in lying.items()}
    ordered = sums.less_stock(stock, supplies.mixes, supplies.materials)
    suppliers = suppliers_of(plan, supplies.materials)
    chosen = chosen_haul(ordered, suppliers)
    titles = {each.worked.bed.key: each.worked.bed.title for each in sunk}
    return SpringOrder(
        on=coming_spring(today, sunk[0].worked.year),
        beds=[_of_bed(each, supplies.materials) for each in sunk],
        needs=[need_figures(need, supplies.materials, titles) for need in ordered],
        haul=haul_figures(chosen, ordered, suppliers, supplies.materials) if chosen else None,
    )


def _sunk(worked: WorkedBed, supplies: Supplies) -> _Sunk | None:
    months = worked.spring_months
    if worked.age_months is None or not months:
        return None
    (volume_m3,) = top_up_volumes(worked, supplies, months[:1])
    return _Sunk(worked, months[0], volume_m3) if volume_m3 > TOLERANCE_M3 else None


def _of_bed(each: _Sunk, materials: Mapping[str, Material]) -> TopUpOfBed:
    bed, surface_m = each.worked.bed, each.worked.settling.surface_m
    placed_m3 = bed.count * each.volume_m3
    return TopUpOfBed(
        bed=bed.key,
        name=bed.title,
        material=materials[bed.top_up].name,
        sunk_m=surface_m[0] - surface_m[each.month],
        placed_m3=placed_m3,
        loose_m3=placed_m3 * materials[bed.top_up].loose_factor,
    )
