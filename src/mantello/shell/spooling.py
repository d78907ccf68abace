"""A request is read whole before anything is done for it, so that a slow line holds no connection to the database."""

import tempfile

#: bytes of a request that are held in memory; what is more waits in a file of its own until it is whole
HELD = 1_000_000
_PIECE = 65_536


class WholeFirst:
    """A WSGI application that begins once the request has come in."""

    def __init__(self, application):
        self._application = application

    def __call__(self, environ, start_response):
        length = environ.get("CONTENT_LENGTH") or "0"
        left = int(length) if length.isascii() and length.isdigit() else 0
        if not left:
            return self._application(environ, start_response)
        with tempfile.SpooledTemporaryFile(HELD) as whole:
            try:
                while left and (piece := environ["wsgi.input"].read(min(_PIECE, left))):
                    whole.write(piece)
                    left -= len(piece)
            except OSError:
                left = left or 1
            if left:
                start_response("408 Request Timeout", [("Content-Type", "text/plain"), ("Connection", "close")])
                return [b"The request did not come in whole; nothing was changed. Send it again.\n"]
            whole.seek(0)
            return self._application(environ | {"wsgi.input": whole}, start_response)
