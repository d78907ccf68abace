"""Sign-up and sign-in."""

from django import forms
from django.contrib.auth import get_user_model
from django.contrib.auth.forms import AuthenticationForm, UserCreationForm

from .trying import TOO_OFTEN


class SignUpForm(UserCreationForm):
    """A new account: name, email, password twice."""

    class Meta:
        model = get_user_model()
        fields = ("username", "email")
        labels = {"username": "Name"}
        help_texts = {"username": "Letters, digits and @ . + - _ only; up to 150."}


class SignInForm(AuthenticationForm):
    """Name and password."""

    username = forms.CharField(
        label="Name", widget=forms.TextInput(attrs={"autofocus": True, "autocomplete": "username"})
    )


class TooOftenForm(forms.Form):
    """A sign-in that was not even looked at: the name stays, the password does not."""

    username = SignInForm.base_fields["username"]
    password = forms.CharField(label="Password", required=False, widget=forms.PasswordInput)

    def clean(self):
        """Tell why."""
        raise forms.ValidationError(TOO_OFTEN)
