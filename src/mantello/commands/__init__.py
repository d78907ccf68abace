"""What is run from the command line: the demo and the measurements."""
