"""How gunicorn serves: a few processes that share what was read before them, several requests at once in each.

Read by gunicorn as its configuration (``-c python:mantello.serving``).
"""

import os

from gunicorn.workers.gthread import ThreadWorker

#: processes: as many as there are processors, two at least; each learns armies by itself, and waiting is for its threads
workers = int(os.environ.get("MANTELLO_WORKERS", min(8, max(2, os.cpu_count() or 1))))
#: requests at once in a process; most of them wait for slow lines, since only so many work at a time
threads = int(os.environ.get("MANTELLO_THREADS", "32"))
worker_class = "mantello.serving.PatientWorker"
#: what a process reads once is shared by all
preload_app = True
#: seconds in which a process must be heard of; its requests may take longer, and silent lines do not count
timeout = 120
graceful_timeout = 20
keepalive = 10
backlog = 512
#: bytes of an address: a brief says everything in its own, which the longest names take half of in some scripts
limit_request_line = 8190
loglevel = "warning"
#: seconds that a line may be silent within a request or an answer
SILENT = 20


class PatientWorker(ThreadWorker):
    """Threads; a line that falls silent in the middle of a request gives its thread back after a while."""

    def enqueue_req(self, conn):
        """Let the request be read, with patience that ends."""
        conn.init()
        conn.sock.settimeout(SILENT)
        self._wrap_future(self.tpool.submit(self.handle, conn), conn)
