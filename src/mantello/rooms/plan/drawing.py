"""Drawings of the Plan room: the calendar strip and tonight's lanes, as SVG."""

from datetime import date, datetime, timedelta
from html import escape

from mantello.shell.templatetags.icons import middle
from mantello_core.colour.spaces import hex_of

from .batch import Batch
from .evening import Evening
from .handling import Handling

WIDTH = 912
_HATCH = (
    '<pattern id="drying" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">'
    '<rect width="5" height="5" fill="#fbfbfb"/><path d="M0 0V5" stroke="#8c8c8c" stroke-width="1.4"/></pattern>'
)


def calendar_svg(evening: Evening, worked: dict[date, float], days: int = 28) -> str:
    """Four weeks: black is worked, white is planned, gold is tonight; the height is hours."""
    today = evening.now.date()
    monday = today - timedelta(days=today.weekday())
    planned: dict[date, float] = {}
    for index, session in enumerate(evening.plan.sessions):
        if evening.plan.of(index):
            planned[session.start.date()] = planned.get(session.start.date(), 0) + session.seconds / 3600
    tonight = evening.plan.sessions[0].start.date() if evening.plan.blocks else None
    finish = evening.plan.finish.date() if evening.plan.finish else None
    step, parts = WIDTH / days, []
    for number in range(days):
        day = monday + timedelta(days=number)
        x = number * step
        if day.weekday() == 0:
            parts.append(f'<text x="{x + 3:.1f}" y="12" font-size="13" fill="#444">{day.day} {day:%B}</text>')
            if number:
                parts.append(f'<path d="M{x:.1f} 0V104" stroke="#8c8c8c" stroke-dasharray="6 4"/>')
        parts.append(_day(x, step, day, today, planned.get(day, 0), worked.get(day, 0), tonight, finish))
    return (
        f'<svg class="plan-drawing" viewBox="0 0 {WIDTH} 106" role="img" aria-label="Sessions over four weeks from {monday.day} {monday:%B}">'
        f'<path d="M0 88H{WIDTH}" stroke="#1b1b1b"/>{"".join(parts)}</svg>'
    )


def _day(x, step, day, today, planned, worked, tonight, finish):
    middle, parts = x + step / 2, []
    hours = max(planned, worked if day <= today else 0)
    if hours:
        height = min(hours, 5) * 12
        gold = day == tonight
        parts.append(
            f'<rect x="{middle - 9:.1f}" y="{88 - height:.1f}" width="18" height="{height:.1f}" fill="#fbfbfb" stroke="{"#b3800f" if gold else "#1b1b1b"}"'
            f' stroke-width="{2.4 if gold else 1.3}"/>'
        )
        if worked:
            done = min(worked, hours, 5) * 12
            parts.append(
                f'<rect x="{middle - 9:.1f}" y="{88 - done:.1f}" width="18" height="{done:.1f}" fill="#1b1b1b"/>'
            )
        parts.append(
            f'<text x="{middle:.1f}" y="{83 - height:.1f}" font-size="13" text-anchor="middle">{hours:.2g}</text>'
        )
    if day == finish:
        parts.append(
            f'<text x="{middle:.1f}" y="26" font-size="13" font-weight="700" text-anchor="middle">finish</text>'
        )
    weight = ' font-weight="800"' if day == today else ""
    parts.append(f'<text x="{middle:.1f}" y="102" font-size="13" text-anchor="middle"{weight}>{day.day}</text>')
    return "".join(parts)


def lanes_svg(evening: Evening, batches: list[Batch], session) -> str:
    """Tonight: a lane for every unit, and one for each part of it that is kept loose, white while the hands are on it, hatched while it dries."""
    units = list(dict.fromkeys(batch.lane for batch in batches))
    left, top, tall = 178, 26, 46
    height = top + tall * len(units) + 4
    scale = (WIDTH - left) / session.seconds

    def at(moment: datetime) -> float:
        return left + max(0.0, min((moment - session.start).total_seconds(), session.seconds)) * scale

    parts = [f"<defs>{_HATCH}</defs>", _axis(evening, session, at, top, height)]
    for row, unit in enumerate(units):
        y = top + tall * row
        words = middle(unit, 24)
        parts.append(f'<path d="M0 {y}H{WIDTH}" stroke="#8c8c8c" stroke-dasharray="6 4"/>')
        parts.append(f'<text x="0" y="{y + 27}" font-size="15" font-weight="500">{escape(words)}</text>')
        for batch in batches:
            if batch.lane == unit:
                parts.append(_batch(evening, batch, at, y))
    now = evening.now.replace(tzinfo=None)
    if session.start <= now < session.end:
        x = at(now)
        parts.append(f'<path d="M{x:.1f} {top - 6}V{height}" stroke="#b3800f" stroke-width="2"/>')
        parts.append(f'<rect x="{x - 24:.1f}" y="0" width="48" height="19" fill="#74530a"/>')
        parts.append(
            f'<text x="{x:.1f}" y="14" font-size="13" font-weight="700" fill="#fff" text-anchor="middle">{now:%H:%M}</text>'
        )
    scaled = f'data-left="{left}" data-scale="{scale * 60:.5f}" data-minutes="{session.seconds / 60:.0f}" data-start="{session.start:%H:%M}"'
    return f'<svg class="plan-drawing" viewBox="0 0 {WIDTH} {height}" {scaled} role="group" aria-label="Batches of the session by unit; the list below tells the same">{"".join(parts)}</svg>'


