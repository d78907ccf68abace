"""Tests. What was painted: progress, drift, and what is learnt of it."""
