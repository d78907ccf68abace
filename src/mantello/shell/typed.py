"""What was typed into a form that came, to be held on a page until it can be sent again."""

from django.http import HttpRequest

#: fields that are not shown again, nor sent by themselves; the page has a mark against forgery of its own
_SECRET = frozenset(
    {
        "csrfmiddlewaretoken",
        "password",
        "password1",
        "password2",
        "old_password",
        "new_password1",
        "new_password2",
    }
)


def typed_in(request: HttpRequest) -> list[tuple[str, str]]:
    """The fields of a form in order, names and values, without secrets."""
    return [(name, value) for name, values in request.POST.lists() if name not in _SECRET for value in values]
