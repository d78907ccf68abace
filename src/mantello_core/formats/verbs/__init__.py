"""What the verbs of the command line answer, subject by subject."""
