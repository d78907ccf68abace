"""The rooms, in the order of work."""
