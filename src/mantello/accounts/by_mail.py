"""Signing in by the address of one's mail."""

from django.contrib.auth import get_user_model
from django.contrib.auth.backends import ModelBackend


class MailBackend(ModelBackend):
    """Whoever types an email is looked up by it; the account that had it first counts, so nobody can take it over."""

    def authenticate(self, request, username=None, password=None, **kwargs):
        """The account, or None; an unknown address takes as long as a known one."""
        if not username or password is None or "@" not in username:
            return None
        user = get_user_model().objects.filter(email__iexact=username.strip()).order_by("pk").first()
        if user is None:
            get_user_model()().set_password(password)
            return None
        return user if user.check_password(password) and self.user_can_authenticate(user) else None
