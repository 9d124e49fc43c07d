"""What boards, posts and floors ask for before they are bought: corners by turns, offcuts, joints, floors, linings."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.frame_cost import boarded, sizes_without_waste
from nolbet_core.built.sources import lengths_known
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import BedFinding, Found
from nolbet_core.findings.mend import Mend, set_keys
from nolbet_core.plan.shapes import BoxShape
from nolbet_core.quantities.writing import show_length, show_sawn
from nolbet_core.shapes.angular import Rectangle

TOLERANCE_M = 1e-6


class CornersByTurns(BedFinding):
    """Corners by turns ask for boards of four lengths, which none is bought in."""

    code = "corners_by_turns"
    level = ("caution",)
    topic = "frame"
    when = "corners of several courses are joined by turns"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Boxes whose courses run past by turns."""
        framed = worked.framed
        if framed is None or not framed.is_boards or framed.frame.corner != "alternate" or framed.courses.count < 2:
            return
        if not isinstance(framed.vessel.outside, Rectangle):
            return
        lengths = sorted({round(each.length_m, 6) for each in framed.boards}, reverse=True)
        said = ", ".join(show_sawn(each, worked.system) for each in lengths)
        grows = show_sawn(framed.section[0], worked.system)
        yield Found(
            "caution",
            f"By turns its boards come in {len(lengths)} lengths: {said}.",
            f"Boards that are as long as the sides make the box {grows} longer and wider than planned; for the planned "
            "size every other board is cut by two thicknesses.",
            "Let each board run past at one end: two lengths, and boards as bought make one size all the way up.",
            mend=Mend("Let each run past at one end", set_keys("frame", corner="pinwheel")),
        )


class BoardsCut(BedFinding):
    """A size a little larger or smaller would waste no board."""

    code = "boards_cut"
    level = ("advice",)
    topic = "frame"
    when = "a size within a tenth of the box's own is cut from the boards there are without an offcut over 5 cm"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Boxes whose boards leave offcuts, where lengths are known and another size leaves none."""
        framed, shape = worked.framed, worked.bed.shape
        if framed is None or not framed.is_boards or not isinstance(shape, BoxShape):
            return
        sources = worked.around.sources
        if not lengths_known((framed.timber.key, *framed.section), sources):
            return
        sizes = sizes_without_waste(framed, sources)
        if not sizes:
            return
        more_m = 0.0 if worked.bed.measured == "inside" else 2 * framed.section[0]
        length_m, width_m = sizes[0].length_m + more_m, sizes[0].width_m + more_m
        size = f"{show_sawn(length_m, worked.system)} x {show_sawn(width_m, worked.system)}"
        how = "without a cut" if sizes[0].whole else "without an offcut"
        yield Found(
            "advice",
            f"Its boards leave offcuts; {size} {worked.bed.measured} is made {how}.",
            "Boards are bought whole: what is sawn off was paid for, and every cut takes a few minutes.",
            "Take that size, or keep the offcuts for cleats, stakes and the next box.",
            mend=Mend(f"Make it {size}", set_keys("shape", length_m=round(length_m, 6), width_m=round(width_m, 6))),
        )


class JointsInLine(BedFinding):
    """A side longer than the longest board is joined, and joints over each other are a hinge."""

    code = "joints_in_line"
    level = ("advice",)
    topic = "frame"
    when = "a side is longer than the longest board there is"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Sides over the longest length on sale or on hand, or usually sold."""
        framed = worked.framed
        made = boarded(framed, worked.around.sources) if framed else None
        if framed is None or made is None:
            return
        longest_m, side_m = max(made.lengths_m), max(each.length_m for each in framed.boards)
        if side_m <= longest_m + made.give_m:
            return
        side, longest = show_length(side_m, worked.system), show_length(longest_m, worked.system)
        yield Found(
            "advice",
            f"Its long side is {side}, and the longest board {longest}: each course is joined.",
            "Joints that lie over each other are a hinge, and the wall folds out there.",
            "Join over a post or a splice plate, and those of the next course at least 0.3 m away, as the saw list has "
            "them.",
        )


class SplintersAtLiner(BedFinding):
    """A liner against sawn boards is pierced by what sticks out of them."""

    code = "splinters_at_liner"
    level = ("advice",)
    topic = "water"
    when = "a reservoir lies in a frame of boards without a lining"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Boards round a reservoir with nothing between them and the liner."""
        framed = worked.framed
        if framed is None or worked.water is None or not framed.is_boards or framed.lining is not None:
            return
        yield Found(
            "advice",
            "The liner lies against sawn boards.",
            "Splinters, staples and screw tips pierce it where the water presses, and the leak shows after planting.",
            "Knock in or cut off what sticks out, and line the boards with a geotextile first.",
            mend=Mend("Line the boards with a geotextile", set_keys("frame", lining="geotextile")),
        )
