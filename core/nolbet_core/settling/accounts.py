"""What is left of each layer by month, packing and fines that run down among it: one account a layer, nothing lost."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np
from numpy.typing import NDArray

from nolbet_core.record import record
from nolbet_core.settling.clock import MONTHS, Clock, rotted_after
from nolbet_core.settling.curve import SETTLED_BY_MONTH, Shares, left_after, remaining_shares, settled_after
from nolbet_core.settling.factors import AS_USUAL, Factors
from nolbet_core.shelf.material import Material
from nolbet_core.stack.fill import Filled
from nolbet_core.stack.layers import Bulk

Values = NDArray[np.float64]

RUNS_DOWN = (0.2, 0.5, 0.9)
"""What share of the fines that could run into open voids does so: the least, the usual and the most (estimate)."""

RAN_BY_MONTH: Values = SETTLED_BY_MONTH
"""How far fines have run down, of what will [0-1]: as far as what settles has settled."""


@record
class Account:
    """A bulk layer's matter, each as a share of its volume as laid [0-1].

    frame: what it is of. void_share: of its frame. packing: the fines packed into it, and how much. taken: fines that
    could run into it, from which layer, and how much. given: what of it could run into others.
    """

    frame: Material
    void_share: float
    packing: tuple[Material, float] | None
    taken: tuple[tuple[int, float], ...]
    given: float

    @property
    def is_plain(self) -> bool:
        """Whether it sinks as its material does, by itself."""
        return self.packing is None and not self.taken and self.given == 0


def accounts_of(filled: Filled) -> list[Account]:
    """The account of each layer of a bed, bottom to top; sheets have no volume."""
    accounts = []
    runs = filled.runs
    for index, layer in enumerate(filled.layers):
        volume_m3 = layer.placed_m3
        infill = layer.asked.infill if isinstance(layer.asked, Bulk) else None
        if volume_m3 <= 0:
            accounts.append(Account(layer.material, 0.0, None, (), 0.0))
            continue
        accounts.append(
            Account(
                layer.material,
                layer.void_m3 / volume_m3,
                (infill.material, layer.infill_m3 / volume_m3) if infill else None,
                tuple((run.donor, run.volume_m3 / volume_m3) for run in runs if run.receiver == index),
                sum(run.volume_m3 for run in runs if run.donor == index) / volume_m3,
            )
        )
    return accounts


def left_of_layer(account: Account, frame: Shares, packing: Shares, donors: Sequence[Shares], ran: Values) -> Shares:
    """What is left of a layer's volume: the greater of its frame and of the solids in it with all that lies among them.

    frame, packing: what is left of its material and of what packs it. donors: what is left of those it takes from.
    ran: share of the fines that could run down which has. All alike in shape.
    """
    own = frame * (1 - account.given * ran)
    solid = own * (1 - account.void_share)
    if account.packing:
        solid = solid + packing * account.packing[1]
    for (_, share), donor in zip(account.taken, donors, strict=True):
        solid = solid + donor * share * ran
    left: Shares = np.maximum(own, solid)
    return left


def remaining_of_layers(filled: Filled, clock: Clock, factors: Factors = AS_USUAL) -> Shares:
    """What is left of each layer's volume by month [0-1]: one row a layer, months 0 to 120.

    clock: how fast things rot there. factors: multipliers of settling and decay of all layers. Of the fines that could
    run into open voids the usual share does.
    """
    if not filled.layers:
        return np.ones((0, MONTHS + 1))
    return _remaining(filled, RAN_BY_MONTH, lambda material: remaining_shares(material, clock, factors))


def remaining_after(filled: Filled, clock: Clock, factors: Factors, months: Values) -> Shares:
    """The same after any number of months, whole or not: layers x pairs of factors x months."""
    settled, rotted = settled_after(months), rotted_after(clock, months)
    if not filled.layers:
        return np.ones((0, *np.broadcast_shapes(np.shape(factors.settling), months.shape)))
    return _remaining(filled, settled, lambda material: left_after(material, settled, rotted, factors))


def _remaining(filled: Filled, settled: Values, left_of: Callable[[Material], Shares]) -> Shares:
    """What is left of each layer's volume, where of each material so much is left."""
    layers = filled.layers
    frames = [left_of(layer.material) for layer in layers]
    ran = RUNS_DOWN[1] * settled
    rows = []
    for account, frame in zip(accounts_of(filled), frames, strict=True):
        if account.is_plain:
            rows.append(frame)
            continue
        packing = left_of(account.packing[0]) if account.packing else frame
        rows.append(left_of_layer(account, frame, packing, [frames[donor] for donor, _ in account.taken], ran))
    return np.array(rows)
