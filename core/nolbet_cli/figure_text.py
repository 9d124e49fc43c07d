"""Figures as text for a terminal, in both unit systems."""

from __future__ import annotations

from collections.abc import Sequence

from nolbet_core.figure.buying_figures import HaulFigures, HaulLine, NeedFigures, SpringOrder
from nolbet_core.figure.figures import (
    BedFigures,
    Figures,
    LayerFigures,
    SowingFigures,
)
from nolbet_core.figure.plot_figures import PlotFigures
from nolbet_core.figure.works_figures import WorksFigures
from nolbet_core.haul.bags import USUAL_BAGS_M3
from nolbet_core.plan.garden import Garden
from nolbet_core.quantities.units import CU_FT_M3, CU_YD_M3, System
from nolbet_core.quantities.writing import (
    fixed,
    other_system,
    show_area,
    show_bulk_volume,
    show_day,
    show_dose,
    show_length,
    show_mass,
    show_money,
    show_volume,
)

STATES = {"filling": "being filled", "filled": "filled", "emptied": "taken apart"}


def figures_text(figures: Figures, garden: Garden) -> str:
    """All beds, needs and the haul, as lines."""
    system = System(garden.units)
    lines = [f"{garden.name}"]
    for bed in figures.beds:
        lines += ["", *_bed(bed, system)]
    if figures.plot:
        lines += ["", *_plot(figures.plot, system)]
    if figures.needs:
        lines += ["", *_needs(figures.needs, system)]
    if figures.haul:
        lines += ["", *_haul(figures.haul, system, garden.currency)]
    if figures.spring:
        lines += ["", *_spring(figures.spring, system, garden.currency)]
    if figures.works and figures.works.steps:
        lines += ["", *_works(figures.works)]
    return "\n".join(lines)


def _works(works: WorksFigures) -> list[str]:
    """What is left of the works, and on which days."""
    left = [step for step in works.steps if not step.done and not step.left_out]
    until = f", done by {show_day(works.ends_on)}" if works.ends_on else ""
    return [
        f"Works: {_many(len(left), 'step')}, {fixed(works.hours, 1)} h of work{until}",
        *(f"  {each.name} is sown {_many(each.days, 'day')} late, on {show_day(each.on)}" for each in works.late),
        *(
            f"  {show_day(day.on)}: {fixed(day.hours, 1)} h, {_many(len(day.steps), 'step')}"
            + (", sowing" if day.sows else "")
            for day in works.days
        ),
    ]


def _many(count: int, what: str) -> str:
    return f"1 {what}" if count == 1 else f"{count} {what}s"


def volume_in_full(volume_m3: float) -> str:
    """A volume [m3] as every gardener may ask for it: cubic feet, cubic yards and litres."""
    feet, yards = fixed(volume_m3 / CU_FT_M3, 2), fixed(volume_m3 / CU_YD_M3, 3)
    return f"{feet} cu ft, {yards} cu yd, {fixed(volume_m3 * 1000, 1)} L"


def _coming(bed: BedFigures, system: System) -> list[str]:
    """How the bed feeds, sinks, and from when it can be sown."""
    if not bed.layers:
        return []
    ratio = "no nitrogen" if bed.c_to_n is None else f"{fixed(bed.c_to_n, 0)} : 1"
    short = f", short of {show_dose(bed.nitrogen_short_kg, system)} N" if bed.nitrogen_short_kg > 0 else ""
    first, third, tenth = (show_length(bed.surface_m[0] - bed.surface_m[month], system) for month in (12, 36, 120))
    return [
        f"  carbon           {ratio} to nitrogen{short}",
        f"  sinks            {first} in a year, {third} in three, {tenth} in ten",
        *(f"  {each.roots + ' roots':<16} {_sown(each)}" for each in bed.ready.sowings),
    ]


def _sown(sowing: SowingFigures) -> str:
    if sowing.years is None:
        return f"not here: {sowing.because}"
    when = sowing.from_day.isoformat() if sowing.from_day else f"after {fixed(sowing.years, 1)} years"
    return f"{when}: {sowing.because}"


