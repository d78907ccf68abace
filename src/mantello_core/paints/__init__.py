"""Paints: what a pot holds, and the ranges it comes in."""
