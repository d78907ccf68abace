"""Numbers of a cast's form."""

from django import template

register = template.Library()


@register.filter
def as_share(value) -> str:
    """A share as it is written, or as it was typed."""
    return f"{value:g}" if isinstance(value, int | float) else value or ""