def _axis(evening, session, at, top, height):
    parts = []
    moment = session.start
    now = evening.now.replace(tzinfo=None)
    while moment <= session.end:
        x = at(moment)
        hidden = session.start <= now < session.end and abs(at(now) - x) < 44
        anchor = "end" if moment == session.end else "middle" if moment > session.start else "start"
        parts.append(f'<path d="M{x:.1f} {top - 4}V{height}" stroke="#d2d2d2"/>')
        if not hidden:
            parts.append(
                f'<text x="{x:.1f}" y="14" font-size="13" fill="#444" text-anchor="{anchor}">{moment:%H:%M}</text>'
            )
        moment += timedelta(minutes=30)
    return "".join(parts)


def _batch(evening: Evening, batch: Batch, at, y):
    block = batch.block
    start, end, dry = at(block.start), at(block.end), at(block.dry_at)
    parts = []
    if dry > end:
        parts.append(
            f'<rect x="{end:.1f}" y="{y + 15}" width="{dry - end:.1f}" height="16" fill="url(#drying)" stroke="#8c8c8c" stroke-width=".8"/>'
        )
    now = batch == evening.current
    fill = "#d0d0d0" if batch.done else "#fbfbfb"
    edge, weight = ("#b3800f", 2.4) if now else ("#1b1b1b", 1.3)
    width = max(end - start, 2.5)
    parts.append(
        f'<rect x="{start:.1f}" y="{y + 7}" width="{width:.1f}" height="32" fill="{fill}" stroke="{edge}" stroke-width="{weight}"{_handle(batch)}>'
        f"<title>{escape(batch.title)}, {batch.minutes:.0f} min</title></rect>"
    )
    parts.append(
        f'<rect x="{start:.1f}" y="{y + 7}" width="{min(width, 6):.1f}" height="32" fill="{batch_colour(evening, batch)}"/>'
    )
    if width >= _GRIP and not batch.done:
        # what a finger takes hold of: the rest of a bar lets the page scroll
        x = end - 7
        lines = "".join(f"M{x - 4 * at:.1f} {y + 15}V{y + 31}" for at in range(2))
        parts.append(
            f'<g data-handle="{batch.id}"><rect x="{end - 18:.1f}" y="{y + 7}" width="18" height="32" fill="{fill}" fill-opacity="0"/>'
            f'<path d="{lines}" stroke="#6e6e6e" stroke-width="1.4"/></g>'
        )
    room = int((width - 14) / 6.6)
    if room >= 8:
        words = batch.title if len(batch.title) <= room else batch.title[: room - 1] + "…"
        parts.append(
            f'<text x="{start + 10:.1f}" y="{y + 21}" font-size="13.5" font-weight="500">{escape(words)}</text>'
        )
        parts.append(
            f'<text x="{start + 10:.1f}" y="{y + 35}" font-size="12.5" fill="#444">{batch.minutes:.0f} min{", done" if batch.done else ""}</text>'
        )
    elif width >= 22:
        parts.append(
            f'<text x="{start + width / 2 + 2:.1f}" y="{y + 28}" font-size="12.5" text-anchor="middle">{batch.number}</text>'
        )
    return "".join(parts)


#: px that a bar is wide at least to have a grip of its own
_GRIP = 44


def _handle(batch: Batch) -> str:
    """What makes a bar draggable: its batch, and a name for those who do not see it."""
    if batch.done:
        return ""
    said = escape(f"{batch.title}, {batch.block.start:%H:%M}; arrow keys move it", quote=True)
    return f' data-batch="{batch.id}" tabindex="0" role="button" aria-label="{said}"'


def batch_colour(evening: Evening, batch: Batch) -> str:
    step = Handling(evening.reading, batch).step
    return hex_of(step.mix.paints[0].swatch if step else evening.reading.undercoat)
