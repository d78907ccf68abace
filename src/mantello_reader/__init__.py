"""A simulated colour reader: a small service on this machine that answers as a real instrument would, noise and faults included."""
