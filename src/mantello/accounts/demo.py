"""On loopback a visitor is signed in to the demo account, so that nothing stands before the work."""

import ipaddress

from django.contrib.auth import get_user_model, login

from mantello.settings.options import OPTIONS

#: session mark of a visitor who signed out, or chose an account, and is left alone
LEFT = "left-demo"


class DemoSignIn:
    """Sign visitors from this machine in to the demo account, unless they have signed out."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request):
        if (
            OPTIONS.demo
            and not request.user.is_authenticated
            and not request.session.get(LEFT)
            and from_this_machine(request)
        ):
            enter_demo(request)
        return self.get_response(request)


def from_this_machine(request) -> bool:
    """Whether a request came over loopback and names this machine, with no proxy between."""
    try:
        near = ipaddress.ip_address(request.META.get("REMOTE_ADDR", "")).is_loopback
    except ValueError:
        return False
    return near and "HTTP_X_FORWARDED_FOR" not in request.META


def enter_demo(request) -> bool:
    """Sign the visitor in to the demo account; False if there is none."""
    user = get_user_model().objects.filter(is_demo=True, is_active=True).first()
    if user is None:
        return False
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return True
