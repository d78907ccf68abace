"""Where in a document a refusal belongs: the one way to say it."""

from contextlib import contextmanager

from ...errors import MantelloError


@contextmanager
def at(pointer: str):
    """Whatever is refused within is refused at this place of the document; the place it names itself comes behind."""
    try:
        yield
    except MantelloError as error:
        own = error.where.strip("/")
        error.where = f"{pointer}/{own}" if own else pointer
        raise
