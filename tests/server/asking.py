"""Asking the API in tests."""

from __future__ import annotations

import io
import json
import zipfile
from typing import Any

from django.test import Client
from PIL import Image

GPS_LATITUDE = 0x8825
Files = dict[str, bytes]


def send(client: Client, method: str, path: str, body: dict[str, Any]) -> Any:
    """Send JSON and give the answer."""
    return client.generic(method, path, json.dumps(body), content_type="application/json")


def picture(width: int, height: int, kind: str = "PNG", **more: Any) -> bytes:
    """A picture of a size, as a file of a kind holds it. more: as Pillow saves it."""
    out = io.BytesIO()
    Image.new("RGB", (width, height), (90, 120, 60)).save(out, kind, **more)
    return out.getvalue()


def placed() -> bytes:
    """A photograph that says where it was taken, and that the camera was turned."""
    exif = Image.Exif()
    exif[0x0112] = 6
    exif.get_ifd(GPS_LATITUDE)[2] = (44.0, 12.0, 30.0)
    return picture(3000, 1500, "JPEG", exif=exif)


def packed(files: Files) -> bytes:
    """Files as an archive."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in files.items():
            archive.writestr(name, content)
    return out.getvalue()
