"""Figures as text for a terminal, in both unit systems."""

from __future__ import annotations

from nolbet_core.figure.figures import (
    BedFigures,
    Figures,
    HaulFigures,
    HaulLine,
    LayerFigures,
    NeedFigures,
    SowingFigures,
)
from nolbet_core.figure.plot_figures import PlotFigures
from nolbet_core.plan.garden import Garden
from nolbet_core.quantities.units import CU_FT_M3, CU_YD_M3, System
from nolbet_core.quantities.writing import (
    fixed,
    other_system,
    show_area,
    show_bulk_volume,
    show_dose,
    show_length,
    show_mass,
    show_money,
    show_volume,
)


def figures_text(figures: Figures, garden: Garden) -> str:
    """All beds, needs and the haul, as lines."""
    system = System(garden.units)
    lines = [f"{garden.name}"]
    for bed in figures.beds:
        lines += ["", *_bed(bed, system)]
    if figures.plot:
        lines += ["", *_plot(figures.plot, system)]
    if figures.needs:
        lines += ["", "Needs, all beds (loose, less what is on hand)"]
        lines += [_need(need, system) for need in figures.needs]
    if figures.haul:
        lines += ["", *_haul(figures.haul, system, garden.currency)]
    return "\n".join(lines)


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


def _need(need: NeedFigures, system: System) -> str:
    if need.area_m2:
        return f"  {need.name:<24} {show_area(need.area_m2, system)}"
    return (
        f"  {need.name:<24} {show_volume(need.loose_m3, system):>11} loose, "
        f"{show_volume(need.stock_m3, system)} on hand, {show_volume(need.to_buy_m3, system)} to buy"
    )


def _haul(haul: HaulFigures, system: System, currency: str) -> list[str]:
    lines = ["Haul"]
    lines += [f"  {_line(line, system, currency)}" for line in haul.lines]
    lines.append(f"  delivery {show_money(haul.delivery, currency)}")
    lines.append(f"  total {show_money(haul.total, currency)}")
    lines += [f"  nobody offers {material}" for material in haul.unmet]
    return lines


def _line(line: HaulLine, system: System, currency: str) -> str:
    price = show_money(line.price, currency)
    if line.count is not None and line.bag_m3 is not None:
        bags = "bag" if line.count == 1 else "bags"
        return f"{line.supplier_name}: {line.name}, {line.count} {bags} of {show_volume(line.bag_m3, system)}, {price}"
    return f"{line.supplier_name}: {line.name}, {show_bulk_volume(line.volume_m3, system)} loose, {price}"
