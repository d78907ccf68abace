"""Sign-up and sign-in."""

from django import forms
from django.contrib.auth import get_user_model
from django.contrib.auth.forms import AuthenticationForm, BaseUserCreationForm

from .naming import free_name
from .trying import TOO_OFTEN


class SignUpForm(BaseUserCreationForm):
    """A new account: what the painter is called, email, password twice.

    Neither may be refused for being taken, which would tell who has an account: the name that signs in is made here.
    """

    name = forms.CharField(
        max_length=60, help_text="What to call you here. You sign in with your email.",
        widget=forms.TextInput(attrs={"autofocus": True, "autocomplete": "name"}),
    )  # fmt: skip

    field_order = ("name", "email", "password1", "password2")

    class Meta:
        model = get_user_model()
        fields = ("email",)

    def clean_name(self):
        """The name, which the password may not repeat."""
        self.instance.first_name = self.cleaned_data["name"]
        return self.instance.first_name

    def save(self, commit=True):
        """The new account, with a name to sign in by that nobody has."""
        user = super().save(commit=False)
        user.username = free_name(user.first_name)
        if commit:
            user.save()
        return user


class SignInForm(AuthenticationForm):
    """Email or name, and password."""

    error_messages = AuthenticationForm.error_messages | {
        "invalid_login": "That is not a correct email or name and password. Capitals in the password count."
    }
    username = forms.CharField(
        label="Email or name", widget=forms.TextInput(attrs={"autofocus": True, "autocomplete": "username"})
    )


class TooOftenForm(forms.Form):
    """A sign-in that was not even looked at: the name stays, the password does not."""

    username = SignInForm.base_fields["username"]
    password = forms.CharField(label="Password", required=False, widget=forms.PasswordInput)

    def clean(self):
        """Tell why."""
        raise forms.ValidationError(TOO_OFTEN)
