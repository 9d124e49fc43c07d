"""From a wish to a recipe: the cheapest shares that meet the bands, or what stands in their way."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from nolbet_core.blend.programme import CASES, BandName, Case, Component, Programme, Row
from nolbet_core.blend.target import Target

Values = NDArray[np.float64]

TOUCHES = 1e-7
"""How near to a band's edge a recipe counts as standing on it."""


@dataclass(frozen=True, slots=True)
class Recipe:
    """A recipe found: loose volume of each component for a loose m3 of mix [m3], and what that costs [money/m3].

    held_by: bands on whose edge it stands, that a cheaper one would pass. missed: bands that no mix of the components
    meets; the recipe is then the nearest there is.
    """

    volumes: tuple[float, ...]
    components: tuple[Component, ...]
    price_per_m3: float
    held_by: tuple[BandName, ...]
    missed: tuple[BandName, ...] = ()


def cheapest(components: Sequence[Component], target: Target, volume_m3: float = 1.0) -> Recipe | None:
    """The cheapest mix of components that meets a target, by linear programming; the nearest miss where none does.

    components: those whose figures aren't known, or that the target rules out, are left aside. volume_m3: that is to
    be made, against what there is of each [m3]. None where nothing at all can be mixed.

    Figures are held to the bands with the loss on mixing in them, so that what comes out needs no correction.
    """
    programme = Programme(components, target)
    if not programme.components:
        return None
    found = [_solved(programme, volume_m3, case) for case in CASES]
    good = [each for each in found if each is not None]
    if good:
        return min(good, key=lambda each: each.price_per_m3)
    return _miss(programme, volume_m3)


def _miss(programme: Programme, volume_m3: float) -> Recipe | None:
    """The nearest miss: by one band alone where the others can be met without it, else by all that have to be."""
    bands = tuple(dict.fromkeys(row.band for row in programme.rows("fines_fit")))
    alone: list[tuple[BandName, ...]] = [(band,) for band in bands]
    for relaxed in (alone, [bands]):
        near = [_nearest(programme, volume_m3, each, case) for each in relaxed for case in CASES]
        found = [each for each in near if each is not None]
        if found:
            return min(found, key=lambda pair: pair[0])[1]
    return None


def _solved(programme: Programme, volume_m3: float, case: Case) -> Recipe | None:
    from scipy.optimize import linprog  # noqa: PLC0415 - takes a second to import

    rows = programme.rows(case)
    above = np.vstack([programme.holding(case), *(row.coefficients for row in rows)])
    answer = linprog(
        programme.prices,
        A_ub=above,
        b_ub=np.zeros(len(above)),
        A_eq=programme.made(case)[np.newaxis],
        b_eq=[1.0],
        bounds=bounds_of(programme, volume_m3),
        method="highs",
    )
    if not answer.success:
        return None
    touched = [row.band for row in rows if float(row.coefficients @ answer.x) > -TOUCHES * max(row.scale, 1.0)]
    return _recipe(programme, answer.x, tuple(dict.fromkeys(touched)))


def _nearest(
    programme: Programme, volume_m3: float, relaxed: tuple[BandName, ...], case: Case
) -> tuple[float, Recipe] | None:
    """The mix that misses some bands by the least sum of widths and meets the others, and by how much it misses."""
    from scipy.optimize import linprog  # noqa: PLC0415 - takes a second to import

    rows = programme.rows(case)
    count = len(programme.components)
    above = np.zeros((len(rows) + 1, count + len(rows)))
    above[0, :count] = programme.holding(case)
    for index, row in enumerate(rows):
        above[index + 1, :count] = row.coefficients
        above[index + 1, count + index] = -row.scale if row.band in relaxed else 0.0
    made = np.concatenate([programme.made(case), np.zeros(len(rows))])
    answer = linprog(
        np.concatenate([np.zeros(count), np.ones(len(rows))]),
        A_ub=above,
        b_ub=np.zeros(len(above)),
        A_eq=made[np.newaxis],
        b_eq=[1.0],
        bounds=[*bounds_of(programme, volume_m3), *[(0.0, None)] * len(rows)],
        method="highs",
    )
    if not answer.success:
        return None
    missed = missed_bands(rows, answer.x[:count])
    return float(answer.fun), _recipe(programme, answer.x[:count], (), missed)


def missed_bands(rows: Sequence[Row], volumes: Values) -> tuple[BandName, ...]:
    """Bands that volumes miss."""
    missed = [row.band for row in rows if float(row.coefficients @ volumes) > TOUCHES * max(row.scale, 1.0)]
    return tuple(dict.fromkeys(missed))


def bounds_of(programme: Programme, volume_m3: float) -> list[tuple[float, float | None]]:
    """How much of each component may go into a loose m3 of mix, of which so many are made."""
    return [
        (0.0, None if each.most_m3 is None else each.most_m3 / volume_m3 if volume_m3 > 0 else None)
        for each in programme.components
    ]


def _recipe(
    programme: Programme, volumes: Values, held_by: tuple[BandName, ...], missed: tuple[BandName, ...] = ()
) -> Recipe:
    kept = np.maximum(volumes, 0.0)
    return Recipe(tuple(kept.tolist()), programme.components, float(programme.prices @ kept), held_by, missed)
