"""Saving what is said of a garden's works: own steps may not wait for each other in a ring."""

from __future__ import annotations

from collections.abc import Mapping

from nolbet.clock import today
from nolbet.gardens.errors import StaleChange
from nolbet.gardens.models import Garden
from nolbet.plans.saving import save_checked
from nolbet.plans.whole import whole_garden
from nolbet.works.models import KeptWorks
from nolbet.works.rows import change_works, hours_plan, kept_works, works_columns
from nolbet_core.built.plan import BuiltPlan
from nolbet_core.figure.walk import garden_works
from nolbet_core.plan.works import WorkKind, Works


def save_works(garden_id: int, revision: int, works: Works, pace: Mapping[WorkKind, float]) -> KeptWorks:
    """Keep what is said of a garden's works.

    Raises StaleChange where it was changed since `revision`, PlanProblem where own steps wait for each other.
    """
    return save_checked(
        garden_id,
        "changes",
        lambda seen: _check(seen, works),
        lambda seen, _: _keep(seen, revision, works, pace),
    )


def _keep(garden: Garden, revision: int, works: Works, pace: Mapping[WorkKind, float]) -> KeptWorks:
    kept = kept_works(garden)
    if kept.revision != revision:
        raise StaleChange("The works were")
    return change_works(garden, kept, works_columns(works, pace, hours_plan(kept)))


def _check(garden: Garden, works: Works) -> None:
    built = whole_garden(garden).built
    head = built.plan.garden.model_copy(update={"works": works})
    tried = BuiltPlan(built.plan.model_copy(update={"garden": head}), built.supplies, built.beds)
    _ = garden_works(tried, today()).planned
