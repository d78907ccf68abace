"""Tests of the Paints room."""