def _bed(bed: BedFigures, system: System) -> list[str]:
    other = other_system(system)
    count = f", {bed.count} alike (figures for one)" if bed.count > 1 else ""
    size = [bed.inside_length_m, bed.inside_width_m, bed.rim_m]
    said = [" x ".join(show_length(each, units) for each in size) for units in (system, other)]
    lines = [
        f"{bed.name} ({bed.key}){count}",
        f"  inside           {said[0]} deep ({said[1]})",
        f"  holds            {volume_in_full(bed.inside_volume_m3)} to the rim",
        f"  to fill          {volume_in_full(bed.fill_volume_m3)} to the headspace line",
        f"  placed           {volume_in_full(bed.placed_m3)}",
        f"  weight           {show_mass(bed.mass_moist_kg, system)} as delivered, "
        f"{show_mass(bed.mass_saturated_kg, system)} wet through",
    ]
    if bed.state != "planned":
        surface = f", its surface at {show_length(bed.today_m, system)} today" if bed.today_m is not None else ""
        lines.append(f"  state            {STATES[bed.state]}{surface}")
    if bed.reservoir:
        soil, rise = (show_length(each, system) for each in (bed.reservoir.soil_m, bed.reservoir.rise_m))
        held = volume_in_full(bed.reservoir.water_m3)
        lines.append(f"  water            {held} held, {soil} of soil over it that wicks {rise}")
    lines += _coming(bed, system)
    if bed.spiral:
        run, face = show_length(bed.spiral.run_length_m, system), show_area(bed.spiral.wall_face_m2, system)
        lines.append(f"  across           {show_length(bed.spiral.across_m, system)} by a tape across its widest")
        lines.append(f"  run              {run} in {fixed(bed.spiral.turns, 1)} turns, {face} of wall face")
    if bed.spoil_m3 > 0:
        lines.append(f"  spoil            {volume_in_full(bed.spoil_m3)} of loose soil from digging")
    if bed.over_m > 0:
        lines.append(f"  over             {show_length(bed.over_m, system)}, {show_volume(bed.over_m3, system)}")
    lines += [f"  {_layer(layer, system)}" for layer in reversed(bed.layers)]
    lines += [f"  {finding.level}: {finding.message} {finding.advice}".rstrip() for finding in bed.findings]
    return lines


def _plot(plot: PlotFigures, system: System) -> list[str]:
    """The ground, what beds and paths take of it, and its courses."""
    lines = [
        "Plot",
        f"  ground           {show_area(plot.ground_m2, system)}",
        f"  beds             {show_area(plot.beds_m2, system)}, {show_area(plot.walls_m2, system)} of it walls",
        f"  paths            {show_area(plot.path_m2, system)}",
    ]
    for course in plot.courses:
        if course.sheet:
            lines.append(f"  - {course.name:<24} {show_area(course.sheet_area_m2, system)}")
            continue
        thick, loose = show_length(course.thickness_m, system), show_volume(course.loose_m3, system)
        mass = show_mass(course.mass_moist_kg, system)
        lines.append(f"  - {course.name:<24} {thick:>9}  {loose:>11} loose  {mass}")
    if plot.levels:
        cut, fill = show_bulk_volume(plot.levels.cut_m3, system), show_bulk_volume(plot.levels.fill_m3, system)
        lines.append(f"  level at         {show_length(plot.levels.level_m, system)}: dig {cut}, fill {fill}")
    return lines


def _layer(layer: LayerFigures, system: System) -> str:
    if layer.sheet:
        return f"- {layer.name:<24} {show_area(layer.sheet_area_m2, system)}"
    thick = show_length(layer.thickness_m, system)
    text = f"- {layer.name:<24} {thick:>9}  {show_volume(layer.placed_m3, system):>11} placed"
    text += f"  {show_volume(layer.loose_m3, system):>11} loose"
    if layer.infill_m3:
        text += f"  packed with {show_volume(layer.infill_m3, system)}"
    return text


