"""Whether wood is strong enough: design strengths, spans of beams and plates, legs and posts under load.

EN 1995-1-1 with the strength classes of EN 338, service class 3. Soil and water are permanent loads. A person is one
short load. Every result is an estimate and not a design.
"""

from __future__ import annotations

import math
from functools import lru_cache

from nolbet_core.record import record
from nolbet_core.shelf.timber import StrengthClass

MATERIAL_FACTOR = 1.3
"""gamma_M of solid timber (EN 1995-1-1, table 2.3)."""

PERMANENT = 0.5
"""k_mod of permanent loads in service class 3 (EN 1995-1-1, table 3.1)."""
SHORT_TERM = 0.7
"""k_mod of short loads in service class 3 (EN 1995-1-1, table 3.1)."""

PERMANENT_FACTOR = 1.35
PERSON_FACTOR = 1.5
PERSON_N = 1000.0
"""A person who leans or kneels on the rim [N], straight down at the worst place."""

CRACKED = 0.67
"""k_cr: share of a section that carries shear, because timber cracks as it dries (EN 1995-1-1, 6.1.7)."""

BUCKLING_SAFETY = 3.0
"""Factor between Euler's load and the load that a leg may bear."""


def design_strength(characteristic_pa: float, k_mod: float) -> float:
    """Design strength of timber [Pa]: k_mod f_k / 1.3 (EN 1995-1-1, 2.14)."""
    return k_mod * characteristic_pa / MATERIAL_FACTOR


@record
class Section:
    """A rectangular section. wide_m: across the load [m]. high_m: along the load [m]."""

    wide_m: float
    high_m: float

    @property
    def modulus_m3(self) -> float:
        """Elastic section modulus [m3]."""
        return self.wide_m * self.high_m**2 / 6

    @property
    def shear_area_m2(self) -> float:
        """Area that an even shear stress would need for the largest shear stress of the section [m2]."""
        return CRACKED * self.wide_m * self.high_m / 1.5


@lru_cache(maxsize=64)
def support_shares(bays: int) -> tuple[float, ...]:
    """Reactions of a continuous beam with equal bays under an even load, as multiples of the load of one bay.

    Clapeyron's theorem of three moments. One bay: 1/2, 1/2. Two bays: 3/8, 10/8, 3/8.
    bays: number of bays, at least one.
    """
    moments = [0.0, *_support_moments(bays), 0.0]
    left = [0.5 + moments[bay + 1] - moments[bay] for bay in range(bays)]
    right = [1 - each for each in left]
    return (left[0], *(right[bay] + left[bay + 1] for bay in range(bays - 1)), right[-1])


def _support_moments(bays: int) -> list[float]:
    """Moments over the inner supports, in loads of one bay times its span. m[i-1] + 4 m[i] + m[i+1] = -1/2."""
    count = bays - 1
    factors: list[float] = []
    values: list[float] = []
    for row in range(count):
        below = 4.0 - (factors[row - 1] if row else 0.0)
        factors.append(1 / below)
        values.append((-0.5 - (values[row - 1] if row else 0.0)) / below)
    for row in range(count - 2, -1, -1):
        values[row] -= factors[row] * values[row + 1]
    return values


def largest_shear_share(bays: int) -> float:
    """Largest shear force of a continuous beam with equal bays, as a multiple of the load of one bay."""
    return 0.5 if bays == 1 else max(0.5, 1 - support_shares(bays)[0])


def heaviest_leg_share(legs: int) -> float:
    """Share of a box that its heaviest leg bears [0-1]. legs: number of legs, in two rows along the long sides.

    Each row bears half the box as a continuous beam, so a middle leg of six bears 0.625 of that half.
    """
    if legs == 1:
        return 1.0
    rows = (math.ceil(legs / 2), math.floor(legs / 2))
    return max(0.5 * _heaviest_in_row(count) for count in rows)


def _heaviest_in_row(legs: int) -> float:
    if legs < 2:
        return 1.0
    return max(support_shares(legs - 1)) / (legs - 1)


