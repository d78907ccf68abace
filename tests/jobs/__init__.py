"""Tests of work in the background."""
