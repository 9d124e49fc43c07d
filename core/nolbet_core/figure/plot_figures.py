"""Figures of a plot, in the names of the plan file."""

from __future__ import annotations

from typing import Literal

from nolbet_core.figure.finding_figures import FindingFigures, Line
from nolbet_core.record import record


@record
class PlacedFigures:
    """A bed on the ground: its outline there, its middle, and how far it is turned anticlockwise. growing_m2: what its
    walls leave. index: which of those alike.

    packing_m: what to pack under each corner so that it stands level, going round from its lower left; null where
    the ground's heights aren't known.
    """

    key: str
    name: str
    index: int
    x_m: float
    y_m: float
    turn_deg: float
    footprint_m2: float
    growing_m2: float
    outline: list[Line]
    corners: Line
    packing_m: list[float] | None


@record
class AisleFigures:
    """An aisle at its narrowest: between which, how wide, from where to where, and how it is judged."""

    between: tuple[str, str]
    width_m: float
    start: tuple[float, float]
    end: tuple[float, float]
    level: Literal["caution", "advice", "good"]


@record
class ClashFigures:
    """Ground that two take, or that lies beyond the plot's edge (`other` is null)."""

    bed: str
    other: str | None
    area_m2: float
    at: tuple[float, float]


@record
class CourseFigures:
    """A course over a path, or over all of them."""

    material: str
    name: str
    sheet: bool
    thickness_m: float
    placed_m3: float
    loose_m3: float
    mass_moist_kg: float
    sheet_area_m2: float


@record
class PathFigures:
    """A path where it lies. spoil_m3: what digging it out gives, loose. raised_m: how high its surface stands over the
    ground, under it where negative. outlines: what it is drawn by, holes among them.
    """

    name: str
    area_m2: float
    outlines: list[Line]
    courses: list[CourseFigures]
    spoil_m3: float
    raised_m: float


@record
class ContourFigures:
    """Lines along which the ground has a height."""

    height_m: float
    lines: list[Line]


@record
class LevelFigures:
    """What bringing the ground between the spot heights to a level takes, and its contours. lowest: where the ground
    lies lowest, at lowest_m.
    """

    area_m2: float
    level_m: float
    cut_m3: float
    fill_m3: float
    contours: list[ContourFigures]
    lowest: tuple[float, float]
    lowest_m: float


@record
class ShadeFigures:
    """Ground that something shades at noon when day and night are alike: by what, and how far from it."""

    name: str
    length_m: float
    outlines: list[Line]


@record
class PlotFinding:
    """A finding with the beds it is about."""

    beds: list[str]
    finding: FindingFigures


@record
class PlotFigures:
    """A plot with its beds. walls_m2: what walls take from growing. path_m2: the plot less its beds, or its paths alone
    where it has any of their own; rest_m2: what is neither. courses: over all that is path, where none is told apart.
    brought_in: what levelling takes beside what the ground gives.
    """

    ground_m2: float
    beds_m2: float
    growing_m2: float
    walls_m2: float
    path_m2: float
    placed: list[PlacedFigures]
    aisles: list[AisleFigures]
    clashes: list[ClashFigures]
    courses: list[CourseFigures]
    paths: list[PathFigures]
    rest_m2: float
    brought_in: list[CourseFigures]
    levels: LevelFigures | None
    shades: list[ShadeFigures]
    findings: list[PlotFinding]


@record
class SpotFigures:
    """Where a bed comes to lie: its middle, and how far it is turned anticlockwise."""

    x_m: float
    y_m: float
    turn_deg: float


@record
class LaidOutFigures:
    """Spots for those of a bed that lie nowhere yet. lacking: for how many of them there is no room."""

    key: str
    spots: list[SpotFigures]
    lacking: int


@record
class RowsFigures:
    """Beds laid out in rows. aisle_m: kept between them."""

    beds: list[LaidOutFigures]
    aisle_m: float


@record
class RoomFigures:
    """How many more beds of a size fit, and where their middles would be."""

    count: int
    turned: bool
    middles: Line
