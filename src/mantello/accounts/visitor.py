"""Where a request comes from."""

import ipaddress

from mantello.settings.options import OPTIONS

#: words in the names of headers that whoever passes a request on adds, each in a way of its own; browsers send none of them.
#: A request with one is not from this machine, whatever else it says
_PASSED_ON = frozenset({
    "FORWARDED", "FORWARD", "FORWARDER", "PROXY", "PROXIED", "VIA", "REAL", "CLIENT", "CONNECTING", "CLUSTER", "ORIGINAL",
    "EXTERNAL", "REMOTE", "GATEWAY", "TUNNEL", "EDGE", "LOGIN", "IP", "ADDRESS",
})  # fmt: skip


def from_this_machine(request) -> bool:
    """Whether a request came over loopback with no proxy between."""
    return _is_loopback(request.META.get("REMOTE_ADDR", "")) and not any(
        name.startswith("HTTP_") and not _PASSED_ON.isdisjoint(name.split("_")) for name in request.META
    )


def _is_loopback(address: str) -> bool:
    try:
        return ipaddress.ip_address(address).is_loopback
    except ValueError:
        return False


def address_of(request) -> str:
    """The visitor's address: as the outermost proxy of ours saw it, else that of the connection.

    What lies before that in the header was written by the visitor and is not believed.
    """
    seen = [one.strip() for one in request.META.get("HTTP_X_FORWARDED_FOR", "").split(",")]
    if OPTIONS.proxies and len(seen) >= OPTIONS.proxies:
        try:
            return str(ipaddress.ip_address(seen[-OPTIONS.proxies]))
        except ValueError:
            pass
    try:
        return str(ipaddress.ip_address(request.META.get("REMOTE_ADDR", "")))
    except ValueError:
        return "0.0.0.0"
