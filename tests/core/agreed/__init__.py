"""Answers of the core on many everyday questions, as agreed, so that none of them changes by a slip."""
