"""A plan's plot with its beds on it, in figures."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Any

from nolbet_core.built.ground import courses_of, path_bands
from nolbet_core.built.surroundings import Surroundings
from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.drawn import DRAWN_DIGITS, drawn_ring, drawn_rings
from nolbet_core.figure.finding_figures import FindingFigures
from nolbet_core.figure.findings import finding_figures, gravest_first, judged_bed
from nolbet_core.figure.plot_figures import (
    AisleFigures,
    ClashFigures,
    ContourFigures,
    CourseFigures,
    LevelFigures,
    PathFigures,
    PlacedFigures,
    PlotFigures,
    PlotFinding,
    ShadeFigures,
)
from nolbet_core.findings.every import look_for
from nolbet_core.findings.finding import Finding, Found
from nolbet_core.findings.plot import BedsBeside, aisle_level
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.plot import Plot
from nolbet_core.plot.aisles import (
    BARROW_M,
    HANDS_M,
    WALKER_M,
    Aisle,
    Clash,
    aisles_between,
    clashes_on,
    open_to_paths,
    path_polygon,
)
from nolbet_core.plot.ground import Ground
from nolbet_core.plot.levels import Surface, packing_under
from nolbet_core.plot.paths import LaidPath, PathCourse, laid_courses, laid_paths, path_outline
from nolbet_core.plot.placed import PlacedBed, every_ring, rings_of
from nolbet_core.plot.shade import Shade, noon_shade
from nolbet_core.quantities.units import System
from nolbet_core.shapes.hollow import Point
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import bulk_standing
from nolbet_core.stack.layers import Bulk, Standing
from nolbet_core.stack.voids import STOPS_FINES

UNDER_M2 = 0.02
"""A path that takes less of a bed leads beside it, not under it [m2]."""


@dataclass(frozen=True)
class Laid:
    """A plot with its beds laid on it: aisles, clashes, what paths cover, and what lies on them. beds: by key.

    wood: what of wood is there, where ants that nest in it live. paths: where only some of the ground is path; rest_m2:
    what is neither bed nor path; in_patches_m2: what paths take of patches. brought_in: fill for levelling.
    shades: of what has a height.
    """

    plot: Plot
    ground: Ground
    beds: Mapping[str, Bed]
    placed: tuple[PlacedBed, ...]
    aisles: tuple[Aisle, ...]
    clashes: tuple[Clash, ...]
    path_m2: float
    courses: tuple[Standing, ...]
    system: System
    wood: tuple[str, ...] = ()
    paths: tuple[LaidPath, ...] = ()
    rest_m2: float = 0.0
    in_patches_m2: float = 0.0
    brought_in: tuple[Standing, ...] = ()
    shades: tuple[Shade, ...] = ()

    @cached_property
    def between(self) -> tuple[tuple[Finding[Any], Found], ...]:
        """What is found on beds beside each other."""
        mower_m = self.plot.mower_m if self.plot.rest == "lawn" else None
        beside = BedsBeside(
            self.aisles,
            self.clashes,
            self.system,
            self.wood,
            barrow_aisle(self.plot),
            mower_m,
            self._gravel,
            self._bases,
        )
        return tuple(look_for("plot", beside))

    @property
    def _bases(self) -> list[tuple[str, PlacedBed, float]]:
        """Paths with a base that were drawn under a bed, and how much of it they take [m2]."""
        return [
            (path.band.name, bed, area_m2)
            for path in self.paths
            if path.band.dug_m > 0 or any(each.thickness_m > 0 for each in path.courses)
            for bed in self.placed
            if bed.vessel.form != "flat" and (area_m2 := self._taken(path, bed)) > UNDER_M2
        ]

    def _taken(self, path: LaidPath, bed: PlacedBed) -> float:
        band = path.band
        return float(path_outline(band.corners_m, band.line_m, band.width_m).intersection(bed.outline).area)

    @property
    def _gravel(self) -> list[tuple[str, bool]]:
        """Paths whose top is gravel, and whether fabric lies under each."""
        named = [(path.band.name, path.courses) for path in self.paths] or [("The paths", self.courses)]
        return [(name, any(_is_fabric(each) for each in courses)) for name, courses in named if _is_gravel(courses)]


def barrow_aisle(plot: Plot) -> float:
    """How wide an aisle the gardener's barrow wants [m]: its own width and room for the hands, where that is known."""
    return BARROW_M if plot.barrow_m is None else max(plot.barrow_m + HANDS_M, WALKER_M)


