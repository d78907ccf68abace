"""Tests. The checks of a design, each with its findings and fixes."""
