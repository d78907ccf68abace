"""Tests. What experience says of a recipe, and what to do when something went wrong."""
