"""How form fields become HTML: as Django's templates have it, selects in one go."""

from django.forms.renderers import DjangoTemplates
from django.utils.html import conditional_escape, format_html
from django.utils.safestring import SafeString, mark_safe

#: templates of selects; each option would ask for two templates more
_SELECTS = frozenset({"django/forms/widgets/select.html", "django/forms/widgets/select_multiple.html"})


class FieldRenderer(DjangoTemplates):
    """Django's own, but for selects: a page with hundreds of options would spend its time in their templates."""

    def render(self, template_name, context, request=None):
        """A template's HTML."""
        if template_name in _SELECTS:
            return _select(context["widget"])
        return super().render(template_name, context, request)


def _select(widget: dict) -> SafeString:
    parts = [format_html('<select name="{}"{}>', widget["name"], _attributes(widget["attrs"]))]
    for group, options, _ in widget["optgroups"]:
        if group:
            parts.append(format_html('<optgroup label="{}">', group))
        parts += (
            f'<option value="{conditional_escape(one["value"])}"{_attributes(one["attrs"])}>{conditional_escape(one["label"])}</option>'
            for one in options
        )
        if group:
            parts.append("</optgroup>")
    return mark_safe("".join((*parts, "</select>")))


def _attributes(attrs: dict) -> SafeString:
    return mark_safe("".join(_attribute(name, value) for name, value in attrs.items()))


def _attribute(name: str, value) -> str:
    if value is False:
        return ""
    return format_html(" {}", name) if value is True else format_html(' {}="{}"', name, value)