def _is_gravel(courses: Sequence[Standing]) -> bool:
    bulk = [layer.material for layer in courses if not layer.material.is_sheet]
    return bool(bulk) and bulk[-1].group == "mineral" and bulk[-1].grain == "coarse"


def _is_fabric(layer: Standing) -> bool:
    return STOPS_FINES in layer.material.traits


def laid_plot(around: Surroundings, beds: Sequence[WorkedBed], materials: Mapping[str, Material]) -> Laid:
    """Lay beds on their garden's plot, and the courses over what is left. Raises ValueError where it has none."""
    plot, ground = around.plot, around.ground
    if plot is None or ground is None:
        raise ValueError("the garden has no plot")
    placed = tuple(place for each in beds for place in each.placed)
    free = path_polygon(placed, ground.polygon)
    courses = courses_of(plot.courses, materials)
    within = open_to_paths(placed, ground.polygon)
    paths = () if plot.paths is None else laid_paths(path_bands(plot, materials), within)
    in_patches_m2 = sum(each.ground.difference(free).area for each in paths)
    path_m2 = free.area if plot.paths is None else sum(each.ground.area for each in paths)
    on_all = laid_courses(path_m2, courses) if plot.paths is None else ()
    return Laid(
        plot,
        ground,
        {each.bed.key: each.bed for each in beds},
        placed,
        aisles_between(placed, ground.fixed),
        clashes_on(placed, ground.fixed, ground.polygon),
        path_m2,
        on_all,
        around.system,
        _wood_round(around, ground, [*courses, *(each for path in paths for each in path.band.courses)]),
        paths,
        free.area - (path_m2 - in_patches_m2),
        in_patches_m2,
        _brought_in(plot, ground, materials),
        _shades(around, plot, ground),
    )


def _shades(around: Surroundings, plot: Plot, ground: Ground) -> tuple[Shade, ...]:
    """Noon shades of what has a height; none where nobody knows how far north the garden lies."""
    if around.latitude_deg is None:
        return ()
    shades = (noon_shade(each, around.latitude_deg, plot.north_deg) for each in ground.fixed)
    return tuple(replace(each, ground=each.ground.intersection(ground.polygon)) for each in shades if each is not None)


def _brought_in(plot: Plot, ground: Ground, materials: Mapping[str, Material]) -> tuple[Standing, ...]:
    """What is brought in for levelling, beside what the ground gives itself."""
    if plot.fill_with is None or ground.surface is None:
        return ()
    done = ground.surface.cut_and_fill(plot.level_m)
    short_m3 = max(done.fill_m3 - done.cut_m3, 0.0)
    return (bulk_standing(Bulk(materials[plot.fill_with], "volume", short_m3), (0.0, 0.0), short_m3, 0.0),)


def _wood_round(around: Surroundings, ground: Ground, courses: Sequence[PathCourse]) -> tuple[str, ...]:
    """Wooden things on the plot, where ants or termites that nest in wood live."""
    if around.garden is None or not around.garden.ants:
        return ()
    fences = [thing.name.lower() for thing in ground.fixed if thing.kind == "fence"]
    wooden = [each.material.name.lower() for each in courses if "raw_wood" in each.material.traits]
    return (*fences, *(f"{each} on the paths" for each in wooden))


def findings_of_bed(laid: Laid, bed: Bed) -> list[FindingFigures]:
    """Findings on a bed that rest on others beside it."""
    return [finding_figures(finding, found, bed) for finding, found in laid.between if bed.key in found.beds]


def plot_figures(laid: Laid, own: Iterable[PlotFinding]) -> PlotFigures:
    """A laid plot in figures. own: findings on where single beds lie."""
    between = [
        PlotFinding(list(found.beds), finding_figures(finding, found, laid.beds[found.beds[0]] if found.beds else None))
        for finding, found in laid.between
    ]
    surface = laid.ground.surface
    footprint_m2 = sum(each.vessel.footprint_m2 for each in laid.placed)
    growing_m2 = sum(_growing(each) for each in laid.placed)
    return PlotFigures(
        ground_m2=laid.ground.polygon.area,
        beds_m2=footprint_m2 - laid.in_patches_m2,
        growing_m2=growing_m2,
        walls_m2=sum(each.vessel.footprint_m2 * each.vessel.wall_loss_share for each in laid.placed),
        path_m2=laid.path_m2,
        placed=[_placed(each, surface) for each in laid.placed],
        aisles=[_aisle(each, barrow_aisle(laid.plot)) for each in laid.aisles if not each.between_pots],
        clashes=[_clash(each) for each in laid.clashes],
        courses=[_course(each) for each in laid.courses],
        paths=[_path(each) for each in laid.paths],
        rest_m2=laid.rest_m2,
        brought_in=[_course(each) for each in laid.brought_in],
        levels=_levels(surface, laid.plot.level_m, laid.system) if surface else None,
        shades=[_shade(each) for each in laid.shades],
        findings=gravest_on_plot([*own, *between]),
    )


