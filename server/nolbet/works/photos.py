"""Photographs: bounded, read by their content, and written anew without where and with what they were taken."""

from __future__ import annotations

import io
import warnings

from django.db.models import Sum
from PIL import Image, ImageOps, UnidentifiedImageError

from nolbet.gardens.models import Garden
from nolbet.works.models import StepPhoto
from nolbet_core.plan.problems import PlanProblem

MOST_BYTES = 5_000_000
"""Of one photograph, as it is sent."""
MOST_SENT_PIXELS = 60_000_000
LONGEST_SIDE = 2000
QUALITY = 85
MOST_A_GARDEN = 200_000_000
MOST_A_STEP = 3
KINDS = ("JPEG", "PNG", "WEBP")
MEGA = 1_000_000


def written_anew(sent: bytes) -> tuple[bytes, int, int]:
    """A photograph as a JPEG without anything beside its picture, turned as it was held, its width and height.

    Raises PlanProblem where it is too large, or no photograph.
    """
    if len(sent) > MOST_BYTES:
        raise PlanProblem("photo", f"has {len(sent) / MEGA:.1f} MB; up to {MOST_BYTES / MEGA:.0f} MB each are kept")
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            with Image.open(io.BytesIO(sent), formats=KINDS) as opened:
                if opened.width * opened.height > MOST_SENT_PIXELS:
                    raise PlanProblem("photo", f"has {opened.width} x {opened.height} points; send it smaller")
                picture = ImageOps.exif_transpose(opened).convert("RGB")
    except PlanProblem:
        raise
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError, Image.DecompressionBombWarning) as error:
        raise PlanProblem("photo", "is no photograph that can be read; JPEG, PNG or WebP will do") from error
    picture.thumbnail((LONGEST_SIDE, LONGEST_SIDE))
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=QUALITY, optimize=True)
    return out.getvalue(), picture.width, picture.height


def keep_photo(garden: Garden, step: str, sent: bytes) -> StepPhoto:
    """Keep a photograph of a step. Raises PlanProblem where it can't be, or there are enough."""
    if StepPhoto.objects.filter(garden=garden, step=step).count() >= MOST_A_STEP:
        raise PlanProblem("photo", f"is one more than the {MOST_A_STEP} that a step keeps; take one out first")
    picture, width, height = written_anew(sent)
    lying = StepPhoto.objects.filter(garden=garden).aggregate(all=Sum("size"))["all"] or 0
    if lying + len(picture) > MOST_A_GARDEN:
        raise PlanProblem("photo", f"doesn't fit: a garden keeps up to {MOST_A_GARDEN / MEGA:.0f} MB of photographs")
    return StepPhoto.objects.create(
        garden=garden, step=step, width=width, height=height, size=len(picture), picture=picture
    )
