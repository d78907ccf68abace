"""Insignia: which marks, where, how big, how made?"""
