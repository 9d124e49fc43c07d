"""What is said of a soil mix, by what it is to be good for."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nolbet_core.blend.dosing import LIME_KG_M3
from nolbet_core.blend.soil import PH_SPREAD, Soil, share_with
from nolbet_core.blend.target import Band, MixUse, Target
from nolbet_core.findings.finding import Finding, Found
from nolbet_core.findings.safety import dust_of
from nolbet_core.quantities.units import CU_YD_M3, System
from nolbet_core.quantities.writing import show_length, show_mass, show_share
from nolbet_core.record import record
from nolbet_core.shelf.material import Material

COMPOST_CAUTION = 0.7
PEAT_SHARE = 0.3
"""From this share on a mix of dry peat sheds water (estimate)."""

SLACK = 5e-4
PH_SLACK = 0.005
C_TO_N_SLACK = 0.05

USE_NAMES: dict[MixUse, str] = {
    "raised_bed": "a raised bed",
    "deep_container": "a deep container",
    "wicking_bed": "a wicking bed",
    "seed_sowing": "sowing seed",
    "dry_herb": "dry herbs",
    "moist_herb": "moist herbs",
}


@record
class TriedMix:
    """A mix held against what it is for. parts: what goes in, each with its share of the volume. target: its bands.

    system: units it is told in. weighed: what is mixed in by weight. ph_spread: how far its pH may lie off, either way.
    """

    material: Material
    soil: Soil
    parts: Sequence[tuple[Material, float]]
    use: MixUse
    target: Target
    system: System
    weighed: Sequence[Material] = ()
    ph_spread: float = PH_SPREAD


class MixFinding(Finding[TriedMix]):
    """A finding on a soil mix."""

    subject = "mix"
    topic = "mix"


class MixCompostShare(MixFinding):
    """Too much of a mix is compost."""

    code = "mix_compost_share"
    level = ("advice", "caution")
    when = "more of a mix than its own limit is compost; over 70 %"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """Over the target's share, over 70 % graver."""
        share, most = mix.soil.compost_share, mix.target.compost_most
        if share <= most + SLACK:
            return
        yield Found(
            "caution" if share > COMPOST_CAUTION + SLACK else "advice",
            f"{show_share(share)} of it is compost.",
            "Compost alone is rich in salts and phosphorus, shrinks every year and dries out from the top.",
            f"Keep it to {show_share(most)} or less, with soil or a fibre for the rest.",
        )


class DrainsFast(MixFinding):
    """A mix that lets water through before roots have it."""

    code = "drains_fast"
    level = ("advice",)
    when = "a mix has more air, or holds less water, than its use wants"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """Air over its band, or water under its own."""
        air, water = mix.soil.air_filled, mix.soil.water_held
        if air is None or water is None:
            return
        if _over(air, mix.target.air_filled) or _under(water, mix.target.water_held):
            yield Found(
                "advice",
                f"It drains fast for {USE_NAMES[mix.use]}: {_once_drained(air, water)}.",
                "Water runs through before roots have it, so that it wants watering often.",
                "Take less of what is coarse; compost, coir or loam hold water.",
            )


class DrainsSlow(MixFinding):
    """A mix in which roots go short of air."""

    code = "drains_slow"
    level = ("advice",)
    when = "a mix has less air, or holds more water, than its use wants"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """Air under its band, or water over its own."""
        air, water = mix.soil.air_filled, mix.soil.water_held
        if air is None or water is None:
            return
        if _under(air, mix.target.air_filled) or _over(water, mix.target.water_held):
            yield Found(
                "advice",
                f"It drains slowly for {USE_NAMES[mix.use]}: {_once_drained(air, water)}.",
                "Roots without air rot, the more so in a deep pot or over a reservoir.",
                "Add perlite, pumice, grit or composted bark, and less of what is fine.",
            )


class WicksLittle(MixFinding):
    """A mix that water doesn't rise in far enough."""

    code = "wicks_little"
    level = ("caution",)
    when = "a mix wicks less high than the soil stands over its bed's water"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """A rise under what the target wants."""
        wanted_m = mix.target.rise_least_m
        if wanted_m is None or mix.soil.rise_m >= wanted_m - SLACK:
            return
        rise, wanted = show_length(mix.soil.rise_m, mix.system), show_length(wanted_m, mix.system)
        yield Found(
            "caution",
            f"It wicks about {rise}, and the soil stands {wanted} over the water.",
            "Above what wicks the soil stays dry however full the reservoir is.",
            "Take more coir, peat or loam and less that is coarse, or lay the soil thinner.",
        )


class PhOut(MixFinding):
    """A mix too sour or too sweet for its use."""

    code = "ph_out"
    level = ("advice",)
    when = "a mix's pH (an estimate) lies outside the band of its use"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """An estimated pH outside its band."""
        (low, high), ph = mix.target.ph, mix.soil.ph
        if ph is None or low - PH_SLACK <= ph <= high + PH_SLACK:
            return
        yield Found(
            "advice",
            f"Its pH comes to about {ph:.1f}, {mix.ph_spread:.1f} either way; {USE_NAMES[mix.use]} wants {low:g} to "
            f"{high:g}.",
            "Out of its band plants take up some nutrients badly.",
            _limed(low - ph, mix.system) if ph < low else "Test it; peat, bark or leaf mould bring it down.",
        )


