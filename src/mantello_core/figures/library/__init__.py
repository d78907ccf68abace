"""Every drawn part. Importing this registers them all."""

from . import arms, bases, cloaks, flags, gear, heads, legs, shields, torsos, vehicles, weapons  # noqa: F401
