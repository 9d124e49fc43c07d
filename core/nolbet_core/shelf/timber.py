"""What boards are made of, as far as heaps of them go: the kinds of wood, by key."""

from __future__ import annotations

TIMBER: dict[str, str] = {
    "softwood": "Softwood",
    "larch": "Larch",
    "cedar": "Cedar",
    "hardwood_durable": "Oak, robinia or the like",
    "treated_softwood": "Treated softwood",
}
"""What it is called, by key."""
