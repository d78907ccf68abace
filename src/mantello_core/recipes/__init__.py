"""Recipes: how a colour is made on a given undercoat, step by step."""
