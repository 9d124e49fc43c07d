"""What a frame asks for: supports, wood that lasts, walls that hold, legs that bear."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.first_frames import own_wall_m
from nolbet_core.built.frame import POSTED
from nolbet_core.built.frame_cost import BraceWay, brace_ways
from nolbet_core.built.walls import frame_wall_m
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found
from nolbet_core.findings.mend import Mend, MendStep, set_keys
from nolbet_core.findings.strength import ESTIMATE
from nolbet_core.frame.bowing import GRAVITY_M_S2
from nolbet_core.frame.fasteners import BEAM_M
from nolbet_core.frame.strength import heaviest_leg_share
from nolbet_core.quantities.writing import show_length, show_mass, show_money, show_sawn

PERMIT_M = 1.2
DEPTH_OFF_M = 0.010
WALL_OFF_M = 0.005
SLAT_GAP_M = 0.010
SLAT_GAP_LINED_M = 0.005
UNBRACED_LEG_M = 0.40
SOFT_GROUND_PA = 75_000.0
SOUR_PH = 5.5
TOLERANCE_M = 1e-6
CLEAT_M = 0.045
LOADED_M = 0.3
BEHIND = {"slope": ", with a slope above it", "load": ", with a load above it"}


class BraceFar(BedFinding):
    """A long side bows out between its supports."""

    code = "brace_far"
    level = ("advice", "caution", "stop")
    topic = "frame"
    when = (
        "a side is longer between its supports than its board bends by a 150th; over one and a half times that; a stop "
        "where the board is bent beyond its design strength (EN 1995-1-1)"
    )

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """The longest side that nothing holds."""
        framed = worked.framed
        if framed is None or framed.brace_spacing_m is None or framed.span_m <= framed.brace_spacing_m + TOLERANCE_M:
            return
        span, most = (show_length(each, worked.system) for each in (framed.span_m, framed.brace_spacing_m))
        weak = framed.span_m > framed.strong_spacing_m + TOLERANCE_M
        ways = brace_ways(framed, worked.around.sources)
        said = [_said(each, worked) for each in ways]
        best, label = ways[0], _label(ways[0])
        yield Found(
            "stop" if weak else "caution" if framed.span_m > 1.5 * framed.brace_spacing_m else "advice",
            f"The long side runs {span} between supports; this board {'holds' if weak else 'stays straight'} up to "
            f"{most}.",
            "Wet soil pushes the lowest board out, more each year as the wood creeps, and corners open.",
            (f"Cheapest first: {', or '.join(said)}." if best.price is not None else f"{_upper(', or '.join(said))}.")
            + (f" {ESTIMATE}" if weak else ""),
            mend=Mend(_upper(label), _steps(best)),
        )


def _upper(text: str) -> str:
    return text[0].upper() + text[1:]


def _label(way: BraceWay) -> str:
    """A way to hold a side in a few words."""
    if way.way == "tie":
        return "put in a tie across the middle" if way.count == 1 else f"put in {way.count} ties across"
    if way.way == "post":
        return f"set {way.count} posts outside"
    return f"take {way.nominal} boards"


def _said(way: BraceWay, worked: WorkedBed) -> str:
    label = _label(way)
    if way.way == "thicker":
        label += f", {show_sawn(way.section_m[0], worked.system)} thick"
    if way.price is None:
        return label
    garden = worked.around.garden
    return f"{label} ({show_money(way.price, garden.currency if garden else 'USD')}{' more' if way.nominal else ''})"


def _steps(way: BraceWay) -> tuple[MendStep, ...]:
    if way.way == "tie":
        return set_keys("frame", ties=way.count)
    if way.way == "post":
        return set_keys("frame", middle_posts=way.count // 2, post_m=way.section_m[0])
    return set_keys("frame", nominal=way.nominal, thickness_m=None, width_m=None)


class FrameOffDepth(BedFinding):
    """The boards make another depth than the bed has."""

    code = "frame_off_depth"
    level = ("caution",)
    topic = "frame"
    when = "the courses of a frame stand over 1 cm higher or lower than the bed is deep"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Courses that don't make the depth."""
        framed = worked.framed
        depth_key = "depth_m" if hasattr(worked.bed.shape, "depth_m") else None
        if framed is None or depth_key is None or abs(framed.height_m - framed.depth_m) <= DEPTH_OFF_M:
            return
        made, asked = (show_length(each, worked.system) for each in (framed.height_m, framed.depth_m))
        count = framed.course_count
        courses = "One course makes" if count == 1 else f"{count} courses make"
        other = framed.courses if framed.is_boards else None
        ripped = (
            f" or rip the topmost to {show_length(other.rip_to_m, worked.system)}" if other and other.rip_to_m else ""
        )
        yield Found(
            "caution",
            f"{courses} {made}, and the bed is {asked} deep.",
            "The fill is worked out for the bed's depth, the boards for their own.",
            f"Make the bed {made} deep, take another course{ripped}.",
            mend=Mend(f"Make it {made} deep", set_keys("shape", **{depth_key: round(framed.height_m, 6)})),
        )


