"""The app of the shell."""

from django import forms
from django.apps import AppConfig
from django.core import validators

from mantello_core.collecting import collect_seldom

#: what is told at a field where its form says nothing better: what came, and what is allowed
_FIELDS = (
    (forms.Field, "required", "Nothing is written here."),
    (forms.ChoiceField, "required", "Nothing is chosen here."),
    (forms.FileField, "required", "No file is chosen."),
    (forms.IntegerField, "invalid", "Write a whole number."),
    (forms.FloatField, "invalid", "Write a number."),
    (forms.DateField, "invalid", "Write a day such as 2027-03-01."),
    (forms.TimeField, "invalid", "Write a time such as 19:00."),
    (forms.ChoiceField, "invalid_choice", "'%(value)s' is none of the choices."),
    (forms.MultipleChoiceField, "invalid_choice", "'%(value)s' is none of the choices."),
)
_LIMITS = (
    (validators.MinValueValidator, "%(show_value)s is too little; allowed is %(limit_value)s and more."),
    (validators.MaxValueValidator, "%(show_value)s is too much; allowed is up to %(limit_value)s."),
    (validators.MinLengthValidator, "It has %(show_value)d signs; at least %(limit_value)d are wanted."),
    (validators.MaxLengthValidator, "It has %(show_value)d signs; allowed are up to %(limit_value)d."),
)


class Shell(AppConfig):
    """What every page stands in."""

    name = "mantello.shell"

    def ready(self):
        """Let fields speak as the rest of the product does, and every process of it be as quick."""
        collect_seldom()
        for field, code, said in _FIELDS:
            field.default_error_messages = {**field.__dict__.get("default_error_messages", {}), code: said}
        for validator, said in _LIMITS:
            validator.message = said
