"""Where a figure's spread comes from, and what would narrow it: inputs by what they are of, and what to measure."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from typing import Literal, cast

from nolbet_core.draws.raking import HAND
from nolbet_core.record import record

Source = Literal[
    "tape", "raking", "hand", "load", "loose_factor", "label", "dry_density_kg_m3", "moisture", "void_share", "carbon",
    "nitrogen", "decay_per_year", "settles_share", "stays_share", "warmth", "dampness", "running_down", "available",
    "rise", "crop_factor", "weather", "price",
]  # fmt: skip
"""What an input is of. The first word of its name; what it belongs to, where it belongs to something, is the second."""

Of = Literal["bed", "material", "supplier", "garden"]

BELONGS: Mapping[Source, Of] = {
    "tape": "bed", "raking": "bed", "available": "bed", "rise": "bed", "crop_factor": "bed", "price": "supplier",
    "hand": "garden", "warmth": "garden", "dampness": "garden", "running_down": "garden", "weather": "garden",
}  # fmt: skip
"""What inputs belong to; all others belong to a material."""

Way = Literal[
    "tape_again", "depth_places", "tread_bucket", "weigh_bucket", "fill_voids", "check_bag", "ask_price", "dip_twice"
]  # fmt: skip
"""What a gardener can do to know more."""

WEIGHED = frozenset({"mass_moist_kg"})
"""Figures that go with the moist density alone."""

WAYS: Mapping[Source, Way] = {
    "tape": "tape_again", "raking": "depth_places", "loose_factor": "tread_bucket", "void_share": "fill_voids",
    "label": "check_bag", "price": "ask_price", "crop_factor": "dip_twice", "dry_density_kg_m3": "weigh_bucket",
    "moisture": "weigh_bucket",
}  # fmt: skip
"""What would tell more of each source; the others have to be taken as they are."""

TIMES: Mapping[Way, int] = {"tape_again": 3, "depth_places": 5}
"""How often each of a bed's measures is taken then, and at how many places the depth of its layers is."""

LEAVES: Mapping[Way, float] = {"dip_twice": 1 / 9}
"""What of its source's variance something leaves that can't be told to the last, once it is done [0-1]."""


@record
class Spread:
    """What all inputs of one source take of a figure's variance [0-1]. of: key of what they belong to, empty where it
    is the garden.
    """

    source: Source
    belongs: Of
    of: str
    share: float


@record
class Narrowing:
    """Something to measure. of: key of what is measured. share: what of the variance it takes away [0-1]."""

    way: Way
    of: str
    share: float

    @property
    def leaves(self) -> float:
        """How wide the band is afterwards, as a share of what it is [0-1]."""
        return math.sqrt(max(1 - self.share, 0.0))


def spreads_by_source(shares: Mapping[str, float], bed: str | None = None) -> list[Spread]:
    """Shares of variance by input, added up by what the inputs are of; those that take most first.

    bed: key of the only bed that the figure is of: the hand that rakes all beds is then part of its raking.
    """
    sums: dict[tuple[str, str], float] = {}
    for asked, share in shares.items():
        name = f"raking {bed}" if asked == HAND and bed is not None else asked
        source, _, rest = name.partition(" ")
        of = rest.split(" ")[0] if BELONGS.get(cast(Source, source), "material") != "garden" else ""
        sums[source, of] = sums.get((source, of), 0.0) + share
    found = [
        Spread(cast(Source, source), BELONGS.get(cast(Source, source), "material"), of, share)
        for (source, of), share in sums.items()
    ]
    return sorted(found, key=lambda each: -each.share)


def narrowings(figure: str, spreads: Iterable[Spread], done: Mapping[tuple[Way, str], int]) -> list[Narrowing]:
    """What would narrow a figure, what takes most of its variance away first.

    figure: its name. spreads: where its spread comes from. done: how often what can be done again was done, by what and
    the key of the bed.
    """
    sums: dict[tuple[Way, str], float] = {}
    for each in spreads:
        way = WAYS.get(each.source)
        if way is None or (way == "weigh_bucket" and figure not in WEIGHED):
            continue
        left = min(done.get((way, each.of), 1) / TIMES[way], 1.0) if way in TIMES else LEAVES.get(way, 0.0)
        if way in LEAVES and done.get((way, each.of), 0):
            left = 1.0
        if left < 1:
            sums[way, each.of] = sums.get((way, each.of), 0.0) + each.share * (1 - left)
    found = [Narrowing(way, of, share) for (way, of), share in sums.items()]
    return sorted(found, key=lambda each: -each.share)
