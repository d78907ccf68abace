"""Scheme: which colour goes where, on whom, and why?"""
