"""Findings as figures: looked for by the findings, with what the gardener has said of them, the gravest first."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from typing import Any

from nolbet_core.blend.mix import Mix
from nolbet_core.built.worked import WorkedBed
from nolbet_core.figure.finding_figures import FindingFigures, MendFigures, StepFigures
from nolbet_core.findings.buying import BoughtForBed
from nolbet_core.findings.every import look_at_bed, look_for
from nolbet_core.findings.finding import LEVELS, VIEWS, Finding, Found, ViewName
from nolbet_core.findings.mend import MendStep
from nolbet_core.plan.bed import Bed
from nolbet_core.stack.layers import Bulk, Standing


def judged_bed(worked: WorkedBed, view: ViewName | None = None) -> list[FindingFigures]:
    """Findings on a filled bed. view: only those that it shows."""
    found = look_at_bed(worked, view)
    return gravest_first(finding_figures(finding, each, worked.bed) for finding, each in found)


def judged_buying(bed: Bed, bought: BoughtForBed) -> list[FindingFigures]:
    """Findings on what is bought for a bed."""
    return [finding_figures(finding, each, bed) for finding, each in look_for("haul", bought)]


def gravest_first(findings: Iterable[FindingFigures]) -> list[FindingFigures]:
    """Findings with the gravest first, those that were seen last, otherwise in their order."""
    return sorted(findings, key=lambda finding: finding.rank)


def finding_figures(finding: Finding[Any], found: Found, bed: Bed | None = None) -> FindingFigures:
    """A finding in figures. bed: whose it is, with what the gardener has said of it."""
    mend = MendFigures(found.mend.label, step_figures(found.mend.steps)) if found.mend else None
    seen = next((each.reason for each in bed.seen if each.code == finding.code), None) if bed else None
    return FindingFigures(
        code=finding.code,
        level=found.level,
        rank=LEVELS.index(found.level) + (len(LEVELS) if seen is not None else 0),
        topic=finding.topic,
        subject=finding.subject,
        views=list(VIEWS[finding.topic]),
        message=found.message,
        why=found.why,
        advice=found.advice,
        layer=found.layer,
        mend=mend,
        seen=seen,
        sides=list(found.sides),
    )


def step_figures(steps: Iterable[MendStep]) -> list[StepFigures]:
    """Steps of a mend in figures."""
    return [StepFigures(step.do, step.path, step.value) for step in steps]


def bought_keys(layers: Sequence[Standing], mixes: Mapping[str, Mix]) -> frozenset[str]:
    """Materials that a bed takes, its mixes and the mixes in them broken down to their parts."""
    keys: set[str] = set()
    seen: set[str] = set()
    waiting = [layer.material.key for layer in layers]
    waiting += [
        layer.asked.infill.material.key for layer in layers if isinstance(layer.asked, Bulk) and layer.asked.infill
    ]
    while waiting:
        key = waiting.pop()
        if key in seen:
            continue
        seen.add(key)
        if key in mixes:
            waiting += mixes[key].recipe
        else:
            keys.add(key)
    return frozenset(keys)
