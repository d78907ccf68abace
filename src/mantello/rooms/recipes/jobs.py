"""What workers do for the Recipes room."""

from mantello.jobs.answers import answer_kind

from .comparing import UNDERCOATS, undercoats_compared

answer_kind(UNDERCOATS)(undercoats_compared)
