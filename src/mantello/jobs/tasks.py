"""What workers do; any number of them, on any machine that reaches the database."""

from django.db import connection
from procrastinate.contrib.django import app

from mantello.accounts.once import forget_old

from . import work
from .models import Job


@app.task(name="jobs.carry_out", queue="jobs")
def carry_out(job_id: int) -> None:
    """Do a job."""
    try:
        found = Job.objects.select_related("army", "owner").filter(pk=job_id).first()
        if found:
            work.carry_out(found)
    finally:
        # a worker's thread lives on, its connection shall not; inside a transaction it is the caller's
        if not connection.in_atomic_block:
            connection.close()


@app.periodic(cron="* * * * *")
@app.task(name="jobs.sweep", queue="jobs")
def sweep(timestamp: int) -> None:
    """Let jobs whose worker is gone fail, and forget marks of forms that nobody will send again."""
    try:
        Job.objects.sweep()
        forget_old()
    finally:
        if not connection.in_atomic_block:
            connection.close()
