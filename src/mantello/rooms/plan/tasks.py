"""What workers do for the Plan room; any number of them, on any machine that reaches the database."""

from django.db import connection
from procrastinate.contrib.django import app

from .improving import carry_out
from .models import Search


@app.task(name="plan.improve", queue="plan")
def improve(search_id: int) -> None:
    """Search for a better plan, if the search was not stopped before its turn came."""
    try:
        found = Search.objects.select_related("army__head").filter(pk=search_id, state=Search.State.WAITING).first()
        if found:
            carry_out(found)
    finally:
        # a worker's thread lives on, its connection shall not; inside a transaction it is the caller's
        if not connection.in_atomic_block:
            connection.close()
