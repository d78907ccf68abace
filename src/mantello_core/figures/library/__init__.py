"""Every drawn part. Importing this registers them all."""

from . import (  # noqa: F401
    arms,
    bases,
    beasts,
    cloaks,
    crafts,
    engines,
    flags,
    gear,
    heads,
    legs,
    mounts,
    ordnance,
    shields,
    torsos,
    vehicles,
    weapons,
)
