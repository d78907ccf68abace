"""Tests. Arms: blazon, what it means, and how it is drawn."""
