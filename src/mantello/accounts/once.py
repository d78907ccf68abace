"""A change is made once, however often it is sent: every form carries a mark, and what it led to is remembered."""

import uuid
from datetime import timedelta

from django.db import IntegrityError, transaction
from django.shortcuts import redirect
from django.utils import timezone

from mantello.shell.soon import is_held

from .models import Press

#: how long marks are remembered; what a browser kept longer is looked at by the edition it was made on
REMEMBERED = timedelta(days=60)


class Once:
    """Answer a form that comes again with the same mark as the first time, without doing it again.

    The mark is put down in the transaction of the change itself: two at once wait for each other, and a change that
    fails, or is held until it can be made, leaves no mark.
    """

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request):
        token = _token(request)
        if token is None:
            return self.get_response(request)
        with transaction.atomic():
            press, known = _pressed(request, token)
            if known and press.led_to:
                return redirect(press.led_to)
            response = self.get_response(request)
            if response.status_code >= 500 or is_held(response):
                transaction.set_rollback(True)
            elif 300 <= response.status_code < 400:
                press.led_to = response.headers.get("Location", "")[:400]
                press.save(update_fields=["led_to"])
            else:
                press.delete()
        return response


def _token(request) -> uuid.UUID | None:
    """The mark of a form of a signed-in painter."""
    if request.method != "POST" or not request.user.is_authenticated:
        return None
    try:
        return uuid.UUID(request.POST.get("token", ""))
    except ValueError:
        return None


def _pressed(request, token: uuid.UUID) -> tuple[Press, bool]:
    """The mark put down now, or the one that was put down before."""
    asked = {"user": request.user, "token": token, "path": request.path[:400]}
    try:
        with transaction.atomic():
            return Press.objects.create(**asked), False
    except IntegrityError:
        return Press.objects.select_for_update().get(**asked), True


def forget_old() -> int:
    """Forget marks that nobody will send again; how many."""
    return Press.objects.filter(made_at__lt=timezone.now() - REMEMBERED).delete()[0]
