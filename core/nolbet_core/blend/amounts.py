"""What a volume of mix takes of each part, and the most that a stock makes."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from nolbet_core.blend.mix import Mix, outermost_first

HALVINGS = 60


@dataclass(slots=True)
class Amount:
    """What is taken of a material: loose volume in all, and of that from the heap [m3]."""

    loose_m3: float = 0.0
    from_stock_m3: float = 0.0

    @property
    def to_buy_m3(self) -> float:
        """Loose volume that isn't on hand [m3]."""
        return self.loose_m3 - self.from_stock_m3


def amounts_for(
    mix: Mix, volume_m3: float, mixes: Mapping[str, Mix], stock_m3: Mapping[str, float]
) -> dict[str, Amount]:
    """What a loose volume of a mix takes, by material; mixes in it are used up from their heap, then broken down.

    volume_m3: of the mix, to be made [m3]. mixes: by key. stock_m3: loose volume on hand by material or mix [m3].
    """
    wanted_m3 = {part: volume_m3 * share for part, share in mix.recipe.items()}
    found: dict[str, Amount] = {}
    for key in outermost_first(mixes):
        if key not in wanted_m3:
            continue
        whole_m3 = wanted_m3.pop(key)
        heap_m3 = min(stock_m3.get(key, 0.0), whole_m3)
        if heap_m3 > 0:
            found[key] = Amount(heap_m3, heap_m3)
        if whole_m3 > heap_m3:
            for part, share in mixes[key].recipe.items():
                wanted_m3[part] = wanted_m3.get(part, 0.0) + (whole_m3 - heap_m3) * share
    for key, plain_m3 in wanted_m3.items():
        found[key] = Amount(plain_m3, min(stock_m3.get(key, 0.0), plain_m3))
    return found


def most_from_stock(mix: Mix, mixes: Mapping[str, Mix], stock_m3: Mapping[str, float]) -> float:
    """The largest loose volume of a mix that what is on hand makes [m3], found by halving.

    What is mixed in by weight isn't asked for: it is a bag from any shop.
    """

    weighed = {dose.material.key for each in (mix, *mixes.values()) for dose in each.doses}

    def lacks(volume_m3: float) -> bool:
        taken = amounts_for(mix, volume_m3, mixes, stock_m3)
        return any(each.to_buy_m3 > 0 for key, each in taken.items() if key not in weighed)

    low, high = 0.0, 1e-6
    if lacks(high):
        return 0.0
    while not lacks(high):
        low, high = high, high * 2
        if high > MOST_M3:
            return low
    for _ in range(HALVINGS):
        middle = (low + high) / 2
        low, high = (low, middle) if lacks(middle) else (middle, high)
    return low


MOST_M3 = 1e6
"""Nobody's heaps make more."""
