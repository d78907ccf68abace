"""On loopback a visitor is signed in to the demo account, so that nothing stands before the work."""

from django.contrib.auth import get_user_model, login

from mantello.settings.options import OPTIONS

from .visitor import from_this_machine

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


def enter_demo(request) -> bool:
    """Sign the visitor in to the demo account; False if there is none."""
    user = get_user_model().objects.filter(is_demo=True, is_active=True).first()
    if user is None:
        return False
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return True
