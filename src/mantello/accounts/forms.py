"""Sign-up and sign-in."""

from django import forms
from django.contrib.auth import get_user_model
from django.contrib.auth.forms import AuthenticationForm, UserCreationForm


class SignUpForm(UserCreationForm):
    """A new account: name, email, password twice."""

    class Meta:
        model = get_user_model()
        fields = ("username", "email")
        labels = {"username": "Name"}
        help_texts = {"username": "Letters, digits and @ . + - _ only; up to 150."}

    def clean_email(self):
        """The address, if no account has it."""
        email = self.cleaned_data["email"].strip()
        if get_user_model().objects.filter(email__iexact=email).exists():
            raise forms.ValidationError(f"'{email}' belongs to an account already; sign in, or reset its password.")
        return email


class SignInForm(AuthenticationForm):
    """Name and password."""

    username = forms.CharField(
        label="Name", widget=forms.TextInput(attrs={"autofocus": True, "autocomplete": "username"})
    )
