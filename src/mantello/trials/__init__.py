"""Test pieces: what was tried before a batch, and what came of it."""
