"""How far a bed has come: planned, being filled, filled or taken apart, and what is still to be laid."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import date

from nolbet_core.plan.bed import Bed, State
from nolbet_core.plan.problems import PlanProblem


def state_of(bed: Bed, today: date | None) -> State:
    """A bed's state: as said, else from its days.

    today: the day that is now; no state follows from a day where it isn't known.
    """
    if bed.state is not None:
        return bed.state
    if bed.emptied_on is not None:
        return "emptied"
    if bed.laid:
        return "filling"
    if today is not None and bed.built_on is not None and date.fromisoformat(bed.built_on) < today:
        return "filled"
    return "planned"


def as_planned(bed: Bed) -> Bed:
    """The bed as if nothing were laid yet, so that ways of filling it can be held against each other."""
    return bed.model_copy(update={"state": "planned", "laid": [], "emptied_on": None})


def still_to_lay(bed: Bed, state: State) -> list[float]:
    """Share of each of a bed's layers that isn't laid yet [0-1], bottom to top."""
    if state in ("filled", "emptied"):
        return [0.0] * len(bed.layers)
    if state == "planned":
        return [1.0] * len(bed.layers)
    return [1.0 - share for share in laid_shares(bed)]


def laid_shares(bed: Bed) -> list[float]:
    """How much of each layer of a bed being filled lies there [0-1], bottom to top."""
    return [*bed.laid, *[0.0] * (len(bed.layers) - len(bed.laid))]


def is_put_off(bed: Bed, today: date | None) -> bool:
    """Whether nothing is bought for a bed yet. today: the day that is now, where it is known."""
    return bed.put_off_until is not None and (today is None or today < date.fromisoformat(bed.put_off_until))


def is_begun(bed: Bed, state: State) -> bool:
    """Whether anything lies in a bed, so that what stands under its layers stands already."""
    return state in ("filled", "emptied") or (state == "filling" and any(bed.laid))


def frame_stands(bed: Bed, state: State) -> bool:
    """Whether a bed's frame is built, so that nothing is bought for it any more."""
    return is_begun(bed, state) or (bed.frame is not None and bed.frame.built)


def wrong_with_state(bed: Bed, path: str) -> Iterator[PlanProblem]:
    """What a bed says of its state that can't be. path: how the bed is called in a problem."""
    if len(bed.laid) > len(bed.layers):
        number = len(bed.layers)
        said = "one layer" if number == 1 else f"{number} layers"
        yield PlanProblem(f"{path}.laid[{number}]", f"is one more than the bed has ({said})")
    if bed.laid and bed.state not in (None, "filling"):
        yield PlanProblem(f"{path}.laid", f"belongs to a bed that is being filled, and this one is {bed.state}")
    if bed.emptied_on is None:
        return
    if bed.state not in (None, "emptied"):
        yield PlanProblem(f"{path}.emptied_on", f"belongs to a bed taken apart, and this one is {bed.state}")
    elif bed.laid:
        yield PlanProblem(f"{path}.laid", "belongs to a bed that is being filled, and this one was taken apart")
    if bed.built_on is not None and bed.emptied_on < bed.built_on:
        yield PlanProblem(f"{path}.emptied_on", f"lies before built_on ({bed.built_on})")
