"""What can harm those who eat from the bed, or what grows in it."""

from __future__ import annotations

from collections.abc import Iterator

from nolbet_core.built.footing import on_open_ground
from nolbet_core.built.worked import WorkedBed
from nolbet_core.findings.finding import DEFER, BedFinding, Found
from nolbet_core.findings.mend import Mend, change_layer
from nolbet_core.findings.safety import counted, listed
from nolbet_core.planting.ready import RAW_MANURE_DAYS, RAW_MANURE_DAYS_ABOVE
from nolbet_core.quantities.writing import show_length

GROUND_FORMS = frozenset({"trench", "mound", "flat"})
ROOTS_PASS_M = 0.30


def names_with(worked: WorkedBed, trait: str) -> list[str]:
    """Names of the materials in and on the fill that have a trait, each once."""
    found = [material for material in worked.materials if trait in material.traits]
    parts = [each.material for material in found for each in material.parts if trait in each.material.traits]
    plain = [material for material in found if not material.parts]
    return list(dict.fromkeys(material.name.lower() for material in (*plain, *parts)))


class RawManure(BedFinding):
    """Raw manure needs months before a harvest."""

    code = "raw_manure"
    level = ("caution",)
    topic = "health"
    when = "raw manure anywhere in or on the fill (waits of 7 CFR 205.203)"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Any raw manure in or on the fill."""
        names = names_with(worked, "raw_manure")
        if not names:
            return
        yield Found(
            "caution",
            f"{names[0].capitalize()} is raw: no harvest for {RAW_MANURE_DAYS} days where the crop touches soil, "
            f"{RAW_MANURE_DAYS_ABOVE} where it doesn't.",
            "Raw manure carries germs that make people ill, and burns young roots (waits of 7 CFR 205.203).",
            "Compost it first, or fill in autumn and sow in spring. " + DEFER,
        )


class HerbicideCarryover(BedFinding):
    """Weedkiller that lasts comes in with manure, hay, straw and compost."""

    code = "herbicide_carryover"
    level = ("note",)
    topic = "health"
    when = "manure, hay, straw or compost in the bed"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """One note for all that may carry it."""
        names = names_with(worked, "herbicide")
        if not names:
            return
        yield Found(
            "note",
            f"{counted(names)} may carry weedkiller that lasts: {listed(names)}.",
            "Some sprays on hay fields pass through animals and heap, and cripple beans and tomatoes for years.",
            "Ask where it comes from, and sow beans in a pot of it first: curled leaves tell within three weeks.",
        )


class GroundUntested(BedFinding):
    """Roots go into ground that nobody has tested."""

    code = "ground_untested"
    level = ("note",)
    topic = "health"
    when = "roots go into the ground: trenches, mounds, patches, and low beds open below"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Trenches, mounds and patches, and low beds open below; a liner, or fabric under all, keeps roots out."""
        layers = worked.filled.layers
        low = worked.vessel.form == "vessel" and worked.open_below and worked.filled.top_m < ROOTS_PASS_M
        on_ground = worked.vessel.form in GROUND_FORMS and on_open_ground(worked.bed)
        if not layers or not (on_ground or low):
            return
        if layers[0].material.is_sheet and "rots" not in layers[0].material.traits:
            return
        if any(layer.holds_water for layer in layers):
            return
        reach = show_length(ROOTS_PASS_M, worked.system)
        yield Found(
            "note",
            f"Roots go {reach} and more down, into your own ground.",
            "Near old houses, roads and yards the ground can hold lead, oil or other poisons.",
            "Have it tested before you grow food in it, or build higher over a barrier. " + DEFER,
        )


class TapeAndPrint(BedFinding):
    """Cardboard and paper bring more than fibre."""

    code = "tape_and_print"
    level = ("note",)
    topic = "health"
    when = "cardboard or newspaper in the bed"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """One note where cardboard or newspaper lies in the bed."""
        names = names_with(worked, "printed")
        if not names:
            return
        yield Found(
            "note",
            f"{counted(names)} to clean of tape, staples and glossy print: {listed(names)}.",
            "Tape and staples stay in the bed for good; glossy coatings keep water out.",
            "Pull tape and staples, leave glossy and coloured sheets out, wet the rest as you lay it.",
            sides=(
                "Some lay plain brown board alone: nobody says what inks and glues are made of.",
                "Others lay any print but glossy: most inks hold soot and plant oil by now.",
            ),
        )


class NotFoodGrade(BedFinding):
    """A liner that isn't made for food."""

    code = "not_food_grade"
    level = ("advice",)
    topic = "health"
    when = "a liner that may not be made for food"

    def look(self, worked: WorkedBed) -> Iterator[Found]:
        """Each such liner in the stack."""
        for index, layer in enumerate(worked.filled.layers):
            if "not_food_grade" not in layer.material.traits:
                continue
            yield Found(
                "advice",
                f"Layer {index + 1}, {layer.material.name.lower()}, may not be made for food.",
                "Some liners hold softeners or algae poison that wander into the water.",
                "Use one sold for drinking water or fish, or a food-grade film.",
                layer=index,
                mend=Mend("Use food-grade film", change_layer(index, material="food_film")),
                sides=(
                    "Some hold that a liner sold as safe for fish is safe for lettuce.",
                    "Others want food grade wherever water stands for weeks.",
                ),
            )
