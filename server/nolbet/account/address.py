"""Where a request comes from: the address of whoever asks, also behind a proxy that is trusted."""

from __future__ import annotations

import ipaddress
from collections.abc import Iterable

from django.conf import settings
from django.http import HttpRequest

Address = ipaddress.IPv4Address | ipaddress.IPv6Address

NOWHERE = "0.0.0.0"  # noqa: S104 - a word for an address that isn't known; nothing is bound to it
LOCAL_NETWORK_BITS = 64
"""Whoever has one IPv6 address has its whole network of this many bits (RFC 6177), so that it counts as one."""


def client_address(request: HttpRequest) -> str:
    """The address that a request comes from, as counted for locks: an IPv6 address by its network.

    What a proxy says of it is believed only where the proxy is one of settings.TRUSTED_PROXIES; of several, the last
    that isn't trusted itself counts, since everything before it can be made up (RFC 7239, section 8.1).
    """
    peer = request.META.get("REMOTE_ADDR", "")
    found = _read(peer)
    # a socket file has no address: who could reach it is decided by the file's rights
    if found is not None and not _is_trusted(found):
        return _counted(found)
    forwarded = request.META.get("HTTP_X_FORWARDED_FOR", "") if settings.TRUSTED_PROXIES else ""
    for said in reversed(forwarded.split(",")):
        said_address = _read(said.strip())
        if said_address is None:
            break
        found = said_address
        if not _is_trusted(said_address):
            break
    return _counted(found) if found is not None else NOWHERE


def _read(text: str) -> Address | None:
    try:
        return ipaddress.ip_address(text)
    except ValueError:
        return None


def _is_trusted(address: Address) -> bool:
    trusted: Iterable[str] = settings.TRUSTED_PROXIES
    return any(address in ipaddress.ip_network(each) for each in trusted)


def _counted(address: Address) -> str:
    if isinstance(address, ipaddress.IPv6Address):
        if address.ipv4_mapped is not None:
            return str(address.ipv4_mapped)
        return str(ipaddress.ip_network((address, LOCAL_NETWORK_BITS), strict=False).network_address)
    return str(address)
