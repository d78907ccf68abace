"""The order of work on one figure: phases, rules from firm to soft, and what gives way."""
