"""Transfers: sheets made and sheets bought."""
