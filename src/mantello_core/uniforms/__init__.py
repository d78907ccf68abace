"""Dress of sources: lists as found, what sources say of who wore what, colours of cloth, and what a campaign does to it."""
