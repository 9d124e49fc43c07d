"""What holds a frame together and keeps it: screws or spikes, brackets, stakes, adhesive, mortar, concrete, coats."""

from __future__ import annotations

import math
from collections import Counter
from collections.abc import Iterator

from nolbet_core.built.frame import POSTED, BuiltFrame
from nolbet_core.built.walls import unit_of
from nolbet_core.frame.fasteners import (
    BEAM_M,
    SPIKE_PER_HEIGHT,
    adhesive_tubes,
    coat_m3,
    concrete_bags,
    gravel_below,
    mortar_bags,
    screw_length,
    screws_a_joint,
    spikes_for,
)
from nolbet_core.frame.units import LONGEST_LOG_M, logs_for
from nolbet_core.haul.wanted import Box
from nolbet_core.record import record
from nolbet_core.shelf.library import standard_shelf
from nolbet_core.shelf.walling import LOG, ROD, STAKE
from nolbet_core.shelf.wares import ADHESIVE, CONCRETE_BAG, MORTAR_BAG, SCREW, SPIKE, WARES, Ware


@record
class Screws:
    """So many screws, or spikes, of a length [m]. ware: which of the two."""

    length_m: float
    count: int
    ware: str


@record
class Fixings:
    """What holds one frame. screws: by length. brackets: instead of posts, one a corner and course.

    stakes: at the ends of the lowest beams. adhesive_tubes: of 300 mL. mortar_bags, concrete_bags: of 20 kg, dry.
    post_gravel_m3: below posts in concrete, loose [m3]. stain_m3: for two coats outside and on top [m3]. pilot_m: how
    wide holes are drilled for the screws [m].
    """

    screws: tuple[Screws, ...]
    brackets: int
    stakes: int
    adhesive_tubes: int
    mortar_bags: int
    concrete_bags: int
    post_gravel_m3: float
    stain_m3: float
    pilot_m: float | None


PILOT_SHARE = 0.6
"""Of a screw's thickness, in softwood (estimate)."""
SCREW_THICKNESS = {0.06: 0.004, 0.1: 0.005, 0.25: 0.006}
"""How thick usual screws are up to a length [m]."""


def fixings_of(framed: BuiltFrame) -> Fixings:
    """What holds a frame together and keeps it."""
    screws = _screws(framed)
    wall = framed.unit_wall
    glued = wall is not None and wall.mortar_m3 == 0
    round_m = framed.vessel.outside.perimeter_m
    unit_m = unit_of(framed.frame)
    pilots = [_pilot(each.length_m) for each in screws if each.ware == SCREW]
    return Fixings(
        screws=screws,
        brackets=_brackets(framed),
        stakes=2 * len(framed.sides_m) if screws and screws[0].ware == SPIKE and framed.stands_in_ground else 0,
        adhesive_tubes=adhesive_tubes(round_m, wall.courses, unit_m[1]) if wall and glued and unit_m else 0,
        mortar_bags=mortar_bags(wall.mortar_m3) if wall else 0,
        concrete_bags=concrete_bags(framed.concrete_m3),
        post_gravel_m3=gravel_below(framed.posts, framed.frame.post_m or 0.0) if framed.post_depth_m > 0 else 0.0,
        stain_m3=_stain(framed),
        pilot_m=max(pilots) if pilots else None,
    )


def _pilot(screw_m: float) -> float:
    return PILOT_SHARE * next(thick for most, thick in SCREW_THICKNESS.items() if screw_m <= most + 1e-9)


def _screws(framed: BuiltFrame) -> tuple[Screws, ...]:
    """Screws by length; of thick beams the spikes."""
    if not framed.is_boards:
        return ()
    thick_m, width_m = framed.section
    long_m = screw_length(thick_m)
    if thick_m >= BEAM_M - 1e-9 or long_m is None:
        spikes = sum(spikes_for(each.length_m) for each in framed.boards)
        return (Screws(SPIKE_PER_HEIGHT * width_m, spikes, SPIKE),)
    frame = framed.frame
    held = "corner_post" if framed.cleats else frame.corner
    ends = {"slotted_post": 0, "corner_post": 2 * framed.corner_count}.get(held, framed.corner_count)
    joints = (ends + 2 * frame.middle_posts + 2 * frame.ties) * framed.courses.count
    return (Screws(long_m, joints * screws_a_joint(width_m), SCREW),) if joints else ()


def _brackets(framed: BuiltFrame) -> int:
    """One a corner and course, where boards meet without posts or cleats and aren't spiked."""
    butted = framed.is_boards and framed.frame.corner not in POSTED and not framed.cleats
    return framed.corner_count * framed.courses.count if butted and framed.section[0] < BEAM_M - 1e-9 else 0


def _stain(framed: BuiltFrame) -> float:
    """Two coats on what the weather sees of untreated boards [m3]: outside and on top, never towards the soil."""
    if not framed.is_boards or framed.timber.treated:
        return 0.0
    round_m = framed.vessel.outside.perimeter_m
    return coat_m3(round_m * (framed.height_m + framed.section[0]))


def bought_fixings(held: Fixings) -> Iterator[tuple[Ware, Box]]:
    """What is bought of what holds a frame: brackets and stain are a choice, and left out."""
    for screws in held.screws:
        yield WARES[screws.ware], Box(screws.length_m, 0.0, 0.0, screws.count)
    counts = {
        STAKE: held.stakes,
        ADHESIVE: held.adhesive_tubes,
        MORTAR_BAG: held.mortar_bags,
        CONCRETE_BAG: held.concrete_bags,
    }
    for key, count in counts.items():
        if count:
            yield WARES[key], Box(0.0, 0.0, 0.0, count)


def bought_units(framed: BuiltFrame) -> Iterator[tuple[Ware, Box]]:
    """Bricks, panels, pallets, logs or rods of a frame, as they are bought."""
    unit_m = unit_of(framed.frame)
    for key, count in framed.units.items():
        if key == LOG:
            yield from _logs(framed)
        elif key in (STAKE, ROD) or unit_m is None:
            yield WARES[key], Box(0.0, 0.0, 0.0, count)
        elif key in WARES:
            yield WARES[key], Box(*unit_m, count)


def _logs(framed: BuiltFrame) -> Iterator[tuple[Ware, Box]]:
    """Logs by their length, each side's apart."""
    across_m = framed.frame.thickness_m or 0.0
    for side_m, sides in Counter(framed.sides_m).items():
        parts = math.ceil(side_m / LONGEST_LOG_M - 1e-9)
        count = sides * logs_for(side_m, framed.height_m, across_m)
        yield WARES[LOG], Box(side_m / parts, across_m, across_m, count)


POST_GRAVEL = "gravel_20"
WALL_STONE = "walling_stone"


def bought_loose(framed: BuiltFrame, held: Fixings) -> dict[str, float]:
    """Gravel below its posts and stone for a dry wall, by key, loose [m3]. held: what holds the frame."""
    gravel_m3 = held.post_gravel_m3
    stone = standard_shelf()[WALL_STONE]
    stone_m3 = framed.stone_kg / stone.bulk_density_kg_m3 * stone.loose_factor
    return {key: each for key, each in ((POST_GRAVEL, gravel_m3), (WALL_STONE, stone_m3)) if each > 0}
