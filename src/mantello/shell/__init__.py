"""What all rooms share: the page, its marks, saving and its refusals."""
