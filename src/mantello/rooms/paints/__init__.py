"""Paints: what is needed, and what is on the shelf?"""
