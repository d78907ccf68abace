"""Tests of the record."""
