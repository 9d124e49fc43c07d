"""`python -m bench [--json]`: every measure with name, ratio and limit. Exit status 0 unless something breaks."""

from __future__ import annotations

import json
import os
import sys
from dataclasses import asdict

import django
from django.conf import settings
from django.test.utils import get_runner


def main(arguments: list[str]) -> int:
    """Run all measures on a database of their own and print them."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "nolbet.settings.test")
    django.setup()
    settings.ROOT_URLCONF = "bench.api"
    runner = get_runner(settings)(verbosity=0, interactive=False)
    runner.setup_test_environment()
    databases = runner.setup_databases()
    try:
        from bench.beside import measure_beside  # noqa: PLC0415 - as above
        from bench.blend import measure_blend  # noqa: PLC0415 - as above
        from bench.core import measure_core  # noqa: PLC0415 - as above
        from bench.cuts import measure_cuts  # noqa: PLC0415 - as above
        from bench.hand import measure_hand  # noqa: PLC0415 - as above
        from bench.haul import measure_haul  # noqa: PLC0415 - as above
        from bench.page import measure_page  # noqa: PLC0415 - as above
        from bench.planting import measure_dragged_crop, measure_sun  # noqa: PLC0415 - as above
        from bench.plot import measure_plot  # noqa: PLC0415 - as above
        from bench.season import measure_refit  # noqa: PLC0415 - as above
        from bench.served import measure_served  # noqa: PLC0415 - models can be loaded once Django is set up
        from bench.settling import measure_settling  # noqa: PLC0415 - as above
        from bench.shapes import measure_shapes  # noqa: PLC0415 - as above
        from bench.start import measure_start  # noqa: PLC0415 - as above
        from bench.sure import measure_sure  # noqa: PLC0415 - as above
        from bench.water import measure_water  # noqa: PLC0415 - as above
        from bench.wishes import measure_beside_looking, measure_wishes  # noqa: PLC0415 - as above
        from bench.works import measure_works  # noqa: PLC0415 - as above

        measures = [
            *measure_served(),
            *measure_beside(),
            *measure_shapes(),
            *measure_core(),
            *measure_settling(),
            *measure_sure(),
            *measure_wishes(),
            *measure_beside_looking(),
            *measure_water(),
            *measure_blend(),
            *measure_cuts(),
            *measure_haul(),
            *measure_works(),
            *measure_refit(),
            *measure_page(),
            *measure_sun(),
            *measure_plot(),
            *measure_dragged_crop(),
            *measure_hand(),
            *measure_start(),
        ]
    finally:
        runner.teardown_databases(databases)
    if "--json" in arguments:
        print(json.dumps([asdict(measure) | {"holds": measure.holds} for measure in measures], indent=2))
        return 0
    for measure in measures:
        sign = "within" if measure.holds else "OVER"
        print(f"{measure.name:<32} {measure.ratio:8.2f}  limit {measure.limit:8.2f}  {sign:<6}  {measure.detail}")
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
