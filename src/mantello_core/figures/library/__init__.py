"""Every drawn part. Importing this registers them all."""

from . import arms, bases, cloaks, crafts, flags, gear, heads, legs, ordnance, shields, torsos, vehicles, weapons  # noqa: F401
