"""How form fields become HTML: as Django's templates have it, selects in one go."""

from django.forms.renderers import DjangoTemplates
from django.utils.html import conditional_escape, format_html
from django.utils.safestring import SafeString, mark_safe

_FOLDER = "django/forms/widgets/"
#: templates of selects; each option would ask for two templates more
_SELECTS = frozenset(f"{_FOLDER}{name}.html" for name in ("select", "select_multiple"))
#: templates that are a plain input and nothing else
_INPUTS = frozenset(
    f"{_FOLDER}{name}.html" for name in ("input", "text", "number", "hidden", "email", "password", "date", "search")
)


class FieldRenderer(DjangoTemplates):
    """Django's own, but for selects and plain inputs: a page with hundreds of options and dozens of fields would spend its time in
    their templates."""

    def render(self, template_name, context, request=None):
        """A template's HTML."""
        if template_name in _SELECTS:
            return _select(context["widget"])
        if template_name in _INPUTS:
            return _input(context["widget"])
        return super().render(template_name, context, request)


def _input(widget: dict) -> SafeString:
    value = "" if widget["value"] is None else format_html(' value="{}"', widget["value"])
    said = attributes(widget["attrs"])
    return format_html('<input type="{}" name="{}"{}{}>', widget["type"], widget["name"], value, said)


def _select(widget: dict) -> SafeString:
    parts = [format_html('<select name="{}"{}>', widget["name"], attributes(widget["attrs"]))]
    for group, options, _ in widget["optgroups"]:
        if group:
            parts.append(format_html('<optgroup label="{}">', group))
        parts += (
            f'<option value="{conditional_escape(one["value"])}"{attributes(one["attrs"])}>{conditional_escape(one["label"])}</option>'
            for one in options
        )
        if group:
            parts.append("</optgroup>")
    return mark_safe("".join((*parts, "</select>")))


def attributes(attrs: dict) -> SafeString:
    """An element's attributes as they are written: True by its name alone, False not at all."""
    return mark_safe("".join(_attribute(name, value) for name, value in attrs.items()))


def _attribute(name: str, value) -> str:
    if value is False:
        return ""
    return format_html(" {}", name) if value is True else format_html(' {}="{}"', name, value)