def _needs(needs: Sequence[NeedFigures], system: System) -> list[str]:
    """What all beds together need, less what is on hand, in bags of the usual sizes too."""
    lines = ["Needs, all beds (loose, less what is on hand)"]
    for need in needs:
        lines.append(f"  {_need(need, system)}")
        if need.by == "volume" and need.to_buy_m3 > 0:
            lines.append(f"  {'':<24} {_in_bags(need, system)}")
    return lines


def _need(need: NeedFigures, system: System) -> str:
    mass = show_mass(need.mass_kg, system)
    if need.by == "area":
        return f"{need.name:<24} {show_area(need.area_m2, system):>11}, {mass}"
    if need.by == "length":
        cut = ", ".join(f"{each.count} of {show_length(each.length_m, system)}" for each in need.lengths)
        return f"{need.name:<24} {cut}, {mass}"
    if need.by == "units":
        return f"{need.name:<24} {need.units}, {mass}"
    on_hand, to_buy = show_volume(need.stock_m3, system), show_volume(need.to_buy_m3, system)
    if need.by == "mass":
        return f"{need.name:<24} {mass:>11}, {show_mass(need.to_buy_kg, system)} to buy"
    loose = show_volume(need.loose_m3, system)
    placed = show_volume(need.placed_m3, system)
    return f"{need.name:<24} {loose:>11} loose, {on_hand} on hand, {to_buy} to buy; {placed} placed, {mass}"


def _in_bags(need: NeedFigures, system: System) -> str:
    """What is to buy in whole bags of each size usual in the garden's units."""
    usual = USUAL_BAGS_M3[system]
    said = [f"{each.count} of {show_volume(each.volume_m3, system)}" for each in need.bags if each.volume_m3 in usual]
    return f"in bags: {', '.join(said)}; {show_bulk_volume(need.to_buy_m3, system)} loose"


def _spring(spring: SpringOrder, system: System, currency: str) -> list[str]:
    """The coming top-ups of all filled beds, as one order."""
    lines = [f"Top-ups of the spring of {spring.on.isoformat()}"]
    for bed in spring.beds:
        loose = show_volume(bed.loose_m3, system)
        lines.append(f"  {bed.name}: sunk {show_length(bed.sunk_m, system)}, {loose} loose of {bed.material.lower()}")
    lines += [f"  {line}" for line in _needs(spring.needs, system)]
    if spring.haul:
        lines += [f"  {line}" for line in _haul(spring.haul, system, currency)]
    return lines


def _how_sure(haul: HaulFigures, currency: str) -> str:
    """What is known of the least cost."""
    if haul.lower_bound is None:
        return ""
    return (
        ", nothing costs less"
        if haul.proven_optimal
        else f", nothing costs less than {show_money(haul.lower_bound, currency)}"
    )


def _haul(haul: HaulFigures, system: System, currency: str) -> list[str]:
    lines = ["Haul"]
    lines += [f"  {_line(line, system, currency)}" for line in haul.lines]
    lines.append(f"  delivery {show_money(haul.delivery, currency)}")
    lines.append(f"  total {show_money(haul.total, currency)}{_how_sure(haul, currency)}")
    lines += [f"  nobody offers {material}" for material in (*haul.unmet, *haul.unpriced)]
    return lines


def _line(line: HaulLine, system: System, currency: str) -> str:
    price = show_money(line.price, currency)
    if line.count is None:
        return f"{line.supplier_name}: {line.name}, {show_bulk_volume(line.volume_m3, system)} loose, {price}"
    return f"{line.supplier_name}: {line.name}, {_counted(line, line.count, system)}, {price}"


def _counted(line: HaulLine, count: int, system: System) -> str:
    """Whole bags, rolls, pieces or packs, with their size."""
    named = line.form if count == 1 else f"{line.form}s"
    if line.bag_m3 is not None:
        size = show_volume(line.bag_m3, system) if line.bag_kg is None else show_mass(line.bag_kg, system)
        return f"{count} {named} of {size}"
    size = " x ".join(show_length(each, system) for each in line.size_m)
    each = f" of {line.in_pack}" if line.in_pack else ""
    return f"{count} {named}{each}" + (f", {size}" if size else "")
