"""What is bought for a bed's crops: seed, young plants, stakes and nets, pots to sink."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import date

from nolbet_core.built.suits import Suited
from nolbet_core.built.wares import crop_ware
from nolbet_core.built.worked import WorkedBed
from nolbet_core.haul.wanted import Box, Stretch
from nolbet_core.planting.windows import successions
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.wares import PLANT_POT, PLANT_STAKE, WARES, Ware
from nolbet_core.stack.fill import sheet_standing
from nolbet_core.stack.layers import Sheet, Standing

NET_HIGH_M = 1.8
NET = "garden_net"

Part = tuple[Ware, Stretch | Box]


def sowing_days(suited: Suited) -> list[date]:
    """Days on which a crop is sown again and again; none where it isn't, or no day is known."""
    every_weeks, window = suited.grown.asked.every_weeks, suited.window
    if window is None or every_weeks is None or suited.begins is None:
        return []
    too_soon = any(each.code == "crop_too_soon" for each in suited.stops)
    return successions(window.opens if too_soon else suited.begins, every_weeks, window.closes)


def pieces_of(suited: Suited) -> int:
    """Seeds that are sown for a crop with what doesn't come up, or plants, over all its sowings."""
    grown = suited.grown
    count = grown.placed.count * max(len(sowing_days(suited)), 1)
    return round(count / grown.crop.value("germination")) if grown.crop.start == "sown" else count


def still_to_plant(worked: WorkedBed) -> list[Suited]:
    """Crops whose day hasn't come, or isn't known."""
    today = worked.year.today
    return [
        each for each in worked.suits
        if each.grown.placed.count and (today is None or each.begins is None or each.begins > today)
    ]  # fmt: skip


def crop_wares(worked: WorkedBed) -> Iterator[Part]:
    """What is bought for crops that are still to be sown or planted."""
    for each in still_to_plant(worked):
        asked, count = each.grown.asked, each.grown.placed.count
        yield crop_ware(each.grown.crop), _pieces(pieces_of(each))
        if asked.support == "stakes":
            yield WARES[PLANT_STAKE], _pieces(count)
        if asked.sunk_pot:
            yield WARES[PLANT_POT], _pieces(count)


def crop_nets(worked: WorkedBed) -> Iterator[Standing]:
    """Nets that crops climb: as long as their ground is, as high as a hand reaches."""
    for each in still_to_plant(worked):
        if each.grown.asked.support == "net" and len(each.grown.placed.points):
            left, low, right, top = each.grown.covers.bounds
            long_m = max(right - left, top - low)
            sheet = Sheet(standard_shelf()[NET], lap_m=0.0)
            yield sheet_standing(sheet, 0.0, long_m * NET_HIGH_M, None, (long_m, NET_HIGH_M))


def _pieces(count: int) -> Box:
    return Box(0.0, 0.0, 0.0, count)
