"""Armies, the editions of their designs, and the page every room stands on."""
