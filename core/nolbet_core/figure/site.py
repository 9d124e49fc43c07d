"""A plan's plot as the rules take it, and its figures."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from nolbet_core.figure.drawn import DRAWN_DIGITS, drawn_ring, drawn_rings
from nolbet_core.figure.found import FindingFigures
from nolbet_core.figure.judged import finding_figures
from nolbet_core.figure.plot_figures import (
    AisleFigures,
    ClashFigures,
    ContourFigures,
    CourseFigures,
    LevelFigures,
    PlacedFigures,
    PlotFigures,
    PlotFinding,
    RoomFigures,
)
from nolbet_core.findings.every import PLACE_FINDINGS
from nolbet_core.findings.pattern import LEVELS, View
from nolbet_core.findings.plot import OnPlot, aisle_level, look_at_plot
from nolbet_core.plan.bed import Bed
from nolbet_core.plan.plot import Plot
from nolbet_core.plot.aisles import Aisle, Clash, aisles_between, clashes_on, path_polygon
from nolbet_core.plot.fixed import fixed_thing
from nolbet_core.plot.levels import Surface, packing_under
from nolbet_core.plot.paths import Course, laid_courses
from nolbet_core.plot.placed import PlacedBed, rings_of
from nolbet_core.plot.room import room_for
from nolbet_core.plot.site import Site
from nolbet_core.quantities.units import System
from nolbet_core.shapes.hollow import Point
from nolbet_core.shapes.vessel import Vessel
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Standing


def site_of(plot: Plot) -> Site:
    """A plan's plot as the rules take it."""
    return Site(
        corners_m=tuple((x, y) for x, y in plot.corners_m),
        fixed=tuple(
            fixed_thing(each.kind, each.name, [(x, y) for x, y in each.line_m or [each.at_m or [0, 0]]], each.across_m)
            for each in plot.fixed
        ),
        spots=tuple((spot.at_m[0], spot.at_m[1], spot.height_m) for spot in plot.spots),
        aisle_m=plot.aisle_m,
    )


def placed_beds(bed: Bed, vessel: Vessel) -> tuple[PlacedBed, ...]:
    """A bed and those alike where they lie on the plot."""
    numbered = len(bed.places) > 1
    return tuple(
        PlacedBed(
            bed.key,
            f"{bed.title} {index + 1}" if numbered else bed.title,
            index,
            vessel,
            place.x_m,
            place.y_m,
            place.turn_deg,
        )
        for index, place in enumerate(bed.places)
    )


@dataclass(frozen=True)
class Laid:
    """A plot with its beds laid on it: aisles, clashes, what paths cover, and what lies on them."""

    site: Site
    placed: tuple[PlacedBed, ...]
    aisles: tuple[Aisle, ...]
    clashes: tuple[Clash, ...]
    path_m2: float
    courses: tuple[Standing, ...]


def laid_plot(plot: Plot, placed: Sequence[PlacedBed], materials: Mapping[str, Material]) -> Laid:
    """Lay the beds on the plot, and the courses over what is left."""
    site = site_of(plot)
    path_m2 = path_polygon(placed, site.ground).area
    courses = [Course(materials[each.material], each.thickness_m or 0.0) for each in plot.courses]
    return Laid(
        site,
        tuple(placed),
        aisles_between(placed, site.fixed),
        clashes_on(placed, site.fixed, site.ground),
        path_m2,
        laid_courses(path_m2, courses),
    )


def found_on_plot(laid: Laid, system: System) -> list[OnPlot]:
    """Findings that rest on more than one bed."""
    return look_at_plot(laid.aisles, laid.clashes, system)


def plot_figures(
    plot: Plot, laid: Laid, beds: Mapping[str, Bed], own: Iterable[PlotFinding], system: System
) -> PlotFigures:
    """A laid plot in figures. beds: by key. own: findings on where single beds lie."""
    findings = [*own, *(_finding(each, beds) for each in found_on_plot(laid, system))]
    surface = laid.site.surface
    footprint_m2 = sum(each.vessel.footprint_m2 for each in laid.placed)
    growing_m2 = sum(_growing(each) for each in laid.placed)
    return PlotFigures(
        ground_m2=laid.site.ground.area,
        beds_m2=footprint_m2,
        growing_m2=growing_m2,
        walls_m2=sum(each.vessel.footprint_m2 * each.vessel.wall_loss_share for each in laid.placed),
        path_m2=laid.path_m2,
        placed=[_placed(each, surface) for each in laid.placed],
        aisles=[_aisle(each) for each in laid.aisles if not each.between_pots],
        clashes=[_clash(each) for each in laid.clashes],
        courses=[_course(each) for each in laid.courses],
        levels=_levels(surface, plot.level_m) if surface else None,
        findings=sorted(findings, key=lambda each: LEVELS.index(each.finding.level)),
    )


def _growing(bed: PlacedBed) -> float:
    return min(bed.vessel.top_area_m2, bed.vessel.footprint_m2)


def _finding(each: OnPlot, beds: Mapping[str, Bed]) -> PlotFinding:
    return PlotFinding(beds=list(each.beds), finding=finding_figures(beds[each.beds[0]], each.code, each.found))


def found_in_place(view: View) -> list[PlotFinding]:
    """Findings on where a bed lies."""
    found = [(finding.code, each) for finding in PLACE_FINDINGS for each in finding.look(view)]
    return [PlotFinding(beds=[view.bed.key], finding=finding_figures(view.bed, code, each)) for code, each in found]


PLACE_CODES = frozenset(finding.code for finding in PLACE_FINDINGS)


def place_findings(key: str, findings: Iterable[FindingFigures]) -> list[PlotFinding]:
    """Those of a bed's findings that look at where it lies."""
    return [PlotFinding(beds=[key], finding=each) for each in findings if each.code in PLACE_CODES]


def _placed(bed: PlacedBed, surface: Surface | None) -> PlacedFigures:
    packing = packing_under(bed.corners, surface) if surface else None
    return PlacedFigures(
        key=bed.key,
        name=bed.name,
        index=bed.index,
        footprint_m2=bed.vessel.footprint_m2,
        growing_m2=_growing(bed),
        outline=drawn_rings(rings_of(bed.outline)),
        corners=drawn_ring(bed.corners),
        packing_m=list(packing) if packing else None,
    )


def _aisle(aisle: Aisle) -> AisleFigures:
    level = aisle_level(aisle.width_m)
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


def _levels(surface: Surface, level_m: float | None) -> LevelFigures:
    done = surface.cut_and_fill(level_m)
    contours = [
        ContourFigures(height_m=round(height, 6), lines=[drawn_ring(line) for line in surface.contour(height)])
        for height in surface.contour_levels()
    ]
    return LevelFigures(
        area_m2=done.area_m2, level_m=done.level_m, cut_m3=done.cut_m3, fill_m3=done.fill_m3, contours=contours
    )


def room_figures(plot: Plot, placed: Sequence[PlacedBed], length_m: float, width_m: float) -> RoomFigures:
    """How many more beds of an outer size fit on a plot, with its aisle round each."""
    site = site_of(plot)
    standing = [thing.outline for thing in site.fixed if thing.kind not in {"drain", "service"}]
    taken = [*(bed.outline for bed in placed), *standing]
    room = room_for(length_m, width_m, site.aisle_m, site.ground, taken)
    return RoomFigures(count=len(room.middles_m), turned=room.turned, middles=drawn_ring(room.middles_m))
