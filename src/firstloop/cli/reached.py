"""Where others on the network find this machine: by the addresses that its interfaces have,
whatever its own name stands for (Debian's stands for 127.0.1.1)."""

import ipaddress
import socket


def addresses() -> list[str]:
    """The IPv4 addresses of this machine that others can reach, in the order of its interfaces: not
    its own to itself, nor those that a machine takes where nobody gives it one."""
    import ifaddr  # noqa: PLC0415  # only asked for where it is served to the network

    found = [
        ipaddress.ip_address(one.ip)
        for adapter in ifaddr.get_adapters()
        for one in adapter.ips
        if isinstance(one.ip, str)
    ]
    reached = [one for one in found if not (one.is_loopback or one.is_link_local)]
    return list(dict.fromkeys(str(one) for one in reached))


def names_of(host: str, more: list[str]) -> list[str]:
    """What the server may be called in the addresses of those who ask: nothing else is answered."""
    try:
        address = ipaddress.ip_address(host)
    except ValueError:
        return [host, *more]
    if not address.is_unspecified:
        return [f"[{host}]" if address.version == 6 else host, *more]
    own = socket.gethostname()
    return [own, f"{own}.local", *addresses(), *more]


def where_pads_come(names: list[str], port: int) -> str | None:
    """The address that pads are given: a number rather than a name, which not every network knows,
    and never one that leads them to themselves. None where there is none.

    >>> where_pads_come(["school-pc", "10.0.0.7"], 8000)
    'https://10.0.0.7:8000'
    >>> where_pads_come(["school-pc", "127.0.1.1"], 8000)
    'https://school-pc:8000'
    >>> where_pads_come(["localhost"], 8000)
    """
    reached = [one for one in names if not is_loopback(one)]
    numbers = [one for one in reached if one[:1].isdigit() or one.startswith("[")]
    best = [*numbers, *reached][:1]
    return f"https://{best[0]}:{port}" if best else None


def is_loopback(host: str) -> bool:
    """Whether a name leads to this machine alone."""
    try:
        return ipaddress.ip_address(host.strip("[]")).is_loopback
    except ValueError:
        return host == "localhost"
