"""Colours read on painted figures: beside what is predicted there, and compared over units."""

from dataclasses import dataclass

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.utils import timezone
from django.views.decorators.http import require_POST

from mantello.record.models import Measurement
from mantello.record.queries import progress
from mantello.shelf.reader import ReaderError, read_figure
from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.order.subject import of_role
from mantello_core.record.evenness import Evenness, evenness

from .choosing import Chosen, back_to_figure, posted_figure


@dataclass(frozen=True)
class Measured:
    """One reading of one colour of a figure."""

    name: str
    colour: Lab
    #: what is predicted for how far the figure is painted now; None if it is not painted with the role any more
    expected: Lab | None
    measured_at: object

    @property
    def apart(self) -> float | None:
        """CIEDE2000 from what is predicted."""
        return difference(self.colour, self.expected) if self.expected else None


def expected_colour(reading: Reading, tier: str, role: str, done: frozenset[tuple[str, str]]) -> Lab | None:
    """The colour of a role as far as a figure is painted with it; None if no step of it is done."""
    if role not in reading.design.scheme.role_by_id:
        return None
    outcomes = [one for one in reading.prediction(role, tier).outcomes if (of_role(role), one.step.id) in done]
    return outcomes[-1].tones.flats if outcomes else None


def measured_on(army: Army, reading: Reading, chosen: Chosen) -> tuple[list[Measured], list[tuple[str, str]]]:
    """The newest reading of every role of a figure, and the roles that can be read: those that are painted."""
    tier = reading.design.army.rank(chosen.unit, chosen.rank).tier
    done = progress(army)[chosen.unit, chosen.rank, chosen.ordinal].done
    roles = reading.design.scheme.role_by_id
    known = army.measurements.filter(unit=chosen.unit, rank=chosen.rank, ordinal=chosen.ordinal)
    newest = {one.role: one for one in reversed(known)}
    rows = [
        Measured(
            roles[role].name if role in roles else role, Lab(one.lightness, one.a, one.b), expected_colour(reading, tier, role, done), one.measured_at
        )
        for role, one in newest.items()
    ]  # fmt: skip
    readable = dict.fromkeys(subject.role for subject, _ in done if subject.role in roles)
    return rows, [(role, roles[role].name) for role in readable]


def even_roles(army: Army, reading: Reading) -> list[tuple[str, Evenness, str, str]]:
    """Every role that was read: its name, how even it is, and the two units that lie farthest apart by name."""
    rows = [(one.role, one.unit, Lab(one.lightness, one.a, one.b)) for one in army.measurements.all()]
    nodes, roles = reading.design.army.nodes, reading.design.scheme.role_by_id

    def title(unit: str) -> str:
        return reading.design.army.title(unit) if unit in nodes else unit

    return [
        (roles[one.role].name if one.role in roles else one.role, one, title(one.one), title(one.other))
        for one in evenness(rows)
    ]


@login_required
@require_POST
def measure(request, army_id):
    """One reading of one colour of a figure."""
    army, reading, chosen = posted_figure(request, army_id)
    role = request.POST.get("role", "")
    tier = reading.design.army.rank(chosen.unit, chosen.rank).tier
    expected = expected_colour(reading, tier, role, progress(army)[chosen.unit, chosen.rank, chosen.ordinal].done)
    if expected is None:
        messages.error(request, "That colour is not painted on this figure yet; nothing was read.")
    else:
        try:
            colour = read_figure(f"{army.pk}|{chosen.unit}|{chosen.rank}|{chosen.ordinal}|{role}", expected)
        except ReaderError as error:
            messages.error(request, str(error))
        else:
            Measurement.objects.create(
                army=army, unit=chosen.unit, rank=chosen.rank, ordinal=chosen.ordinal, role=role, lightness=colour.lightness,
                a=colour.a, b=colour.b, measured_at=timezone.now(),
            )  # fmt: skip
            name = reading.design.scheme.role(role).name
            messages.success(request, f"{name}: read {difference(colour, expected):.1f} from what is predicted.")
    return back_to_figure(army, chosen)
