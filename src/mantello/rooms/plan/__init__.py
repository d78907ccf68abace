"""Plan: what do I paint tonight?"""