def strong_span(
    load_n_m: float, section: Section, strength: StrengthClass, bays: int = 1, person_n: float = 0.0
) -> float:
    """Longest span of a beam [m] that its bending and shear strength allow.

    Bending takes w L^2 / 8, which no continuous beam of equal bays exceeds, and P L / 4 for a person in the middle.
    load_n_m: permanent load [N/m]. bays: equal bays of the beam. person_n: weight of a person on it [N].
    Infinite without a load.
    """
    permanent = _span_for(load_n_m, 0.0, section, strength, bays, PERMANENT)
    if person_n <= 0:
        return permanent
    return min(permanent, _span_for(load_n_m, person_n, section, strength, bays, SHORT_TERM))


def _span_for(
    load_n_m: float, person_n: float, section: Section, strength: StrengthClass, bays: int, k_mod: float
) -> float:
    line_n_m, point_n = PERMANENT_FACTOR * load_n_m, PERSON_FACTOR * person_n
    moment_nm = design_strength(strength.bending_pa, k_mod) * section.modulus_m3
    shear_n = design_strength(strength.shear_pa, k_mod) * section.shear_area_m2
    if line_n_m <= 0:
        if point_n <= 0:
            return math.inf
        return 4 * moment_nm / point_n if shear_n >= point_n else 0.0
    by_bending_m = (math.sqrt(point_n**2 + 8 * line_n_m * moment_nm) - point_n) / line_n_m
    by_shear_m = (shear_n - point_n) / (largest_shear_share(bays) * line_n_m)
    return max(min(by_bending_m, by_shear_m), 0.0)


def plate_span(pressure_pa: float, thick_m: float, strength: StrengthClass, bays: int = 1) -> float:
    """Longest span of a board laid or stood flat against an even pressure [m] that its strength allows.

    pressure_pa: on its face [Pa]. thick_m: its thickness [m]. bays: equal bays of the board.
    """
    return strong_span(pressure_pa, Section(1.0, thick_m), strength, bays)


@record
class LegSection:
    """A leg's section. area_m2: of its foot [m2]. inertia_m4: smallest second moment of area [m4]."""

    area_m2: float
    inertia_m4: float


def solid_leg(thick_m: float, wide_m: float) -> LegSection:
    """A leg of one post [m]."""
    least_m, most_m = min(thick_m, wide_m), max(thick_m, wide_m)
    return LegSection(thick_m * wide_m, most_m * least_m**3 / 12)


def angle_leg(thick_m: float, wide_m: float) -> LegSection:
    """A leg of two boards joined to an angle [m]: the second board's edge against the face of the first.

    The smallest second moment is that of the angle's weak principal axis.
    """
    parts = (
        (thick_m, wide_m, thick_m / 2, wide_m / 2),
        (wide_m, thick_m, thick_m + wide_m / 2, thick_m / 2),
    )
    area_m2 = sum(along * up for along, up, _, _ in parts)
    middle_x = sum(along * up * x for along, up, x, _ in parts) / area_m2
    middle_y = sum(along * up * y for along, up, _, y in parts) / area_m2
    about_x = sum(along * up**3 / 12 + along * up * (y - middle_y) ** 2 for along, up, _, y in parts)
    about_y = sum(up * along**3 / 12 + along * up * (x - middle_x) ** 2 for along, up, x, _ in parts)
    mixed = sum(along * up * (x - middle_x) * (y - middle_y) for along, up, x, y in parts)
    weak = (about_x + about_y) / 2 - math.hypot((about_x - about_y) / 2, mixed)
    return LegSection(area_m2, weak)


def leg_capacity(section: LegSection, length_m: float, strength: StrengthClass) -> float:
    """Load that a leg may bear [N]: a third of Euler's load for pinned ends, and no more than its wood can take.

    length_m: from the ground to the floor [m].
    """
    euler_n = math.pi**2 * strength.elasticity_pa * section.inertia_m4 / length_m**2
    crushing_n = design_strength(strength.compression_pa, PERMANENT) * section.area_m2 / PERMANENT_FACTOR
    return float(min(euler_n / BUCKLING_SAFETY, crushing_n))


def post_stress_share(moment_nm: float, post_m: float, strength: StrengthClass) -> float:
    """Bending of a square post at the ground as a share of what its wood can take [1]; over one it breaks.

    moment_nm: of the wall's pressure about the ground [N m]. post_m: its side [m].
    """
    resists_nm = design_strength(strength.bending_pa, PERMANENT) * Section(post_m, post_m).modulus_m3
    return PERMANENT_FACTOR * moment_nm / resists_nm
