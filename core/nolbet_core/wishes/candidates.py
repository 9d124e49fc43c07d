"""Beds that could be built: schools, sizes that boards make, courses, and what fills them, each way once."""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterable, Iterator, Mapping, Sequence
from typing import cast

from nolbet_core.built.stores import stands_on_m
from nolbet_core.haul.offers import PieceOffer, Supplier
from nolbet_core.plan.bed import HEADSPACE_M, Bed, Layer, Reservoir, Stand
from nolbet_core.plan.bed import School as SchoolKey
from nolbet_core.plan.frame import Frame
from nolbet_core.plan.garden import Stock
from nolbet_core.plan.shapes import BoxShape, FlatAreaShape
from nolbet_core.plan.wishes import Allowed, Wishes
from nolbet_core.quantities.units import System
from nolbet_core.record import record
from nolbet_core.schools.school import School, all_schools, starting_layers, starting_reservoir, unsuited
from nolbet_core.shelf.material import Material
from nolbet_core.shelf.timber import TIMBER

MOST_CANDIDATES = 5_000
"""So many are judged at most."""

MOST_COURSES = 5
MOST_ALIKE = 12
SAW_M = 0.01
"""What a board that is cut in parts loses [m], with some to spare."""

USUAL_SIDES_M = (0.6, 0.9, 1.2, 1.8, 2.4)
"""Sides of beds where no board says how long they are [m]."""

PARTS = (1, 2, 3, 4)
LEAST_SIDE_M = 0.4
NEAR_M = 0.05
"""Widths closer than this are worth judging but once."""

SAME_M = 1e-9
FLAT_DEPTH_M = 0.2
"""What lies on open ground without a frame is taken to be so deep [m]."""

BOX, FLAT = "box", "flat_area"

Section = tuple[str, float, float]
"""A wood's key, and a board's thickness and width [m]."""


@record
class Candidate:
    """A way to build: so many beds alike. outside sizes [m]; section and courses of its boards, None without a frame;
    fills: the material that fills the rest, where it isn't the school's own.
    """

    school: School
    length_m: float
    width_m: float
    depth_m: float
    count: int
    section: Section | None
    courses: int
    fills: str | None

    @property
    def told(self) -> tuple[object, ...]:
        """What tells it from others."""
        return (
            self.school.key, self.length_m, self.width_m, self.depth_m, self.count, self.section, self.courses,
            self.fills,
        )  # fmt: skip

    @property
    def stack(self) -> tuple[object, ...]:
        """What its layers' depths follow from: those alike in it sink as far, and are sown on the same day."""
        return self.school.key, self.depth_m, self.section, self.fills

    @property
    def inside_m(self) -> tuple[float, float]:
        """Length and width between its walls [m]."""
        thick_m = self.section[1] if self.section else 0.0
        return self.length_m - 2 * thick_m, self.width_m - 2 * thick_m

    @property
    def area_m2(self) -> float:
        """What all of them have to grow on [m2]."""
        length_m, width_m = self.inside_m
        return self.count * length_m * width_m


def candidates(
    wishes: Wishes, materials: Mapping[str, Material], suppliers: Sequence[Supplier], system: System
) -> list[Candidate]:
    """Every way worth judging, schools in turns. materials: by key. suppliers: whose boards could be bought."""
    found: dict[tuple[object, ...], Candidate] = {}
    for each in _all(wishes, materials, suppliers, system):
        found.setdefault(each.told, each)
    return _schools_in_turns(found.values())


def _schools_in_turns(found: Iterable[Candidate]) -> list[Candidate]:
    """The first of each school, then the second of each, so that a limit on their number leaves no school out."""
    by_school: dict[str, list[Candidate]] = {}
    for each in found:
        by_school.setdefault(each.school.key, []).append(each)
    rounds = itertools.zip_longest(*by_school.values())
    return [each for turn in rounds for each in turn if each is not None]


def _all(
    wishes: Wishes, materials: Mapping[str, Material], suppliers: Sequence[Supplier], system: System
) -> Iterator[Candidate]:
    boards = _boards(wishes.have.stock, suppliers)
    sizes = _sizes([length_m for _, length_m in boards], widest(wishes.may))
    sections = list(dict.fromkeys(section for section, _ in boards))
    for school in all_schools().values():
        fills = _fills(school, materials)
        for length_m, width_m in sizes:
            if FLAT in school.shapes and _is_open(wishes.may):
                for count in _counts(wishes, length_m * width_m):
                    yield Candidate(school, length_m, width_m, FLAT_DEPTH_M, count, None, 0, None)
            for section, courses in itertools.product(sections, range(1, MOST_COURSES + 1)):
                depth_m, walls_m = round(courses * section[2], 4), 2 * section[1]
                if BOX not in school.shapes or unsuited(school, BOX, depth_m - HEADSPACE_M, system):
                    continue
                if width_m - walls_m < LEAST_SIDE_M:
                    continue
                counts = _counts(wishes, (length_m - walls_m) * (width_m - walls_m))
                for count, fill in itertools.product(counts, fills):
                    yield Candidate(school, length_m, width_m, depth_m, count, section, courses, fill)