class WallDiffers(BedFinding):
    """A spiral's frame is thicker or thinner than the wall that its shape leaves room for."""

    code = "wall_differs"
    level = ("caution",)
    topic = "frame"
    when = "a spiral's frame and its shape give the wall two thicknesses, over 5 mm apart"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Spirals whose frame says another thickness than their shape."""
        frame = worked.bed.frame
        if frame is None or worked.vessel.form != "spiral":
            return
        framed_m, own_m = frame_wall_m(frame), own_wall_m(worked.bed)
        if framed_m is None or abs(framed_m - own_m) <= WALL_OFF_M:
            return
        framed_said, own = (show_sawn(each, worked.system) for each in (framed_m, own_m))
        stone = frame.kind == "dry_stone"
        step = set_keys("frame", thickness_m=own_m) if stone else set_keys("shape", wall_m=framed_m)
        yield Found(
            "caution",
            f"Wall of the spiral: {own}, its frame: {framed_said}. Which is it?",
            "The bed's room is measured with the wall of its shape, and stone is bought for that wall.",
            "Give both the same thickness.",
            mend=Mend(f"Make the {'stones' if stone else 'wall'} {own if stone else framed_said}", step),
        )


class TreatedTimber(BedFinding):
    """Whether treated timber belongs beside food is argued about."""

    code = "treated_timber"
    level = ("advice",)
    topic = "frame"
    when = "a frame of treated timber"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Treated boards, in any course."""
        framed = worked.framed
        if framed is None or not framed.is_boards or not (framed.timber.treated or framed.lowest.treated):
            return
        yield Found(
            "advice",
            "The boards are treated timber.",
            "Older treatments hold arsenic or creosote; today's hold copper, which plants hardly take up.",
            "Never use old treated, painted or railway timber here; line new boards with film, or take wood that lasts "
            "untreated. " + DEFER,
            sides=(
                "Those who use it: copper stays in the wood and the soil beside it, and the box lasts twice as long.",
                "Those who don't: larch, oak or a liner costs little more, and nobody has to trust a label.",
            ),
        )


class WallHigh(BedFinding):
    """A high wall of soil is a retaining wall."""

    code = "wall_high"
    level = ("caution",)
    topic = "frame"
    when = "a frame stands over 1.2 m high; over 0.3 m where a slope or a load lies above it"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Walls over 1.2 m, and lower ones that hold more than their own soil."""
        framed = worked.framed
        behind = framed.frame.behind if framed else None
        if framed is None or framed.height_m <= (LOADED_M if behind else PERMIT_M) + TOLERANCE_M:
            return
        high = show_length(framed.height_m, worked.system)
        yield Found(
            "caution",
            f"The wall holds back {high} of soil{BEHIND[behind] if behind else ''}.",
            "From about 1.2 m walls are engineered, lower ones too where a slope, a load or water pushes more.",
            "Ask for a permit and an engineer before building. " + DEFER,
        )


class SlatsApart(BedFinding):
    """Soil and liners sag into gaps between slats."""

    code = "slats_apart"
    level = ("advice",)
    topic = "frame"
    when = "a floor's slats lie over 10 mm apart, over 5 mm under a liner"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Gaps that are too wide."""
        framed = worked.framed
        if framed is None or framed.frame.floor is None:
            return
        lined = worked.water is not None
        most_m = SLAT_GAP_LINED_M if lined else SLAT_GAP_M
        gap_m = framed.frame.floor.gap_m
        if gap_m <= most_m + TOLERANCE_M:
            return
        yield Found(
            "advice",
            f"The slats of the floor lie {show_length(gap_m, worked.system)} apart.",
            "Water presses the liner into the gaps until it tears." if lined else "Soil trickles out between them.",
            f"Leave {show_length(most_m, worked.system)} at most, with a sheet over them.",
            mend=Mend(f"Lay them {show_length(most_m, worked.system)} apart", set_keys("frame.floor", gap_m=most_m)),
        )


