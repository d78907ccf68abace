"""What an account owns of paints, and its own paints."""
