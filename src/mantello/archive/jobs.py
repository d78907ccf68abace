"""What workers do for archives."""

from mantello.jobs.kinds import done_by, job_kind

from .reading_in import COMPARE, TAKE, still_kept

for _kind, _work in ((TAKE, "archive_taken"), (COMPARE, "archives_compared")):
    _done = done_by(f"{__package__}.reading_in", _work)
    job_kind(_kind, template="archive/reading.html", told=still_kept)(_done)
