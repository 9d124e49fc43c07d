"""What is said of a soil mix, by what it is to be good for."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from nolbet_core.blend.soil import Soil, share_with
from nolbet_core.blend.target import Band, MixUse, Target
from nolbet_core.findings.pattern import Found
from nolbet_core.findings.safety import dust_of
from nolbet_core.quantities.show import show_length, show_share
from nolbet_core.quantities.units import System
from nolbet_core.shelf.material import Material

COMPOST_CAUTION = 0.7
PEAT_SHARE = 0.3
"""From this share on a mix of dry peat sheds water (estimate)."""

SLACK = 5e-4
PH_SLACK = 0.005

BLEND_CODES = (
    "compost_share", "drains_fast", "drains_slow", "wicks_little", "ph_out", "too_much_carbon", "peat_sheds_water",
    "raw_wood_in_seed_mix", "weed_seed", "dust",
)  # fmt: skip

USE_NAMES: dict[MixUse, str] = {
    "raised_bed": "a raised bed",
    "deep_container": "a deep container",
    "wicking_bed": "a wicking bed",
    "seed_sowing": "sowing seed",
    "dry_herb": "dry herbs",
    "moist_herb": "moist herbs",
}


def look_at_mix(
    material: Material, soil: Soil, parts: Sequence[tuple[Material, float]], use: MixUse, target: Target, system: System
) -> list[tuple[str, Found]]:
    """Findings on a mix, with their codes.

    parts: what goes in, each with its share of the volume. target: bands for its use. system: they are told in.
    """
    found = [
        *_compost(soil, target),
        *_drainage(soil, use, target),
        *_wicking(soil, target, system),
        *_chemistry(soil, use, target),
        *_origins(material, use),
    ]
    dust = dust_of([each for each, share in parts if share > 0])
    return [*found, *([("dust", dust)] if dust else [])]


def _compost(soil: Soil, target: Target) -> Iterator[tuple[str, Found]]:
    if soil.compost_share <= target.compost_most + SLACK:
        return
    yield (
        "compost_share",
        Found(
            "caution" if soil.compost_share > COMPOST_CAUTION + SLACK else "advice",
            f"{show_share(soil.compost_share)} of it is compost.",
            "Compost alone is rich in salts and phosphorus, shrinks every year and dries out from the top.",
            f"Keep it to {show_share(target.compost_most)} or less, with soil or a fibre for the rest.",
        ),
    )


def _drainage(soil: Soil, use: MixUse, target: Target) -> Iterator[tuple[str, Found]]:
    air, water = soil.air_filled, soil.water_held
    if air is None or water is None:
        return
    said = f"{show_share(air)} air and {show_share(water)} water once drained"
    if _over(air, target.air_filled) or _under(water, target.water_held):
        yield (
            "drains_fast",
            Found(
                "advice",
                f"It drains fast for {USE_NAMES[use]}: {said}.",
                "Water runs through before roots have it, so that it wants watering often.",
                "Take less of what is coarse; compost, coir or loam hold water.",
            ),
        )
    if _under(air, target.air_filled) or _over(water, target.water_held):
        yield (
            "drains_slow",
            Found(
                "advice",
                f"It drains slowly for {USE_NAMES[use]}: {said}.",
                "Roots without air rot, the more so in a deep pot or over a reservoir.",
                "Add perlite, pumice, grit or composted bark, and less of what is fine.",
            ),
        )


def _wicking(soil: Soil, target: Target, system: System) -> Iterator[tuple[str, Found]]:
    wanted_m = target.rise_least_m
    if wanted_m is None or soil.rise_m >= wanted_m - SLACK:
        return
    rise, wanted = show_length(soil.rise_m, system), show_length(wanted_m, system)
    yield (
        "wicks_little",
        Found(
            "caution",
            f"It wicks about {rise}, and the soil stands {wanted} over the water.",
            "Above what wicks the soil stays dry however full the reservoir is.",
            "Take more coir, peat or loam and less that is coarse, or lay the soil thinner.",
        ),
    )


def _chemistry(soil: Soil, use: MixUse, target: Target) -> Iterator[tuple[str, Found]]:
    low, high = target.ph
    if soil.ph is not None and not low - PH_SLACK <= soil.ph <= high + PH_SLACK:
        acid = soil.ph < low
        yield (
            "ph_out",
            Found(
                "advice",
                f"Its pH comes to about {soil.ph:.1f}; {USE_NAMES[use]} wants {low:g} to {high:g}.",
                "Out of its band plants take up some nutrients badly. It is an estimate: what buffers isn't in it.",
                "Test it, and lime it." if acid else "Test it; peat, bark or leaf mould bring it down.",
            ),
        )
    if target.c_to_n_most is not None and soil.c_to_n is not None and soil.c_to_n > target.c_to_n_most + 0.05:
        yield (
            "too_much_carbon",
            Found(
                "advice",
                f"It holds {soil.c_to_n:.0f} of carbon to one of nitrogen; {target.c_to_n_most:g} is the most wanted.",
                "Microbes that break the carbon down take nitrogen from the roots.",
                "Take compost for some of what is woody, or feed it.",
            ),
        )


def _origins(material: Material, use: MixUse) -> Iterator[tuple[str, Found]]:
    peat = _share_of(material, "peat")
    if peat >= PEAT_SHARE - SLACK:
        yield (
            "peat_sheds_water",
            Found(
                "note",
                f"{show_share(peat)} of it is peat.",
                "Fine peat that has dried out sheds water instead of drawing it in.",
                "Wet it with warm water before mixing, and never let it dry out.",
            ),
        )
    wood = share_with(material, "raw_wood")
    if use == "seed_sowing" and wood > 0:
        yield (
            "raw_wood_in_seed_mix",
            Found(
                "caution",
                f"{show_share(wood)} of it is fresh wood.",
                "Fresh wood takes nitrogen and can hold back seedlings.",
                "Leave it out of what seed is sown in.",
            ),
        )
    weedy = share_with(material, "weed_seed")
    if weedy > 0:
        yield (
            "weed_seed",
            Found(
                "advice" if use == "seed_sowing" else "note",
                f"{show_share(weedy)} of it can carry weed seed.",
                "A sieve takes stones and roots, not seed: what comes up first is weeds.",
                "Cover it with 50 mm of compost, or let weeds come up and hoe them before sowing.",
            ),
        )


def _share_of(material: Material, key: str) -> float:
    within = [each for each in material.parts if key in (each.material.key, each.material.like)]
    return sum(each.volume_share for each in within)


def _over(value: float, band: Band) -> bool:
    return value > band[1] + SLACK


def _under(value: float, band: Band) -> bool:
    return value < band[0] - SLACK