class OrganicMatterOut(MixFinding):
    """A mix with too little or too much that was once alive."""

    code = "organic_matter_out"
    level = ("advice",)
    when = "a mix holds less organic matter, or more, than its use wants"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """Organic matter outside the target's band."""
        band, share = mix.target.organic_matter, mix.soil.organic_matter
        if band is None or not (_under(share, band) or _over(share, band)):
            return
        said = f"{show_share(round(share, 3))} of its dry mass is organic"
        if _under(share, band):
            yield Found(
                "advice",
                f"{said}; {USE_NAMES[mix.use]} wants {show_share(band[0])} or more.",
                "What was once alive feeds the soil's life, holds its crumbs together and its water.",
                "Take compost or leaf mould for some of what is mineral.",
            )
            return
        yield Found(
            "advice",
            f"{said}; {USE_NAMES[mix.use]} wants up to {show_share(band[1])}.",
            "The more of it is organic, the more it shrinks from year to year.",
            "Take loam or sand for some of it.",
        )


class TooMuchCarbon(MixFinding):
    """A mix that starves what grows in it."""

    code = "too_much_carbon"
    level = ("advice",)
    when = "a mix has more carbon to nitrogen than its use wants"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """C:N over the target's."""
        most, ratio = mix.target.c_to_n_most, mix.soil.c_to_n
        if most is None or ratio is None or ratio <= most + C_TO_N_SLACK:
            return
        yield Found(
            "advice",
            f"It holds {ratio:.0f} of carbon to one of nitrogen; {most:g} is the most wanted.",
            "Microbes that break the carbon down take nitrogen from the roots.",
            "Take compost for some of what is woody, or feed it.",
        )


class PeatShedsWater(MixFinding):
    """Peat that has dried out."""

    code = "peat_sheds_water"
    level = ("note",)
    when = "three tenths of a mix or more are peat"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """From 30 % on."""
        peat = _share_of(mix.material, "peat")
        if peat < PEAT_SHARE - SLACK:
            return
        yield Found(
            "note",
            f"{show_share(peat)} of it is peat.",
            "Fine peat that has dried out sheds water instead of drawing it in.",
            "Wet it with warm water before mixing, and never let it dry out.",
        )


class RawWoodInSeedMix(MixFinding):
    """Fresh wood among seed."""

    code = "raw_wood_in_seed_mix"
    level = ("caution",)
    when = "fresh wood in a mix for sowing seed"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """Any fresh wood in a mix for sowing seed."""
        wood = share_with(mix.material, "raw_wood")
        if mix.use != "seed_sowing" or wood <= 0:
            return
        yield Found(
            "caution",
            f"{show_share(wood)} of it is fresh wood.",
            "Fresh wood takes nitrogen and can hold back seedlings.",
            "Leave it out of what seed is sown in.",
        )


class WeedSeed(MixFinding):
    """What brings weeds along."""

    code = "weed_seed"
    level = ("note", "advice")
    when = "ground that was sieved, or hay, in a mix; in one for sowing seed"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """Anything that can carry weed seed; graver where seed is sown in it."""
        weedy = share_with(mix.material, "weed_seed")
        if weedy <= 0:
            return
        yield Found(
            "advice" if mix.use == "seed_sowing" else "note",
            f"{show_share(weedy)} of it can carry weed seed.",
            "A sieve takes stones and roots, not seed: what comes up first is weeds.",
            "Cover it with 50 mm of compost, or let weeds come up and hoe them before sowing.",
        )


class MixDust(MixFinding):
    """What dusts when a mix is made."""

    code = "mix_dust"
    level = ("note",)
    when = "something in a mix dusts, or may carry legionella or mould spores"

    def look(self, mix: TriedMix) -> Iterator[Found]:
        """One note for all such parts."""
        dust = dust_of([*(each for each, share in mix.parts if share > 0), *mix.weighed])
        if dust is not None:
            yield dust


def _limed(units_of_ph: float, system: System) -> str:
    """What to do for a mix that is too sour by so much."""
    heap_m3, heap = (CU_YD_M3, "cubic yard") if system is System.FT_IN else (1.0, "m³")
    least, usual, most = (show_mass(each * units_of_ph * heap_m3, system) for each in LIME_KG_M3)
    return f"Test it, then mix in ground limestone: about {usual} to a {heap} ({least} to {most}), an estimate."


def _once_drained(air: float, water: float) -> str:
    return f"{show_share(air)} air and {show_share(water)} water once drained"


def _share_of(material: Material, key: str) -> float:
    within = [each for each in material.parts if key in (each.material.key, each.material.like)]
    return sum(each.volume_share for each in within)


def _over(value: float, band: Band) -> bool:
    return value > band[1] + SLACK


def _under(value: float, band: Band) -> bool:
    return value < band[0] - SLACK