def _boards(stock: Sequence[Stock], suppliers: Sequence[Supplier]) -> list[tuple[Section, float]]:
    """Boards to build of, each section with a length: those on hand, else those on sale."""
    lying = [
        ((each.material, each.thickness_m or 0.0, each.width_m or 0.0), each.usable_m or each.length_m or 0.0)
        for each in stock
        if each.is_boards
    ]
    sold = [
        ((offer.material, offer.thickness_m or 0.0, offer.width_m or 0.0), offer.length_m or 0.0)
        for supplier in suppliers
        for offer in supplier.offers
        if isinstance(offer, PieceOffer) and offer.material in TIMBER
    ]
    return list(dict.fromkeys(lying or sold))


def widest(may: Allowed) -> float:
    """How wide a bed may be that all of is within reach [m]."""
    return may.reach_m * (2 if may.worked_from == "both_sides" else 1)


def _is_open(may: Allowed) -> bool:
    return may.on in ("lawn", "bare_soil", "compacted")


def _sizes(lengths: Sequence[float], widest_m: float) -> list[tuple[float, float]]:
    """Outer lengths and widths that whole boards, halves, thirds and quarters make, and as wide as an arm reaches [m].

    lengths: that boards come in; usual sides where none are known.
    """
    parts = {_cut(each, into) for each in lengths for into in PARTS} or set(USUAL_SIDES_M)
    widths = {each for each in parts if LEAST_SIDE_M <= each <= widest_m + SAME_M}
    if not any(widest_m - each < NEAR_M for each in widths):
        widths.add(round(widest_m, 2))
    return [
        (length_m, width_m)
        for length_m in sorted(parts, reverse=True)
        for width_m in sorted(widths, reverse=True)
        if length_m >= width_m
    ]


def _cut(length_m: float, into: int) -> float:
    """How long each of some equal parts of a board is, to the centimetre below [m]."""
    return length_m if into == 1 else math.floor((length_m - (into - 1) * SAW_M) / into * 100) / 100


def _counts(wishes: Wishes, each_m2: float) -> range:
    """How many beds of a size are worth judging: those that make the area wanted, and one more."""
    wanted = wishes.want.area_m2
    least = 1 if wanted is None else max(math.ceil(wanted / each_m2 - 1e-9), 1)
    if least > MOST_ALIKE:
        return range(0)
    return range(least, min(least + 2, MOST_ALIKE + 1))


FILLS = ("raised_bed_mix", "topsoil", "compost")


def _fills(school: School, materials: Mapping[str, Material]) -> list[str | None]:
    """What may fill the rest of a school's bed: its own soil, or another; nothing else where nothing fills it."""
    own = [each.words["material"] for each in school.courses if each.fills]
    if not own:
        return [None]
    return [None, *(key for key in FILLS if key in materials and key not in own)]


def bed_of(candidate: Candidate, may: Allowed) -> Bed:
    """The beds that a candidate is, in the plan file's words."""
    school = candidate.school
    inside_m, kind = candidate.inside_m, BOX if candidate.section else FLAT
    area_m2 = inside_m[0] * inside_m[1]
    depth_m = candidate.depth_m - (HEADSPACE_M if candidate.section else 0.0)
    words = starting_reservoir(school, depth_m) if candidate.section else None
    reservoir = None if words is None else Reservoir.model_validate(words)
    base_m = 0.0 if reservoir is None else stands_on_m(reservoir)
    layers = [dict(each) for each in starting_layers(school, kind, depth_m - base_m, area_m2)]
    for layer in layers:
        if candidate.fills is not None and layer.get("fill"):
            layer["material"] = candidate.fills
    shape = (
        BoxShape(kind="box", length_m=candidate.length_m, width_m=candidate.width_m, depth_m=candidate.depth_m)
        if candidate.section
        else FlatAreaShape(kind="flat_area", length_m=candidate.length_m, width_m=candidate.width_m)
    )
    return Bed(
        key="proposal",
        name=school.name,
        count=candidate.count,
        school=cast(SchoolKey, school.key),
        shape=shape,
        measured="outside" if candidate.section else "inside",
        layers=[Layer.model_validate(each) for each in layers],
        reservoir=reservoir,
        stand=Stand(on=may.on, limit_kg_m2=may.limit_kg_m2),
        reach_m=may.reach_m,
        worked_from=may.worked_from,
        frame=_frame(candidate),
    )


def _frame(candidate: Candidate) -> Frame | None:
    if candidate.section is None:
        return None
    wood, thick_m, wide_m = candidate.section
    return Frame(kind="boards", material=wood, thickness_m=thick_m, width_m=wide_m, courses=candidate.courses)
