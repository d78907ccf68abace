"""Log: what did I really do?"""