class LegsUnbraced(BedFinding):
    """A box on legs falls sideways before it falls down."""

    code = "legs_unbraced"
    level = ("caution",)
    topic = "frame"
    when = "a box on legs of over 40 cm"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every box on high legs."""
        framed = worked.framed
        legs = framed.frame.legs if framed else None
        if framed is None or legs is None or legs.length_m <= UNBRACED_LEG_M:
            return
        load_kg = worked.standing_kg * heaviest_leg_share(legs.count)
        each = "each" if load_kg * legs.count <= worked.standing_kg * (1 + TOLERANCE_M) else "the heaviest"
        yield Found(
            "caution",
            f"It stands on {legs.count} legs of {show_length(legs.length_m, worked.system)}, {each} under "
            f"{show_mass(load_kg, worked.system)} when wet.",
            "Someone leaning on it, or a wheel against a leg, racks the joints; screws alone don't hold that.",
            "Brace the legs with diagonals or a shelf both ways, and stand each on a pad. " + DEFER,
        )


class FootSinks(BedFinding):
    """A leg presses into soft ground."""

    code = "foot_sinks"
    level = ("caution",)
    topic = "frame"
    when = "a leg presses on soft ground with over 75 kPa"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Legs on lawn or soil without a pad."""
        framed = worked.framed
        section = framed.leg_section if framed else None
        soft = worked.bed.stand is None or worked.bed.stand.on in ("lawn", "bare_soil", "compacted", "gravel", "legs")
        load_kg = worked.heaviest_leg_kg
        if section is None or load_kg is None or not soft:
            return
        pressure_pa = load_kg * GRAVITY_M_S2 / section.area_m2
        if pressure_pa <= SOFT_GROUND_PA:
            return
        side_m = (load_kg * GRAVITY_M_S2 / SOFT_GROUND_PA) ** 0.5
        yield Found(
            "caution",
            f"The heaviest foot presses on the ground with {pressure_pa / 1000:.0f} kPa; soft ground bears 75.",
            "One leg sinks before the others, the box leans, and the heavier end takes more.",
            f"Stand each on a slab of at least {show_length(side_m, worked.system)} a side. " + DEFER,
        )


class DryWallLoose(BedFinding):
    """Stones laid without mortar move under a foot."""

    code = "dry_wall_loose"
    level = ("note",)
    topic = "frame"
    when = "a wall of dry stone"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every dry wall."""
        if worked.bed.frame is None or worked.bed.frame.kind != "dry_stone":
            return
        yield Found(
            "note",
            "The wall is laid dry.",
            "Nothing but weight holds it: a stone that rocks takes its neighbours with it.",
            "Lean it in by a sixth, bury the first course, lay long stones across, and never step on it. " + DEFER,
        )


class EndGrain(BedFinding):
    """Screws into end grain pull out."""

    code = "end_grain"
    level = ("advice",)
    topic = "frame"
    when = "boards are screwed into each other's ends alone"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Butted corners of boards under 75 mm without posts."""
        framed = worked.framed
        if framed is None or not framed.is_boards or framed.frame.corner in POSTED or framed.cleats:
            return
        if framed.section[0] >= BEAM_M:
            return
        yield Found(
            "advice",
            "At the corners screws hold in end grain alone.",
            "Across the fibres a screw holds three times as well as along them; wet soil works such corners loose.",
            "Put a post or a cleat inside each corner, or brackets.",
            mend=Mend("Put a cleat in each corner", set_keys("frame", cleats_m=CLEAT_M)),
        )


class MetalInSour(BedFinding):
    """Sour soil eats galvanised metal."""

    code = "metal_in_sour"
    level = ("note",)
    topic = "frame"
    when = "galvanised metal round soil of pH under 5.5"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Corrugated metal beside sour layers."""
        if worked.bed.frame is None or worked.bed.frame.kind != "sheet":
            return
        sour = [(each.name, each.properties["ph"].value) for each in worked.materials if "ph" in each.properties]
        sour = [(name, ph) for name, ph in sour if ph < SOUR_PH]
        if not sour:
            return
        yield Found(
            "note",
            f"{sour[0][0]} is sour (pH {sour[0][1]:.1f}), and the wall is galvanised.",
            "Zinc dissolves below about pH 5.5: the coat goes in years instead of decades, into the soil.",
            "Line the metal with film up to the soil line, or lime the fill.",
        )


class CutAndCement(BedFinding):
    """Saws, dust and wet cement hurt."""

    code = "saw_and_cement"
    level = ("note",)
    topic = "frame"
    when = "a frame is sawn, or laid in cement"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Every frame of boards, units with mortar, or posts in concrete."""
        framed = worked.framed
        if framed is None:
            return
        cement = framed.concrete_m3 > 0 or (framed.unit_wall is not None and framed.unit_wall.mortar_m3 > 0)
        if not framed.is_boards and not cement:
            return
        said = "Boards are sawn" if not cement else "Concrete or mortar is mixed"
        yield Found(
            "note",
            f"{said} for its frame.",
            "Saws take fingers, cut treated wood and stone make dust, and wet cement burns the skin for hours unfelt.",
            "Eye protection, a mask against dust, gloves that keep wet cement off; clamp what is sawn. " + DEFER,
        )
