"""A plot's beds as they are set out with two tapes, in figures."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.built.bed import BuiltBed
from nolbet_core.built.ground import placed_beds
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.plot.ground import Ground
from nolbet_core.plot.setting_out import Peg, SetOut, best_base, flags_along, pegs_of, set_out
from nolbet_core.record import record


@record
class PegFigures:
    """A peg: where it lies on the plot, and how far from the first and the second point that tapes are held to."""

    name: str
    at: tuple[float, float]
    first_m: float
    second_m: float


@record
class DiagonalFigures:
    """What lies between two pegs, by their numbers, to check that corners are square."""

    pegs: tuple[int, int]
    length_m: float


@record
class SetOutFigures:
    """A bed to be set out. first, second: corners of the plot that the tapes are held to, numbered from 1.

    radius_m: of what is round, to be drawn from its middle with a string. half_m: of what follows a line, along which
    its pegs stand: how far its edge lies from there.
    """

    key: str
    index: int
    name: str
    first: int
    second: int
    pegs: list[PegFigures]
    sides_m: list[float]
    diagonals: list[DiagonalFigures]
    radius_m: float | None
    half_m: float | None


@record
class FlagLine:
    """Flags along a line on which the ground has one height. first, second: as of a bed."""

    height_m: float
    first: int
    second: int
    flags: list[PegFigures]


@record
class SettingOut:
    """All that is set out on a plot. base_m: between neighbouring corners of the plot, from the first to the second on.

    diagonals_m: from the plot's first corner to each that isn't its neighbour, to check the plot itself.
    """

    base_m: list[float]
    diagonals: list[DiagonalFigures]
    beds: list[SetOutFigures]
    lines: list[FlagLine]


def setting_out_figures(around: Surroundings, beds: Sequence[BuiltBed]) -> SettingOut:
    """How a garden's plot is set out; nothing where the ground isn't measured."""
    ground = around.ground
    if ground is None:
        return SettingOut([], [], [], [])
    corners = ground.corners_m
    plot = pegs_of(corners, corners[0], corners[1], "corner")
    placed = [place for each in beds for place in placed_beds(each.bed, each.vessel)]
    return SettingOut(
        base_m=[peg.second_m if at == 0 else _between(corners, at) for at, peg in enumerate(plot)],
        diagonals=[
            DiagonalFigures((1, number), peg.first_m)
            for number, peg in enumerate(plot, start=1)
            if 2 < number < len(plot)
        ],
        beds=[_bed(set_out(each, corners)) for each in placed],
        lines=_flag_lines(around, ground),
    )


def _between(corners: Sequence[tuple[float, float]], index: int) -> float:
    one, two = corners[index], corners[(index + 1) % len(corners)]
    return pegs_of([one], two, two, "corner")[0].first_m


def _bed(done: SetOut) -> SetOutFigures:
    return SetOutFigures(
        key=done.bed.key,
        index=done.bed.index,
        name=done.bed.name,
        first=done.first + 1,
        second=done.second + 1,
        pegs=[_peg(each) for each in done.pegs],
        sides_m=list(done.sides_m),
        diagonals=[DiagonalFigures((one, two), length_m) for one, two, length_m in done.diagonals_m],
        radius_m=done.radius_m,
        half_m=done.half_m,
    )


def _peg(peg: Peg) -> PegFigures:
    return PegFigures(peg.name, (round(peg.at_m[0], 4), round(peg.at_m[1], 4)), peg.first_m, peg.second_m)


def _flag_lines(around: Surroundings, ground: Ground) -> list[FlagLine]:
    surface = ground.surface
    if surface is None:
        return []
    lines = []
    for height_m in surface.contour_levels(around.system):
        for line in surface.contour(height_m):
            flags = flags_along(line)
            first, second = best_base(flags, ground.corners_m)
            pegs = pegs_of(flags, ground.corners_m[first], ground.corners_m[second], "flag")
            lines.append(FlagLine(round(height_m, 6), first + 1, second + 1, [_peg(each) for each in pegs]))
    return lines
