"""Steps of no single bed: services, the soil test, what is got together, ordered and taken in, and the paths."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence

from nolbet_core.built.worked import WorkedBed
from nolbet_core.quantities.units import System
from nolbet_core.quantities.writing import show_area, show_bulk_volume, show_length, show_mass
from nolbet_core.record import record
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Standing
from nolbet_core.works.ground_steps import opens_ground
from nolbet_core.works.site import Site
from nolbet_core.works.step import Step, step_key
from nolbet_core.works.texts import (
    BARROW,
    BOOTS,
    DEFER,
    GLOVES,
    LEVEL,
    RAKE,
    SHOVEL,
    SPADE,
    TAPE,
    cautions_for,
    gear_for,
)

TURF = "turf"
UNNAMED = "all"
"""Key of the load of suppliers that nobody has entered yet."""
SERVICES_DAYS = 3
"""Until somebody has marked buried services [days] (estimate: two to three working days)."""
SOIL_TEST_DAYS = 14
"""Until a laboratory answers [days] (estimate)."""
GATHER_DAYS = 7
"""Until enough has come together [days] (estimate)."""
ORDER_DAYS = 3
"""Until a load comes that was ordered [days] (estimate)."""
LOAD_H = 0.5
GATHER_M3_H = 0.5
"""Got together and brought home in an hour, loose [m3] (estimate)."""
GATHER_M2_H = 15.0
"""Card opened flat and stripped of tape in an hour [m2] (estimate)."""
TAMPS_M2_H = 8.0


@record
class Gathered:
    """Something to be got together: which, how much of it loose [m3] or as sheets [m2], and what it weighs [kg]."""

    material: Material
    loose_m3: float
    area_m2: float
    mass_kg: float


@record
class Levelling:
    """Ground brought to a level: how much is cut away and how much filled, as it lies [m3]."""

    cut_m3: float
    fill_m3: float


@record
class PathWork:
    """A path to be built. key: of its own. dug_m: how deep it is dug [m]. beside: keys of beds on the same plot."""

    key: str
    name: str
    area_m2: float
    dug_m: float
    courses: tuple[Standing, ...]
    beside: tuple[str, ...]


def garden_steps(
    beds: Sequence[WorkedBed],
    site: Site,
    gathered: Sequence[Gathered],
    paths: Sequence[PathWork],
    system: System,
    levelling: Levelling | None = None,
) -> Iterator[Step]:
    """Steps of a garden beside those of its beds. beds: that are worked on. levelling: of the plot, where
    it is wanted."""
    if any(opens_ground(each) for each in beds):
        yield _services()
    if any(each.open_below for each in beds):
        yield _soil_test()
    for each in gathered:
        yield _gather(each, system)
    if any(load.delivered for load in site.loads):
        yield _order(site)
    for load in site.loads:
        yield _take_in(load.key, load.name, load.lines, load.delivered)
    if levelling is not None:
        yield _level_plot(levelling, site, system)
    for path in paths:
        yield from _path(path, site, system)


def _level_plot(levelling: Levelling, site: Site, system: System) -> Step:
    cut, fill = show_bulk_volume(levelling.cut_m3, system), show_bulk_volume(levelling.fill_m3, system)
    return Step(
        step_key("", "level_plot"),
        "",
        "level_plot",
        "ground",
        title=f"Level the plot: {cut} off, {fill} on",
        why="Every bed on a slope is dug in at one end or propped at the other, for as long as it stands.",
        done_when="String between pegs shows the planned level; filled ground is tamped in lifts.",
        work="digging",
        usual_hours=site.paces.digging(levelling.cut_m3) + site.paces.hours("shovel_m3_h", levelling.fill_m3),
        people=2,
        tools=(SPADE, SHOVEL, BARROW, RAKE, LEVEL),
        gear=(GLOVES,),
        after=(step_key("", "services"),),
        gates=("frozen",),
    )


def _services() -> Step:
    return Step(
        step_key("", "services"),
        "",
        "services",
        "ground",
        title="Have buried services marked",
        why="A spade through a cable or gas pipe kills; through a drain it floods.",
        done_when="Marks of every service stand on the ground, or you hold it in writing that there is none.",
        hold="Is everything marked, and nothing where you dig?",
        work="care",
        usual_hours=0.25,
        wait_days=SERVICES_DAYS,
        wait_for="the marks to be set",
        cautions=(f"Dig by hand near marks. {DEFER}",),
    )


def _soil_test() -> Step:
    return Step(
        step_key("", "ground_test"),
        "",
        "ground_test",
        "ground",
        title="Send soil in for a test: pH, lead and other metals",
        why="Roots go down into what lay there before: near old houses, roads and fences it may hold lead.",
        done_when="The answer lies there, and says what may be grown.",
        work="care",
        usual_hours=0.5,
        tools=("trowel and bag",),
        wait_days=SOIL_TEST_DAYS,
        wait_for="the answer",
        lines=("Ten small scoops from all over, mixed, a cupful of that.",),
        cautions=(DEFER,),
    )


def _gather(each: Gathered, system: System) -> Step:
    material = each.material
    sheet = material.is_sheet
    much = show_area(each.area_m2, system) if sheet else show_bulk_volume(each.loose_m3, system)
    hours = each.area_m2 / GATHER_M2_H if sheet else each.loose_m3 / GATHER_M3_H
    lines = {"cardboard": "Plain brown, big boxes: bicycle, fridge and furniture shops put them out.",
             "newspaper": "Black ink on plain paper, no glossy inserts.",
             "leaves": "From the roadside only where nothing is sprayed; shredded they don't mat."}  # fmt: skip
    return Step(
        step_key("", "gather", material.key),
        "",
        "gather",
        "ground",
        title=f"Strip turf for the fill: {much}"
        if (material.like or material.key) == TURF
        else f"Get {material.name.lower()} together: {much}",
        why="It costs nothing but weeks: begin before the digging, or it is what is lacking on the day.",
        done_when=f"{much} lie dry and stacked" + (", tape, staples and glossy print off." if sheet else "."),
        work="moving",
        usual_hours=max(hours, 0.25),
        gear=gear_for([material]),
        cautions=cautions_for([material]),
        materials=(f"{much} of {material.name.lower()}, about {show_mass(each.mass_kg, system)}",),
        lines=tuple(filter(None, (lines.get(material.key, ""),))),
        wait_days=GATHER_DAYS,
        wait_for="enough of it to come together",
    )


def _order(site: Site) -> Step:
    names = ", ".join(load.name for load in site.loads if load.delivered)
    return Step(
        step_key("", "order"),
        "",
        "order",
        "ground",
        title=f"Order from {names}" if site.loads[0].key != UNNAMED else "Order what is to be bought",
        why="A load that comes a week late costs a weekend; one that comes early lies in the way.",
        done_when="Day, place and amount are confirmed, and where the driver tips.",
        work="care",
        usual_hours=0.5,
        wait_days=ORDER_DAYS,
        wait_for="the loads to come",
        lines=("The haul has the list, line by line.",),
    )


def _take_in(key: str, name: str, lines: tuple[str, ...], delivered: bool) -> Step:
    return Step(
        step_key("", "load", key),
        "",
        "load",
        "ground",
        title=_load_title(key, name, delivered),
        why="Look before it is tipped: a wrong load goes back on the lorry, not out of a bed.",
        done_when="As ordered, by kind and amount: no clods, no sour smell, not another mix than last time.",
        hold="Is it as ordered: kind, amount, no clods, no sour smell?",
        work="moving",
        usual_hours=LOAD_H if delivered else 2 * LOAD_H,
        tools=(TAPE, "tarpaulin"),
        gear=(GLOVES, BOOTS),
        lines=lines,
        after=(step_key("", "order"),) if delivered else (),
    )


def _load_title(key: str, name: str, delivered: bool) -> str:
    if key == UNNAMED:
        return "Take in what was ordered" if delivered else "Get what nobody you entered offers"
    return f"Take in the load from {name}" if delivered else f"Fetch from {name}"


def _path(path: PathWork, site: Site, system: System) -> Iterator[Step]:
    """Paths follow the pegs of all beds beside them, so that no base comes to lie under one."""
    pegs = tuple(step_key(each, "set_out") for each in path.beside)
    last = pegs
    if path.dug_m > 0:
        yield Step(
            step_key("", "path_dig", path.key),
            "",
            "path_dig",
            "ground",
            title=f"Dig {path.name} out, {show_length(path.dug_m, system)} deep",
            why="Its spoil is soil for a bed; a base on turf sinks in ruts.",
            done_when=f"{show_length(path.dug_m, system)} deep all along, stopping at the beds' pegs.",
            work="digging",
            usual_hours=site.paces.digging(path.area_m2 * path.dug_m),
            tools=(SPADE, BARROW),
            gear=(GLOVES,),
            after=(step_key("", "services"), *pegs),
            gates=("frozen",),
        )
        last = (step_key("", "path_dig", path.key),)
    hours, barrows, amounts = 0.0, 0, list[str]()
    for course in path.courses:
        if course.material.is_sheet:
            hours += site.paces.hours("sheet_m2_h", course.sheet_area_m2)
            amounts.append(f"{show_area(course.sheet_area_m2, system)} of {course.material.name.lower()}")
            continue
        moved_h, loads = site.carrying(course.material, course.loose_m3, "")
        hours, barrows = hours + moved_h, barrows + loads
        amounts.append(f"{show_bulk_volume(course.loose_m3, system)} of {course.material.name.lower()}, loose")
    yield Step(
        step_key("", "path_base", path.key),
        "",
        "path_base",
        "ground",
        title=f"Lay {path.name}: {show_area(path.area_m2, system)}",
        why="Before or round the beds, never under them: nothing grows down through a tamped base.",
        done_when="Tamped course by course, falls away from the beds, its top level with what was planned.",
        work="moving",
        usual_hours=hours + path.area_m2 / TAMPS_M2_H,
        barrows=barrows,
        tools=(RAKE, SHOVEL, BARROW, LEVEL, "tamper"),
        gear=gear_for(each.material for each in path.courses),
        cautions=cautions_for(each.material for each in path.courses),
        materials=tuple(amounts),
        lines=("Sleeves for water and power go under it first, a hand deeper than the base.",),
        after=last,
        uses=frozenset(each.material.key for each in path.courses),
    )


def gathered_of(needs: Mapping[str, Gathered], sold: frozenset[str]) -> list[Gathered]:
    """What has to be got together: card, leaves, wood and the like that nobody brings. sold: keys of what comes."""
    return [each for key, each in needs.items() if key not in sold and is_gathered(each.material)]


def is_gathered(material: Material) -> bool:
    """Whether people get it together themselves as a rule."""
    if material.is_sheet:
        return "rots" in material.traits
    return material.group in ("organic", "wood") or (material.like or material.key) == TURF
