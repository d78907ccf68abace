"""Almanacs of dress, and lists as they were found: they belong to the account and serve all its armies."""
