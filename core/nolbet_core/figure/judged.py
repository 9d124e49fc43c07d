"""Findings as figures: looked for by the findings, with what the gardener has said of them."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence

from nolbet_core.blend.mix import Mix
from nolbet_core.figure.found import FindingFigures, MendFigures
from nolbet_core.findings.buying import BUYING_CODES, look_at_haul
from nolbet_core.findings.every import look_at_bed
from nolbet_core.findings.pattern import LEVELS, Found, View
from nolbet_core.haul.choose import Chosen
from nolbet_core.plan.bed import Bed
from nolbet_core.quantities.units import System
from nolbet_core.shelf.material import Material
from nolbet_core.stack.layers import Bulk, Standing


def judged_bed(view: View) -> list[FindingFigures]:
    """Findings on a filled bed."""
    return [finding_figures(view.bed, code, found) for code, found in look_at_bed(view)]


def with_buying(
    bed: Bed,
    own: Iterable[FindingFigures],
    bought: Iterable[str],
    chosen: Chosen,
    materials: Mapping[str, Material],
    system: System,
) -> list[FindingFigures]:
    """A bed's findings with those on what is bought for it (keys of its materials), the gravest first."""
    found_buying = look_at_haul(bought, chosen, materials, system)
    both = [*own, *(finding_figures(bed, code, found) for code, found in found_buying)]
    return gravest_first(both)


def gravest_first(findings: Iterable[FindingFigures]) -> list[FindingFigures]:
    """Findings with the gravest first, otherwise in their order."""
    return sorted(findings, key=lambda finding: LEVELS.index(finding.level))


def finding_figures(bed: Bed, code: str, found: Found) -> FindingFigures:
    """A finding on a bed in figures, with what the gardener has said of it."""
    return found_figures(code, found, next((each.reason for each in bed.seen if each.code == code), None))


def found_figures(code: str, found: Found, seen: str | None = None) -> FindingFigures:
    """A finding in figures. seen: what the gardener has said of it."""
    mend = MendFigures(label=found.mend.label, changes=dict(found.mend.changes)) if found.mend else None
    return FindingFigures(
        code=code,
        level=found.level,
        message=found.message,
        why=found.why,
        advice=found.advice,
        layer=found.layer,
        mend=mend,
        seen=seen,
        bought=code in BUYING_CODES,
        sides=list(found.sides),
    )


def bought_keys(layers: Sequence[Standing], mixes: Mapping[str, Mix]) -> frozenset[str]:
    """Materials that a bed takes, its mixes and the mixes in them broken down to their parts."""
    keys: set[str] = set()
    waiting = [layer.material.key for layer in layers]
    waiting += [
        layer.asked.infill.material.key for layer in layers if isinstance(layer.asked, Bulk) and layer.asked.infill
    ]
    while waiting:
        key = waiting.pop()
        if key in mixes:
            waiting += mixes[key].recipe
        else:
            keys.add(key)
    return frozenset(keys)
