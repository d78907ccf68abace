"""Tests. A design: army, scheme and evenings together, and every edit of it."""
