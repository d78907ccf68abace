"""Reading and writing: the only package that knows file formats."""
