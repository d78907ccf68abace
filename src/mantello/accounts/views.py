"""Accounts: sign up, sign in and out, change and reset the password, read the outbox."""

from django.contrib import messages
from django.contrib.auth import login, logout, views
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect, render
from django.urls import reverse_lazy
from django.views.decorators.http import require_POST, require_safe

from mantello.settings.options import OPTIONS

from .demo import LEFT, enter_demo, from_this_machine
from .forms import SignInForm, SignUpForm
from .models import OutboxMail


def sign_up(request):
    """Make an account and sign in to it."""
    form = SignUpForm(request.POST or None)
    if request.method == "POST" and form.is_valid():
        user = form.save()
        login(request, user, backend="django.contrib.auth.backends.ModelBackend")
        messages.success(request, f"Welcome, {user.username}. Start with an army.")
        return redirect("armies")
    return render(
        request, "accounts/form.html", _page(form, "Sign up", "Make the account"), status=422 if form.errors else 200
    )


class SignIn(views.LoginView):
    """Sign in."""

    authentication_form = SignInForm
    template_name = "accounts/sign_in.html"

    def get_context_data(self, **kwargs):
        """Add whether the demo account can be opened."""
        can_open = OPTIONS.demo and from_this_machine(self.request)
        return super().get_context_data(**kwargs) | {"title": "Sign in", "can_open_demo": can_open}


@require_POST
def sign_out(request):
    """Sign out, and stay out of the demo account."""
    logout(request)
    request.session[LEFT] = True
    return redirect("sign-in")


@require_POST
def open_demo(request):
    """Go back to the demo account."""
    if not (OPTIONS.demo and from_this_machine(request) and enter_demo(request)):
        raise Http404
    return redirect("armies")


@login_required
@require_safe
def account(request):
    """The signed-in painter's account."""
    return render(request, "accounts/account.html", {"title": "Account"})


@require_safe
def outbox(request):
    """Letters the stand-in kept, for this machine only."""
    if not (OPTIONS.mode != "production" and from_this_machine(request)):
        raise Http404
    return render(request, "accounts/outbox.html", {"title": "Outbox", "letters": OutboxMail.objects.all()[:50]})


def _page(form, title, action):
    return {"form": form, "title": title, "action": action}


class ChangePassword(views.PasswordChangeView):
    """Change the password, knowing the old one."""

    template_name = "accounts/form.html"
    success_url = reverse_lazy("account")
    extra_context = {"title": "Change password", "action": "Change it"}

    def form_valid(self, form):
        """Change it and say so."""
        messages.success(self.request, "The password was changed.")
        return super().form_valid(form)


class ResetPassword(views.PasswordResetView):
    """Ask for a letter with a link to set a new password."""

    template_name = "accounts/form.html"
    email_template_name = "accounts/reset_letter.txt"
    subject_template_name = "accounts/reset_subject.txt"
    success_url = reverse_lazy("reset-sent")
    extra_context = {"title": "Reset password", "action": "Send the letter"}


class ResetSent(views.PasswordResetDoneView):
    """The letter is on its way."""

    template_name = "accounts/reset_sent.html"
    extra_context = {"title": "Letter sent"}


class SetPassword(views.PasswordResetConfirmView):
    """Set a new password from the letter's link."""

    template_name = "accounts/form.html"
    success_url = reverse_lazy("sign-in")
    extra_context = {"title": "New password", "action": "Set it"}

    def form_valid(self, form):
        """Set it and say so."""
        messages.success(self.request, "The new password is set. Sign in with it.")
        return super().form_valid(form)
