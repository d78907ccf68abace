"""Accounts: sign up, sign in and out, change and reset the password, read the outbox."""

from django.contrib import messages
from django.contrib.auth import login, logout, views
from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpResponseRedirect
from django.shortcuts import redirect, render
from django.urls import reverse_lazy
from django.views.decorators.http import require_POST, require_safe

from mantello.settings.options import OPTIONS

from .demo import LEFT, enter_demo
from .forms import SignInForm, SignUpForm, TooOftenForm
from .models import OutboxMail
from .trying import LETTERS, MADE, TOO_OFTEN, tried_too_often
from .visitor import from_this_machine


def sign_up(request):
    """Make an account and sign in to it."""
    form = SignUpForm(request.POST or None)
    if request.method == "POST" and tried_too_often(request, "sign-up", request.POST.get("email", ""), by_address=MADE):
        form.is_valid()
        form.add_error(None, TOO_OFTEN)
        return render(request, "accounts/form.html", _page(form, "Sign up", "Make the account"), status=429)
    if request.method == "POST" and form.is_valid():
        user = form.save()
        login(request, user, backend="django.contrib.auth.backends.ModelBackend")
        messages.success(request, f"Welcome, {user.called}. Start with an army.")
        return redirect("armies")
    return render(
        request, "accounts/form.html", _page(form, "Sign up", "Make the account"), status=422 if form.errors else 200
    )


class SignIn(views.LoginView):
    """Sign in."""

    authentication_form = SignInForm
    template_name = "accounts/sign_in.html"

    def post(self, request, *args, **kwargs):
        """Sign in, unless it was tried too often at this name or from this address."""
        if tried_too_often(request, "sign-in", request.POST.get("username", "")):
            form = TooOftenForm(request.POST)
            return self.render_to_response(self.get_context_data(form=form), status=429)
        return super().post(request, *args, **kwargs)

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


@login_required
@require_safe
def outbox(request):
    """Letters to the signed-in painter that the stand-in kept."""
    if OPTIONS.mode == "production":
        raise Http404
    letters = OutboxMail.objects.filter(to__iexact=request.user.email)[:50]
    return render(request, "accounts/outbox.html", {"title": "Outbox", "letters": letters})


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

    def form_valid(self, form):
        """Send the letter, unless too many were asked for; the address in it is ours, never that of the request."""
        if tried_too_often(self.request, "reset", form.cleaned_data["email"], by_name=LETTERS):
            form.add_error(None, TOO_OFTEN)
            return self.render_to_response(self.get_context_data(form=form), status=429)
        scheme, _, host = OPTIONS.address.partition("://")
        form.save(
            domain_override=host, use_https=scheme == "https", request=self.request,
            email_template_name=self.email_template_name, subject_template_name=self.subject_template_name,
        )  # fmt: skip
        return HttpResponseRedirect(self.get_success_url())


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
