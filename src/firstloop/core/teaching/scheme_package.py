"""Schemes as plain data, to be kept and handed on; and back, with every fault named.

What the data looks like is in `formats/schemas`, which is published; here is what a schema cannot
say: that no letter is twice in a scheme.
"""

from firstloop.core.errors import Data, PackageError
from firstloop.core.teaching.families import Family, Scheme, SchemeFault, faults

SCHEME, VERSION = "first-loop-scheme", 1


def scheme_data(scheme: Scheme) -> Data:
    """A scheme with all its families."""
    return {
        "kind": SCHEME,
        "version": VERSION,
        "name": scheme.name,
        "families": [
            {
                "name": family.name,
                "why": family.why,
                "letters": list(family.letters),
                "exceptions": dict(family.exceptions),
            }
            for family in scheme.families
        ],
    }


def scheme_from(data: Data) -> Scheme:
    """The scheme of such data; raises PackageError with every fault. The data fits its schema.

    A letter that is in no family is no fault here: a scheme may be kept unfinished.
    """
    families = tuple(
        Family(
            family["name"],
            tuple(family["letters"]),
            family.get("why", ""),
            tuple(family.get("exceptions", {}).items()),
        )
        for family in data["families"]
    )
    scheme = Scheme(data["name"], families)
    broken = [(_where(fault), fault.what) for fault in faults(scheme) if fault.breaks]
    if broken:
        raise PackageError(broken)
    return scheme


def _where(fault: SchemeFault) -> str:
    if fault.place is None:
        return f"families/{fault.family}/exceptions/{fault.letter}"
    return f"families/{fault.family}/letters/{fault.place}"
