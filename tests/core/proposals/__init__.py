"""Tests. Schemes worked out for a brief."""