def gravest_on_plot(findings: Iterable[PlotFinding]) -> list[PlotFinding]:
    """Findings on a plot in the order of a bed's."""
    listed = list(findings)
    order = {id(each): place for place, each in enumerate(gravest_first(one.finding for one in listed))}
    return sorted(listed, key=lambda one: order[id(one.finding)])


def _growing(bed: PlacedBed) -> float:
    return min(bed.vessel.top_area_m2, bed.vessel.footprint_m2)


def found_in_place(worked: WorkedBed) -> list[PlotFinding]:
    """Findings on where a bed lies."""
    return [PlotFinding([worked.bed.key], each) for each in judged_bed(worked, "plot")]


def place_findings(key: str, findings: Iterable[FindingFigures]) -> list[PlotFinding]:
    """Those of a bed's findings that look at where it lies."""
    return [PlotFinding([key], each) for each in findings if "plot" in each.views]


def _placed(bed: PlacedBed, surface: Surface | None) -> PlacedFigures:
    packing = packing_under(bed.corners, surface) if surface else None
    return PlacedFigures(
        key=bed.key,
        name=bed.name,
        index=bed.index,
        x_m=bed.x_m,
        y_m=bed.y_m,
        turn_deg=bed.turn_deg,
        footprint_m2=bed.vessel.footprint_m2,
        growing_m2=_growing(bed),
        outline=drawn_rings(rings_of(bed.outline)),
        corners=drawn_ring(bed.corners),
        packing_m=list(packing) if packing else None,
    )


def _aisle(aisle: Aisle, barrow_m: float) -> AisleFigures:
    level = aisle_level(aisle.width_m, barrow_m)
    return AisleFigures(
        between=(aisle.bed.name, aisle.other.name),
        width_m=aisle.width_m,
        start=_drawn(aisle.start_m),
        end=_drawn(aisle.end_m),
        level=level,
    )


def _clash(clash: Clash) -> ClashFigures:
    return ClashFigures(
        bed=clash.bed.name,
        other=clash.other.name if clash.other else None,
        area_m2=clash.area_m2,
        at=_drawn(clash.at_m),
    )


def _drawn(point: Point) -> tuple[float, float]:
    return round(point[0], DRAWN_DIGITS), round(point[1], DRAWN_DIGITS)


def _course(layer: Standing) -> CourseFigures:
    return CourseFigures(
        material=layer.material.key,
        name=layer.material.name,
        sheet=layer.material.is_sheet,
        thickness_m=layer.thickness_m,
        placed_m3=layer.placed_m3,
        loose_m3=layer.loose_m3,
        mass_moist_kg=layer.mass_moist_kg,
        sheet_area_m2=layer.sheet_area_m2,
    )


def _path(path: LaidPath) -> PathFigures:
    return PathFigures(
        name=path.band.name,
        area_m2=path.ground.area,
        outlines=drawn_rings(every_ring(path.ground)),
        courses=[_course(each) for each in path.courses],
        spoil_m3=path.spoil_m3,
        raised_m=path.raised_m,
    )


def _shade(shade: Shade) -> ShadeFigures:
    return ShadeFigures(shade.thing.name, shade.length_m, drawn_rings(rings_of(shade.ground)))


def _levels(surface: Surface, level_m: float | None, system: System) -> LevelFigures:
    done = surface.cut_and_fill(level_m)
    contours = [
        ContourFigures(height_m=round(height, 6), lines=[drawn_ring(line) for line in surface.contour(height)])
        for height in surface.contour_levels(system)
    ]
    return LevelFigures(
        area_m2=done.area_m2,
        level_m=done.level_m,
        cut_m3=done.cut_m3,
        fill_m3=done.fill_m3,
        contours=contours,
        lowest=_drawn(surface.lowest[:2]),
        lowest_m=surface.lowest[2],
    )
