"""What a change says to the page that is shown next: in a cookie that is read by its painter alone."""

from django.contrib.messages.storage.cookie import CookieStorage
from django.contrib.messages.storage.fallback import FallbackStorage
from django.contrib.messages.storage.session import SessionStorage
from django.core.signing import get_cookie_signer


class OwnCookie(CookieStorage):
    """A cookie signed for one account: who signs in after another in the same browser is not told what the other did."""

    def _get(self, *args, **kwargs):
        if self.cookie_name in self.request.COOKIES:
            self._sign_for_painter()
        return super()._get(*args, **kwargs)

    def _store(self, messages, response, *args, **kwargs):
        if messages:
            self._sign_for_painter()  # anew: a sign-in or a sign-out may lie between
        return super()._store(messages, response, *args, **kwargs)

    def _sign_for_painter(self) -> None:
        self.signer = get_cookie_signer(salt=f"{self.key_salt}.{self.request.user.pk}")


class OwnStorage(FallbackStorage):
    """The cookie, and what it has no room for in the session."""

    storage_classes = (OwnCookie, SessionStorage)
