"""`python -m bench.seed`: a gardener with a bed of eight layers, and what a client needs to ask as them, as JSON."""

from __future__ import annotations

import json

import django
from django.test.utils import setup_test_environment


def main() -> None:
    """Fill an empty database and print garden, session and token."""
    django.setup()
    setup_test_environment()
    from bench.api import EIGHT_LAYERS, kept_garden  # noqa: PLC0415 - models can be loaded once Django is set up
    from nolbet.gardens.history import MOST_STEPS  # noqa: PLC0415 - as above

    client, garden = kept_garden(EIGHT_LAYERS, "bench")
    bed = garden.beds.get()
    now = bed.versions.get()
    bed.versions.model.objects.bulk_create(
        bed.versions.model(bed=bed, revision=each, name=now.name, cut=now.cut, saved_at=now.saved_at)
        for each in range(now.revision + 1, MOST_STEPS + 1)
    )
    bed.revision = MOST_STEPS
    bed.save(update_fields=["revision"])
    cookies = {name: cookie.value for name, cookie in client.cookies.items()}
    print(json.dumps({"garden": garden.pk, "cookies": cookies}))


if __name__ == "__main__":
    main()
