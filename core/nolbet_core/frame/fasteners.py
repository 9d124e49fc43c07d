"""Screws, spikes, posts and concrete."""

from __future__ import annotations

import math

SCREW_LENGTHS_M = (0.040, 0.050, 0.060, 0.070, 0.080, 0.100, 0.120, 0.150, 0.200, 0.250)
BITES_M = 0.040
"""How far a screw goes into the second piece [m]."""
WIDE_BOARD_M = 0.150
BEAM_M = 0.075
SPIKE_PER_HEIGHT = 1.5
SPIKES_PER_M = 2.0
LEAST_IN_GROUND_M = 0.45
IN_GROUND_PER_HEIGHT = 0.5
"""Half of what stands above the ground: a third of the post's length."""
HOLE_ACROSS = 3.0
"""How many times wider than the post its hole is, round."""
GRAVEL_BELOW_M = 0.10
BAG_SETS_M3 = 0.0095
"""What a bag of 20 kg of dry concrete sets to [m3]; mortar to about as much."""
TUBE_LAYS_M = 10.0
"""How long a bead of 6 mm a tube of 300 mL lays [m]."""
NARROW_M = 0.15
"""Units up to so wide are glued with one bead, wider ones with two [m]."""
COATS = 2
COVERS_M2_M3 = 10_000.0
"""What a litre of stain covers: ten square metres (estimate, 8 to 14)."""


def screw_length(thick_m: float) -> float | None:
    """The screw for a board of a thickness [m]: so long [m]; None where none is long enough, and a spike is driven."""
    wanted_m = thick_m + BITES_M
    return next((each for each in SCREW_LENGTHS_M if each >= wanted_m - 1e-9), None)


def screws_a_joint(width_m: float) -> int:
    """How many screws hold one end of a board of a width [m]."""
    return 2 if width_m <= WIDE_BOARD_M + 1e-9 else 3


def spikes_for(length_m: float) -> int:
    """How many spikes hold a beam of a length [m] to the course below."""
    return max(math.ceil(length_m * SPIKES_PER_M - 1e-9), 2)


def post_length(height_m: float, in_ground_m: float | None = None) -> float:
    """How long a post is cut [m]. height_m: above the ground [m]. in_ground_m: in it, where that is said [m].

    Else half of what stands above, at least 0.45 m.
    """
    return height_m + post_depth(height_m, in_ground_m)


def post_depth(height_m: float, in_ground_m: float | None = None) -> float:
    """How deep a post stands in the ground [m]. As post_length."""
    return max(IN_GROUND_PER_HEIGHT * height_m, LEAST_IN_GROUND_M) if in_ground_m is None else in_ground_m


def concrete_for(posts: int, post_m: float, depth_m: float) -> float:
    """Concrete round posts [m3]: round holes three posts wide, less the posts. post_m: of a square one [m]."""
    return posts * depth_m * post_m**2 * (HOLE_ACROSS**2 * math.pi / 4 - 1)


def gravel_below(posts: int, post_m: float) -> float:
    """Gravel under posts in their holes [m3]. post_m: of a square one [m]."""
    return posts * GRAVEL_BELOW_M * math.pi * (HOLE_ACROSS * post_m) ** 2 / 4


def concrete_bags(concrete_m3: float) -> int:
    """Bags of 20 kg of dry concrete that set to a volume [m3]."""
    return math.ceil(concrete_m3 / BAG_SETS_M3 - 1e-9)


def mortar_bags(mortar_m3: float) -> int:
    """Bags of 20 kg of dry mortar that fill the joints [m3]."""
    return math.ceil(mortar_m3 / BAG_SETS_M3 - 1e-9)


def adhesive_tubes(round_m: float, courses: int, wide_m: float) -> int:
    """Tubes of adhesive between courses laid without mortar.

    round_m: length of a course [m]. wide_m: of a unit [m]. None goes below the lowest course.
    """
    beads = 1 if wide_m <= NARROW_M + 1e-9 else 2
    return math.ceil(beads * round_m * max(courses - 1, 0) / TUBE_LAYS_M - 1e-9)


def coat_m3(area_m2: float) -> float:
    """Stain for two coats on an area [m2], in [m3]."""
    return COATS * area_m2 / COVERS_M2_M3
