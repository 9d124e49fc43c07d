"""What suits a bed's crops and what doesn't: told where they stand, with the click that mends it."""

from __future__ import annotations

from collections.abc import Iterator
from typing import ClassVar

from nolbet_core.built.suits import CropTold, Suited
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import BedFinding, Found, Level
from nolbet_core.findings.mend import Mend, set_keys


class CropFinding(BedFinding):
    """A finding on the crops of a bed. why: it matters. sides: what is said on either side, where people differ."""

    topic = "planting"
    why: ClassVar[str]
    sides: ClassVar[tuple[str, ...]] = ()

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Each crop of which it is told."""
        for suited in worked.suits:
            for told in (*suited.stops, *suited.minds):
                if told.code == self.code:
                    yield self._found(suited, told)

    def _found(self, suited: Suited, told: CropTold) -> Found:
        level: Level = self.level[0]
        mend = None
        if told.sets is not None:
            mend = Mend(told.label, set_keys(f"crops[{suited.grown.index}]", **told.sets))
        return Found(level, told.said, self.why, told.advice, mend=mend, sides=self.sides)


class CropNoRoom(CropFinding):
    """A crop finds no ground beside the others."""

    code = "crop_no_room"
    level = ("advice",)
    when = "a crop has no room left beside the others of its bed, or no pocket to stand in"
    why = "Plants that stand too close shade each other, and all give less."


class CropRootsDeep(CropFinding):
    """A crop roots deeper than the bed is."""

    code = "crop_roots_deep"
    level = ("advice",)
    when = "a crop's roots want more depth than the bed ever has over stone, fabric or water"
    why = "Roots that meet stone, fabric or water fork and starve, and the plant dries out in a day."


class CropWaits(CropFinding):
    """A crop has to wait until the fill below has rotted."""

    code = "crop_waits"
    level = ("advice",)
    when = "this season's sowing goes by before the bed is ready for a crop, as for roots over a raw fill"
    why = "Over raw wood and litter roots find air and hunger; shallow crops do well there in the first year."


class CropTooHigh(CropFinding):
    """A crop stands in the view."""

    code = "crop_too_high"
    level = ("advice",)
    when = "a crop grows higher than what is kept open over its bed"
    why = "The view was to be kept open over this bed."


class CropWrongZone(CropFinding):
    """A crop that likes it dry stands over water."""

    code = "crop_wrong_zone"
    level = ("advice",)
    when = "a crop that likes it dry is planted over a reservoir"
    why = "Roots of dry places rot where it is always damp."


class CropOffItsZone(CropFinding):
    """A crop stands where it is drier or moister than it likes."""

    code = "crop_off_its_zone"
    level = ("advice",)
    when = "a crop that likes it dry stands at the foot of a spiral or a mound, or one that likes it moist at its top"
    why = "The top drains and dries first, and water gathers at the foot."


class CropCrowded(CropFinding):
    """More plants than go in."""

    code = "crop_crowded"
    level = ("advice",)
    when = "more plants of a crop are asked for than go in at its spacing"
    why = "Crowded plants stay small, stay wet and fall ill."


class CropTooSoon(CropFinding):
    """A crop would meet frost, or a bed that isn't ready."""

    code = "crop_too_soon"
    level = ("advice",)
    when = "a crop goes in before its frosts or its bed allow"
    why = "Frost takes it, or it sits and waits for the fill to rot."


class CropTooLate(CropFinding):
    """A crop no longer ripens."""

    code = "crop_too_late"
    level = ("advice",)
    when = "a crop goes in so late that frost comes before its first harvest"
    why = "What doesn't ripen before the frost was watered for nothing."


class CropSeasonShort(CropFinding):
    """No season there is long enough."""

    code = "crop_season_short"
    level = ("advice",)
    when = "a crop takes longer than from the last frost to the first"
    why = "What doesn't ripen before the frost was watered for nothing."


class CropInShade(CropFinding):
    """A fruiting crop has too little sun."""

    code = "crop_in_shade"
    level = ("advice",)
    when = (
        "a fruiting crop has less sun than it wants, 6 hours unless more, on the longest day or at the equinox, past "
        "what stands on the plot with a height and past the bed's own tall crops"
    )
    why = "In shade fruit sets late and little, and stays sour."


class TallOnSunSide(CropFinding):
    """A tall crop stands between a lower one and the midday sun."""

    code = "tall_on_sun_side"
    level = ("advice",)
    when = (
        "a crop half a metre higher stands on the sun's side of one that likes sun, nearer than its height (from 45 "
        "degrees of latitude on), or than its shade at noon when day and night are alike"
    )
    why = "The low one stands in shade at the best of the day."


class FamilyAgain(CropFinding):
    """One family follows itself."""

    code = "family_again"
    level = ("note",)
    when = "a crop's family grew in the bed within the last three years"
    why = "Pests and diseases of one family wait in the soil for the next of it."
    sides = (
        "Many growers move families through four beds or more.",
        "Others grow one thing in one bed for years, with compost each spring, and watch for disease.",
    )


class BadNeighbours(CropFinding):
    """Two crops that are said to do badly side by side."""

    code = "bad_neighbours"
    level = ("note",)
    when = "two crops of one bed are said to do badly side by side, by what is usually said or the gardener's own list"
    why = "Gardeners hand it on; few pairs were ever tried in rows side by side."
    sides = (
        "Lore: some plants help each other, and some hold each other back.",
        "Trials: evidence is mixed; room, light, water and food explain most of it.",
    )


class CropsInOneSpot(CropFinding):
    """Two crops at one place and time."""

    code = "crops_in_one_spot"
    level = ("caution",)
    when = "plants of two crops stand in each other at one time"
    why = "One of them won't come up."


class CropUnsupported(CropFinding):
    """A crop that falls over."""

    code = "crop_unsupported"
    level = ("note",)
    when = "a crop that wants stakes or a net has neither"
    why = "A stake knocked in later goes through the roots."


class CropSpreads(CropFinding):
    """A crop that takes the bed over."""

    code = "crop_spreads"
    level = ("note",)
    when = "a crop that spreads by its roots stands in no pot"
    why = "It comes up all over the bed within two years."


class SeedlingsOverWater(CropFinding):
    """Seed over a reservoir dries."""

    code = "seedlings_over_water"
    level = ("note",)
    when = "a crop is sown over a reservoir"
    why = "The top dries out first, and young roots don't reach the damp."


class CoverShutsOutBees(CropFinding):
    """Fruit doesn't set under a shut cover."""

    code = "cover_shuts_out_bees"
    level = ("advice",)
    when = "a crop that bees must get to stands under fleece, film or a net against insects"
    why = "Flowers that nobody visits drop, and nothing sets."


CROP_FINDINGS: tuple[CropFinding, ...] = (
    CropNoRoom(), CropRootsDeep(), CropWaits(), CropTooHigh(), CropWrongZone(), CropOffItsZone(), CropCrowded(),
    CropTooSoon(), CropTooLate(), CropSeasonShort(), CropInShade(), TallOnSunSide(), FamilyAgain(), BadNeighbours(),
    CropsInOneSpot(), CropUnsupported(), CropSpreads(), SeedlingsOverWater(), CoverShutsOutBees(),
)  # fmt: skip
"""All of them, the gravest first."""
