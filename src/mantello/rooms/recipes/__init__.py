"""Recipes: how is that colour made on this undercoat?"""
