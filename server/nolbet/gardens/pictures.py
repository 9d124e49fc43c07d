"""Photographs: bounded, read by their content, and written anew without where and with what they were taken."""

from __future__ import annotations

import io
import warnings
from typing import ClassVar

from django.db import models
from django.db.models import Sum
from django.http import HttpResponse
from PIL import Image, ImageOps, UnidentifiedImageError

from nolbet.gardens.models import Garden
from nolbet_core.plan.problems import PlanProblem

MOST_BYTES = 5_000_000
"""Of one photograph, as it is sent."""
MOST_SENT_PIXELS = 60_000_000
LONGEST_SIDE = 2000
QUALITY = 85
MOST_A_GARDEN = 200_000_000
MOST_OF_OWNER = 1_000_000_000
"""What the photographs of all gardens of one gardener take together."""
MOST_OF_ONE = 3
"""Photographs of one step, or with one entry."""
KINDS = ("JPEG", "PNG", "WEBP")
MEGA = 1_000_000


class Picture(models.Model):
    """A photograph, written anew without where it was taken. picture: a JPEG; size: its bytes."""

    taken_at = models.DateTimeField(auto_now_add=True)
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    size = models.PositiveIntegerField()
    picture = models.BinaryField()

    class Meta:
        abstract = True
        ordering: ClassVar[list[str]] = ["taken_at", "id"]


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


def kept_picture(sent: bytes) -> dict[str, int | bytes]:
    """The columns of a photograph that comes back as it was kept: not written anew, unless it wasn't kept so.

    Raises PlanProblem where it is too large, or no photograph.
    """
    try:
        with Image.open(io.BytesIO(sent), formats=("JPEG",)) as opened:
            plain = max(opened.size) <= LONGEST_SIDE and not opened.getexif() and not opened.info.get("comment")
            if plain and len(sent) <= MOST_BYTES:
                opened.load()
                return {"width": opened.width, "height": opened.height, "size": len(sent), "picture": sent}
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError) as error:
        raise PlanProblem("photo", "is no photograph that can be read") from error
    picture, width, height = written_anew(sent)
    return {"width": width, "height": height, "size": len(picture), "picture": picture}


def new_picture(garden: Garden, sent: bytes, beside: int, of: str) -> dict[str, int | bytes]:
    """The columns of a photograph that a garden is to keep. beside: how many there are already of what it is of.

    of: what it is of, in words. Raises PlanProblem where it can't be kept, or there are enough.
    """
    if beside >= MOST_OF_ONE:
        raise PlanProblem("photo", f"is one more than the {MOST_OF_ONE} that {of} keeps; take one out first")
    picture, width, height = written_anew(sent)
    if bytes_kept(garden) + len(picture) > MOST_A_GARDEN:
        raise PlanProblem("photo", f"doesn't fit: a garden keeps up to {MOST_A_GARDEN / MEGA:.0f} MB of photographs")
    check_room_for_pictures(garden.owner_id, len(picture))
    return {"width": width, "height": height, "size": len(picture), "picture": picture}


def bytes_kept(garden: Garden) -> int:
    """What all photographs of a garden take, whatever they are of."""
    return _bytes_of(garden=garden)


def check_room_for_pictures(owner_id: int, size: int) -> None:
    """Raises PlanProblem where so many bytes more are too many for all gardens of a gardener."""
    if _bytes_of(garden__owner_id=owner_id) + size > MOST_OF_OWNER:
        most = f"all your gardens together keep up to {MOST_OF_OWNER / MEGA:.0f} MB of photographs"
        raise PlanProblem("photo", f"doesn't fit: {most}, those in the bin too")


def _bytes_of(**whose: object) -> int:
    kept = 0
    for kind in Picture.__subclasses__():
        found = kind._default_manager.filter(**whose).aggregate(bytes=Sum("size"))
        kept += int(found["bytes"] or 0)
    return kept


def too_large(size: int | None) -> PlanProblem | None:
    """What is wrong with the size of a file that is sent, before it is read; None where nothing is."""
    if size is None or size > MOST_BYTES:
        return PlanProblem("photo", f"is larger than the {MOST_BYTES // MEGA} MB that are kept")
    return None


def shown(row: Picture) -> HttpResponse:
    """A photograph as its owner gets it, and no cache between."""
    answer = HttpResponse(bytes(row.picture), content_type="image/jpeg")
    answer["Cache-Control"] = "private, max-age=86400"
    return answer
