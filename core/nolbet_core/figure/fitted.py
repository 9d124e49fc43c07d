"""How a bed really sinks, in figures and in a sentence."""

from __future__ import annotations

from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.figures import FactorSpread, FittedFigures
from nolbet_core.season.fit import SinkingFit

CLOSE = 0.05
"""A factor nearer to one makes no difference worth telling."""


def fitted_figures(worked: WorkedBed) -> FittedFigures | None:
    """The factors that fit a bed's readings; None where there are none."""
    fit = worked.fitted
    if fit is None:
        return None
    return FittedFigures(
        fit.settling_factor,
        fit.decay_factor,
        FactorSpread(*fit.sd),
        fit.readings,
        list(fit.misfits_m),
        list(fit.wild),
        [each.months for each in worked.read_surfaces],
        [each.height_m for each in worked.read_surfaces],
        worked.forecast_alone.surface_m,
        _told(fit),
    )


def _told(fit: SinkingFit) -> str:
    count = "1 reading" if fit.readings == 1 else f"{fit.readings} readings"
    if fit.wild:
        count = f"{fit.readings - len(fit.wild)} of {count}"
    settles = _times(fit.settling_factor, "settles", "as much as")
    rots = _times(fit.decay_factor, "rots", "as fast as")
    return f"By {count} it {settles} and {rots} usual."


def _times(factor: float, verb: str, how: str) -> str:
    if abs(factor - 1) < CLOSE:
        return f"{verb} {how}"
    return f"{verb} {factor:.1f} times {how}"
